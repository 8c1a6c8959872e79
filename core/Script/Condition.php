<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;

/**
 * A condition over values, caller, time and outcome: comparisons, joined by all or any.
 *
 * Written `{"value": "equipment", "is": "mini_digger"}` or `{"all": [...]}`. A comparison with a missing value is false, but for `known: false`.
 */
final readonly class Condition
{
    public const COMPARISONS = ['is', 'is_not', 'one_of', 'more_than', 'less_than', 'before', 'after', 'known', 'contains'];

    /** @param list<self> $parts of a joined condition */
    private function __construct(
        private string $kind,
        private array $parts = [],
        public string $value = '',
        public mixed $than = null,
    ) {
    }

    public static function read(Node $node): self
    {
        foreach (['all', 'any'] as $join) {
            if ($node->has($join)) {
                $parts = array_map(self::read(...), $node->children($join));
                $node->noMore();

                return new self($join, $parts);
            }
        }
        $value = $node->string('value');
        $found = [];
        foreach (self::COMPARISONS as $comparison) {
            if ($node->has($comparison)) {
                $found[$comparison] = $node->raw($comparison);
            }
        }
        if (count($found) !== 1) {
            $node->problem('', 'needs exactly one comparison of '.implode(', ', self::COMPARISONS).($found === [] ? '' : ', not '.implode(' and ', array_keys($found))));
        }
        $node->noMore();
        $kind = array_key_first($found) ?? 'known';

        return new self($kind, [], $value, $found[$kind] ?? true);
    }

    /** @param callable(string): mixed $value gives the value at a path, null where there is none */
    public function holds(callable $value): bool
    {
        if ($this->kind === 'all' || $this->kind === 'any') {
            return $this->together($value);
        }
        $actual = $value($this->value);
        if ($this->kind === 'known') {
            return ($actual !== null && $actual !== '') === (bool) $this->than;
        }
        if ($actual === null) {
            return $this->kind === 'is_not';
        }

        return match ($this->kind) {
            'is' => $this->same($actual, $this->than),
            'is_not' => ! $this->same($actual, $this->than),
            'one_of' => is_array($this->than) && array_filter($this->than, fn (mixed $one): bool => $this->same($actual, $one)) !== [],
            'contains' => is_string($actual) && is_string($this->than) && mb_stripos($actual, $this->than) !== false,
            'more_than', 'less_than' => $this->amounts($actual),
            default => is_string($actual) && is_string($this->than) && ($this->kind === 'before' ? $actual < $this->than : $this->kind === 'after' && $actual > $this->than),
        };
    }

    /** @param callable(string): mixed $value */
    private function together(callable $value): bool
    {
        foreach ($this->parts as $part) {
            if ($part->holds($value) !== ($this->kind === 'all')) {
                return $this->kind === 'any';
            }
        }

        return $this->kind === 'all';
    }

    private function amounts(mixed $actual): bool
    {
        $amount = is_array($actual) ? ($actual['amount'] ?? null) : $actual;

        return is_numeric($amount) && is_numeric($this->than) && ($this->kind === 'more_than' ? $amount > $this->than : $amount < $this->than);
    }

    /** How deep comparisons are joined: 1 is a comparison alone. */
    public function depth(): int
    {
        return $this->parts === [] ? 1 : 1 + max(array_map(static fn (self $part): int => $part->depth(), $this->parts));
    }

    /** How its parts are joined: all or any; null where it is one comparison. */
    public function join(): ?string
    {
        return $this->parts === [] ? null : $this->kind;
    }

    /** @return list<string> the paths the condition looks at */
    public function paths(): array
    {
        return $this->parts === [] ? [$this->value] : array_merge(...array_map(static fn (self $part): array => $part->paths(), $this->parts));
    }

    /** @return list<string> values that are there wherever the condition holds */
    public function ensures(): array
    {
        return match ($this->kind) {
            'all' => array_merge(...array_map(static fn (self $part): array => $part->ensures(), $this->parts), ...[[]]),
            'any' => count($this->parts) === 1 ? $this->parts[0]->ensures() : [],
            'known' => $this->than ? [$this->value] : [],
            'is_not' => [],
            default => [$this->value],
        };
    }

    /** @return list<string> values that are there wherever the condition does not hold */
    public function ensuredWithout(): array
    {
        return match ($this->kind) {
            'any' => array_merge(...array_map(static fn (self $part): array => $part->ensuredWithout(), $this->parts), ...[[]]),
            'all' => count($this->parts) === 1 ? $this->parts[0]->ensuredWithout() : [],
            'known' => $this->than ? [] : [$this->value],
            'is_not' => [$this->value],
            default => [],
        };
    }

    /** @return list<array{string, string, mixed}> every comparison in it: value, kind, with what */
    public function comparisons(): array
    {
        return $this->parts === [] ? [[$this->value, $this->kind, $this->than]] : array_merge(...array_map(static fn (self $part): array => $part->comparisons(), $this->parts));
    }

    /** The condition as a reader would say it. */
    public function inWords(): string
    {
        if ($this->parts !== []) {
            return implode($this->kind === 'all' ? ' and ' : ' or ', array_map(static fn (self $part): string => $part->inWords(), $this->parts));
        }
        $plainly = ['call.open' => ['we are open', 'we are closed'], 'caller.known' => ['we know the caller', 'we do not know the caller']][$this->value] ?? null;
        if ($plainly !== null && $this->kind === 'is' && is_bool($this->than)) {
            return $plainly[$this->than ? 0 : 1];
        }
        $name = $this->value === 'topic' ? 'the topic' : str_replace(['caller.', 'call.', '_'], ['the caller’s ', 'the call’s ', ' '], $this->value);
        $than = is_array($this->than) ? implode(', ', array_map(fn (mixed $one): string => $this->plain($one), $this->than)) : $this->plain($this->than);

        return match ($this->kind) {
            'known' => $name.($this->than ? ' is known' : ' is not known'),
            'one_of' => "{$name} is one of {$than}",
            default => $name.' '.str_replace('_', ' ', in_array($this->kind, ['more_than', 'less_than', 'before', 'after'], true) ? 'is '.$this->kind : $this->kind).' '.$than,
        };
    }

    private function same(mixed $a, mixed $b): bool
    {
        return is_string($a) && is_string($b) ? mb_strtolower($a) === mb_strtolower($b) : $a === $b || is_numeric($a) && is_numeric($b) && (float) $a === (float) $b;
    }

    private function plain(mixed $value): string
    {
        return match (true) {
            $value === true => 'yes', $value === false => 'no',
            is_scalar($value) => str_replace('_', ' ', (string) $value),
            default => '',
        };
    }
}
