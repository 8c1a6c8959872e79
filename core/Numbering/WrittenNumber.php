<?php

declare(strict_types=1);

namespace Ringo\Numbering;

/** A telephone number as lists carry it: digits with their separators and perhaps an extension. Anything else is none, rather than a number guessed from what is left. */
final readonly class WrittenNumber
{
    private const EXTENSION = '/[\s,]*(?:;ext=|extension|ext\.?|x|#)\s*\d{1,7}\s*$/iu';

    /** A zero in brackets after the country's code is dialled at home only. */
    private const ZERO_AT_HOME = '/^(\s*\(?\s*\+[\d\s().-]*?\d\s*\)?)\s*\(0\)/u';

    public function __construct(private NumberingPlan $plan, private string $country)
    {
    }

    /** @return PhoneNumber|null whose digits fit the plan of its country, in use or kept for fiction */
    public function read(string $written): ?PhoneNumber
    {
        $number = preg_replace(self::EXTENSION, '', $written) ?? $written;
        if (preg_match('/^\s*\(?\s*\+?[\d\s().\/-]+$/u', $number) !== 1) {
            return null;
        }
        $number = preg_replace(self::ZERO_AT_HOME, '$1', $number) ?? $number;
        $digits = preg_replace('/[^\d+]/', '', $number) ?? '';
        $read = $this->plan->parse($digits, $this->country);

        return $read?->valid === true ? $read : null;
    }
}
