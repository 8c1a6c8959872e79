<?php

declare(strict_types=1);

namespace Ringo\Understanding\When;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;

/** Finds a stretch of days: 'Friday till Monday', 'the fourteenth to the eighteenth of June', 'Saturday and Sunday', 'the weekend after next'. */
final readonly class StretchFinder
{
    private const SATURDAY = 6;

    private DayFinder $days;

    /** @var array<string, true> words one of which every stretch has */
    private array $joins;

    public function __construct(private Vocabulary $words)
    {
        $this->days = new DayFinder($words, new Numerals($words));
        $this->joins = array_fill_keys([...array_merge(...array_map(static fn (string $joint): array => explode(' ', $joint), $words->section('calendar', 'until_a_day'))), 'and', '&', 'weekend'], true);
    }

    /** @param list<Token> $t */
    public function in(array $t, Context $context): ?Stretch
    {
        // Most words hold none, and days are not looked for in vain.
        if (array_filter($t, fn (Token $token): bool => isset($this->joins[$token->text])) === []) {
            return null;
        }
        $spans = array_values(array_filter($this->days->find($t, $context), static fn (Span $span): bool => $span->what instanceof Day));

        return count($spans) === 2 ? $this->between($spans[0], $spans[1], $t, $context) : ($spans === [] ? $this->weekend($t, $context) : null);
    }

    /** @param list<Token> $t */
    private function between(Span $a, Span $b, array $t, Context $context): ?Stretch
    {
        [$one, $other] = [$a->what, $b->what];
        if (! $one instanceof Day || ! $other instanceof Day) {
            return null;
        }
        $joint = array_values(array_diff(
            array_map(static fn (Token $token): string => $token->text, array_slice($t, $a->end(), $b->from - $a->end())),
            $this->words->section('calendar', 'beside_a_day'),
        ));
        $joint = implode(' ', $joint);
        $until = in_array($joint, $this->words->section('calendar', 'until_a_day'), true);
        if (! $until && ! in_array($joint, ['and', '&'], true)) {
            return null;
        }
        // 'The fourteenth to the eighteenth of June'
        if ($one->day !== null && $one->month === null && $one->months === null && $other->month !== null && $other->day !== null) {
            // 'The twenty ninth to the third of January' begins in December.
            $one = new Day(day: $one->day, month: $one->day < $other->day ? $other->month : ($other->month + 10) % 12 + 1, year: $one->day < $other->day ? $other->year : null);
        }
        $first = $one->resolve($context->now);
        $last = $first === null ? null : $other->resolve($first->setTime(12, 0));
        if ($first === null || $last === null || $last <= $first || ! $until && (int) $first->diff($last)->days !== 1) {
            return null;
        }

        return new Stretch($first, $last, ! $until, false, $t[$a->from]->start, $t[$b->end() - 1]->end);
    }

    /** @param list<Token> $t */
    private function weekend(array $t, Context $context): ?Stretch
    {
        foreach ($t as $i => $token) {
            if ($token->text !== 'weekend') {
                continue;
            }
            $before = array_map(static fn (Token $one): string => $one->text, array_slice($t, max(0, $i - 2), min(2, $i)));
            $after = implode(' ', array_map(static fn (Token $one): string => $one->text, array_slice($t, $i + 1, 2)));
            $weeks = match (true) {
                $after === 'after next' => 2,
                in_array('next', $before, true), $after === 'after this' => 1,
                array_intersect($before, ['the', 'this', 'coming']) !== [] => 0,
                default => null,
            };
            if ($weeks === null || array_intersect($before, ['at', 'every', 'last']) !== [] || in_array($after, ['after that', 'of the', 'after the'], true)) {
                return null;
            }
            $today = (int) $context->now->format('N');
            // On a Sunday the weekend to come is that of next Saturday, and the next one too.
            $days = $today > self::SATURDAY ? self::SATURDAY + 7 * max(0, $weeks - 1) : self::SATURDAY - $today + 7 * $weeks;
            $saturday = $context->now->setTime(0, 0)->modify("+{$days} days");

            return new Stretch($saturday, $saturday->modify('+1 day'), true, true, $token->start, $t[$i + ($after === 'after next' || $after === 'after this' ? 2 : 0)]->end);
        }

        return null;
    }
}
