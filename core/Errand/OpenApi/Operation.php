<?php

declare(strict_types=1);

namespace Ringo\Errand\OpenApi;

use Ringo\Errand\Errand;

/** One operation of a described system, and the errand it makes. */
final readonly class Operation
{
    /** Values an errand begins with; one takes out what is not needed. */
    private const MOST_VALUES = 14;

    /**
     * @param list<array{name: string, in: string, required: bool, about: string, schema: array<array-key, mixed>}> $parameters
     * @param array<array-key, mixed> $body schema of what is sent
     * @param array<array-key, mixed> $answer schema of what comes back
     * @param ?array{how: string, header?: string} $secret
     */
    public function __construct(public string $key, public string $method, public string $server, public string $path, public string $summary, public string $system, public array $parameters, public array $body, public bool $form, public array $answer, public ?array $secret)
    {
    }

    public static function key(string $name): string
    {
        $snake = strtolower((string) preg_replace(['/([a-z0-9])([A-Z])/', '/[^A-Za-z0-9]+/'], ['$1_$2', '_'], $name));
        $snake = trim($snake, '_');

        return $snake === '' || ! ctype_alpha($snake[0]) ? 'errand_'.$snake : $snake;
    }

    public function errand(): Errand
    {
        $parameters = $query = $headers = [];
        $path = $this->path;
        foreach ($this->parameters as $one) {
            $key = self::key($one['name']);
            $parameters[$key] = ['key' => $key, 'label' => $one['about'] === '' ? str_replace('_', ' ', $key) : lcfirst($one['about']), 'type' => Types::of($one['name'], $one['schema']), 'from' => $key] + ($one['required'] ? [] : ['required' => false]);
            match ($one['in']) {
                'path' => $path = str_replace('{'.$one['name'].'}', '{'.$key.'}', $path),
                'query' => $query[$one['name']] = '{'.$key.'}',
                default => $headers[$one['name']] = '{'.$key.'}',
            };
        }
        $body = $this->blanks($this->body, $parameters);
        [$list, $values] = $this->values();
        $changes = $this->method !== 'GET';

        return Errand::fromArray([
            'key' => $this->key, 'label' => rtrim($this->summary, '.'), 'about' => '', 'system' => 'the '.lcfirst($this->system), 'reach' => 'request',
            'request' => ['method' => $this->method, 'url' => $this->server.$path] + array_filter(['headers' => $headers, 'query' => $query]) + ($body === [] ? [] : ['body' => $body]) + ($this->form ? ['form' => true] : []),
            'parameters' => array_values($parameters),
            'answer' => ($list === null ? [] : ['list' => $list]) + ['values' => $values],
        ] + ($changes ? ['changes' => true] : []) + ($this->secret === null ? [] : ['secret' => $this->secret]));
    }

    /** An answer as the schema has it, made up. */
    public function sample(): mixed
    {
        return Sample::of($this->answer);
    }

    /**
     * @param array<array-key, mixed> $schema
     * @param array<string, array<string, mixed>> $parameters
     *
     * @return array<string, mixed>
     */
    private function blanks(array $schema, array &$parameters): array
    {
        $body = [];
        $required = is_array($schema['required'] ?? null) ? $schema['required'] : [];
        foreach (is_array($schema['properties'] ?? null) ? $schema['properties'] : [] as $name => $one) {
            if (isset($one['properties']) && Types::of((string) $name, $one) !== 'money') {
                $body[$name] = $this->blanks($one, $parameters);

                continue;
            }
            if (($one['type'] ?? '') === 'array' || ($one['readOnly'] ?? false) === true) {
                continue;
            }
            $key = self::key((string) $name);
            $parameters[$key] ??= ['key' => $key, 'label' => lcfirst((string) ($one['description'] ?? str_replace('_', ' ', $key))), 'type' => Types::of((string) $name, $one), 'from' => $key] + (in_array($name, $required, true) ? [] : ['required' => false]);
            $body[(string) $name] = '{'.$key.'}';
        }

        return $body;
    }

    /** @return array{?string, list<array<string, mixed>>} where the list stands, and the values of a row */
    private function values(): array
    {
        $root = $this->answer;
        if (($root['type'] ?? '') === 'array') {
            return [null, $this->within($root['items'] ?? [], '')];
        }
        $properties = is_array($root['properties'] ?? null) ? $root['properties'] : [];
        $lists = array_filter($properties, static fn (array $one): bool => ($one['type'] ?? '') === 'array' && isset($one['items']['properties']));
        if (count($lists) === 1 && array_filter($properties, static fn (array $one): bool => isset($one['properties'])) === []) {
            $name = (string) array_key_first($lists);

            return [$name, $this->within($lists[$name]['items'], '')];
        }

        return [null, $this->within($root, '')];
    }

    /**
     * @param array<array-key, mixed> $schema
     *
     * @return list<array<string, mixed>>
     */
    private function within(array $schema, string $path): array
    {
        $values = [];
        $names = [];
        $add = static function (string $name, array $one, string $at) use (&$values, &$names): void {
            $key = self::key($name);
            $key = isset($names[$key]) ? self::key(str_replace(['.', '[0]'], ['_', ''], $at)) : $key;
            if (! isset($names[$key]) && count($values) < self::MOST_VALUES) {
                $names[$key] = true;
                $values[] = ['key' => $key, 'label' => lcfirst((string) ($one['description'] ?? str_replace('_', ' ', self::key($name)))), 'type' => Types::of($name, $one), 'path' => $at];
            }
        };
        $walk = static function (array $schema, string $path, int $depth) use (&$walk, $add): void {
            foreach (is_array($schema['properties'] ?? null) ? $schema['properties'] : [] as $name => $one) {
                $at = $path === '' ? (string) $name : "{$path}.{$name}";
                match (true) {
                    Types::of((string) $name, $one) === 'money', ! isset($one['properties']) && ($one['type'] ?? '') !== 'array' && ($one['type'] ?? '') !== 'object' => $add((string) $name, $one, $at),
                    $depth > 2 => null,
                    isset($one['properties']) => $walk($one, $at, $depth + 1),
                    isset($one['items']['properties']) => $walk($one['items'], $at.'[0]', $depth + 1),
                    isset($one['items']['type']) && in_array($one['items']['type'], ['string', 'number', 'integer'], true) => $add((string) $name, $one['items'], $at.'[0]'),
                    default => null,
                };
            }
        };
        $walk($schema, $path, 0);

        return $values;
    }
}
