<?php

declare(strict_types=1);

namespace Ringo\Errand\OpenApi;

/** The type of value that a schema of JSON means, by its type, its format and its name. */
final readonly class Types
{
    /** @param array<array-key, mixed> $schema */
    public static function of(string $name, array $schema): string
    {
        $type = is_array($schema['type'] ?? null) ? (array_values(array_diff($schema['type'], ['null']))[0] ?? 'string') : ($schema['type'] ?? 'string');
        if (isset($schema['properties']['amount'], $schema['properties']['currency'])) {
            return 'money';
        }

        return match (true) {
            $type === 'boolean' => 'yes_no',
            $type === 'integer', $type === 'number' => 'number',
            ($schema['format'] ?? '') === 'date' => 'date',
            ($schema['format'] ?? '') === 'date-time' => 'datetime',
            ($schema['format'] ?? '') === 'time' => 'time',
            ($schema['format'] ?? '') === 'duration' => 'duration',
            ($schema['format'] ?? '') === 'email' => 'email',
            preg_match('/phone|mobile|telephone/i', $name) === 1 => 'phone',
            preg_match('/^(?:number|ref(?:erence)?|id|code|.*(?:_?number|_?ref|Ref|Number|Id|_id))$/', $name) === 1 => 'reference',
            default => 'text',
        };
    }
}
