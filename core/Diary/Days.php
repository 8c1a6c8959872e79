<?php

declare(strict_types=1);

namespace Ringo\Diary;

use Ringo\Document\Node;

/** Whole days: closures, days off. Both ends of a span belong to it. */
final readonly class Days
{
    /** @param list<array{string, string}> $spans first and last day, ISO 8601 */
    public function __construct(private array $spans)
    {
    }

    /** Reads `["2026-04-03", {"from": …, "to": …}]`. */
    public static function read(Node $node, string $key): self
    {
        $raw = $node->raw($key) ?? [];
        $spans = [];
        foreach (is_array($raw) && array_is_list($raw) ? $raw : [] as $i => $one) {
            $from = is_array($one) ? ($one['from'] ?? null) : $one;
            $to = is_array($one) ? ($one['to'] ?? $from) : $one;
            if (! self::day($from) || ! self::day($to) || $from > $to) {
                $node->problem("{$key}[{$i}]", 'must be a day such as 2026-04-03, or from and to');

                continue;
            }
            $spans[] = [$from, $to];
        }
        if (! is_array($raw) || ! array_is_list($raw)) {
            $node->problem($key, 'must be a list of days');
        }

        return new self($spans);
    }

    public function has(string $day): bool
    {
        foreach ($this->spans as [$from, $to]) {
            if ($day >= $from && $day <= $to) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string|array{from: string, to: string}> */
    public function toArray(): array
    {
        return array_map(static fn (array $span): string|array => $span[0] === $span[1] ? $span[0] : ['from' => $span[0], 'to' => $span[1]], $this->spans);
    }

    /** @phpstan-assert-if-true string $day */
    private static function day(mixed $day): bool
    {
        return is_string($day) && preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $day, $m) === 1 && checkdate((int) $m[2], (int) $m[3], (int) $m[1]);
    }
}
