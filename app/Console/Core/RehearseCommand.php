<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Dialogue\Engine;
use Ringo\Document\InvalidDocument;
use Ringo\Errand\Errands;
use Ringo\Knowledge\CallKnowledge;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Rehearsal\Casebook\Casebook;
use Ringo\Rehearsal\Casebook\KeptCase;
use Ringo\Rehearsal\Casebook\Proposal;
use Ringo\Rehearsal\Casebook\Trial;
use Ringo\Rehearsal\Casebook\Verdict;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\ScriptReader;
use Ringo\Transfer\StaffFile;

/** `./ringo rehearse CASEBOOK [--agent=SCRIPT]`: rings every case and says what does not hold. */
final class RehearseCommand
{
    public const USAGE = './ringo rehearse CASEBOOK [--agent=SCRIPT] [--case=KEY] [--teams=FILE] [--knowledge=FOLDER] [--diaries=FILE] [--errands=FILE] [--propose]';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['agent', 'case', 'teams', 'knowledge', 'diaries', 'errands', 'propose']);
        if (count($arguments->positional) !== 1) {
            throw new WrongUsage('Usage: '.self::USAGE);
        }
        $file = $arguments->positional[0];
        $book = $this->book($file);
        $agent = $arguments->get('agent') ?? ($book->agent === null ? throw new BadInput("{$file}: “agent” is missing; name the script with --agent=SCRIPT.") : dirname($file).'/'.$book->agent);
        $trial = $this->trial($arguments, $agent);
        $cases = $arguments->get('case') === null ? $book->cases : array_intersect_key($book->cases, [$arguments->get('case') => true]);
        if ($cases === []) {
            throw new BadInput("{$file}: there is no case".($arguments->get('case') === null ? '.' : " “{$arguments->get('case')}”."));
        }
        if ($arguments->has('propose')) {
            $proposed = array_map(static fn (KeptCase $case): KeptCase => $case->with(Proposal::of($trial->script(), $trial->of($case)->call->state)), $cases);
            Output::json((new Casebook($book->agent, $proposed))->toArray(), true);

            return 0;
        }
        $failed = false;
        foreach ($cases as $case) {
            $verdict = $trial->of($case);
            $failed = $failed || ! $verdict->passed();
            Output::json($this->told($verdict));
        }

        return $failed ? 1 : 0;
    }

    /** @return array<string, mixed> */
    private function told(Verdict $verdict): array
    {
        return ['case' => $verdict->case->key, 'title' => $verdict->case->title, 'passed' => $verdict->passed(), 'must' => $verdict->case->must, 'failures' => $verdict->failures, 'outcome' => $verdict->call->state->outcome, 'turns' => $verdict->call->state->heard, 'unused_lines' => $verdict->unused];
    }

    private function trial(Arguments $arguments, string $agent): Trial
    {
        $text = is_file($agent) ? (string) file_get_contents($agent) : throw new BadInput("{$agent}: there is no such file.");
        try {
            $script = (new ScriptReader)->fromJson($text);
        } catch (InvalidDocument $problem) {
            throw new BadInput(implode("\n", array_map(static fn (array $one): string => "{$agent}: {$one['path']}: {$one['message']}", $problem->problems)));
        }
        $errands = $arguments->get('errands') === null ? new Errands : ErrandInput::file($arguments->get('errands'))->errands;
        $knowledge = $arguments->get('knowledge') === null ? null : new CallKnowledge(AnswerCommand::answerer($arguments->get('knowledge')), Vocabulary::of($script->agent->language), static fn (string $file): string => '');
        $diaries = $arguments->get('diaries') === null ? null : FreeCommand::diaries($arguments->get('diaries'));
        $teams = $arguments->get('teams');
        $board = $teams === null ? null : (new StaffFile(new NumberingPlan, $script->agent->country))->read(is_file($teams) ? (string) file_get_contents($teams) : throw new BadInput("{$teams}: there is no such file."));

        $book = $diaries === null ? null : new SketchBook($diaries);

        return new Trial(Engine::for($script, $board, $knowledge, appointments: $book, errands: $errands), $book);
    }

    private function book(string $file): Casebook
    {
        $data = is_file($file) ? json_decode((string) file_get_contents($file), true) : throw new BadInput("{$file}: there is no such file.");
        if (! is_array($data) || array_is_list($data)) {
            throw new BadInput("{$file}: a casebook is a JSON object with cases.");
        }
        try {
            return Casebook::fromArray($data);
        } catch (InvalidDocument $problem) {
            throw new BadInput(implode("\n", array_map(static fn (array $one): string => "{$file}: {$one['path']}: {$one['message']}", array_slice($problem->problems, 0, 20))));
        }
    }
}
