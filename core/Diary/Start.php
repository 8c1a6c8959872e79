<?php

declare(strict_types=1);

namespace Ringo\Diary;

/** A free start, and whose it would be. */
final readonly class Start
{
    public function __construct(public int $at, public string $diary)
    {
    }

    public function in(\DateTimeZone $tz): \DateTimeImmutable
    {
        return (new \DateTimeImmutable('@'.$this->at))->setTimezone($tz);
    }
}
