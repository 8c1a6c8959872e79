<?php

declare(strict_types=1);

namespace Ringo\Transfer;

/** Somebody who can take a call. */
final readonly class Person
{
    /**
     * @param ?string $number E.164, where it rings; null rings the desk alone
     * @param string $presence available, busy or away
     * @param ?\DateTimeImmutable $lastCall when the last call ended that this person took
     * @param string $site where the person works, for words like 'at Oldmere'
     */
    public function __construct(public string $key, public string $name, public ?string $number, public string $presence, public ?\DateTimeImmutable $lastCall = null, public string $site = '')
    {
    }

    public function free(): bool
    {
        return $this->presence === 'available';
    }
}
