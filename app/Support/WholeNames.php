<?php

declare(strict_types=1);

namespace App\Support;

/** Puts new names in the place of old ones, only where an old one stands as a whole name. */
final readonly class WholeNames
{
    /** @param array<string, string> $names old => new; an old name that is empty or a blank in braces is left out */
    public function __construct(private array $names)
    {
    }

    public function text(string $text): string
    {
        foreach ($this->names as $old => $new) {
            if ($old !== '' && ! str_starts_with($old, '{')) {
                $text = (string) preg_replace('/(?<![\p{L}\p{N}_.\[])'.preg_quote($old, '/').'(?![\p{L}\p{N}_])/u', addcslashes($new, '\\$'), $text);
            }
        }

        return $text;
    }

    /**
     * Texts at any depth; keys stay.
     *
     * @template K of array-key
     *
     * @param array<K, mixed> $values
     *
     * @return array<K, mixed>
     */
    public function in(array $values): array
    {
        return array_map(fn (mixed $one): mixed => is_array($one) ? $this->in($one) : (is_string($one) ? $this->text($one) : $one), $values);
    }
}
