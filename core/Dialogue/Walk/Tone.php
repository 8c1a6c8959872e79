<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Walk;

use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Understanding\Heard;

/** How a caller's matter is met: with regret, gladly, or as it comes; by the script, else by the words. */
final readonly class Tone
{
    public function __construct(private Phrasebook $phrases)
    {
    }

    public function meet(Turn $turn, ?string $written, ?Heard $heard): void
    {
        $tone = $written ?? ($heard === null ? null : $this->of($heard)) ?? 'neutral';
        $before = $turn->state->tone;
        $turn->state->tone = $tone;
        if ($tone === 'sorry' && $before !== 'sorry') {
            $turn->trace->rule('met with regret');
            $turn->standing('sorry_to_hear');
        }
    }

    private function of(Heard $heard): ?string
    {
        return match (true) {
            $this->phrases->table('acts', 'sorry')->in($heard->tokens) => 'sorry',
            $this->phrases->table('acts', 'glad')->in($heard->tokens) => 'glad',
            default => null,
        };
    }
}
