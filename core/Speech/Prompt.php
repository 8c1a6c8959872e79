<?php

declare(strict_types=1);

namespace Ringo\Speech;

/**
 * What a step says: one text or several variants, with placeholders such as `[caller.first_name|there]`.
 *
 * A sentence with an empty placeholder and no words to use instead is dropped rather than spoken with a hole.
 */
final readonly class Prompt
{
    /** `[path]`, `[path|words when empty]`, `[a:path]` with its article, `[count:path|noun]` with what it counts. */
    private const PLACEHOLDER = '/\[(?:(a|count):)?([a-z][a-z0-9_.]*)(?:\|([^\[\]]*))?\]/i';

    /** @param non-empty-list<string> $variants */
    private function __construct(public array $variants)
    {
    }

    /** @param string|list<string> $text */
    public static function of(string|array $text): self
    {
        $variants = array_values(array_filter(is_array($text) ? $text : [$text], static fn (string $one): bool => trim($one) !== ''));

        return new self($variants === [] ? [''] : $variants);
    }

    public function isEmpty(): bool
    {
        return $this->variants === [''];
    }

    /**
     * The words of one variant with every placeholder filled.
     *
     * @param callable(string): ?string $fill gives the spoken words for a placeholder's path, or null where it is empty
     */
    public function filled(int $variant, callable $fill): string
    {
        $text = $this->variants[$variant % count($this->variants)];
        $sentences = preg_split('/(?<=[.!?…])\s+(?![^\[]*\])/u', $text) ?: [$text];
        $kept = [];
        foreach ($sentences as $sentence) {
            $hole = false;
            $said = (string) preg_replace_callback(self::PLACEHOLDER, static function (array $m) use ($fill, &$hole): string {
                $words = $fill($m[2]);
                $counts = $m[1] === 'count';
                if ($words === null || $words === '') {
                    $hole = $hole || $counts || ! isset($m[3]);

                    return $counts ? '' : ($m[3] ?? '');
                }

                return match ($m[1]) {
                    'a' => (new Grammar)->withArticle($words),
                    'count' => (new Grammar)->counted($words, $m[3] ?? ''),
                    default => $words,
                };
            }, $sentence);
            $said = (string) preg_replace(['/\s+/', '/\s+([,.;:!?])/', '/,\s*([.!?])/'], [' ', '$1', '$1'], $said);
            if (! $hole && trim($said, ' ,.;:!?') !== '') {
                $said = trim($said);
                // A value that opens a sentence takes its capital, as any first word does.
                $kept[] = str_starts_with(ltrim($sentence), '[') ? mb_strtoupper(mb_substr($said, 0, 1)).mb_substr($said, 1) : $said;
            }
        }

        return implode(' ', $kept);
    }

    /** @return list<array{path: string, fallback: ?string}> the placeholders of all variants */
    public function placeholders(): array
    {
        preg_match_all(self::PLACEHOLDER, implode("\n", $this->variants), $found, PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL);

        return array_map(static fn (array $m): array => ['path' => (string) $m[2], 'fallback' => $m[1] === 'count' ? null : ($m[3] ?? null)], $found);
    }

    /** @return string|list<string> as it is written in a script */
    public function toScript(): string|array
    {
        return count($this->variants) === 1 ? $this->variants[0] : $this->variants;
    }
}
