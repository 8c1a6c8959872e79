<?php

declare(strict_types=1);

namespace Ringo\Numbering;

/**
 * A telephone number of a country's numbering plan, kept as E.164.
 *
 * `valid` means that the digits fit the plan's general pattern; `assigned` that they lie in a range in use
 * (ranges kept for fiction are valid and not assigned). A number that is neither only has a possible length.
 */
final readonly class PhoneNumber
{
    public function __construct(
        public string $e164,
        public string $country,
        public string $national,
        public bool $valid,
        public bool $assigned,
        private string $nationalFormat,
    ) {
    }

    /** As people of its country write it: 01632 960 147. */
    public function inNationalFormat(): string
    {
        return $this->nationalFormat;
    }

    public function __toString(): string
    {
        return $this->e164;
    }
}
