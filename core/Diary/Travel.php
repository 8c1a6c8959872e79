<?php

declare(strict_types=1);

namespace Ringo\Diary;

use Ringo\Document\Node;

/** Minutes on the road between areas: named places, or postcode districts. Pairs hold both ways. */
final readonly class Travel
{
    private const LONGEST = 1440;

    /** @param array<string, array<string, int>> $pairs */
    public function __construct(private int $default = 0, private array $pairs = [])
    {
    }

    public static function read(Node $node, string $key): self
    {
        if (! $node->has($key)) {
            return new self;
        }
        $child = $node->child($key);
        $default = (int) $child->number('default', 0, 0, self::LONGEST);
        $pairs = [];
        $raw = $child->raw('pairs') ?? [];
        foreach (is_array($raw) ? $raw : [] as $i => $pair) {
            if (! is_array($pair) || count($pair) !== 3 || ! is_string($pair[0] ?? null) || ! is_string($pair[1] ?? null) || ! is_numeric($pair[2] ?? null) || $pair[2] < 0 || $pair[2] > self::LONGEST) {
                $child->problem("pairs[{$i}]", 'must be two areas and minutes, such as ["north", "south", 25]');

                continue;
            }
            $pairs[self::name($pair[0])][self::name($pair[1])] = $pairs[self::name($pair[1])][self::name($pair[0])] = (int) $pair[2];
        }
        $child->noMore();

        return new self($default, $pairs);
    }

    /** Minutes from one area to another; none where one of them is not known. */
    public function between(?string $a, ?string $b): int
    {
        if ($a === null || $b === null || self::name($a) === self::name($b)) {
            return 0;
        }

        return $this->pairs[self::name($a)][self::name($b)] ?? $this->default;
    }

    /** @return list<string> areas there are roads between, small letters */
    public function areas(): array
    {
        return array_map(strval(...), array_keys($this->pairs));
    }

    /** @return array{default: int, pairs: list<array{string, string, int}>} */
    public function toArray(): array
    {
        $pairs = [];
        foreach ($this->pairs as $a => $others) {
            foreach ($others as $b => $minutes) {
                if ((string) $a < (string) $b) {
                    $pairs[] = [(string) $a, (string) $b, $minutes];
                }
            }
        }

        return ['default' => $this->default, 'pairs' => $pairs];
    }

    private static function name(string $area): string
    {
        return mb_strtolower(trim($area));
    }
}
