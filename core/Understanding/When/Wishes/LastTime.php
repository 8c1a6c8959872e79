<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;

/** 'The same time as last time', 'the one I had before': what was last becomes the wish. */
final readonly class LastTime
{
    public function __construct(private Vocabulary $words)
    {
    }

    /**
     * @param \DateTimeImmutable $last when the last appointment began, as clocks showed it
     * @param string $diary whose it was
     */
    public function laid(Wish $wish, string $said, \DateTimeImmutable $last, string $diary): Wish
    {
        $t = Heard::of($said, $this->words)->tokens;
        $minute = (int) $last->format('G') * 60 + (int) $last->format('i');
        if ($this->words->phrases('wishes', 'last_time')->in($t)) {
            $wish = $wish->but(['times' => [new Span($minute, $minute + 1)]]);
        }
        if ($this->words->phrases('wishes', 'last_day')->in($t)) {
            $wish = $wish->but(['weekdays' => [(int) $last->format('N')]]);
        }

        return $this->words->phrases('wishes', 'last_one')->in($t) ? $wish->but(['with' => $diary]) : $wish;
    }
}
