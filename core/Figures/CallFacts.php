<?php

declare(strict_types=1);

namespace Ringo\Figures;

/** What is counted of one call that is over. */
final readonly class CallFacts
{
    /**
     * @param \DateTimeImmutable $at when it began, in the business's time zone
     * @param ?int $turns what the caller said or pressed; null where it was not counted
     * @param ?float $waited seconds until a person took it; null where none did
     * @param ?string $record complete, missing (a required value) or doubtful; null where there is none
     * @param list<array{field: string, verdict: string}> $checks what people said of its values
     * @param list<string> $bookings states of what it booked
     * @param list<array{kind: string, state: string}> $deliveries
     * @param list<string> $steps the steps it passed, in order
     * @param list<float> $milliseconds what each of its turns took to answer
     * @param ?string $line key of the line it came in on
     * @param ?list<string> $rules keys of the transfer rules that decided; null where that was not noted
     * @param ?string $outreach what came of a call of a campaign: achieved, or how it ended
     * @param list<array{kind: string, achieved: bool}> $objections what they had against it
     * @param array<string, list<float>> $parts milliseconds of turns by part: understanding, knowledge, errands, speech
     */
    public function __construct(
        public \DateTimeImmutable $at,
        public float $seconds,
        public string $direction,
        public string $outcome,
        public Handled $handled,
        public ?int $turns = null,
        public ?float $waited = null,
        public ?string $topic = null,
        public ?string $caller = null,
        public ?int $release = null,
        public ?string $record = null,
        public array $checks = [],
        public array $bookings = [],
        public int $questions = 0,
        public array $deliveries = [],
        public array $milliseconds = [],
        public array $steps = [],
        public ?string $line = null,
        public ?array $rules = null,
        public ?string $outreach = null,
        public array $objections = [],
        public array $parts = [],
    ) {
    }
}
