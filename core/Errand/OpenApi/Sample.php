<?php

declare(strict_types=1);

namespace Ringo\Errand\OpenApi;

/** An answer made up from its schema: examples where it has them, else the plainest value of each type. */
final readonly class Sample
{
    private const DAY = '2026-03-10';

    /** @param array<array-key, mixed> $schema */
    public static function of(array $schema): mixed
    {
        foreach (['example', 'default', 'const'] as $word) {
            if (array_key_exists($word, $schema)) {
                return $schema[$word];
            }
        }
        if (is_array($schema['examples'] ?? null) && $schema['examples'] !== []) {
            return reset($schema['examples']);
        }
        if (is_array($schema['enum'] ?? null) && $schema['enum'] !== []) {
            return reset($schema['enum']);
        }
        if (is_array($schema['properties'] ?? null)) {
            return array_map(static fn (mixed $one): mixed => self::of(is_array($one) ? $one : []), $schema['properties']);
        }
        $type = is_array($schema['type'] ?? null) ? ($schema['type'][0] ?? 'string') : ($schema['type'] ?? 'string');

        return match ($type) {
            'array' => [self::of(is_array($schema['items'] ?? null) ? $schema['items'] : [])],
            'object' => new \stdClass,
            'boolean' => true,
            'integer' => (int) ($schema['minimum'] ?? 1),
            'number' => (float) ($schema['minimum'] ?? 1.5),
            'null' => null,
            default => match ($schema['format'] ?? '') {
                'date' => self::DAY, 'date-time' => self::DAY.'T09:30:00Z', 'time' => '09:30', 'email' => 'somebody@pellbrook.example', 'duration' => 'P1D', 'uuid' => '11111111-1111-4111-8111-111111111111',
                default => 'text',
            },
        };
    }
}
