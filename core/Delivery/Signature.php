<?php

declare(strict_types=1);

namespace Ringo\Delivery;

/**
 * Signs a web request after the Standard Webhooks specification: HMAC-SHA256 over id, time stamp and body, `v1,` and base64.
 *
 * A secret is written `whsec_` and base64, as the specification has it; other text is taken as it is.
 */
final readonly class Signature
{
    /** Seconds a time stamp may lie off; the specification's own figure. */
    public const TOLERANCE = 300;

    public function __construct(private string $secret)
    {
    }

    public static function newSecret(): string
    {
        return 'whsec_'.base64_encode(random_bytes(24));
    }

    /** @return array<string, string> the three headers */
    public function headers(string $id, int $timestamp, string $body): array
    {
        return ['webhook-id' => $id, 'webhook-timestamp' => (string) $timestamp, 'webhook-signature' => 'v1,'.$this->of($id, $timestamp, $body)];
    }

    /** @param array<string, string> $headers */
    public function verifies(array $headers, string $body, int $now): bool
    {
        $timestamp = (int) ($headers['webhook-timestamp'] ?? 0);
        if (abs($now - $timestamp) > self::TOLERANCE) {
            return false;
        }
        $wanted = 'v1,'.$this->of($headers['webhook-id'] ?? '', $timestamp, $body);
        foreach (explode(' ', $headers['webhook-signature'] ?? '') as $given) {
            if (hash_equals($wanted, $given)) {
                return true;
            }
        }

        return false;
    }

    private function of(string $id, int $timestamp, string $body): string
    {
        $key = str_starts_with($this->secret, 'whsec_') ? (string) base64_decode(substr($this->secret, 6), true) : $this->secret;

        return base64_encode(hash_hmac('sha256', "{$id}.{$timestamp}.{$body}", $key, true));
    }
}
