<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

/** What arrives of words over a line: some lost, some doubled, some taken for others that sound like them, and hesitation between. */
final readonly class NoisyLine
{
    /** Shares of words at full strength. */
    private const LOST = 0.10;

    private const DOUBLED = 0.06;

    private const MISHEARD = 0.35;

    private const HESITATES = 0.15;

    /** A cut start takes the first word of so many sayings. */
    private const CUT = 0.20;

    /** @param float $strength 0 is a clean line, 1 the worst */
    public function __construct(private Phrases $phrases, private float $strength)
    {
    }

    public function carries(string $said, Dice $dice): string
    {
        if ($this->strength <= 0.0) {
            return $said;
        }
        $misheard = $this->phrases->table('misheard');
        $words = explode(' ', $said);
        if (count($words) > 3 && $dice->falls($this->strength * self::CUT)) {
            array_shift($words);
        }
        $heard = [];
        foreach ($words as $word) {
            if ($dice->falls($this->strength * self::HESITATES)) {
                $heard[] = $this->phrases->one($dice, 'um');
            }
            if (count($words) > 2 && $dice->falls($this->strength * self::LOST)) {
                continue;
            }
            $plain = strtolower(trim($word, ",.?!'"));
            $heard[] = isset($misheard[$plain]) && $dice->falls($this->strength * self::MISHEARD) ? $misheard[$plain] : $word;
            if ($dice->falls($this->strength * self::DOUBLED)) {
                $heard[] = end($heard);
            }
        }

        return $heard === [] ? $said : implode(' ', $heard);
    }
}
