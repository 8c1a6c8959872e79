<?php

declare(strict_types=1);

namespace Ringo\Fit\Meaning;

/** A word as training left it. */
final readonly class Word
{
    /**
     * @param int $id the same for the same word within a process
     * @param list<float> $vector what it means, of length one
     * @param float $weight how much it tells
     * @param list<float> $own first layer of the comparison, for the word itself
     * @param list<float> $other the same, for a word that is like it on the other side
     */
    public function __construct(public int $id, public array $vector, public float $weight, public string $stem, public array $own, public array $other)
    {
    }
}
