<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

/** One day, time, part of the day or turn of phrase found in a wish, with the tokens it takes. */
final readonly class Item
{
    public const DAY = 'day';

    public const WEEKDAY = 'weekday';

    public const PERIOD = 'period';

    public const TIME = 'time';

    public const PART = 'part';

    public const TURN = 'turn';

    /**
     * @param array{string, string}|int|array{int, int, ?string}|string $value dates of a day or period; a weekday or minute; a part; the name of a turn
     * @param bool $every a weekday said of all of them: Sundays, any Tuesday
     */
    public function __construct(public string $kind, public array|int|string $value, public int $from, public int $to, public bool $every = false)
    {
    }

    public function isDay(): bool
    {
        return in_array($this->kind, [self::DAY, self::WEEKDAY, self::PERIOD], true);
    }

    public function isTime(): bool
    {
        return $this->kind === self::TIME || $this->kind === self::PART;
    }
}
