<?php

declare(strict_types=1);

namespace Ringo\Document;

/**
 * A part of a JSON document being read: it knows its path, checks types, and notes problems instead of stopping at the first.
 *
 * @internal to the readers of documents
 */
final class Node
{
    /** @var array<string, true> */
    private array $asked = [];

    /**
     * @param array<array-key, mixed> $data
     * @param \ArrayObject<int, array{path: string, message: string}> $problems shared by the whole document
     */
    public function __construct(private readonly array $data, public readonly string $path, private readonly \ArrayObject $problems)
    {
    }

    /** @param array<array-key, mixed> $data */
    public static function root(array $data): self
    {
        return new self($data, '', new \ArrayObject);
    }

    /** @throws InvalidDocument where anything was wrong anywhere in the document */
    public function settle(): void
    {
        $problems = $this->problems->getArrayCopy();
        if ($problems !== []) {
            throw new InvalidDocument(array_values($problems));
        }
    }

    public function problem(string $key, string $message): void
    {
        $this->problems->append(['path' => $this->at($key), 'message' => $message]);
    }

    public function has(string $key): bool
    {
        $this->asked[$key] = true;

        return array_key_exists($key, $this->data);
    }

    public function string(string $key, ?string $default = null): string
    {
        $value = $this->value($key, $default);
        if (! is_string($value)) {
            $this->wrong($key, $value, 'text');

            return $default ?? '';
        }

        return $value;
    }

    public function optional(string $key): ?string
    {
        return $this->has($key) ? $this->string($key) : null;
    }

    public function number(string $key, float $default, float $least = -INF, float $most = INF): float
    {
        $value = $this->value($key, $default);
        if (! is_int($value) && ! is_float($value)) {
            $this->wrong($key, $value, 'a number');

            return $default;
        }
        if ($value < $least || $value > $most) {
            $this->problem($key, "must lie between {$least} and {$most}, not {$value}");

            return $default;
        }

        return (float) $value;
    }

    public function flag(string $key, bool $default): bool
    {
        $value = $this->value($key, $default);
        if (! is_bool($value)) {
            $this->wrong($key, $value, 'true or false');

            return $default;
        }

        return $value;
    }

    /** @param list<string> $allowed */
    public function oneOf(string $key, array $allowed, string $default): string
    {
        $value = $this->string($key, $default);
        if (! in_array($value, $allowed, true)) {
            $this->problem($key, "“{$value}” is not one of ".implode(', ', $allowed).$this->nearest($value, $allowed));

            return $default;
        }

        return $value;
    }

    /** @return list<string> */
    public function strings(string $key): array
    {
        $value = $this->value($key, []);
        if (! is_array($value) || ! array_is_list($value) || array_filter($value, static fn (mixed $one): bool => ! is_string($one)) !== []) {
            $this->wrong($key, $value, 'a list of texts');

            return [];
        }

        return $value;
    }

    /** @return string|list<string> */
    public function text(string $key, string $default = ''): string|array
    {
        $value = $this->value($key, $default);

        return is_array($value) ? $this->strings($key) : $this->string($key, $default);
    }

    public function raw(string $key): mixed
    {
        $this->asked[$key] = true;

        return $this->data[$key] ?? null;
    }

    public function child(string $key): self
    {
        $value = $this->value($key, []);
        if (! is_array($value) || ($value !== [] && array_is_list($value))) {
            $this->wrong($key, $value, 'an object');
            $value = [];
        }

        return new self($value, $this->at($key), $this->problems);
    }

    /** @return list<self> */
    public function children(string $key): array
    {
        $value = $this->value($key, []);
        if (! is_array($value) || ! array_is_list($value)) {
            $this->wrong($key, $value, 'a list');

            return [];
        }
        $nodes = [];
        foreach ($value as $i => $one) {
            if (! is_array($one) || ($one !== [] && array_is_list($one))) {
                $this->problem("{$key}[{$i}]", 'must be an object, not '.$this->kind($one));

                continue;
            }
            $nodes[] = new self($one, $this->at($key)."[{$i}]", $this->problems);
        }

        return $nodes;
    }

    /** @return array<string, self> an object of objects, by key */
    public function map(string $key): array
    {
        $nodes = [];
        $child = $this->child($key);
        foreach ($child->data as $name => $one) {
            $child->asked[(string) $name] = true;
            if (! is_array($one)) {
                $child->problem((string) $name, 'must be an object, not '.$this->kind($one));

                continue;
            }
            $nodes[(string) $name] = new self($one, $child->path.'.'.$name, $this->problems);
        }

        return $nodes;
    }

    /** @return array<array-key, mixed> */
    public function all(): array
    {
        foreach (array_keys($this->data) as $key) {
            $this->asked[(string) $key] = true;
        }

        return $this->data;
    }

    /** Notes every key that no one asked for, with the nearest known one. */
    public function noMore(): void
    {
        foreach (array_keys($this->data) as $key) {
            if (! isset($this->asked[(string) $key])) {
                $this->problem((string) $key, 'is not a known key'.$this->nearest((string) $key, array_map(strval(...), array_keys($this->asked))));
            }
        }
    }

    private function at(string $key): string
    {
        return $key === '' ? $this->path : ($this->path === '' ? $key : $this->path.'.'.$key);
    }

    private function value(string $key, mixed $default): mixed
    {
        $this->asked[$key] = true;
        if (! array_key_exists($key, $this->data)) {
            if ($default === null) {
                $this->problem($key, 'is missing');

                return '';
            }

            return $default;
        }

        return $this->data[$key];
    }

    private function wrong(string $key, mixed $value, string $expected): void
    {
        $this->problem($key, "must be {$expected}, not ".$this->kind($value));
    }

    private function kind(mixed $value): string
    {
        return match (true) {
            is_string($value) => 'text', is_bool($value) => 'true or false', $value === null => 'null',
            is_array($value) => array_is_list($value) ? 'a list' : 'an object',
            default => 'a number',
        };
    }

    /** @param list<string> $known */
    private function nearest(string $word, array $known): string
    {
        $best = null;
        $distance = 3;
        foreach ($known as $one) {
            $d = levenshtein(substr($word, 0, 60), substr($one, 0, 60));
            if ($d < $distance) {
                [$best, $distance] = [$one, $d];
            }
        }

        return $best === null ? '' : "; did you mean “{$best}”?";
    }
}
