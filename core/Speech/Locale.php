<?php

declare(strict_types=1);

namespace Ringo\Speech;

/** Where and when something is said: it decides how dates, times, numbers and money sound. */
final readonly class Locale
{
    public function __construct(public \DateTimeImmutable $now, public string $country = 'GB', public string $spelling = 'plain')
    {
    }

    /** Whether people say 'half past two' and 'two hundred and six' rather than 'two thirty' and 'two hundred six'. */
    public function british(): bool
    {
        return in_array($this->country, ['GB', 'IE', 'AU', 'NZ', 'ZA', 'IM', 'JE', 'GG', 'IN', 'SG', 'HK'], true);
    }
}
