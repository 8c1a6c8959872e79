<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

/** Pieces of JSON Schema (draft 2020-12) that keys of steps are described with. */
final readonly class Schema
{
    /** @return array<string, mixed> a definition all kinds share: words, target, wayOut, condition */
    public static function ref(string $name): array
    {
        return ['$ref' => '#/$defs/'.$name];
    }

    /** @return array<string, mixed> */
    public static function text(?string $description = null): array
    {
        return ['type' => 'string'] + ($description === null ? [] : ['description' => $description]);
    }

    /** @return array<string, mixed> */
    public static function texts(?string $description = null): array
    {
        return ['type' => 'array', 'items' => ['type' => 'string']] + ($description === null ? [] : ['description' => $description]);
    }

    /** @return array<string, mixed> */
    public static function flag(?string $description = null): array
    {
        return ['type' => 'boolean'] + ($description === null ? [] : ['description' => $description]);
    }

    /** @return array<string, mixed> */
    public static function whole(int $least, int $most): array
    {
        return ['type' => 'integer', 'minimum' => $least, 'maximum' => $most];
    }

    /**
     * @param list<string> $values
     *
     * @return array<string, mixed>
     */
    public static function oneOf(array $values): array
    {
        return ['enum' => $values];
    }

    /** @return array<string, mixed> a key of a telephone */
    public static function digit(): array
    {
        return ['type' => 'string', 'pattern' => '^[0-9*#]$'];
    }

    /**
     * @param array<string, array<string, mixed>> $properties
     * @param list<string> $required
     *
     * @return array<string, mixed>
     */
    public static function object(array $properties, array $required = []): array
    {
        return ['type' => 'object', 'additionalProperties' => false] + ($required === [] ? [] : ['required' => $required]) + ['properties' => $properties];
    }

    /**
     * @param array<string, mixed> $items
     *
     * @return array<string, mixed>
     */
    public static function listOf(array $items, ?int $least = null, ?int $most = null): array
    {
        return ['type' => 'array'] + array_filter(['minItems' => $least, 'maxItems' => $most], is_int(...)) + ['items' => $items];
    }
}
