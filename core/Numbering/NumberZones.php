<?php

declare(strict_types=1);

namespace Ringo\Numbering;

/**
 * The time zones in which whoever has a number may be: those of its area where it tells one, else all of its country.
 *
 * Countries' zones are those the tz database lists; areas stand in zones.json, derived by tools/numbering-zones.php.
 *
 * @phpstan-type Table array{areas: array<string, string>, nowhere: array<string, array{tells_no_area: string, fixed: string}>, longest: int}
 */
final class NumberZones
{
    /** Countries of the numbering plans that the tz database does not list: Kosovo, Ascension, Tristan da Cunha. */
    private const UNLISTED = ['XK' => ['Europe/Belgrade'], 'AC' => ['Atlantic/St_Helena'], 'TA' => ['Atlantic/St_Helena']];

    /** @var Table|null */
    private ?array $table = null;

    /** @var array<string, list<string>> */
    private array $countries = [];

    /** @return list<string> names of the tz database, in alphabetical order; empty where no country lists any */
    public function of(PhoneNumber $number): array
    {
        $all = $this->ofCountry($number->country);
        if (count($all) === 1 || ! isset($this->table()['nowhere'][$number->country]) || $this->tellsNoArea($number)) {
            return $all;
        }
        $digits = substr($number->e164, 1);
        for ($length = min(strlen($digits), $this->table()['longest']); $length > 1; $length--) {
            $zones = $this->table()['areas'][substr($digits, 0, $length)] ?? null;
            if ($zones !== null) {
                return explode(' ', $zones);
            }
        }

        return $all;
    }

    /** @return list<string> */
    public function ofCountry(string $country): array
    {
        return $this->countries[$country] ??= self::UNLISTED[$country] ?? (preg_match('/^[A-Z]{2}$/', $country) === 1
            ? array_values(\DateTimeZone::listIdentifiers(\DateTimeZone::PER_COUNTRY, $country)) : []);
    }

    /** Numbers free to call, of a mobile or of a person stand for no place; a fixed line always does. */
    private function tellsNoArea(PhoneNumber $number): bool
    {
        $patterns = $this->table()['nowhere'][$number->country];

        return preg_match('/^(?:'.$patterns['tells_no_area'].')$/', $number->national) === 1
            && preg_match('/^(?:'.$patterns['fixed'].')$/', $number->national) !== 1;
    }

    /** @return Table */
    private function table(): array
    {
        if ($this->table === null) {
            /** @var array{areas: array<string, list<string>>, nowhere: array<string, array{tells_no_area: string, fixed: string}>} $read */
            $read = json_decode((string) file_get_contents(__DIR__.'/zones.json'), true, 16, JSON_THROW_ON_ERROR);
            $areas = [];
            foreach ($read['areas'] as $zones => $prefixes) {
                foreach ($prefixes as $prefix) {
                    $areas[$prefix] = $zones;
                }
            }
            $this->table = ['areas' => $areas, 'nowhere' => $read['nowhere'], 'longest' => max(0, ...array_map(strlen(...), array_map(strval(...), array_keys($areas))))];
        }

        return $this->table;
    }
}
