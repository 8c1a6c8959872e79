<?php

declare(strict_types=1);

namespace Ringo\Numbering;

/**
 * The numbering plans of the world: which digits are a telephone number, and how it is written.
 *
 * The table plans.php is derived from public numbering metadata by tools/numbering-plans.mjs.
 *
 * @phpstan-type Format array{match: string, format: string, leading: ?string, rule: ?string}
 * @phpstan-type Plan array{code: string, pattern: string, lengths: list<int>, prefix: ?string, parsing: ?string, transform: ?string, leading: ?string, international: ?string, types: list<string>, formats: list<Format>}
 */
final class NumberingPlan
{
    /** @var array{callingCodes: array<string, list<string>>, countries: array<string, Plan>}|null */
    private ?array $table = null;

    public function knows(string $country): bool
    {
        return isset($this->table()['countries'][$country]);
    }

    /**
     * Reads digits as a number, dialled from a country: national, international with + or with the country's prefix for calls abroad.
     *
     * @param string $dialled digits, a leading + and separators; anything after an extension mark is dropped
     * @param string $country ISO 3166 code of the country it belongs to where it has no country code
     */
    public function parse(string $dialled, string $country): ?PhoneNumber
    {
        $dialled = preg_replace('/(?:ext\.?|extension|x|#|;ext=).*$/i', '', $dialled) ?? $dialled;
        $international = preg_match('/^\s*(?:tel:)?\s*\+/', $dialled) === 1;
        $digits = preg_replace('/\D/', '', $dialled) ?? '';
        if ($digits === '' || strlen($digits) > 17) {
            return null;
        }
        if ($international) {
            return $this->international($digits);
        }
        $national = $this->national($digits, $country);
        if ($national?->valid === true) {
            return $national;
        }
        $plan = $this->table()['countries'][$country] ?? null;
        if ($plan !== null && $plan['international'] !== null && preg_match('/^(?:'.$plan['international'].')/', $digits, $m) === 1) {
            $abroad = $this->international(substr($digits, strlen($m[0])));
            if ($abroad !== null) {
                return $abroad;
            }
        }
        // '44 7700 900123' with the plus lost on the way.
        if ($plan !== null && str_starts_with($digits, $plan['code'])) {
            $home = $this->national(substr($digits, strlen($plan['code'])), $country);
            if ($home !== null && ($home->valid || $national === null)) {
                return $home;
            }
        }

        return $national;
    }

    /** The country a full number belongs to, or null where no plan takes it. */
    public function describe(string $e164): ?PhoneNumber
    {
        return $this->parse($e164, '');
    }

    private function international(string $digits): ?PhoneNumber
    {
        $codes = $this->table()['callingCodes'];
        for ($length = 1; $length <= 3; $length++) {
            $code = substr($digits, 0, $length);
            if (! isset($codes[$code])) {
                continue;
            }
            $rest = substr($digits, $length);
            $best = null;
            foreach ($codes[$code] as $country) {
                $number = $this->national($rest, $country, true);
                if ($number?->assigned === true) {
                    return $number;
                }
                // Short local forms make no number together with a country code that several countries share.
                if (count($codes[$code]) > 2 && strlen($rest) < max([0, ...$this->table()['countries'][$country]['lengths']])) {
                    continue;
                }
                $best = $best?->valid === true ? $best : ($number ?? $best);
            }

            return $best;
        }

        return null;
    }

    private function national(string $digits, string $country, bool $abroad = false): ?PhoneNumber
    {
        $plan = $this->table()['countries'][$country] ?? null;
        if ($plan === null) {
            return null;
        }
        $stripped = $this->withoutPrefix($digits, $plan, $abroad);
        foreach ($stripped === $digits ? [$digits] : [$stripped, $digits] as $significant) {
            if (in_array(strlen($significant), $plan['lengths'], true) && $this->fits($plan['pattern'], $significant)) {
                return $this->number($significant, $country, $plan, true, $this->assigned($plan, $significant));
            }
        }
        if (in_array(strlen($stripped), $plan['lengths'], true)) {
            return $this->number($stripped, $country, $plan, false, false);
        }

        return null;
    }

    /**
     * @param Plan $plan
     * @param bool $abroad whether the country code was dialled: then no area code is added to a local number
     */
    private function withoutPrefix(string $digits, array $plan, bool $abroad): string
    {
        $prefix = $plan['parsing'] ?? $plan['prefix'];
        if ($prefix === null || preg_match('/^(?:'.$prefix.')/', $digits, $m) !== 1 || $m[0] === '') {
            return $digits;
        }
        if ($abroad && $plan['transform'] !== null && ($m[1] ?? '') !== '' && ! str_starts_with($plan['transform'], '9')) {
            return $digits;
        }
        $significant = $plan['transform'] !== null && ($m[1] ?? '') !== ''
            ? (string) preg_replace('/^(?:'.$prefix.')/', $plan['transform'], $digits)
            : substr($digits, strlen($m[0]));
        // A prefix is not taken off where the number is a good one only with it.
        if ($this->fits($plan['pattern'], $digits) && ! $this->fits($plan['pattern'], $significant)) {
            return $digits;
        }

        return $significant;
    }

    /** @param Plan $plan */
    private function assigned(array $plan, string $digits): bool
    {
        // Countries that share a calling code are told apart by their leading digits.
        if ($plan['leading'] !== null && preg_match('/^(?:'.$plan['leading'].')/', $digits) === 1) {
            return true;
        }
        foreach ($plan['types'] as $type) {
            if ($this->fits($type, $digits)) {
                return true;
            }
        }

        return false;
    }

    private function fits(string $pattern, string $digits): bool
    {
        return preg_match('/^(?:'.$pattern.')$/', $digits) === 1;
    }

    /** @param Plan $plan */
    private function number(string $significant, string $country, array $plan, bool $valid, bool $assigned): PhoneNumber
    {
        return new PhoneNumber('+'.$plan['code'].$significant, $country, $significant, $valid, $assigned, $this->format($significant, $plan));
    }

    /** @param Plan $plan */
    private function format(string $significant, array $plan): string
    {
        $formats = $plan['formats'];
        if ($formats === []) {
            foreach ($this->table()['callingCodes'][$plan['code']] ?? [] as $main) {
                $formats = $this->table()['countries'][$main]['formats'];

                break;
            }
        }
        foreach ($formats as $format) {
            if ($format['leading'] !== null && preg_match('/^(?:'.$format['leading'].')/', $significant) !== 1) {
                continue;
            }
            if (preg_match('/^(?:'.$format['match'].')$/', $significant) !== 1) {
                continue;
            }
            $template = $format['format'];
            if ($format['rule'] !== null) {
                $template = (string) preg_replace_callback('/\$\d/', static fn (array $group): string => str_replace('$1', $group[0], $format['rule']), $template, 1);
            }

            return (string) preg_replace('/^(?:'.$format['match'].')$/', $template, $significant);
        }

        return $significant;
    }

    /** @return array{callingCodes: array<string, list<string>>, countries: array<string, Plan>} */
    private function table(): array
    {
        return $this->table ??= require __DIR__.'/plans.php';
    }
}
