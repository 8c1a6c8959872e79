<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Understanding\Context;

/** 'Next month, the end of it', 'next week' and then 'early on': a part of the month or week that is spoken of, not of this one. */
final readonly class Portions
{
    /** Days after the first of a week to its last. */
    private const TO_SUNDAY = 6;

    public function __construct(private PeriodFinder $periods)
    {
    }

    /**
     * @param list<Item> $items
     * @param ?array{string, string} $frame the week or month in force
     *
     * @return list<Item> each part as the dates it means; one of nothing that was spoken of is left out, and a whole whose part is named
     */
    public function in(array $items, ?array $frame, Context $context): array
    {
        $kept = [];
        foreach ($items as $item) {
            if ($item->portion === null) {
                $kept[] = $item;

                continue;
            }
            $at = self::lastWhole($kept);
            $whole = $at === null ? $frame : self::dates($kept[$at]);
            if ($at !== null) {
                array_splice($kept, $at, 1);
            }
            if ($whole !== null) {
                $kept[] = new Item(Item::PERIOD, $this->periods->portion(self::around($whole), $item->portion, $context), $item->from, $item->to);
            } elseif ($item->value !== '') {
                $kept[] = $item;
            }
        }

        return $kept;
    }

    /** @param list<Item> $items */
    private static function lastWhole(array $items): ?int
    {
        foreach (array_reverse($items, true) as $at => $item) {
            if ($item->kind === Item::PERIOD && $item->portion === null) {
                return $at;
            }
        }

        return null;
    }

    /** @return array{string, string}|null */
    private static function dates(Item $item): ?array
    {
        return is_array($item->value) && is_string($item->value[0]) ? [$item->value[0], (string) $item->value[1]] : null;
    }

    /**
     * @param array{string, string} $frame
     *
     * @return array{string, string} the week it is, or else the month it lies in
     */
    private static function around(array $frame): array
    {
        $from = new \DateTimeImmutable($frame[0]);

        return $from->format('N') === '1' && $from->modify('+'.self::TO_SUNDAY.' days')->format('Y-m-d') === $frame[1] ? $frame : PeriodFinder::month($from);
    }
}
