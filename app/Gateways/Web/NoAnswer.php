<?php

declare(strict_types=1);

namespace App\Gateways\Web;

/** Nothing usable came back from a web address; the message says why and may be shown. */
final class NoAnswer extends \RuntimeException
{
    private function __construct(string $message, public readonly bool $slow)
    {
        parent::__construct($message);
    }

    public static function slow(string $host, float $seconds): self
    {
        return new self("{$host} did not answer within ".rtrim(rtrim(number_format($seconds, 1), '0'), '.').' s', true);
    }

    public static function because(string $message): self
    {
        return new self($message, false);
    }
}
