<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Phrasebook;
use Ringo\Fit\Topics;
use Ringo\Script\Steps\Listen\ListenStep;

/** The matter that words wish for in so many words: 'I want to hire a digger', 'no, it's about my invoice'. */
final readonly class MatterWished
{
    /** Words of substance from which a wish names its matter: 'I want to hire a digger', and not 'I want to'. */
    private const NAMES_IT = 2;

    public function __construct(private Topics $topics, private Phrasebook $phrases)
    {
    }

    /**
     * The topic that is named far before all others, or is meant; nothing where it is one of those that are spoken of.
     *
     * @param list<?string> $spokenOf
     */
    public function beside(ListenStep $step, Hearing $hearing, array $spokenOf): ?string
    {
        if (! $this->wishes($hearing)) {
            return null;
        }
        $ranked = $this->topics->rank($step->topics, $hearing->heard);
        $best = array_key_first($ranked);
        $next = array_values($ranked)[1] ?? 0.0;
        $named = $best !== null && $ranked[$best] >= Topics::NAMED && $ranked[$best] - $next >= Topics::LEAD
            ? (string) $best
            : $this->topics->meant($step->topics, $hearing->heard)->taken();

        return $named === null || in_array($named, $spokenOf, true) ? null : $named;
    }

    private function wishes(Hearing $hearing): bool
    {
        $tokens = $hearing->heard->tokens;
        $wish = $this->phrases->table('acts', 'wishes')->first($tokens);

        return $wish !== null && $this->phrases->content(array_slice($tokens, $wish[1] + $wish[2])) >= self::NAMES_IT;
    }
}
