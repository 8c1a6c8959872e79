<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/** Where somebody is rung: their number and the zones they may be in. */
final readonly class Whereabouts
{
    /** @param string $phone E.164 */
    public function __construct(public string $phone, public Zones $zones)
    {
    }
}
