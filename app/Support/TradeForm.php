<?php

declare(strict_types=1);

namespace App\Support;

use Ringo\Document\InvalidDocument;
use Ringo\Sheet\FieldFormats;
use Ringo\Trade\Trade;

/** Reads a trade from its form: a saying or question a line, a fact a line as 'name | kind | question | answer; answer'. What a line had before (which team it fits) stays with it. */
final readonly class TradeForm
{
    private const PARTS = 4;

    /**
     * @param array<string, mixed> $given
     *
     * @throws InvalidDocument naming the line
     */
    public function trade(string $key, array $given, ?Trade $base): Trade
    {
        $known = array_column($base->sayings ?? [], null, 'said');
        $asked = array_column($base->questions ?? [], null, 'q');
        $facts = [];
        foreach ($this->lines($given['facts'] ?? '') as $n => $line) {
            $facts[] = $this->fact($line, $n + 1, $base);
        }

        return Trade::read([
            'trade' => $key, 'label' => trim((string) ($given['label'] ?? '')), 'about' => trim((string) ($given['about'] ?? '')), 'splits' => $base->splits ?? [],
            'sayings' => array_map(static fn (string $line): array => $known[$line] ?? ['said' => $line, 'fit' => []], $this->lines($given['sayings'] ?? '')),
            'questions' => array_map(static fn (string $line): array => $asked[$line] ?? ['q' => $line, 'about' => 'other'], $this->lines($given['questions'] ?? '')),
            'fields' => $facts,
        ]);
    }

    /** A fact as a line of the form. */
    public static function line(string $name, string $type, string $ask, string ...$say): string
    {
        return "{$name} | ".(FieldFormats::WORDS[$type] ?? $type)." | {$ask} | ".implode('; ', $say);
    }

    /** @return array<string, mixed> */
    private function fact(string $line, int $n, ?Trade $base): array
    {
        $parts = array_map(trim(...), explode('|', $line, self::PARTS));
        $type = isset($parts[1]) ? array_search(mb_strtolower($parts[1]), FieldFormats::WORDS, true) : false;
        if (count($parts) < 3 || $type === false) {
            throw new InvalidDocument([['path' => "facts, line {$n}", 'message' => count($parts) < 3 ? 'is written as: name | kind | question | answers' : "“{$parts[1]}” is no kind of fact; ".implode(', ', FieldFormats::WORDS).' are']]);
        }
        $before = array_column($base->fields ?? [], null, 'name')[$parts[0]] ?? [];

        return ['name' => $parts[0], 'type' => $type, 'ask' => $parts[2], 'say' => array_values(array_filter(array_map(trim(...), explode(';', $parts[3] ?? '')), static fn (string $one): bool => $one !== ''))] + array_intersect_key($before, ['options' => 1]);
    }

    /** @return list<string> */
    private function lines(mixed $text): array
    {
        return array_values(array_unique(array_filter(array_map(trim(...), preg_split('/\R/u', is_string($text) ? $text : '') ?: []), static fn (string $line): bool => $line !== '')));
    }
}
