<?php

declare(strict_types=1);

namespace App\Gateways\Web;

/** What came back from a web address. */
final readonly class Answered
{
    public function __construct(public int $status, public string $body, public int $milliseconds)
    {
    }
}
