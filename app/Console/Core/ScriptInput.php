<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Dialogue\Engine;
use Ringo\Document\InvalidDocument;
use Ringo\Errand\ErrandFile;
use Ringo\Errand\Errands;
use Ringo\Errand\Prepared;
use Ringo\Knowledge\CallKnowledge;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\Script;
use Ringo\Script\ScriptReader;
use Ringo\Transfer\StaffFile;
use Ringo\Transfer\Switchboard;

/** A script and what stands around it – staff, knowledge, diaries, errands – as commands that let stand-in callers talk take them. */
final readonly class ScriptInput
{
    public const AROUND = ['teams', 'knowledge', 'diaries', 'errands'];

    public function __construct(private Arguments $arguments)
    {
    }

    public function script(string $path): Script
    {
        $text = is_file($path) ? (string) file_get_contents($path) : throw new BadInput("{$path}: there is no such file.");
        try {
            return (new ScriptReader)->fromJson($text);
        } catch (InvalidDocument $problem) {
            throw new BadInput(implode("\n", array_map(static fn (array $one): string => "{$path}: {$one['path']}: {$one['message']}", $problem->problems)));
        }
    }

    public function errands(): ?Prepared
    {
        return $this->arguments->get('errands') === null ? null : ErrandInput::file($this->arguments->get('errands'));
    }

    public function diaries(): ?SketchBook
    {
        return $this->arguments->get('diaries') === null ? null : new SketchBook(FreeCommand::diaries($this->arguments->get('diaries')));
    }

    public function engine(Script $script, ?SketchBook $diaries, ?Prepared $errands): Engine
    {
        $board = $this->arguments->get('teams') === null ? null : $this->board($this->arguments->get('teams'), $script->agent->country);
        $knowledge = $this->arguments->get('knowledge') === null ? null : new CallKnowledge(AnswerCommand::answerer($this->arguments->get('knowledge')), Vocabulary::of($script->agent->language), static fn (string $file): string => '');

        return Engine::for($script, $board, $knowledge, appointments: $diaries, errands: $errands instanceof ErrandFile ? $errands->errands : new Errands);
    }

    private function board(string $path, string $country): Switchboard
    {
        $text = is_file($path) ? (string) file_get_contents($path) : throw new BadInput("{$path}: there is no such file.");
        try {
            return (new StaffFile(new NumberingPlan, $country))->read($text);
        } catch (\InvalidArgumentException $problem) {
            throw new BadInput("{$path}: {$problem->getMessage()}.");
        }
    }
}
