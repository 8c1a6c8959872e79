<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\When\Clock;
use Ringo\Understanding\When\ClockFinder;
use Ringo\Understanding\When\Day;
use Ringo\Understanding\When\DayFinder;

/** Finds what of a wish names days, weeks, months, times and parts of the day, and turns of phrase such as 'the earliest' or 'later'. */
final readonly class ItemFinder
{
    /** Turns of phrase of wishes.php that stand for themselves. */
    private const TURNS = ['first_thing', 'earliest', 'latest', 'other_day', 'any_day', 'any_time', 'any', 'later', 'earlier', 'day_after', 'day_before', 'week_after', 'week_before', 'weekdays', 'weekends'];

    /** Days of a month that are its beginning, or its end. */
    private const EDGE = 5;

    /** The one word that is a day and a part of it. */
    private const TONIGHT = 'tonight';

    /** An utterance of so few words may be a bare hour. */
    private const FEW = 3;

    private Numerals $numerals;

    private DayFinder $days;

    private ClockFinder $clocks;

    /** @var Phrases<array{string, mixed}> */
    private Phrases $turns;

    /** @var array<string, Phrases<string>> */
    private array $parts;

    /** @var array<string, true> */
    private array $cues;

    /** @var array<string, true> */
    private array $every;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->days = new DayFinder($words, $this->numerals);
        $this->clocks = new ClockFinder($words, $this->numerals);
        $turns = [];
        foreach (['parts' => Item::PART, 'weeks' => 'weeks', 'months' => 'months'] as $section => $kind) {
            foreach ($words->section('wishes', $section) as $phrase => $value) {
                $turns[(string) $phrase] = [$kind, $value];
            }
        }
        foreach (self::TURNS as $turn) {
            foreach ($words->section('wishes', $turn) as $phrase) {
                $turns[$phrase] = [Item::TURN, $turn];
            }
        }
        foreach (['weekend' => 0, 'next_weekend' => 1] as $section => $weeks) {
            foreach ($words->section('wishes', $section) as $phrase) {
                $turns[$phrase] = ['weekend', $weeks];
            }
        }
        $this->turns = new Phrases($turns);
        $parts = [];
        foreach (['begins', 'middles', 'halves', 'ends', 'rest', 'whole', 'week_of', 'within'] as $part) {
            $parts[$part] = $words->phrases('wishes', $part);
        }
        $this->parts = $parts;
        $cues = ['at', 'say', 'for', 'than', 'and', 'to', 'or'];
        foreach (['from', 'before', 'by', 'around', 'between', 'to_start'] as $cue) {
            foreach ($words->section('wishes', $cue) as $phrase) {
                $all = explode(' ', $phrase);
                $cues[] = $all[count($all) - 1];
            }
        }
        $this->cues = array_fill_keys($cues, true);
        $this->every = array_fill_keys($words->section('wishes', 'every'), true);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Item> in order, none overlapping
     */
    public function in(array $t, Context $context): array
    {
        $days = [];
        foreach ($this->days->find($t, $context) as $span) {
            $days[$span->from] = $span;
        }
        $clocks = [];
        foreach ($this->clocks->find($t, $context, array_values($days)) as $span) {
            $clocks[$span->from] = $span;
        }
        $items = [];
        for ($i = 0, $n = count($t); $i < $n;) {
            $found = $this->period($t, $i, $context) ?? $this->weekOf($t, $i, $days, $context);
            $turn = $found === null ? $this->turn($t, $i, $context) : null;
            $day = $found === null && isset($days[$i]) && $days[$i]->what instanceof Day ? $this->day($t, $i, $days[$i]->what, $days[$i]->length, $context) : [];
            $found = match (true) {
                $found !== null => [$found],
                $turn !== null && ($day === [] || $turn->to > $day[0]->to || $turn->to === $day[0]->to && count($day) === 1) => [$turn],
                $day !== [] => $day,
                isset($clocks[$i]) => $this->clock($t, $i, $clocks[$i]->what, $clocks[$i]->length, $context),
                isset($this->cues[$t[$i - 1]->text ?? '']) || $i === $n - 1 => $this->hourAfterCue($t, $i, $context),
                default => [],
            };
            array_push($items, ...$found);
            $i = $found === [] ? $i + 1 : max(array_map(static fn (Item $item): int => $item->to, $found));
        }

        return $items;
    }

    /**
     * 'End of the month', 'early next week', 'the rest of this week'.
     *
     * @param list<Token> $t
     */
    private function period(array $t, int $i, Context $context): ?Item
    {
        $feast = $this->feast($t, $i, $context) ?? $this->weekOfMonth($t, $i, $context) ?? $this->within($t, $i, $context);
        if ($feast !== null) {
            return $feast;
        }
        foreach (['begins', 'middles', 'halves', 'ends', 'rest'] as $part) {
            $hit = $this->parts[$part]->at($t, $i);
            if ($hit === null) {
                continue;
            }
            $at = $i + $hit[1];
            $whole = $this->whole($t, $at, $context);
            if ($whole !== null) {
                return new Item(Item::PERIOD, $this->portion($whole[0], $part, $context), $i, $whole[1]);
            }
        }

        return null;
    }

    /**
     * Easter is its four days.
     *
     * @param list<Token> $t
     */
    private function feast(array $t, int $i, Context $context): ?Item
    {
        $days = $this->words->section('wishes', 'feasts')[$t[$i]->text] ?? null;
        $next = $t[$i + 1]->text ?? '';
        $sunday = $days === null || isset($this->words->section('calendar', 'weekdays')[$next]) || $next === 'day' ? null : (new Day(easter: 0))->resolve($context->now);

        return $sunday === null || ! is_array($days) ? null : new Item(Item::PERIOD, [$sunday->modify("{$days[0]} days")->format('Y-m-d'), $sunday->modify("+{$days[1]} days")->format('Y-m-d')], $i, $i + 1);
    }

    /**
     * 'In the next two weeks', 'within three days'.
     *
     * @param list<Token> $t
     */
    private function within(array $t, int $i, Context $context): ?Item
    {
        $hit = $this->parts['within']->at($t, $i);
        $word = $hit === null ? '' : $t[$i + $hit[1]]->text ?? '';
        $number = $hit === null || $word === '' ? null : $this->numerals->cardinal($t, $i + $hit[1]);
        $few = $this->words->section('wishes', 'few')[$word] ?? null;
        $count = is_int($few) ? $few : $number?->whole();
        $at = $hit === null ? 0 : $i + $hit[1] + (is_int($few) ? 1 : $number->length ?? 0);
        $unit = $hit === null ? null : ($this->words->section('calendar', 'counted')[$t[$at]->text ?? ''] ?? null);
        $days = ['day' => 1, 'week' => 7, 'fortnight' => 14, 'month' => 30][is_string($unit) ? $unit : ''] ?? null;
        if ($hit === null || $days === null || ! is_int($count) && $unit !== 'fortnight') {
            return null;
        }

        return new Item(Item::PERIOD, [$context->now->format('Y-m-d'), $context->now->modify('+'.$days * (is_int($count) ? $count : 1).' days')->format('Y-m-d')], $i, $at + 1);
    }

    /**
     * 'The first week of April', 'the last week of the month'.
     *
     * @param list<Token> $t
     */
    private function weekOfMonth(array $t, int $i, Context $context): ?Item
    {
        foreach ($this->words->section('wishes', 'weeks_of_month') as $phrase => $n) {
            $hit = (new Phrases([$phrase => true]))->at($t, $i);
            $whole = $hit === null ? null : $this->whole($t, $i + $hit[1], $context);
            if ($whole !== null && is_int($n)) {
                $first = new \DateTimeImmutable($whole[0][0]);
                $from = $n < 0 ? (new \DateTimeImmutable($whole[0][1]))->modify('-6 days') : $first->modify('+'.(7 * ($n - 1)).' days');

                return new Item(Item::PERIOD, [$from->format('Y-m-d'), $from->modify('+6 days')->format('Y-m-d')], $i, $whole[1]);
            }
        }

        return null;
    }

    /**
     * A week or a month by itself.
     *
     * @param list<Token> $t
     *
     * @return array{array{string, string}, int}|null its dates, and the token behind it
     */
    private function whole(array $t, int $i, Context $context): ?array
    {
        $turn = $this->turns->at($t, $i);
        if ($turn !== null && in_array($turn[0][0], ['weeks', 'months'], true)) {
            $count = is_int($turn[0][1]) ? $turn[0][1] : 0;

            return [$turn[0][0] === 'weeks' ? self::week($context->now, $count) : self::month($context->now->modify("first day of +{$count} month")), $i + $turn[1]];
        }
        $skip = ($t[$i]->text ?? '') === 'the' ? 1 : 0;
        $word = $t[$i + $skip]->text ?? '';
        if ($word === 'week' || $word === 'month') {
            return [$word === 'week' ? self::week($context->now, 0) : self::month($context->now), $i + $skip + 1];
        }
        $month = $this->words->section('calendar', 'months')[$word] ?? null;
        if (is_int($month)) {
            return [self::month(self::firstOf(new Day(month: $month), $context->now)), $i + $skip + 1];
        }

        return null;
    }

    /**
     * @param array{string, string} $whole
     *
     * @return array{string, string}
     */
    private function portion(array $whole, string $part, Context $context): array
    {
        [$from, $to] = $whole;
        $today = $context->now->format('Y-m-d');
        $day = static fn (string $date, int $days): string => (new \DateTimeImmutable($date))->modify(sprintf('%+d days', $days))->format('Y-m-d');
        if ($part === 'rest') {
            // 'Later this week' is after today.
            return [max($from, $from <= $today && $to >= $today ? $day($today, 1) : $from), $to];
        }
        $week = $day($from, 6) === $to;

        return match ($part) {
            'begins' => $week ? [$from, $day($from, 1)] : [$from, $day($from, self::EDGE - 1)],
            'halves' => $week ? [$day($from, 3), $to] : [$day($from, 15), $to],
            'middles' => $week ? [$day($from, 1), $day($from, 3)] : [$day($from, 10), $day($from, 19)],
            default => $week ? [$day($from, 3), $day($from, 4)] : [$day($to, 1 - self::EDGE), $to],
        };
    }

    /**
     * 'The week of the ninth' is the calendar week that has it.
     *
     * @param list<Token> $t
     * @param array<int, \Ringo\Understanding\When\Span> $days
     */
    private function weekOf(array $t, int $i, array $days, Context $context): ?Item
    {
        $hit = $this->parts['week_of']->at($t, $i);
        if ($hit === null) {
            return null;
        }
        for ($at = $i + $hit[1]; $at <= $i + $hit[1] + 1; $at++) {
            $date = isset($days[$at]) && $days[$at]->what instanceof Day ? $days[$at]->what->resolve($context->now) : null;
            if ($date !== null) {
                return new Item(Item::PERIOD, self::week($date, 0), $i, $days[$at]->end());
            }
        }

        return null;
    }

    /** @param list<Token> $t */
    private function turn(array $t, int $i, Context $context): ?Item
    {
        $hit = $this->turns->at($t, $i);
        if ($hit === null) {
            return null;
        }
        [[$kind, $value], $length] = $hit;
        if (in_array($value, ['later', 'earlier'], true) && ($t[$i + $length]->text ?? '') === 'than') {
            return null;
        }
        $count = is_int($value) ? $value : 0;
        $dates = match ($kind) {
            'weeks' => self::week($context->now, $count),
            'months' => self::month($context->now->modify("first day of +{$count} month")),
            'weekend' => [self::week($context->now, $count)[1], self::week($context->now, $count)[1]],
            default => null,
        };
        if ($dates !== null) {
            $dates = $kind === 'weekend' ? [(new \DateTimeImmutable($dates[0]))->modify('-1 day')->format('Y-m-d'), $dates[1]] : $dates;

            return new Item(Item::PERIOD, $dates, $i, $i + $length);
        }
        if ($kind === Item::PART && is_array($value)) {
            return new Item(Item::PART, [(int) $value[0], (int) $value[1], is_string($value[2]) ? $value[2] : null], $i, $i + $length);
        }

        return new Item(Item::TURN, is_string($value) ? $value : '', $i, $i + $length);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Item>
     */
    private function day(array $t, int $i, Day $day, int $length, Context $context): array
    {
        $to = $i + $length;
        // 'This afternoon' is today, and the afternoon.
        $part = $this->turns->at($t, $to - 1);
        $also = ($length > 1 || $t[$i]->text === self::TONIGHT) && $part !== null && $part[0][0] === Item::PART && is_array($part[0][1]) && $day->weekday === null ? [new Item(Item::PART, [(int) $part[0][1][0], (int) $part[0][1][1], is_string($part[0][1][2]) ? $part[0][1][2] : null], $i, $to)] : [];
        if ($day->weeks !== null && $day->weekday === null && $day->day === null) {
            return [new Item(Item::PERIOD, self::week($context->now, $day->weeks), $i, $to)];
        }
        if ($day->weekday !== null && ($day->month !== null || $day->months !== null) && $day->day === null && $day->nth === null) {
            // 'Any Thursday in April': the weekday, and where it lies.
            return [...$this->day($t, $i, new Day(weekday: $day->weekday), 1, $context), new Item(Item::PERIOD, self::month(self::firstOf($day, $context->now)), $i + 1, $to)];
        }
        $bareMonth = ($day->month !== null || $day->months !== null) && $day->day === null && $day->weekday === null && $day->nth === null && ! $day->lastDay;
        if ($bareMonth) {
            return [new Item(Item::PERIOD, self::month(self::firstOf($day, $context->now)), $i, $to)];
        }
        if ($day->weekday !== null && $day->which === '' && $day->weeks === null && $day->day === null && $day->months === null && $day->month === null && $day->nth === null && $day->plus === 0 && $day->offset === null) {
            $last = $t[$to - 1]->text;
            $plural = str_ends_with($last, 's') && ! in_array($last, ['tues', 'weds', 'thurs'], true) || in_array($t[$to]->text ?? '', ['mornings', 'afternoons', 'evenings', 'lunchtimes'], true);

            return [new Item(Item::WEEKDAY, $day->weekday, $i, $to, $plural || isset($this->every[$t[$i]->text]) || isset($this->every[$t[$i - 1]->text ?? '']))];
        }
        $date = $day->resolve($context->now)?->format('Y-m-d');

        return $date === null ? [] : [new Item(Item::DAY, [$date, $date], $i, $to), ...$also];
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Item>
     */
    private function clock(array $t, int $i, Clock|Day|\DateTimeImmutable $clock, int $length, Context $context): array
    {
        if ($clock instanceof \DateTimeImmutable) {
            $local = $clock->setTimezone($context->now->getTimezone());

            return [new Item(Item::DAY, [$local->format('Y-m-d'), $local->format('Y-m-d')], $i, $i + $length), new Item(Item::TIME, self::minute($local->format('H:i')), $i, $i + $length)];
        }
        // 'From ten till twelve' is a stretch, not ten minutes to twelve.
        if ($length === 3 && in_array($t[$i - 1]->text ?? '', ['from', 'between'], true) && in_array($t[$i + 1]->text, ['to', 'till', 'until'], true)) {
            return [...$this->hourAfterCue($t, $i, $context), ...$this->hourAfterCue($t, $i + 2, $context)];
        }
        $time = $clock instanceof Clock && $clock->complete() ? $clock->resolve() : null;
        if ($time === null || ! $clock instanceof Clock || $this->bare($t, $i, $length) && ! isset($this->cues[$t[$i - 1]->text ?? '']) && count($t) > self::FEW && $i + $length < count($t) && ($t[$i + $length]->text ?? '') !== 'ish') {
            return [];
        }

        return [new Item(Item::TIME, self::minute($time), $i, $i + $length)];
    }

    /**
     * 'No later than eleven': an hour that is one because of what stands before it.
     *
     * @param list<Token> $t
     *
     * @return list<Item>
     */
    private function hourAfterCue(array $t, int $i, Context $context): array
    {
        $found = $this->clocks->find([$t[$i]], $context)[0] ?? null;

        return $found === null ? [] : $this->clock($t, $i, $found->what, 1, $context);
    }

    /**
     * Whether a time is nothing but a number.
     *
     * @param list<Token> $t
     */
    private function bare(array $t, int $i, int $length): bool
    {
        return $length === 1 && preg_match('/[:.]|[ap]m$/', $t[$i]->text) !== 1 && ! isset($this->words->section('calendar', 'clock_words')[$t[$i]->text]);
    }

    /** The first day of a month named without a day: the coming one of that name. */
    private static function firstOf(Day $day, \DateTimeImmutable $now): \DateTimeImmutable
    {
        if ($day->month === null) {
            return $now->modify(sprintf('first day of %+d month', $day->months ?? 0));
        }
        $year = $day->year ?? (int) $now->format('Y') + ($day->month < (int) $now->format('n') ? 1 : 0);

        return $now->setDate($year, $day->month, 1);
    }

    private static function minute(string $time): int
    {
        return (int) substr($time, 0, 2) * 60 + (int) substr($time, 3, 2);
    }

    /** @return array{string, string} Monday to Sunday, so many weeks after that of a day */
    private static function week(\DateTimeImmutable $day, int $weeks): array
    {
        $monday = $day->modify('monday this week')->modify("+{$weeks} weeks");

        return [$monday->format('Y-m-d'), $monday->modify('+6 days')->format('Y-m-d')];
    }

    /** @return array{string, string} */
    private static function month(\DateTimeImmutable $day): array
    {
        return [$day->modify('first day of this month')->format('Y-m-d'), $day->modify('last day of this month')->format('Y-m-d')];
    }
}
