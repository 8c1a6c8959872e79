<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Casebook;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Mode;
use Ringo\Rehearsal\Input;
use Ringo\Script\Script;

/** A case's lines on their way into a call: those tied to what is asked now go first, the others in their order. */
final class Lines
{
    /** @var list<Line> */
    private array $left;

    public function __construct(KeptCase $case, private readonly Script $script)
    {
        $this->left = $case->lines;
    }

    public function next(CallState $state): ?Input
    {
        $asked = $this->asked($state);
        foreach ($this->left as $i => $line) {
            if ($line->to !== null && in_array($line->to, $asked, true)) {
                return $this->take($i);
            }
        }
        foreach ($this->left as $i => $line) {
            if ($line->to === null) {
                return $this->take($i);
            }
        }

        return null;
    }

    /** How many were never said. */
    public function unused(): int
    {
        return count($this->left);
    }

    private function take(int $i): Input
    {
        [$line] = array_splice($this->left, $i, 1);

        return $line->input;
    }

    /** @return list<string> the step the call stands at, the field it asks for, and `confirm` where something is read back */
    private function asked(CallState $state): array
    {
        $step = $this->script->steps[$state->step ?? ''] ?? null;

        return match ($state->mode) {
            Mode::Answer => [...($step === null ? [] : [$step->key(), ...$step->asks()]), ...array_filter([$state->errand['field'] ?? null])],
            Mode::Confirm => ['confirm', ...$state->pending],
            default => [$state->mode->value],
        };
    }
}
