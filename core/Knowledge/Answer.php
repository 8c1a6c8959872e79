<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** What comes of a question: an answer with its source, or why there is none. */
final readonly class Answer
{
    public const NOT_COVERED = 'not covered';

    public const OFF_TOPIC = 'off topic';

    public const NOT_SURE = 'not sure';

    public const WHICH = 'which one';

    /**
     * @param list<Candidate> $candidates the likeliest first
     * @param list<string> $more sentences for 'tell me more'
     * @param list<string> $options to choose from, where the question was which one
     * @param list<array{source: string, label: string, text: string, more: list<string>}> $offers readings to choose from, each with its answer ready
     */
    public function __construct(
        public bool $answered,
        public string $text,
        public ?string $source,
        public float $confidence,
        public ?string $refusal,
        public array $candidates,
        public array $more = [],
        public array $options = [],
        public ?string $leadsTo = null,
        public array $offers = [],
    ) {
    }

    /** The passage without the file it stands in. */
    public function heading(): string
    {
        return $this->source === null ? '' : (str_contains($this->source, '#') ? explode('#', $this->source, 2)[1] : $this->source);
    }
}
