<?php

declare(strict_types=1);

namespace Ringo\Sheet;

use Ringo\Document\Node;
use Ringo\Value\ValueType;

/**
 * What a value must keep to (`x-bounds`): the past or the future, an earliest and a latest, open days and hours, notice, a smallest and a largest.
 *
 * Earliest and latest are written as the value itself is ("2026-05-01", "09:00") or in days from today ("today+2").
 */
final readonly class Bounds
{
    public const NAMES = ['past', 'future', 'earliest', 'latest', 'open', 'notice', 'smallest', 'largest'];

    /** @param array<string, string> $say what is said when a bound is broken, by its name; `any` for all others */
    private function __construct(
        public ?string $when,
        public ?string $earliest,
        public ?string $latest,
        public bool $open,
        public ?string $notice,
        public ?float $smallest,
        public ?float $largest,
        public array $say,
    ) {
    }

    public static function read(Node $node): ?self
    {
        if (! $node->has('x-bounds')) {
            return null;
        }
        $one = $node->child('x-bounds');
        $notice = $one->optional('notice');
        if ($notice !== null && ! self::isDuration($notice)) {
            $one->problem('notice', "“{$notice}” is no duration; write PT24H for a day's notice in hours, P2D for two days");
            $notice = null;
        }
        $limit = static function (string $key) use ($one): ?string {
            $given = $one->optional($key);
            if ($given !== null && preg_match('/^(?:today(?:[+-]\d{1,4})?|\d{4}-\d{2}-\d{2}(?:T\d{2}:\d{2})?|\d{2}:\d{2})$/', $given) !== 1) {
                $one->problem($key, "“{$given}” is no day or time; write 2026-05-01, 09:00 or today+2");

                return null;
            }

            return $given;
        };
        $raw = $one->raw('say');
        $say = is_string($raw) ? ['any' => $raw] : array_filter(is_array($raw) ? $raw : [], is_string(...));
        $bounds = new self(
            $one->has('when') ? $one->oneOf('when', ['past', 'future'], 'future') : null,
            $limit('earliest'),
            $limit('latest'),
            $one->flag('open', false),
            $notice,
            $one->has('smallest') ? $one->number('smallest', 0) : null,
            $one->has('largest') ? $one->number('largest', 0) : null,
            $say,
        );
        $one->noMore();

        return $bounds;
    }

    /**
     * The bound a value breaks, by its name; null where it keeps to all.
     *
     * @param callable(\DateTimeImmutable, bool): bool $opens whether the business is open at a moment, or on its day (true: the day counts)
     */
    public function broken(ValueType $type, mixed $value, \DateTimeImmutable $now, callable $opens): ?string
    {
        $number = is_array($value) ? ($value['amount'] ?? null) : $value;
        if (is_numeric($number) && ! is_string($value)) {
            return match (true) {
                $this->smallest !== null && $number < $this->smallest => 'smallest',
                $this->largest !== null && $number > $this->largest => 'largest',
                default => null,
            };
        }
        if (! is_string($value) || ! in_array($type, [ValueType::Date, ValueType::DateTime, ValueType::Time], true)) {
            return null;
        }
        if ($type !== ValueType::Time && ($broken = $this->brokenMoment($type, $value, $now, $opens)) !== null) {
            return $broken;
        }
        $day = $type === ValueType::Time ? $value : substr($value, 0, $this->isTime($this->earliest ?? $this->latest) ? 16 : 10);
        $part = $this->isTime($this->earliest ?? $this->latest) && $type === ValueType::DateTime ? substr($value, 11, 5) : $day;

        return match (true) {
            $this->earliest !== null && $part < $this->limit($this->earliest, $now) => 'earliest',
            $this->latest !== null && $part > $this->limit($this->latest, $now) => 'latest',
            default => null,
        };
    }

    /** @param callable(\DateTimeImmutable, bool): bool $opens */
    private function brokenMoment(ValueType $type, string $value, \DateTimeImmutable $now, callable $opens): ?string
    {
        $whole = $type === ValueType::Date;
        $at = new \DateTimeImmutable($value, $now->getTimezone());
        $today = $now->setTime(0, 0);
        $from = $whole ? $today : $now;

        return match (true) {
            $this->when === 'past' && $at > $from => 'past',
            $this->when === 'future' && $at < $from => 'future',
            $this->notice !== null && $at < ($whole ? $today : $now)->add(new \DateInterval($this->notice)) => 'notice',
            $this->open && ! $opens($at, $whole) => 'open',
            default => null,
        };
    }

    /** A limit as a day or time: `today+7` is a day of its own by now. */
    public function limit(string $limit, \DateTimeImmutable $now): string
    {
        return preg_match('/^today([+-]\d+)?$/', $limit, $m) === 1 ? $now->modify(($m[1] ?? '+0').' days')->format('Y-m-d') : $limit;
    }

    private function isTime(?string $limit): bool
    {
        return $limit !== null && preg_match('/^\d{2}:\d{2}$/', $limit) === 1;
    }

    private static function isDuration(string $text): bool
    {
        try {
            new \DateInterval($text);

            return true;
        } catch (\Exception) {
            return false;
        }
    }
}
