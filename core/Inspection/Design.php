<?php

declare(strict_types=1);

namespace Ringo\Inspection;

use Ringo\Design\ScriptDocument;
use Ringo\Errand\Errand;
use Ringo\Language\Vocabulary;
use Ringo\Script\Script;
use Ringo\Script\Steps\LookUp\LookUpStep;
use Ringo\Speech\Prompt;
use Ringo\Speech\Timing;

/** A script as the rules look at it: its document, its flow, and everything it says with the place where it stands. */
final readonly class Design
{
    public Script $script;

    public Flow $flow;

    public function __construct(public ScriptDocument $document, public Vocabulary $words, public Surroundings $around = new Surroundings)
    {
        $this->script = $document->script;
        $this->flow = new Flow($this->script);
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
            foreach ($step->lines() as $words) {
                $add($key, $words->what, $words->texts);
            }
        }
        foreach ($this->script->standing->replies as $reply) {
            $add(null, "standing reply “{$reply['key']}”", [...(array) $reply['say'], (string) $reply['otherwise']]);
        }
        foreach ($this->script->standing->objections as $one) {
            $add(null, "answer to the objection “{$one['key']}”", $one['say']);
        }
        foreach ($this->script->standing->words as $name => $text) {
            $add(null, "standing words “{$name}”", $text);
        }

        return $lines;
    }

    /** @return array<string, ?Errand> the errands that steps use, by key; null where it is not known what there is */
    public function errands(): array
    {
        $used = [];
        foreach ($this->script->steps as $step) {
            if ($step instanceof LookUpStep) {
                $used[$step->errand] = $this->around->errands?->get($step->errand);
            }
        }

        return $used;
    }

    /** Whether a path names what an errand of the script came back with: its status, or a value it reads. */
    public function errandGives(string $path): bool
    {
        [$key, $value] = [...explode('.', $path, 2), ''];
        $used = $this->errands();

        return array_key_exists($key, $used) && $value !== '' && ($value === 'status' || $used[$key] === null || $used[$key]->sought($value) !== null);
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
