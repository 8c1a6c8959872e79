<?php

declare(strict_types=1);

namespace Ringo\Brief;

/**
 * Public holidays of a region, worked out by rule for any year.
 *
 * Source: the statutes as they stand in 2026 (the Banking and Financial Dealings Act 1971 and the proclamations made every year under it,
 * the Organisation of Working Time Act 1997 of Ireland, 5 U.S.C. § 6103). Days proclaimed once, for an occasion, follow no rule: they are
 * entered as closures.
 *
 * @phpstan-type Rule array{string, string, int, int, 3?: int}
 */
final class Holidays
{
    /** Regions by their code: ISO 3166, for the parts of the United Kingdom ISO 3166-2. */
    public const REGIONS = ['GB-ENG' => 'England and Wales', 'GB-SCT' => 'Scotland', 'GB-NIR' => 'Northern Ireland', 'IE' => 'Ireland', 'US' => 'the United States, federal'];

    /** Added to the name of the weekday on which a holiday is kept that fell on a weekend. */
    private const IN_LIEU = ', in lieu';

    private const FRIDAY = 5;

    private const SATURDAY = 6;

    private const SUNDAY = 7;

    /** What is kept everywhere in the United Kingdom. */
    private const UNITED_KINGDOM = [['New Year’s Day', 'fixed', 1, 1], ['Good Friday', 'easter', -2, 0], ['Early May bank holiday', 'nth', 5, 1, 1], ['Spring bank holiday', 'nth', 5, 1, -1], ['Christmas Day', 'fixed', 12, 25], ['Boxing Day', 'fixed', 12, 26]];

    private const RULES = [
        'GB-ENG' => [['Easter Monday', 'easter', 1, 0], ['Summer bank holiday', 'nth', 8, 1, -1]],
        'GB-SCT' => [['2nd January', 'fixed', 1, 2], ['Summer bank holiday', 'nth', 8, 1, 1], ['St Andrew’s Day', 'fixed', 11, 30]],
        'GB-NIR' => [['St Patrick’s Day', 'fixed', 3, 17], ['Easter Monday', 'easter', 1, 0], ['Battle of the Boyne', 'fixed', 7, 12], ['Summer bank holiday', 'nth', 8, 1, -1]],
        'IE' => [['New Year’s Day', 'fixed', 1, 1], ['St Brigid’s Day', 'brigid', 2, 1], ['St Patrick’s Day', 'fixed', 3, 17], ['Easter Monday', 'easter', 1, 0], ['May bank holiday', 'nth', 5, 1, 1], ['June bank holiday', 'nth', 6, 1, 1], ['August bank holiday', 'nth', 8, 1, 1], ['October bank holiday', 'nth', 10, 1, -1], ['Christmas Day', 'fixed', 12, 25], ['St Stephen’s Day', 'fixed', 12, 26]],
        'US' => [['New Year’s Day', 'fixed', 1, 1], ['Birthday of Martin Luther King, Jr.', 'nth', 1, 1, 3], ['Washington’s Birthday', 'nth', 2, 1, 3], ['Memorial Day', 'nth', 5, 1, -1], ['Juneteenth', 'fixed', 6, 19], ['Independence Day', 'fixed', 7, 4], ['Labor Day', 'nth', 9, 1, 1], ['Columbus Day', 'nth', 10, 1, 2], ['Veterans Day', 'fixed', 11, 11], ['Thanksgiving Day', 'nth', 11, 4, 4], ['Christmas Day', 'fixed', 12, 25]],
    ];

    /** @var array<int, array<string, string>> by year */
    private array $known = [];

    /** @param string $region one of REGIONS */
    public function __construct(private readonly string $region)
    {
    }

    /** @return array<string, string> date, ISO 8601 => name, in order; where a holiday falls on a weekend also the weekday on which it is kept */
    public function of(int $year): array
    {
        return $this->known[$year] ??= $this->worked($year);
    }

