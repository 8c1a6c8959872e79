<?php

declare(strict_types=1);

namespace Ringo\Outreach;

use Ringo\Diary\Days;
use Ringo\Diary\Week;
use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;

/** One run of calls to a list: for what, when, how often, and what an attempt leads to. */
final readonly class Campaign
{
    /** A campaign that runs longer is a standing arrangement, and is planned a year at a time. */
    private const MOST_DAYS = 1100;

    private const UNLIMITED = 1_000_000;

    /**
     * @param string $country ISO 3166, to which numbers without a country code belong
     * @param Week $windows when people may be rung, on their own clock
     * @param int $start first day, seconds of a wall clock
     * @param int $end last day
     * @param array<string, Pause> $pauses by what happened
     * @param int $complaintDays for how many days nobody is rung after a complaint; 0 or less never
     * @param float $costMinute of talking, in the currency of the country
     * @param float $costAttempt of each time a number is dialled
     */
    private function __construct(
        public string $key,
        public string $purpose,
        public string $country,
        public Week $windows,
        public Days $holidays,
        public int $start,
        public int $end,
        public int $attempts,
        public array $pauses,
        public int $perDay,
        public int $perWeek,
        public bool $consent,
        public int $complaintDays,
        public float $costMinute,
        public float $costAttempt,
        public Rates $rates,
    ) {
    }

    /**
     * @param array<array-key, mixed> $data docs/formats/campaign.md
     *
     * @throws InvalidDocument naming every place that is wrong
     */
    public static function fromArray(array $data): self
    {
        $node = Node::root($data);
        $zone = $node->string('tz', 'Europe/London');
        if (! in_array($zone, \DateTimeZone::listIdentifiers(), true)) {
            $node->problem('tz', "“{$zone}” is no time zone; write it as Europe/London");
        }
        $attempts = $node->child('attempts');
        $perPerson = $node->child('per_person');
        $cost = $node->child('cost');
        $campaign = new self(
            $node->string('key', 'campaign'),
            $node->string('purpose', ''),
            strtoupper($node->string('country', 'GB')),
            Week::read($node, 'windows'),
            Days::read($node, 'holidays'),
            self::day($node, 'start'),
            self::day($node, 'end'),
            (int) $attempts->number('most', 1, 1, 100),
            self::pauses($attempts->child('after')),
            (int) $perPerson->number('day', self::UNLIMITED, 1),
            (int) $perPerson->number('week', self::UNLIMITED, 1),
            $node->flag('consent', true),
            (int) $node->number('complaint_days', 0, 0, 3660),
            $cost->number('minute', 0, 0),
            $cost->number('attempt', 0, 0),
            $node->has('rates') ? Rates::read($node->child('rates')) : new Rates,
        );
        if ($campaign->end < $campaign->start) {
            $node->problem('end', 'lies before “start”');
        } elseif ($campaign->end - $campaign->start > self::MOST_DAYS * 86_400) {
            $node->problem('end', 'lies more than three years after “start”');
        }
        foreach ([$attempts, $perPerson, $cost, $node] as $part) {
            $part->noMore();
        }
        $node->settle();

        return $campaign;
    }

    private static function day(Node $node, string $key): int
    {
        $written = $node->raw($key);
        $day = is_string($written) ? WallTime::date($written) : null;
        if ($day === null) {
            $node->problem($key, $written === null ? 'is missing: a day such as 2026-05-04' : 'must be a day such as 2026-05-04');
        }

        return $day ?? 0;
    }

    /** @return array<string, Pause> */
    private static function pauses(Node $node): array
    {
        $pauses = [];
        foreach ($node->all() as $outcome => $written) {
            $pause = is_string($written) ? Pause::read($written) : null;
            if ($pause === null) {
                $node->problem((string) $outcome, 'must be a duration such as PT20M or P1D');

                continue;
            }
            $pauses[(string) $outcome] = $pause;
        }

        return $pauses;
    }
}
