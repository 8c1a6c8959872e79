<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** Something that may answer a question, with why it does or does not. */
final readonly class Candidate
{
    /**
     * @param float $cover share of what was asked that it speaks of, 0 to 1
     * @param float $score cover with kind and place taken into account
     * @param list<string> $matched words of the question found, with the words they were found as
     * @param list<string> $lacking words of the question that nothing in it speaks of
     * @param string $text the answer as it would be spoken
     * @param list<string> $more sentences that may follow
     */
    public function __construct(
        public string $source,
        public string $place,
        public float $cover,
        public float $score,
        public array $matched,
        public array $lacking,
        public string $text,
        public array $more = [],
        public ?string $leadsTo = null,
        public string $sentence = '',
        public bool $fits = true,
        public float $key = 1.0,
        public ?string $why = null,
    ) {
    }
}
