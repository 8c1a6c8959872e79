<?php

declare(strict_types=1);

namespace App\Gateways\Post;

use App\Models\Delivery;

/** The way out for deliveries: e-mail, text, web requests. */
interface PostGateway
{
    /**
     * @param array<string, string> $headers of a web request
     *
     * @return string what the other side answered
     *
     * @throws NotDelivered where it did not arrive, or nobody knows whether it did
     */
    public function deliver(Delivery $delivery, array $headers): string;
}
