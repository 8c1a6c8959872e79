<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Token;
use Ringo\Understanding\Context;

/** Days and weeks told by another: the day after, the week before the ninth, a Saturday but not this one. */
final readonly class BesideAnother
{
    /** Turns of phrase that are a day or week beside another. */
    private const BESIDE = ['day_after' => '+1 day', 'day_before' => '-1 day', 'week_after' => '+1 week', 'week_before' => '-1 week'];

    /** @param array<string, mixed> $weekdays by their names */
    public function __construct(private array $weekdays)
    {
    }

    /**
     * 'Nine tomorrow or nine the day after', 'not next week, the one after', 'a Saturday but not this one': beside the day or week that is
     * named before it.
     *
     * @param list<Item> $items
     * @param list<Token> $t
     *
     * @return list<Item>
     */
    public function in(array $items, array $t, Context $context): array
    {
        $items = $this->thisOrNext($this->besideTheNext($items), $t, $context);
        $last = $weekday = null;
        foreach ($items as $n => $item) {
            $unit = self::unit($item);
            if ($item->kind === Item::DAY || $item->kind === Item::PERIOD) {
                $last = $item;
            } elseif ($item->kind === Item::WEEKDAY) {
                $weekday = is_int($item->value) ? $item->value : null;
                $items[$n] = $this->ofTheSameWeek($item, $items[$n - 1] ?? null, $t) ?? $item;
            } elseif ($item->kind === Item::TURN && $item->value === 'this_one') {
                $coming = $weekday === null ? null : $this->coming($weekday, $context);
                $items[$n] = $coming === null ? null : new Item(Item::DAY, [$coming, $coming], $item->from, $item->to);
            } elseif ($last?->kind === Item::DAY && $unit !== null && is_array($last->value) && in_array('week', array_map(static fn (Token $token): string => $token->text, array_slice($t, $item->from, $item->to - $item->from)), true)) {
                $items[$n] = new Item(Item::PERIOD, PeriodFinder::week(new \DateTimeImmutable((string) $last->value[0]), $unit[0] === '+' ? 1 : -1), $item->from, $item->to);
            } elseif ($last?->kind === Item::DAY && $item->value === 'week_after' && is_array($last->value) && $this->isAWeekday($last, $t)) {
                // 'Next Wednesday or the one after'
                $next = (new \DateTimeImmutable((string) $last->value[0]))->modify('+1 week')->format('Y-m-d');
                $items[$n] = new Item(Item::DAY, [$next, $next], $item->from, $item->to);
            } elseif ($unit !== null && $last !== null && is_array($last->value) && ($last->kind === Item::DAY) === str_ends_with($unit, 'day')) {
                $dates = array_map(static fn (mixed $date): string => (new \DateTimeImmutable((string) $date))->modify($unit)->format('Y-m-d'), array_slice($last->value, 0, 2));
                $items[$n] = new Item($last->kind, [$dates[0], $dates[1]], $item->from, $item->to, beside: true);
            }
        }

        return array_values(array_filter($items));
    }

    /**
     * 'Next Thursday or Friday' are both of that week.
     *
     * @param list<Token> $t
     */
    private function ofTheSameWeek(Item $item, ?Item $before, array $t): ?Item
    {
        $joined = $before !== null && $item->from === $before->to + 1 && in_array($t[$before->to]->text, ['or', 'and'], true) && ! $item->every;
        if (! $joined || $before->kind !== Item::DAY || ! is_array($before->value) || ! is_int($item->value) || $t[$before->from]->text !== 'next') {
            return null;
        }
        $date = (new \DateTimeImmutable((string) $before->value[0]))->modify('monday this week')->modify('+'.($item->value - 1).' days')->format('Y-m-d');

        return new Item(Item::DAY, [$date, $date], $item->from, $item->to);
    }

    /**
     * 'Not this week or next': a bare 'next' is the one after this.
     *
     * @param list<Item> $items
     * @param list<Token> $t
     *
     * @return list<Item>
     */
    private function thisOrNext(array $items, array $t, Context $context): array
    {
        $found = [];
        foreach ($items as $n => $item) {
            $found[] = $item;
            $until = $items[$n + 1]->from ?? count($t);
            $current = $item->kind === Item::PERIOD && is_array($item->value) && $t[$item->from]->text === 'this';
            for ($i = $item->to; $current && $i < $until; $i++) {
                if ($t[$i]->text === 'next' && (! isset($t[$i + 1]) || $t[$i + 1]->afterBreak())) {
                    $week = in_array('week', array_map(static fn (Token $token): string => $token->text, array_slice($t, $item->from, $item->to - $item->from)), true);
                    $found[] = new Item(Item::PERIOD, $week ? PeriodFinder::week($context->now, 1) : PeriodFinder::month($context->now->modify('first day of next month')), $i, $i + 1);
                }
            }
        }

        return $found;
    }

    /**
     * 'The day after the fifteenth', 'the week before the twenty-first'.
     *
     * @param list<Item> $items
     *
     * @return list<Item>
     */
    private function besideTheNext(array $items): array
    {
        foreach ($items as $n => $item) {
            $unit = self::unit($item);
            $day = $items[$n + 1] ?? null;
            if ($unit === null || $day?->kind !== Item::DAY || ! is_array($day->value) || $day->from !== $item->to) {
                continue;
            }
            $date = (new \DateTimeImmutable((string) $day->value[0]))->modify($unit);
            $items[$n] = str_ends_with($unit, 'day') ? new Item(Item::DAY, [$date->format('Y-m-d'), $date->format('Y-m-d')], $item->from, $day->to) : new Item(Item::PERIOD, PeriodFinder::week($date, 0), $item->from, $day->to);
            unset($items[$n + 1]);

            return $this->besideTheNext(array_values($items));
        }

        return $items;
    }

    /** @param list<Token> $t */
    private function isAWeekday(Item $day, array $t): bool
    {
        return array_filter(array_slice($t, $day->from, $day->to - $day->from), fn (Token $token): bool => isset($this->weekdays[$token->text])) !== [];
    }

    /** The coming day of that name, as a date. */
    private function coming(int $weekday, Context $context): string
    {
        $day = $context->now->modify('+1 day');
        while ((int) $day->format('N') !== $weekday) {
            $day = $day->modify('+1 day');
        }

        return $day->format('Y-m-d');
    }

    /** '+1 day', '-1 week': how far beside the other; null for what is told by itself. */
    private static function unit(Item $item): ?string
    {
        return self::BESIDE[$item->kind === Item::TURN && is_string($item->value) ? $item->value : ''] ?? null;
    }
}
