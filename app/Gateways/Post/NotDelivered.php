<?php

declare(strict_types=1);

namespace App\Gateways\Post;

/** Something did not arrive, or nobody knows whether it did; it may be tried again under the same key. */
final class NotDelivered extends \RuntimeException
{
    public function __construct(string $message, public readonly bool $final = false)
    {
        parent::__construct($message);
    }
}
