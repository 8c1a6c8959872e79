<?php

declare(strict_types=1);

namespace Ringo\Delivery;

/**
 * When something is sent: at once, or so long before or after a moment in the record or the end of the call.
 *
 * Days are calendar days in the business's time zone, so that 'a day before' keeps the hour across a clock change; hours and minutes are elapsed time.
 */
final readonly class Timing
{
    public const KINDS = ['at_once', 'before', 'after'];

    public const UNITS = ['minute', 'hour', 'day'];

    /** The hour at which something is sent that is timed by a day without an hour. */
    private const HOUR = '09:00';

    /** @param string $kind at_once, before or after */
    private function __construct(public string $kind, public ?string $field, public int $amount, public string $unit)
    {
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws \InvalidArgumentException saying what is expected
     */
    public static function of(array $data): self
    {
        $kind = $data['kind'] ?? 'at_once';
        if (! in_array($kind, self::KINDS, true)) {
            throw new \InvalidArgumentException('the timing is at_once, before or after');
        }
        $amount = is_numeric($data['amount'] ?? 0) ? (int) ($data['amount'] ?? 0) : -1;
        $unit = $data['unit'] ?? 'day';
        if ($amount < 0 || $amount > 10_000 || ! in_array($unit, self::UNITS, true)) {
            throw new \InvalidArgumentException('the timing needs an amount from 0 to 10,000 and one of minute, hour, day');
        }
        $field = is_string($data['field'] ?? null) && $data['field'] !== '' ? $data['field'] : null;
        if ($kind === 'before' && $field === null) {
            throw new \InvalidArgumentException('before what? Name a field that holds a day or a time');
        }

        return new self($kind, $field, $amount, $unit);
    }

    /**
     * @param mixed $value of the field, as records hold days and moments
     *
     * @return ?\DateTimeImmutable null where there is nothing to go by, or the moment it should go before has passed
     */
    public function due(\DateTimeImmutable $ended, mixed $value): ?\DateTimeImmutable
    {
        if ($this->kind === 'at_once') {
            return $ended;
        }
        $moment = $ended;
        if ($this->field !== null) {
            if (! is_string($value) || preg_match('/^\d{4}-\d\d-\d\d(?:T(\d\d:\d\d))?/', $value, $m) !== 1) {
                return null;
            }
            $moment = new \DateTimeImmutable(substr($value, 0, 10).' '.($m[1] ?? self::HOUR), $ended->getTimezone());
        }
        $sign = $this->kind === 'before' ? '-' : '+';
        $due = $this->unit === 'day' ? $moment->modify("{$sign}{$this->amount} days") : $moment->setTimestamp($moment->getTimestamp() + ($sign === '-' ? -1 : 1) * $this->amount * ($this->unit === 'hour' ? 3600 : 60));
        if ($this->kind === 'before' && $moment <= $ended) {
            return null;
        }

        // A reminder whose hour has passed already, of something still to come, goes at once.
        return $due < $ended ? $ended : $due;
    }

    public function inWords(): string
    {
        $length = $this->amount.' '.$this->unit.($this->amount === 1 ? '' : 's');

        return match ($this->kind) {
            'before' => "{$length} before ".str_replace('_', ' ', (string) $this->field), 'after' => $length.' after '.($this->field === null ? 'the call' : str_replace('_', ' ', $this->field)), default => 'at once',
        };
    }
}
