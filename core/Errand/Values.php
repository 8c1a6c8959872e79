<?php

declare(strict_types=1);

namespace Ringo\Errand;

use Ringo\Numbering\NumberingPlan;
use Ringo\Value\ValueType;

/** Makes a value of a type from what another system or a table wrote; null where it is none, which only ever means 'not known'. */
final readonly class Values
{
    private const YES = ['true', 'yes', 'y', '1', 'on'];

    private const NO = ['false', 'no', 'n', '0', 'off'];

    private const LONGEST = 2000;

    public function __construct(private \DateTimeZone $tz, private string $country = 'GB', private string $currency = 'GBP', private NumberingPlan $plan = new NumberingPlan)
    {
    }

    public function of(ValueType $type, mixed $raw): mixed
    {
        if (is_array($raw)) {
            return $type === ValueType::Money ? $this->money($raw) : null;
        }
        if (! is_scalar($raw)) {
            return null;
        }
        if (is_bool($raw)) {
            return $type === ValueType::YesNo ? $raw : null;
        }
        $text = trim(mb_substr((string) $raw, 0, self::LONGEST));

        return $text === '' ? null : match ($type) {
            ValueType::YesNo => in_array(strtolower($text), self::YES, true) ? true : (in_array(strtolower($text), self::NO, true) ? false : null),
            ValueType::Number => is_numeric($text) ? $text + 0 : null,
            ValueType::Money => $this->money(['amount' => $text]),
            ValueType::Date => $this->moment($text)?->format('Y-m-d'),
            ValueType::Time => preg_match('/^([01]?\d|2[0-3]):([0-5]\d)(?::\d\d)?$/', $text, $m) === 1 ? sprintf('%02d:%s', (int) $m[1], $m[2]) : $this->moment($text, true)?->format('H:i'),
            ValueType::DateTime => $this->moment($text, true)?->format('Y-m-d\TH:i'),
            ValueType::Duration => preg_match('/^P(?=.)(?:\d+[YMWD])*(?:T(?:\d+[HMS])+)?$/', $text) === 1 ? $text : null,
            ValueType::Phone => $this->plan->parse($text, $this->country)?->e164,
            ValueType::Email => filter_var($text, FILTER_VALIDATE_EMAIL) === false ? null : strtolower($text),
            ValueType::Reference => strtoupper((string) preg_replace('/[\s.\/-]+/', '', $text)),
            default => $text,
        };
    }

    /**
     * @param array<array-key, mixed> $raw
     *
     * @return array{amount: int|float, currency: string}|null
     */
    private function money(array $raw): ?array
    {
        $amount = $raw['amount'] ?? $raw['value'] ?? null;
        $amount = is_string($amount) ? preg_replace('/[^\d.-]/', '', $amount) : $amount;
        $currency = $raw['currency'] ?? $this->currency;

        return is_numeric($amount) && is_string($currency) && preg_match('/^[A-Z]{3}$/', $currency) === 1 ? ['amount' => $amount + 0, 'currency' => $currency] : null;
    }

    private function moment(string $text, bool $withTime = false): ?\DateTimeImmutable
    {
        if (preg_match('/^(\d{4})-(\d\d)-(\d\d)(?:[T ]\d\d:\d\d(?::\d\d(?:\.\d+)?)?(?:Z|[+-]\d\d:?\d\d)?)?$/', $text, $m) !== 1 || ! checkdate((int) $m[2], (int) $m[3], (int) $m[1]) || $withTime && strlen($text) < 16) {
            return null;
        }
        try {
            return (new \DateTimeImmutable($text, $this->tz))->setTimezone($this->tz);
        } catch (\Exception) {
            return null;
        }
    }
}