    /** @return array<string, string> */
    private function worked(int $year): array
    {
        $days = $this->kept($year);
        // A New Year's Day on a Saturday is kept on the last day of the year before.
        foreach ($this->region === 'US' ? $this->kept($year + 1) : [] as $date => $name) {
            if (str_starts_with($date, (string) $year)) {
                $days[$date] = $name;
            }
        }
        $days = array_filter($days, static fn (string $date): bool => str_starts_with($date, (string) $year), ARRAY_FILTER_USE_KEY);
        ksort($days);

        return $days;
    }

    /** @return array<string, string> */
    private function kept(int $year): array
    {
        $days = [];
        $moved = [];
        foreach ($this->rules() as $rule) {
            $day = $this->falls($rule, $year);
            $days[$day->format('Y-m-d')] = $rule[0];
            if ((int) $day->format('N') >= self::SATURDAY && $rule[1] === 'fixed') {
                $moved[] = [$rule[0], $day];
            }
        }
        ksort($days);
        usort($moved, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        foreach ($this->region === 'IE' ? [] : $moved as [$name, $day]) {
            $day = $this->region === 'US' ? $this->nearest($day) : $this->next($day, $days);
            $days[$day->format('Y-m-d')] = $name.self::IN_LIEU;
        }

        return $days;
    }

    /** @return list<Rule> */
    private function rules(): array
    {
        $own = self::RULES[$this->region] ?? throw new \OutOfBoundsException("There is no region “{$this->region}”.");

        return str_starts_with($this->region, 'GB-') ? [...self::UNITED_KINGDOM, ...$own] : $own;
    }

    /** @param Rule $rule */
    private function falls(array $rule, int $year): \DateTimeImmutable
    {
        [, $kind, $a, $b] = $rule;

        return match ($kind) {
            'easter' => $this->easter($year)->modify(sprintf('%+d days', $a)),
            'nth' => $this->nth($year, $a, $b, $rule[4] ?? 1),
            'brigid' => (int) $this->day($year, $a, $b)->format('N') === self::FRIDAY ? $this->day($year, $a, $b) : $this->nth($year, $a, 1, 1),
            default => $this->day($year, $a, $b),
        };
    }

    /** @param int $n which of the month, −1 the last */
    private function nth(int $year, int $month, int $weekday, int $n): \DateTimeImmutable
    {
        $first = $this->day($year, $month, 1);
        if ($n < 0) {
            $last = $first->modify('last day of this month');

            return $last->modify('-'.(((int) $last->format('N') - $weekday + 7) % 7).' days');
        }

        return $first->modify('+'.(($weekday - (int) $first->format('N') + 7) % 7 + 7 * ($n - 1)).' days');
    }

    /** The Friday before a Saturday, the Monday after a Sunday. */
    private function nearest(\DateTimeImmutable $day): \DateTimeImmutable
    {
        return $day->modify((int) $day->format('N') === self::SATURDAY ? '-1 day' : '+1 day');
    }

    /**
     * The next weekday that is no holiday itself.
     *
     * @param array<string, string> $taken
     */
    private function next(\DateTimeImmutable $day, array $taken): \DateTimeImmutable
    {
        do {
            $day = $day->modify('+1 day');
        } while (in_array((int) $day->format('N'), [self::SATURDAY, self::SUNDAY], true) || isset($taken[$day->format('Y-m-d')]));

        return $day;
    }

    private function day(int $year, int $month, int $day): \DateTimeImmutable
    {
        return (new \DateTimeImmutable('2000-01-01', new \DateTimeZone('UTC')))->setDate($year, $month, $day);
    }

    /** Easter Sunday. Source: the anonymous Gregorian computus (Nature, 20 April 1876). */
    private function easter(int $year): \DateTimeImmutable
    {
        $a = $year % 19;
        $b = intdiv($year, 100);
        $c = $year % 100;
        $h = (19 * $a + $b - intdiv($b, 4) - intdiv($b - intdiv($b + 8, 25) + 1, 3) + 15) % 30;
        $l = (32 + 2 * ($b % 4) + 2 * intdiv($c, 4) - $h - $c % 4) % 7;
        $m = intdiv($a + 11 * $h + 22 * $l, 451);

        return $this->day($year, intdiv($h + $l - 7 * $m + 114, 31), ($h + $l - 7 * $m + 114) % 31 + 1);
    }
}
