<?php

declare(strict_types=1);

namespace App\Support\Book;

use Ringo\Script\Script;
use Ringo\Script\Spine;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Timing;

/** The lines of the prompt book: for each step what is said, what the caller may answer and where that leads. */
final readonly class PromptRows
{
    private Timing $timing;

    public function __construct(private Script $script, private Spine $spine)
    {
        $this->timing = new Timing;
    }

    /** @return list<array{step: Step, texts: list<string>, answers: list<Answer>, field: ?string, seconds: ?float, spine: array<string, mixed>, next: ?string, scene: ?string}> */
    public function rows(): array
    {
        $keys = array_keys($this->script->steps);
        $rows = [];
        foreach ($keys as $i => $key) {
            $step = $this->script->step($key);
            $texts = $step->prompt() === null || $step->prompt()->isEmpty() ? [] : $step->prompt()->variants;
            $spoken = array_map(static fn (string $text): string => (string) preg_replace('/\[[^\]|]*(?:\|([^\]]*))?\]/', '$1 something', $text), $texts);
            $rows[] = [
                'step' => $step,
                'texts' => array_values($texts),
                'answers' => StepForms::of($step->kind())->answers($step, $this->script),
                'field' => $step->asks()[0] ?? null,
                'seconds' => $spoken === [] ? null : max(array_map(fn (string $text): float => $this->timing->ofAgent($text, $this->script->agent->voice['pace']), $spoken)),
                'spine' => $this->spine->rows[$i],
                'next' => isset($keys[$i + 1]) ? (string) $keys[$i + 1] : null,
                'scene' => $this->script->scenes[$key] ?? null,
            ];
        }

        return $rows;
    }
}
