<?php

declare(strict_types=1);

namespace App\StandIns;

/** Quillmoor's round: where a bag of linen is. */
final readonly class Parcels implements System
{
    public function called(): string
    {
        return 'Quillmoor’s bag tracker';
    }

    public function token(): ?string
    {
        return null;
    }

    public function data(\DateTimeImmutable $today): array
    {
        $day = static fn (int $days): string => $today->modify("+{$days} days")->format('Y-m-d');

        return ['bags' => [
            'Q81' => ['bag' => 'Q81', 'state' => 'washed and pressed', 'back' => $day(1)],
            'Q82' => ['bag' => 'Q82', 'state' => 'on the van', 'back' => $day(0)],
            'Q90' => ['bag' => 'Q90', 'state' => 'not collected yet', 'back' => null],
        ]];
    }

    public function answer(string $method, string $path, array $query, array $body, array $data): array
    {
        $bag = preg_match('~^/bags/([A-Za-z0-9]+)$~', $path, $m) === 1 ? ($data['bags'][strtoupper($m[1])] ?? null) : null;

        return $bag === null ? [404, ['title' => 'There is no such bag']] : [200, $bag];
    }

    public function describes(): array
    {
        return ['openapi' => '3.1.0', 'info' => ['title' => 'Bag tracker', 'version' => '1.0'], 'servers' => [['url' => 'https://parcels.quillmoor.example']], 'paths' => [
            '/bags/{bag}' => ['get' => ['operationId' => 'getBag', 'summary' => 'Where a bag is', 'parameters' => [['name' => 'bag', 'in' => 'path', 'required' => true, 'schema' => ['type' => 'string']]], 'responses' => ['200' => ['description' => 'Found', 'content' => ['application/json' => ['schema' => ['type' => 'object', 'properties' => ['bag' => ['type' => 'string'], 'state' => ['type' => 'string'], 'back' => ['type' => 'string', 'format' => 'date']]]]]]]]],
        ]];
    }
}
