<?php

declare(strict_types=1);

namespace Ringo\Understanding;

/**
 * What a reader must know besides the words.
 *
 * `now` carries the time zone in which days and times are meant. `country` is an ISO 3166 code; it decides numeric dates, currency and numbering.
 * `asked` is false where the value was not asked for: then a reader takes only what says itself what it is.
 */
final readonly class Context
{
    /**
     * @param list<array{key: string, label: string, phrases: list<string>}> $options of a choice
     * @param ?string $pattern a regular expression (JSON Schema) that a reference must match
     * @param bool $people whether a number of people is asked for: 'two adults and two children' are four
     * @param bool $past whether what is asked for has happened already: 'Tuesday' is the last one
     * @param ?string $unit the unit in which a length of time is asked for, as in `units.durations`: 'three' to 'how many nights'
     * @param bool $most whether the most of something is asked for: 'up to nine hundred' is nine hundred
     * @param bool $least whether the least of something is asked for: 'nothing under fourteen' is fourteen
     * @param bool $thing whether a few words are wanted that name something, and no story: a make, a colour
     * @param bool $lack whether what is named must not be there: 'no nuts' to 'what must it be without'
     * @param bool $nth whether a number tells a place in an order: 'second' to 'which floor'
     */
    public function __construct(
        public \DateTimeImmutable $now,
        public string $country = 'GB',
        public array $options = [],
        public bool $asked = true,
        public ?string $pattern = null,
        public bool $people = false,
        public bool $past = false,
        public ?string $unit = null,
        public bool $most = false,
        public bool $thing = false,
        public bool $nth = false,
        public bool $lack = false,
        public bool $least = false,
    ) {
    }

    public function volunteered(): self
    {
        return $this->with(['asked' => false]);
    }

    /** @param list<array{key: string, label: string, phrases: list<string>}> $options */
    public function withOptions(array $options, ?string $pattern = null): self
    {
        return $this->with(['options' => $options, 'pattern' => $pattern ?? $this->pattern]);
    }

    /** The same with what the question says of its answer. */
    public function asking(bool $people, bool $past, ?string $unit, bool $most, bool $thing, bool $nth, bool $lack = false, bool $least = false): self
    {
        return $this->with(['people' => $people, 'past' => $past, 'unit' => $unit, 'most' => $most, 'thing' => $thing, 'nth' => $nth, 'lack' => $lack, 'least' => $least]);
    }

    /** The same at another moment. */
    public function at(\DateTimeImmutable $now): self
    {
        return $this->with(['now' => $now]);
    }

    /** Whether numeric dates put the month first. */
    public function monthFirst(): bool
    {
        return in_array($this->country, ['US', 'PH', 'FM', 'MH', 'PW', 'GU', 'PR'], true);
    }

    /** @param array<string, mixed> $changes properties by name */
    private function with(array $changes): self
    {
        return new self(...[...get_object_vars($this), ...$changes]);
    }
}
