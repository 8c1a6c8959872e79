<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** When somebody is rung next, or why not. */
final readonly class Planned
{
    /**
     * @param string|null $phone E.164; null where it is no number
     * @param string|null $tz the zone their times are told in
     * @param int|null $next a moment, a full minute
     * @param string|null $written `next` on their clock, with its offset
     */
    private function __construct(public string $id, public ?string $phone, public ?string $tz, public ?int $next, public ?string $written, public ?Reason $why)
    {
    }

    public static function at(Listed $person, string $phone, LocalClock $clock, int $next): self
    {
        return new self($person->id, $phone, $clock->name, $next, $clock->written($next), null);
    }

    public static function not(Listed $person, ?string $phone, ?string $tz, Reason $why): self
    {
        return new self($person->id, $phone, $tz, null, null, $why);
    }
}
