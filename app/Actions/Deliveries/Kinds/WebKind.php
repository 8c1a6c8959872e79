<?php

declare(strict_types=1);

namespace App\Actions\Deliveries\Kinds;

use App\Actions\Deliveries\RecordValues;
use App\Models\Delivery;
use App\Models\DeliveryRule;
use Ringo\Delivery\Means;
use Ringo\Delivery\Signature;
use Ringo\Value\Redaction;

/** A signed web request with values of the record. */
final readonly class WebKind extends DeliveryKind
{
    private const JSON = JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR;

    public function means(): Means
    {
        return Means::Web;
    }

    public function parts(): array
    {
        return ['to', 'columns'];
    }

    public function problems(string $to, string $words, array $columns): array
    {
        return preg_match('~^https?://~', $to) === 1 ? [] : ['to' => 'A web request goes to an address such as https://hooks.pellbrook.example/calls.'];
    }

    public function isSigned(): bool
    {
        return true;
    }

    public function body(DeliveryRule $rule, RecordValues $values): string
    {
        $call = $values->call;
        $data = $rule->mapping === []
            ? array_map(static fn (array $cell): mixed => $cell['value'], $call->record->cells ?? [])
            : array_map($values->given(...), $rule->mapping);

        return json_encode(['type' => 'call.ended', 'timestamp' => $call->placedAt()->format('c'), 'data' => ['call' => $call->ref, 'outcome' => $call->outcome] + $data], self::JSON);
    }

    public function headers(string $key, string $body, ?string $secret): array
    {
        return $secret === null || $secret === '' ? ['webhook-id' => $key] : (new Signature($secret))->headers($key, now()->getTimestamp(), $body);
    }

    public function inShort(Delivery $delivery): string
    {
        $data = json_decode($delivery->body, true);

        return implode(' · ', array_filter(array_map(static fn (mixed $value): string => is_scalar($value) ? (string) $value : '', array_slice(is_array($data['data'] ?? null) ? $data['data'] : [], 1))));
    }

    public function shown(string $body): string
    {
        return (string) json_encode(json_decode($body), JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function without(Delivery $delivery, array $keys, string $instead): string
    {
        return $this->changed($delivery, static fn (string $field, mixed $value): mixed => isset($keys[$field]) ? $instead : $value) ?? $delivery->body;
    }

    public function erased(Delivery $delivery, string $field, Redaction $redaction): string
    {
        return $this->changed($delivery, static fn (string $name, mixed $value): mixed => $name === $field ? null : $value, $redaction) ?? parent::erased($delivery, $field, $redaction);
    }

    /** @param \Closure(string, mixed): mixed $change by field and value */
    private function changed(Delivery $delivery, \Closure $change, ?Redaction $redaction = null): ?string
    {
        $sent = json_decode($delivery->body, true);
        if (! is_array($sent) || ! is_array($sent['data'] ?? null)) {
            return null;
        }
        $mapping = $delivery->rule->mapping ?? [];
        foreach ($sent['data'] as $name => $value) {
            $sent['data'][$name] = $change(RecordValues::field((string) ($mapping[$name] ?? $name)), $value);
        }

        return json_encode($redaction?->tree($sent) ?? $sent, self::JSON);
    }
}
