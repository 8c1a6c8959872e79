<?php

declare(strict_types=1);

namespace App\StandIns;

/** Pellbrook's account system: who holds a trade account under which number, and how it stands. */
final readonly class Accounts implements System
{
    public function called(): string
    {
        return 'Pellbrook’s account system';
    }

    public function token(): ?string
    {
        return null;
    }

    public function data(\DateTimeImmutable $today): array
    {
        return ['accounts' => [
            ['number' => 'A1042', 'phone' => '+447700900123', 'name' => 'Whitcombe Groundworks', 'balance' => ['amount' => 1284.5, 'currency' => 'GBP'], 'terms' => '30 days', 'stopped' => false],
            ['number' => 'A1077', 'phone' => '+447700900456', 'name' => 'Larkrise Roofing', 'balance' => ['amount' => 4310, 'currency' => 'GBP'], 'terms' => '14 days', 'stopped' => true],
        ]];
    }

    public function answer(string $method, string $path, array $query, array $body, array $data): array
    {
        $by = preg_match('~^/accounts/([A-Za-z0-9]+)$~', $path, $m) === 1 ? ['number', strtoupper($m[1])] : ($path === '/accounts' && is_string($query['phone'] ?? null) ? ['phone', $query['phone']] : null);
        foreach ($data['accounts'] as $account) {
            if ($by !== null && $account[$by[0]] === $by[1]) {
                return [200, ['account' => $account]];
            }
        }

        return [404, ['title' => 'There is no such account']];
    }

    public function describes(): array
    {
        return ['openapi' => '3.1.0', 'info' => ['title' => 'Account system', 'version' => '1.0'], 'servers' => [['url' => 'https://accounts.pellbrook.example']], 'paths' => [
            '/accounts' => ['get' => ['operationId' => 'accountByPhone', 'summary' => 'The account of a telephone number', 'parameters' => [['name' => 'phone', 'in' => 'query', 'required' => true, 'schema' => ['type' => 'string']]], 'responses' => ['200' => ['description' => 'Found', 'content' => ['application/json' => ['schema' => ['type' => 'object', 'properties' => ['account' => ['type' => 'object', 'properties' => ['number' => ['type' => 'string'], 'name' => ['type' => 'string'], 'terms' => ['type' => 'string'], 'stopped' => ['type' => 'boolean'], 'balance' => ['type' => 'object', 'properties' => ['amount' => ['type' => 'number'], 'currency' => ['type' => 'string']]]]]]]]]]]]],
        ]];
    }
}
