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
use Ringo\Understanding\When\Span;

/** Finds what of a wish names days, weeks, months, times and parts of the day, and turns of phrase such as 'the earliest' or 'later'. */
final readonly class ItemFinder
{
    /** Turns of phrase of wishes.php that stand for themselves. */
    private const TURNS = [
        'first_thing',
        'earliest',
        'latest',
        'other_day',
        'any_day',
        'any_time',
        'any',
        'later',
        'earlier',
        'later_in_week',
        'earlier_in_week',
        'day_after',
        'day_before',
        'week_after',
        'week_before',
        'this_one',
    ];

    /** The one word that is a day and a part of it. */
    private const TONIGHT = 'tonight';

    /** Behind these 'ten to twelve' is a stretch. */
    private const BEFORE_A_STRETCH = ['from', 'between', 'time', 'anything'];

    /** So many words before 'ten to four' one of these may stand: 'we're open ourselves ten to four'. */
    private const NEAR_A_STRETCH = 2;

    private const OPEN_OR_AT_WORK = ['open', 'opened', 'work', 'working', 'shift', 'hours'];

    /** The number that stands for a thing as well. */
    private const ONE = 'one';

    /** Hours of a clock face. */
    private const HOURS = 12;

    /** An utterance of so few words may be a bare hour. */
    private const FEW = 3;

    private Numerals $numerals;

    private DayFinder $days;

    private ClockFinder $clocks;

    /** @var Phrases<array{string, mixed}> */
    private Phrases $turns;

    public PeriodFinder $periods;

    private BesideAnother $beside;

    /** @var array<string, true> */
    private array $cues;

    /** @var array<string, true> */
    private array $every;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->days = new DayFinder($words, $this->numerals);
        $this->clocks = new ClockFinder($words, $this->numerals);
        $this->turns = $words->composed('turns_of_days', static fn (): array => self::turns($words));
        $this->beside = new BesideAnother($words->section('calendar', 'weekdays'));
        $this->periods = new PeriodFinder($words, $this->numerals, $this->turns);
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

    /** @return array<string, array{string, mixed}> turns of speech for parts of a day, weeks, months and weekends, each with its kind and which */
    public static function turns(Vocabulary $words): array
    {
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
        foreach (['weekdays', 'weekends', 'midweek'] as $section) {
            foreach ($words->section('wishes', $section) as $phrase) {
                $turns[$phrase] = [Item::WEEKDAYS, $section];
            }
        }
        foreach (['weekend' => 0, 'next_weekend' => 1] as $section => $weeks) {
            foreach ($words->section('wishes', $section) as $phrase) {
                $turns[$phrase] = ['weekend', $weeks];
            }
        }

        return $turns;
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
            $found = $this->periods->at($t, $i, $context) ?? $this->periods->weekOf($t, $i, $days, $context);
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
            $found = $found === [] ? $this->doubtful($t, $i, $context) : $found;
            array_push($items, ...$found);
            $to = $found === [] ? $i + 1 : max(array_map(static fn (Item $item): int => $item->to, $found));
            // 'The end of the day on Thursday': what was taken for the beginning of a day belongs to what stands before it.
            for ($cut = $i + 1; $cut < $to; $cut++) {
                if (isset($days[$cut]) && $days[$cut]->end() > $to) {
                    foreach ($this->days->find(array_slice($t, $to), $context) as $span) {
                        $days[$to + $span->from] ??= new Span($span->what, $to + $span->from, $span->length);
                    }
                }
            }
            $i = $to;
        }

        return $this->beside->in($items, $t, $context);
    }

    /** @param list<Token> $t */
    private function turn(array $t, int $i, Context $context): ?Item
    {
        $hit = $this->turns->at($t, $i);
        $other = $this->words->phrases('wishes', 'other')->at($t, $i);
        if ($other !== null && ($this->turns->at($t, $i + $other[1])[0][0] ?? null) === Item::PART) {
            // 'Any other morning': the morning of another day.
            return new Item(Item::TURN, 'other_day', $i, $i + $other[1]);
        }
        if ($hit === null) {
            return null;
        }
        [[$kind, $value], $length] = $hit;
        if (in_array($value, ['later', 'earlier'], true) && ($t[$i + $length]->text ?? '') === 'than') {
            return null;
        }
        $count = is_int($value) ? $value : 0;
        $dates = match ($kind) {
            'weeks' => PeriodFinder::week($context->now, $count),
            'months' => PeriodFinder::month($context->now->modify("first day of +{$count} month")),
            'weekend' => [PeriodFinder::week($context->now, $count)[1], PeriodFinder::week($context->now, $count)[1]],
            default => null,
        };
        if ($dates !== null) {
            $dates = $kind === 'weekend' ? [(new \DateTimeImmutable($dates[0]))->modify('-1 day')->format('Y-m-d'), $dates[1]] : $dates;

            return new Item(Item::PERIOD, $dates, $i, $i + $length);
        }
        if ($kind === Item::PART && is_array($value)) {
            return new Item(Item::PART, [(int) $value[0], (int) $value[1], is_string($value[2]) ? $value[2] : null], $i, $i + $length);
        }

        return new Item($kind === Item::WEEKDAYS ? Item::WEEKDAYS : Item::TURN, is_string($value) ? $value : '', $i, $i + $length);
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
            return [new Item(Item::PERIOD, PeriodFinder::week($context->now, $day->weeks), $i, $to)];
        }
        if ($day->weekday !== null && ($day->month !== null || $day->months !== null) && $day->day === null && $day->nth === null) {
            // 'Any Thursday in April': the weekday, and where it lies.
            return [...$this->day($t, $i, new Day(weekday: $day->weekday), 1, $context), new Item(Item::PERIOD, PeriodFinder::month(PeriodFinder::firstOf($day, $context->now)), $i + 1, $to)];
        }
        $bareMonth = ($day->month !== null || $day->months !== null) && $day->day === null && $day->weekday === null && $day->nth === null && ! $day->lastDay;
        if ($bareMonth) {
            return [new Item(Item::PERIOD, PeriodFinder::month(PeriodFinder::firstOf($day, $context->now)), $i, $to)];
        }
        if ($day->weekday !== null && $day->which === '' && $day->weeks === null && $day->day === null && $day->months === null && $day->month === null && $day->nth === null && $day->plus === 0 && $day->offset === null) {
            $last = $t[$to - 1]->text;
            $plural = str_ends_with($last, 's') && ! in_array($last, ['tues', 'weds', 'thurs'], true) || in_array($t[$to]->text ?? '', ['mornings', 'afternoons', 'evenings', 'lunchtimes'], true);

            // 'The following Friday', 'the Monday after'.
            $after = ($t[$i - 1]->text ?? '') === 'following' || ($t[$to]->text ?? '') === 'after' && ! isset($t[$to + 1]);

            return [new Item(Item::WEEKDAY, $day->weekday, $i, $to, $plural || isset($this->every[$t[$i]->text]) || isset($this->every[$t[$i - 1]->text ?? '']), beside: $after)];
        }
        if ($day->weekday !== null && $day->which === 'next' && in_array($t[$to]->text ?? '', $this->words->section('wishes', 'to_be_had'), true)) {
            // 'The next Saturday you have' is the first of them that is free.
            return [new Item(Item::WEEKDAY, $day->weekday, $i, $to, true), new Item(Item::TURN, 'earliest', $i, $to)];
        }
        $date = $day->resolve($context->now)?->format('Y-m-d');

        $ordinal = $day->day !== null && $day->month === null && $day->months === null && $day->weekday === null ? $day->day : null;

        return $date === null ? [] : [new Item(Item::DAY, [$date, $date], $i, $to, ordinal: $ordinal), ...$also];
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
        if ($length === 3 && in_array($t[$i + 1]->text, $this->beforeAStretch($t, $i) ? ['to', 'till', 'until'] : ['till', 'until'], true)) {
            $ends = [...$this->doubtful($t, $i, $context), ...$this->doubtful($t, $i + 2, $context)];

            return count($ends) < 2 ? $ends : array_map(static fn (Item $end): Item => new Item($end->kind, $end->value, $end->from, $end->to), $ends);
        }
        if ($length === 1 && ($this->pronoun($t, $i) || $this->counts($t, $i))) {
            return [];
        }
        $time = $clock instanceof Clock && $clock->complete() ? $clock->resolve() : null;
        if ($time === null || ! $clock instanceof Clock || $this->bare($t, $i, $length) && ! isset($this->cues[$t[$i - 1]->text ?? '']) && count($t) > self::FEW && $i + $length < count($t) && ($t[$i + $length]->text ?? '') !== 'ish') {
            return [];
        }

        return [new Item(Item::TIME, self::minute($time), $i, $i + $length)];
    }

    /** @param list<Token> $t */
    private function beforeAStretch(array $t, int $i): bool
    {
        $before = array_map(static fn (Token $token): string => $token->text, array_slice($t, max(0, $i - self::NEAR_A_STRETCH), min($i, self::NEAR_A_STRETCH)));
        $last = (string) end($before);

        return in_array($last, self::BEFORE_A_STRETCH, true) || ! isset($this->cues[$last]) && array_intersect($before, self::OPEN_OR_AT_WORK) !== [];
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
     * A number that stands alone may be an hour: 'ten is no good'.
     *
     * @param list<Token> $t
     *
     * @return list<Item>
     */
    private function doubtful(array $t, int $i, Context $context): array
    {
        $number = $this->numerals->cardinal($t, $i);
        if ($number === null || $number->length !== 1 || ! $number->isWhole() || $number->value < 1 || $number->value > self::HOURS || isset($this->words->section('calendar', 'counted')[$t[$i + 1]->text ?? '']) || $this->pronoun($t, $i) || $this->counts($t, $i)) {
            return [];
        }
        $clock = ($this->clocks->find([$t[$i]], $context)[0] ?? null)?->what;
        $time = $clock instanceof Clock && $clock->complete() ? $clock->resolve() : null;

        return $time === null ? [] : [new Item(Item::TIME, self::minute($time), $i, $i + 1, doubtful: true)];
    }

    /**
     * 'Two or three days' before: no hour.
     *
     * @param list<Token> $t
     */
    private function counts(array $t, int $i): bool
    {
        return in_array($t[$i + 1]->text ?? '', ['or', 'to'], true) && $this->numerals->cardinal($t, $i + 2)?->length === 1 && isset($this->words->section('calendar', 'counted')[$t[$i + 3]->text ?? '']);
    }

    /**
     * 'Not this one', 'one evening': no hour.
     *
     * @param list<Token> $t
     */
    private function pronoun(array $t, int $i): bool
    {
        if ($t[$i]->text !== self::ONE) {
            return false;
        }
        $part = isset($t[$i + 1]) && ! $t[$i + 1]->afterBreak() && ($this->turns->at($t, $i + 1)[0][0] ?? null) === Item::PART;

        return $part && ! isset($this->cues[$t[$i - 1]->text ?? '']) || in_array($t[$i - 1]->text ?? '', $this->words->section('wishes', 'before_one'), true);
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

    private static function minute(string $time): int
    {
        return (int) substr($time, 0, 2) * 60 + (int) substr($time, 3, 2);
    }
}
