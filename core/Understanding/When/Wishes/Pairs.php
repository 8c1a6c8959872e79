<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Token;

/** Days that are named each with hours of its own: 'Monday morning or Friday afternoon', 'nine tomorrow or ten on Thursday'. */
final readonly class Pairs
{
    /** Words between a day and its hour: 'on the', 'in the'. */
    private const LITTLE = 2;

    /** Minutes of a day. */
    private const DAY = 1440;

    /** Words that keep two apart. */
    private const APART = ['and', 'or', 'but', 'no', 'not', 'nor'];

    /**
     * @param list<Token> $t
     * @param list<Item> $items in order
     * @param array<int, Sense> $senses
     *
     * @return list<array{list<Item>, list<Item>}> days and hours of each; empty where days and hours are not told by pairs
     */
    public function of(array $t, array $items, array $senses): array
    {
        $named = array_values(array_filter($items, static fn (Item $item): bool => $item->isDay() || $item->isTime()));

        return $this->oneToOne($t, $named, $senses) ?: $this->severalToOne($t, $named, $senses) ?: $this->partOfTheFirst($t, $named, $senses);
    }

    /**
     * 'Thursday at ten or four, or Friday at eleven': a day with all the hours up to the next day.
     *
     * @param list<Token> $t
     * @param list<Item> $named
     * @param array<int, Sense> $senses
     *
     * @return list<array{list<Item>, list<Item>}>
     */
    private function severalToOne(array $t, array $named, array $senses): array
    {
        $days = [];
        $hours = [];
        foreach ($named as $n => $item) {
            if (($senses[$item->from] ?? Sense::Wished) !== Sense::Wished) {
                return [];
            }
            if ($item->isDay()) {
                $days[] = $item;
                $hours[] = [];

                continue;
            }
            $last = count($days) - 1;
            $before = $named[$n - 1] ?? null;
            // Nothing but an 'or' stands between one hour and the next.
            if ($last < 0 || $before === null || ($before->isDay() ? ! $this->together($t, $before->to, $item->from) : $item->from - $before->to > self::LITTLE)) {
                return [];
            }
            $hours[$last][] = $item;
        }
        if (count($days) < 2 || in_array([], $hours, true)) {
            return [];
        }

        return array_map(static fn (Item $day, array $of): array => [[$day], $of], $days, $hours);
    }

    /**
     * 'Thursday afternoon or Friday': any hour of the second.
     *
     * @param list<Token> $t
     * @param list<Item> $named
     * @param array<int, Sense> $senses
     *
     * @return list<array{list<Item>, list<Item>}>
     */
    private function partOfTheFirst(array $t, array $named, array $senses): array
    {
        [$first, $part, $second] = [...$named, null, null, null];
        if (count($named) !== 3 || $first?->isDay() !== true || $part?->kind !== Item::PART || $second?->isDay() !== true || $part->from !== $first->to || ($t[$part->to]->text ?? '') !== 'or' || $second->from - $part->to > self::LITTLE) {
            return [];
        }
        foreach ($named as $item) {
            if (($senses[$item->from] ?? Sense::Wished) !== Sense::Wished) {
                return [];
            }
        }

        return [[[$first], [$part]], [[$second], [new Item(Item::PART, [0, self::DAY, null], $second->to, $second->to)]]];
    }

    /**
     * @param list<Token> $t
     * @param list<Item> $named
     * @param array<int, Sense> $senses
     *
     * @return list<array{list<Item>, list<Item>}>
     */
    private function oneToOne(array $t, array $named, array $senses): array
    {
        $pairs = [];
        foreach ($named as $n => $item) {
            $other = $named[$n - 1] ?? null;
            // Each day has one hour beside it, and each pair the same order.
            if ($n % 2 === 1 && ($other === null || $other->isDay() === $item->isDay() || $item->isDay() !== $named[1]->isDay() || ! $this->together($t, $other->to, $item->from))) {
                return [];
            }
            if ($n % 2 === 1 && $other !== null) {
                $pairs[] = $item->isDay() ? [[$item], [$other]] : [[$other], [$item]];
            }
        }
        $senseOf = static fn (Item $item): Sense => $senses[$item->from] ?? Sense::Wished;
        $out = array_filter($pairs, static fn (array $pair): bool => $senseOf($pair[0][0]) === Sense::RuledOut && $senseOf($pair[1][0]) === Sense::RuledOut);
        $plain = array_filter($pairs, static fn (array $pair): bool => $senseOf($pair[0][0]) === Sense::Wished && $senseOf($pair[1][0]) !== Sense::RuledOut);
        if (count($named) % 2 !== 0 || count($out) !== count($pairs) && (count($plain) !== count($pairs) || count($pairs) < 2)) {
            return [];
        }

        return $pairs;
    }

    /**
     * Whether nothing but little words stands between a day and its hour.
     *
     * @param list<Token> $t
     */
    private function together(array $t, int $from, int $to): bool
    {
        $between = array_map(static fn (Token $token): string => $token->text, array_slice($t, $from, max(0, $to - $from)));

        return count($between) <= self::LITTLE && array_intersect($between, self::APART) === [];
    }
}
