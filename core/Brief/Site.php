<?php

declare(strict_types=1);

namespace Ringo\Brief;

use Ringo\Diary\Week;

/** A place of a business, with its own telephone and, where they are others than the business's, its own hours. */
final readonly class Site
{
    public function __construct(public string $key, public string $name, public string $address, public string $area, public string $phone, public Week $week)
    {
    }
}
