<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** A stretch of what a business has written, under one heading: small enough to answer from. */
final readonly class Passage
{
    /**
     * @param string $source name of the file, address or list it comes from
     * @param string $heading the nearest heading, '' where there is none
     * @param list<string> $path the headings above it, outermost first
     * @param list<string> $sentences in reading order; an item of a list is a sentence
     * @param 'prose'|'qa' $kind whether it is the answer to a written question, which the heading then is
     * @param ?string $leadsTo a step of the script to which the answer leads on
     */
    public function __construct(
        public string $source,
        public string $heading,
        public array $path,
        public array $sentences,
        public string $kind = 'prose',
        public ?string $leadsTo = null,
    ) {
    }

    public function text(): string
    {
        return implode(' ', $this->sentences);
    }

    /** 'returns.md#Refunds': where a person finds it. */
    public function place(): string
    {
        return $this->heading === '' ? $this->source : $this->source.'#'.$this->heading;
    }
}
