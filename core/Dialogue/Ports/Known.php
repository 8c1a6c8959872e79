<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Ports;

/** What knowledge said to a question; without a text it has nothing, and says why. */
final readonly class Known
{
    /**
     * @param ?string $text as it is spoken
     * @param string $source where it stands, with its version: 'terms.md#Deposit, version 3'
     * @param list<string> $more sentences for 'tell me more'
     * @param list<array{source: string, label: string, text: string, more: list<string>}> $offers readings of the question to choose from, where the text asks which
     * @param list<array{source: string, label: string, text: string, more: list<string>}> $passages what is nearest where nothing answers well enough to be said
     * @param bool $informs whether the question asks to be told something, rather than for something to be done
     */
    public function __construct(
        public ?string $text,
        public string $source,
        public string $name,
        public float $confidence,
        public ?string $refusal,
        public array $more,
        public ?string $leadsTo,
        public bool $informs,
        public array $offers = [],
        public array $passages = [],
    ) {
    }
}
