<?php

declare(strict_types=1);

namespace Ringo\Inspection;

use Ringo\Design\ScriptDocument;
use Ringo\Language\Vocabulary;
use Ringo\Script\Script;
use Ringo\Script\Steps\AskStep;
use Ringo\Script\Steps\ChooseStep;
use Ringo\Script\Steps\ListenStep;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Prompt;
use Ringo\Speech\Timing;

/** A script as the rules look at it: its document, its flow, and everything it says with the place where it stands. */
final readonly class Design
{
    public Script $script;

    public Flow $flow;

    /** @param ?list<string> $files names of the files of the business; null where they are not known */
    public function __construct(public ScriptDocument $document, public Vocabulary $words, public ?array $files = null)
    {
        $this->script = $document->script;
        $this->flow = new Flow($this->script);
    }

    /** Whether a step waits for the caller. */
    public static function asks(Step $step): bool
    {
        return $step instanceof AskStep || $step instanceof ChooseStep || $step instanceof ListenStep;
    }

    /**
     * All that is spoken.
     *
     * @return list<Line>
     */
    public function lines(): array
    {
        $lines = [];
        $add = static function (?string $step, string $what, string|array|Prompt|null $texts) use (&$lines): void {
            if ($texts === null) {
                return;
            }
            foreach ($texts instanceof Prompt ? $texts->variants : (array) $texts as $text) {
                if (is_string($text) && trim($text) !== '') {
                    $lines[] = new Line($step, $what, $text);
                }
            }
        };
        foreach ($this->script->agent->greeting as $who => $prompt) {
            $add(null, "greeting of a caller who is {$who}", $prompt);
        }
        foreach ($this->script->steps as $key => $step) {
            $add($key, 'prompt', $step->prompt());
            if ($step instanceof AskStep || $step instanceof ChooseStep || $step instanceof ListenStep) {
                $add($key, 'short form', $step->again);
            }
            if ($step instanceof AskStep) {
                $add($key, 'reprompt', $step->reprompts);
                $add($key, 'help', $step->help);
                $add($key, 'reason', $step->why);
            }
            if ($step instanceof ListenStep) {
                $add($key, 'reprompt', $step->reprompts);
            }
            if ($step instanceof ChooseStep) {
                $add($key, 'reprompt', [...$step->silence, ...$step->nonsense, ...$step->wrongKey]);
            }
        }
        foreach ($this->script->standing->replies as $reply) {
            $add(null, "standing reply “{$reply['key']}”", [...(array) $reply['say'], (string) $reply['otherwise']]);
        }
        foreach ($this->script->standing->words as $name => $text) {
            $add(null, "standing words “{$name}”", $text);
        }

        return $lines;
    }

    /** Seconds of a prompt's longest variant, with a word or two for each value. */
    public function seconds(?Prompt $prompt): float
    {
        if ($prompt === null || $prompt->isEmpty()) {
            return 0.0;
        }
        $timing = new Timing;

        return max(array_map(fn (string $text): float => $timing->ofAgent((string) preg_replace('/\[[^\]|]*(?:\|([^\]]*))?\]/', 'something', $text), $this->script->agent->voice['pace']), $prompt->variants));
    }

    /** The step as it is called on screen. */
    public static function named(string $key): string
    {
        return '“'.$key.'”';
    }
}
