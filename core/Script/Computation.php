<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\Node;
use Ringo\Script\Steps\Schema;

/**
 * A value worked out from others: a base, times a number, with surcharges where their conditions hold.
 *
 * `{"base": "equipment.day_rate", "times": "days", "add": [{"amount": 15, "when": {"value": "delivery", "is": true}}, {"percent": 10}]}`.
 * Percentages are of base times number; surcharges add up in the order they stand. Nothing comes of it while a part is missing.
 */
final readonly class Computation
{
    private const CENTS = 2;

    /**
     * @param string|float $base a path or a number
     * @param string|float|null $times a path or a number; a duration counts in days
     * @param list<array{amount: ?float, percent: ?float, when: ?Condition}> $add
     */
    private function __construct(public string|float $base, public string|float|null $times, public array $add)
    {
    }

    public static function read(Node $node): self
    {
        $base = self::part($node, 'base') ?? 0.0;
        $times = $node->has('times') ? self::part($node, 'times') : null;
        $add = [];
        foreach ($node->children('add') as $one) {
            $amount = $one->has('amount') ? $one->number('amount', 0) : null;
            $percent = $one->has('percent') ? $one->number('percent', 0) : null;
            if (($amount === null) === ($percent === null)) {
                $one->problem('', 'needs either an amount or a percent');
            }
            $add[] = ['amount' => $amount, 'percent' => $percent, 'when' => $one->has('when') ? Condition::read($one->child('when')) : null];
            $one->noMore();
        }
        $node->noMore();

        return new self($base, $times, $add);
    }

    /** @return array<string, mixed> */
    public static function schema(): array
    {
        $part = ['oneOf' => [['type' => 'string', 'description' => 'A field or a fact of an option, such as equipment.day_rate'], ['type' => 'number']]];

        return Schema::object([
            'base' => $part, 'times' => $part,
            'add' => Schema::listOf(Schema::object(['amount' => ['type' => 'number'], 'percent' => ['type' => 'number'], 'when' => Schema::ref('condition')])),
        ], ['base']);
    }

    /**
     * @param callable(string): ?float $amount the number at a path
     * @param callable(string): mixed $value the bare value at a path, for conditions
     *
     * @return array{float, string}|null the result, and how it came about
     */
    public function result(callable $amount, callable $value): ?array
    {
        $base = is_string($this->base) ? $amount($this->base) : $this->base;
        $times = is_string($this->times) ? $amount($this->times) : $this->times;
        if ($base === null || $this->times !== null && $times === null) {
            return null;
        }
        $product = $base * ($times ?? 1.0);
        $words = [$this->plain($base).($times === null ? '' : ' × '.$this->plain($times))];
        $total = $product;
        foreach ($this->add as $one) {
            if ($one['when'] !== null && ! $one['when']->holds($value)) {
                continue;
            }
            $more = $one['amount'] ?? $product * ($one['percent'] ?? 0.0) / 100;
            $total += $more;
            $words[] = ($more < 0 ? '− ' : '+ ').$this->plain(abs($more)).($one['percent'] === null ? '' : ' ('.$this->plain($one['percent']).' %)').($one['when'] === null ? '' : ', as '.$one['when']->inWords());
        }

        return [round($total, self::CENTS), implode(' ', $words).' = '.$this->plain(round($total, self::CENTS))];
    }

    /** @return list<string> the paths it looks at */
    public function paths(): array
    {
        $paths = array_filter([$this->base, $this->times], is_string(...));
        foreach ($this->add as $one) {
            $paths = [...$paths, ...($one['when']?->paths() ?? [])];
        }

        return array_values($paths);
    }

    private static function part(Node $node, string $key): string|float|null
    {
        $raw = $node->raw($key);
        if (is_int($raw) || is_float($raw)) {
            return (float) $raw;
        }
        $text = $node->string($key);

        return $text === '' ? null : $text;
    }

    private function plain(float $number): string
    {
        return rtrim(rtrim(number_format($number, self::CENTS, '.', ''), '0'), '.');
    }
}
