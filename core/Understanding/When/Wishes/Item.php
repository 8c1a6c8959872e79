<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

/** One day, time, part of the day or turn of phrase found in a wish, with the tokens it takes. */
final readonly class Item
{
    public const DAY = 'day';

    public const WEEKDAY = 'weekday';

    /** Working days, or weekends. */
    public const WEEKDAYS = 'weekdays';

    public const PERIOD = 'period';

    public const TIME = 'time';

    public const PART = 'part';

    public const TURN = 'turn';

    /**
     * @param array{string, string}|int|array{int, int, ?string}|string $value dates of a day or period; a weekday or minute; a part; the name of a turn
     * @param bool $every a weekday said of all of them: Sundays, any Tuesday
     * @param bool $beside told by another: the day after it, the week before it
     * @param ?int $ordinal a day or week of a month that was not named: the fourteenth, the second week
     * @param bool $doubtful a number that may be an hour, or only count something
     * @param ?string $portion which part of a week or month that was not named: the end of it
     */
    public function __construct(public string $kind, public array|int|string $value, public int $from, public int $to, public bool $every = false, public bool $doubtful = false, public bool $beside = false, public ?int $ordinal = null, public ?string $portion = null)
    {
    }

    public function isDay(): bool
    {
        return in_array($this->kind, [self::DAY, self::WEEKDAY, self::WEEKDAYS, self::PERIOD], true);
    }

    public function isTime(): bool
    {
        return $this->kind === self::TIME || $this->kind === self::PART;
    }
}
