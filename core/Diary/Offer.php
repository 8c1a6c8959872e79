<?php

declare(strict_types=1);

namespace Ringo\Diary;

/** What can be offered for a wish. */
final readonly class Offer
{
    /**
     * @param bool $met whether anything free lies inside the wish
     * @param list<Start> $starts inside the wish, or the nearest outside it; in the order they are offered
     * @param list<array{string, string}> $windows spans of wall-clock time in which starts are wished for, the first of them
     * @param string $why in words, where the wish is not met
     * @param ?Reason $reason the same, as a reason
     */
    public function __construct(public bool $met, public array $starts, public array $windows, public string $why, public ?Reason $reason = null)
    {
    }
}
