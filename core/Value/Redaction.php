<?php

declare(strict_types=1);

namespace Ringo\Value;

/**
 * Takes some values of a call out of what was said and told of it: out of the turns they came from, out of every line that
 * repeats them, out of the summary.
 *
 * @phpstan-type Known array{value: mixed, display: string, said: string, turn: ?int, ...}
 */
final readonly class Redaction
{
    /** @var list<string> the ways the values are written, longest first */
    private array $writings;

    /**
     * @param array<string, Known> $cells the values to take out
     * @param array<string, string> $titles of their fields
     * @param string $sign what stands in their place
     */
    public function __construct(private array $cells, private array $titles, private string $sign)
    {
        $found = [];
        foreach ($cells as $cell) {
            // A bare yes or no stands in every call and tells nothing by itself.
            foreach (is_bool($cell['value']) ? [] : [$cell['said'], $cell['display'], $cell['value']] as $words) {
                if (is_scalar($words) && mb_strlen(trim((string) $words)) > 1) {
                    $found[] = trim((string) $words);
                }
            }
        }
        usort($found, static fn (string $a, string $b): int => mb_strlen($b) <=> mb_strlen($a));
        $this->writings = array_values(array_unique($found));
    }

    /** What was said at one turn; the words a value came from are hidden there whatever they are. */
    public function turn(int $n, string $text): string
    {
        foreach ($this->cells as $cell) {
            if ($cell['turn'] === $n && $cell['said'] !== '') {
                $text = $this->put($text, $cell['said']);
            }
        }

        return $this->text($text);
    }

    /** Any other words: the values are hidden where they stand by themselves. */
    public function text(string $text): string
    {
        foreach ($this->writings as $words) {
            $text = $this->put($text, $words);
        }

        return $text;
    }

    /** A summary as `Story` writes it, where a yes or no is told by the name of its field alone. */
    public function summary(string $text): string
    {
        foreach ($this->cells as $key => $cell) {
            $title = $this->titles[$key] ?? '';
            if (is_bool($cell['value']) && $title !== '') {
                $text = (string) preg_replace('/(?<=^|[.,] )(?:not )?'.preg_quote($title, '/').'(?=[.,])/iu', $this->replacement(), $text);
            }
        }

        return $this->text($text);
    }

    /**
     * Every text in a tree of data, such as the trace of a call.
     *
     * @param array<array-key, mixed> $data
     *
     * @return array<array-key, mixed>
     */
    public function tree(array $data): array
    {
        return array_map(fn (mixed $one): mixed => is_array($one) ? $this->tree($one) : (is_string($one) ? $this->text($one) : $one), $data);
    }

    private function put(string $text, string $words): string
    {
        return (string) preg_replace('/(?<![\p{L}\p{N}])'.preg_quote($words, '/').'(?![\p{L}\p{N}])/iu', $this->replacement(), $text);
    }

    private function replacement(): string
    {
        return addcslashes($this->sign, '\\$');
    }
}
