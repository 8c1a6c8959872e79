<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Ports;

use Ringo\Diary\Start;

/** A booking that stands. */
final readonly class Booked
{
    public function __construct(public string $reference, public string $service, public string $label, public Start $start, public ?string $area = null, public ?string $name = null)
    {
    }
}
