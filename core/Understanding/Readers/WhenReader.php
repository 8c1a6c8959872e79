<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reader;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Repairs;
use Ringo\Understanding\When\Clock;
use Ringo\Understanding\When\ClockFinder;
use Ringo\Understanding\When\Day;
use Ringo\Understanding\When\DayFinder;
use Ringo\Understanding\When\Days\BesideDay;
use Ringo\Understanding\When\Span;
use Ringo\Value\ValueType;

/** Reads dates, times of day, and both together. */
final readonly class WhenReader implements Reader
{
    private Numerals $numerals;

    private DayFinder $days;

    private ClockFinder $clocks;

    private Repairs $repairs;

    private BesideDay $beside;

    /** How sure a day is that was told in months or years. */
    private const ABOUT = 0.65;

    public function __construct(private Vocabulary $words, private ValueType $type)
    {
        $this->numerals = new Numerals($words);
        $this->days = new DayFinder($words, $this->numerals);
        $this->clocks = new ClockFinder($words, $this->numerals);
        $this->repairs = new Repairs($words);
        $this->beside = new BesideDay($words, $this->days);
    }

    public function read(Heard $heard, Context $context): Reading
    {
        $day = null;
        $clock = null;
        $moment = null;
        $doubt = null;
        $from = PHP_INT_MAX;
        $to = 0;
        foreach ($this->repairs->stretches($heard->tokens, true) as $stretch) {
            if ($stretch['restart']) {
                $day = $clock = $moment = $doubt = null;
                $from = PHP_INT_MAX;
            }
            $tokens = $this->beside->named($stretch['tokens'], $day, $context);
            $t = $this->repairs->withoutDenied($this->words->phrases('talk', 'about')->without($this->type === ValueType::Date ? $tokens : $this->aboutAnHour($tokens)));
            $days = $this->withoutNow($this->days->find($t, $context), $t);
            $clocks = $this->type === ValueType::Date ? $this->elapsedOnly($t, $context, $days) : $this->clocks->find($t, $context, $days, $context->asked);
            // Unasked, a bare hour is none, but it still makes an alternative: 'at two or three'.
            if (! $context->asked && $clocks !== [] && $this->several($this->withoutCounts($this->clocks->find($t, $context, $days, true), $t), $t, $context) !== null) {
                $doubt = 'more than one time was named';

                continue;
            }
            $clocks = $this->withoutCounts($clocks, $t);
            if ($days === [] && $clocks === []) {
                $doubt = $this->vague($t) ?? $doubt;

                continue;
            }
            $doubt = null;
            foreach ([...$days, ...$clocks] as $span) {
                $from = min($from, $t[$span->from]->start);
                $to = max($to, $t[$span->end() - 1]->end);
            }
            $doubt = $this->several($days, $t, $context) ?? $this->several($clocks, $t, $context) ?? $this->bounded($days, $clocks, $t);
            foreach ($days as $span) {
                if ($span->what instanceof Day) {
                    $day = $span->what->after($day, $context->now);
                    $moment = null;
                }
            }
            // 'This time tomorrow'
            if ($clocks === [] && $days !== [] && in_array('this time', $this->pairs($t), true)) {
                $clock = new Clock((int) $context->now->format('G'), (int) $context->now->format('i'), fixed: true);
            }
            foreach ($clocks as $span) {
                if ($span->what instanceof Clock) {
                    $clock = $span->what->after($clock);
                    $moment = null;
                } elseif ($span->what instanceof \DateTimeImmutable) {
                    $moment = $span->what;
                }
            }
        }
        if ($doubt !== null) {
            return Reading::none($doubt);
        }
        if ($day === null && $clock === null && $moment === null) {
            return Reading::none();
        }
        [$value, $doubt] = $this->value($day, $clock, $moment, $context);
        if ($value === null) {
            return Reading::none($doubt);
        }

        // 'Two years ago' is hardly to the day.
        $about = preg_match('/\b(?:months?|years?) (?:ago|back)\b/i', $heard->between($from, $to)) === 1;

        return Reading::of($value, $about ? self::ABOUT : ($context->asked ? 0.62 + 0.36 * $heard->explained($from, $to, $this->words) : 0.86), $heard->between($from, $to), $from, $to);
    }

    /**
     * 'Tomorrow about eight' is tomorrow at eight; 'about eight weeks ago' stays.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function aboutAnHour(array $t): array
    {
        foreach ($t as $i => $token) {
            $hour = in_array($token->text, ['about', 'around', 'roughly'], true) && ($t[$i - 1]->text ?? '') !== 'at' && isset($t[$i + 1])
                ? $this->numerals->cardinal($t, $i + 1)
                : null;
            if ($hour !== null && $hour->isWhole() && $hour->whole() >= 1 && $hour->whole() <= 12) {
                $next = $t[$i + 1 + $hour->length] ?? null;
                if (
                    $next === null
                    || $next->afterBreak()
                    || $this->days->find(array_slice($t, $i + 1 + $hour->length, 3), new Context(new \DateTimeImmutable('2026-01-01'))) !== []
                ) {
                    $t[$i] = new Token('at', $token->original, $token->start, $token->end, $token->gap);
                }
            }
        }

        return $t;
    }

    /**
     * Beside a plain time, a bare number behind 'for' counts something else: 'a table for six at half seven'.
     *
     * @param list<Span> $clocks
     * @param list<Token> $t
     *
     * @return list<Span>
     */
    private function withoutCounts(array $clocks, array $t): array
    {
        if (count($clocks) < 2) {
            return $clocks;
        }
        $kept = array_values(array_filter($clocks, static fn (Span $span): bool => ! ($span->end() - $span->from === 1 && in_array($t[$span->from - 1]->text ?? '', ['for', 'of'], true) && preg_match('/[:h]|[ap]m$/', $t[$span->from]->text) !== 1)));

        return $kept === [] ? $clocks : $kept;
    }

    /**
     * @param list<Token> $t
     *
     * @return list<string> words two by two
     */
    private function pairs(array $t): array
    {
        $pairs = [];
        foreach (array_keys($t) as $i) {
            $pairs[] = $t[$i]->text.' '.($t[$i + 1]->text ?? '');
        }

        return $pairs;
    }

    /** @return array{?string, ?string} the value, or why there is none */
    private function value(?Day $day, ?Clock $clock, ?\DateTimeImmutable $moment, Context $context): array
    {
        if ($moment !== null) {
            return [match ($this->type) {
                ValueType::Date => $moment->format('Y-m-d'),
                ValueType::Time => $moment->format('H:i'),
                default => $moment->format('Y-m-d\TH:i'),
            }, null];
        }
        $date = $day?->resolve($context->now, $context->past);
        $time = $clock?->resolve();
        if ($this->type === ValueType::Date) {
            return [$date?->format('Y-m-d'), $day === null ? null : 'that is not a whole date, or there is no such day'];
        }
        if ($this->type === ValueType::Time) {
            return [$time, $clock === null ? null : 'that is only a part of a day'];
        }
        if ($date === null || $time === null) {
            return [null, match (true) {
                $day === null => 'the day is missing',
                $clock === null => 'the time is missing',
                default => 'there is no such day or time',
            }];
        }
        $local = $date->format('Y-m-d').'T'.$time;
        // A local time that a clock change leaps over does not exist.
        $there = new \DateTimeImmutable($local, $context->now->getTimezone());

        return $there->format('Y-m-d\TH:i') === $local ? [$local, null] : [null, 'the clocks change then: there is no such time that day'];
    }

    /**
     * @param list<Token> $t
     * @param list<Span> $days
     *
     * @return list<Span>
     */
    private function elapsedOnly(array $t, Context $context, array $days): array
    {
        return $days !== [] ? [] : array_values(array_filter($this->clocks->find($t, $context, [], false), static fn (Span $span): bool => $span->what instanceof \DateTimeImmutable));
    }

    /**
     * 'But it's the seventh now': beside another day the word tells none.
     *
     * @param list<Span> $days
     * @param list<Token> $t
     *
     * @return list<Span>
     */
    private function withoutNow(array $days, array $t): array
    {
        $others = array_values(array_filter($days, static fn (Span $span): bool => $t[$span->from]->text !== 'now'));

        return $others === [] ? $days : $others;
    }

    /**
     * Two different days or times in one stretch are alternatives or a range.
     *
     * @param list<Span> $spans
     * @param list<Token> $t
     */
    private function several(array $spans, array $t, Context $context): ?string
    {
        $said = [];
        foreach ($spans as $span) {
            if ($span->what instanceof Clock && ! $span->what->complete()) {
                continue;
            }
            if ($span->what instanceof Day && $span->what->resolve($context->now, $context->past) === null && $span->what->day === null) {
                continue;
            }
            $said[match (true) {
                $span->what instanceof Day => $span->what->resolve($context->now, $context->past)?->format('Y-m-d') ?? 'none',
                $span->what instanceof Clock => $span->what->resolve() ?? 'none',
                default => $span->what->format('c'),
            }] = implode(' ', array_map(static fn (Token $token): string => $token->original, array_slice($t, $span->from, $span->length)));
        }

        return count($said) > 1 ? 'more than one was named: '.implode(', ', $said) : null;
    }

    /**
     * @param list<Span> $days
     * @param list<Span> $clocks
     * @param list<Token> $t
     */
    private function bounded(array $days, array $clocks, array $t): ?string
    {
        $spans = $this->type === ValueType::Date ? $days : ($this->type === ValueType::Time ? $clocks : [...$days, ...$clocks]);
        foreach ($spans as $span) {
            $before = array_map(static fn (Token $token): string => $token->text, array_slice($t, max(0, $span->from - 3), min(3, $span->from)));
            $last = end($before) ?: '';
            if ($last === 'the' || $last === 'on') {
                array_pop($before);
                $last = end($before) ?: '';
            }
            if (in_array($last, ['before', 'after', 'between', 'past', 'beyond'], true)
                || in_array(implode(' ', array_slice($before, -2)), ['earlier than', 'later than', 'end of', 'start of', 'beginning of', 'middle of', 'not until', 'week of', 'week commencing', 'week beginning', 'weekend of'], true)) {
                return 'that is a range, not one '.($span->what instanceof Day ? 'day' : 'time');
            }
            $after = implode(' ', array_map(static fn (Token $token): string => $token->text, array_slice($t, $span->end(), 2)));
            if (preg_match('/^(onwards|or later|or earlier|or after|or before|or sooner|ish or|or so or)/', $after) === 1) {
                return 'that is a range, not one '.($span->what instanceof Day ? 'day' : 'time');
            }
        }

        return null;
    }

    /** @param list<Token> $t */
    private function vague(array $t): ?string
    {
        $hit = $this->words->phrases('calendar', $this->type === ValueType::Time ? 'vague_times' : 'vague_days')->first($t);

        return $hit === null ? null : "“{$hit[0]}” is not an exact ".($this->type === ValueType::Time ? 'time' : 'day');
    }
}
