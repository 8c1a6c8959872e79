<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepKinds;

/** The published JSON Schema of a script: its parts as written in schema.json, its steps as their kinds tell. */
final readonly class ScriptSchema
{
    /** @return array<string, mixed> */
    public function toArray(): array
    {
        /** @var array<string, mixed> $schema */
        $schema = json_decode((string) file_get_contents(__DIR__.'/schema.json'), true, 64, JSON_THROW_ON_ERROR);
        $schema['$defs']['wayOut'] = WayOut::schema();
        $schema['$defs']['step'] = ['oneOf' => array_values(array_map($this->step(...), (new StepKinds)->all()))];

        return $schema;
    }

    public function toJson(): string
    {
        return json_encode($this->toArray(), JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
    }

    /** @return array<string, mixed> */
    private function step(StepKind $kind): array
    {
        $keys = $kind->keys();
        $head = [
            'key' => ['type' => 'string', 'pattern' => '^[a-z][a-z0-9_]*$'],
            'kind' => ['const' => $kind->name()],
            'scene' => Schema::text('Heading of the scene that begins with this step; the prompt book shows the script scene by scene'),
        ];

        return ['description' => ucfirst($kind->does())] + Schema::object($head + array_map(static fn (array $key): array => $key['schema'], $keys->keys), ['key', 'kind', ...$keys->required]);
    }
}
