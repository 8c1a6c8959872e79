<?php

declare(strict_types=1);

namespace Ringo\Language;

/**
 * A table of phrases, each with something it stands for, found in a token list by the longest match.
 *
 * Apostrophes are optional: "thats right" finds "that's right".
 *
 * @template T
 */
final class Phrases
{
    /** @var array<string, mixed> */
    private array $root = [];

    /** @param iterable<string, T> $entries */
    public function __construct(iterable $entries)
    {
        $tokenizer = new Tokenizer;
        foreach ($entries as $phrase => $meaning) {
            $phrase = (string) $phrase;
            // Most phrases are plain words; cutting them needs no pattern.
            if (strspn($phrase, 'abcdefghijklmnopqrstuvwxyz') === strlen($phrase) && $phrase !== '') {
                if (! array_key_exists('', $this->root[$phrase] ?? [])) {
                    $this->root[$phrase][''] = $meaning;
                }

                continue;
            }
            $plain = strspn($phrase, "abcdefghijklmnopqrstuvwxyz' ") === strlen($phrase);
            $words = $plain ? explode(' ', $phrase) : $tokenizer->words($phrase);
            if ($words !== [] && $words !== ['']) {
                $this->add($words, $meaning);
            }
            if (str_contains($phrase, "'")) {
                $this->add(array_map(static fn (string $word): string => str_replace("'", '', $word), $words), $meaning);
            }
        }
    }

    /**
     * @param array<string, mixed> $tree as tree() gave it
     *
     * @return self<mixed>
     */
    public static function grown(array $tree): self
    {
        $phrases = new self([]);
        $phrases->root = $tree;

        return $phrases;
    }

    /** @return array<string, mixed> the phrases by their words, each word under the one before it; what a phrase stands for is under '' */
    public function tree(): array
    {
        return $this->root;
    }

    /** @return T|null what a phrase stands for */
    public function meaning(string $phrase): mixed
    {
        $node = $this->root;
        foreach ((new Tokenizer)->words($phrase) as $word) {
            $node = $node[$word] ?? [];
        }

        return $node[''] ?? null;
    }

    /**
     * With one phrase more, or with another meaning of it.
     *
     * @param T $meaning
     *
     * @return self<T>
     */
    public function with(string $phrase, mixed $meaning): self
    {
        $words = (new Tokenizer)->words($phrase);
        if ($words === []) {
            return $this;
        }
        $more = self::grown($this->root);
        $more->set($words, $meaning);
        if (str_contains($phrase, "'")) {
            $more->set(array_map(static fn (string $word): string => str_replace("'", '', $word), $words), $meaning);
        }

        return $more;
    }

    /**
     * @param list<string> $phrases
     *
     * @return self<string> each phrase stands for itself
     */
    public static function listed(array $phrases): self
    {
        return new self(array_combine($phrases, $phrases));
    }

    /**
     * The longest phrase that begins at a place.
     *
     * @param list<Token> $tokens
     *
     * @return array{T, int}|null its meaning and its length in tokens
     */
    public function at(array $tokens, int $place): ?array
    {
        $node = $this->root;
        $best = null;
        for ($i = $place; isset($tokens[$i]) && isset($node[$tokens[$i]->text]); $i++) {
            $node = $node[$tokens[$i]->text];
            if (array_key_exists('', $node)) {
                $best = [$node[''], $i - $place + 1];
            }
        }

        return $best;
    }

    /**
     * The first place where any phrase stands.
     *
     * @param list<Token> $tokens
     *
     * @return array{T, int, int}|null its meaning, place and length
     */
    public function first(array $tokens, int $from = 0): ?array
    {
        for ($i = $from, $n = count($tokens); $i < $n; $i++) {
            if (isset($this->root[$tokens[$i]->text]) && ($hit = $this->at($tokens, $i)) !== null) {
                return [$hit[0], $i, $hit[1]];
            }
        }

        return null;
    }

    /** @param list<Token> $tokens */
    public function in(array $tokens): bool
    {
        return $this->first($tokens) !== null;
    }

    /**
     * Every phrase found, left to right, none overlapping.
     *
     * @param list<Token> $tokens
     *
     * @return list<array{T, int, int}>
     */
    public function all(array $tokens): array
    {
        $found = [];
        for ($i = 0; ($hit = $this->first($tokens, $i)) !== null; $i = $hit[1] + $hit[2]) {
            $found[] = $hit;
        }

        return $found;
    }

    /**
     * @param list<Token> $tokens
     *
     * @return list<Token> the tokens without the phrases
     */
    public function without(array $tokens): array
    {
        $kept = [];
        $broken = '';
        for ($i = 0, $n = count($tokens); $i < $n;) {
            if (($hit = $this->at($tokens, $i)) !== null) {
                $broken .= $tokens[$i]->afterBreak() ? ',' : '';
                $i += $hit[1];

                continue;
            }
            $kept[] = $broken === '' ? $tokens[$i] : $tokens[$i]->withGap(', ');
            $broken = '';
            $i++;
        }

        return $kept;
    }

    /** @param non-empty-list<string> $words */
    private function set(array $words, mixed $meaning): void
    {
        $node = &$this->root;
        foreach ($words as $word) {
            $node = &$node[$word];
            $node ??= [];
        }
        $node[''] = $meaning;
    }

    /** @param list<string> $words */
    private function add(array $words, mixed $meaning): void
    {
        $node = &$this->root;
        foreach ($words as $word) {
            $node = &$node[$word];
            $node ??= [];
        }
        if (! array_key_exists('', $node)) {
            $node[''] = $meaning;
        }
    }
}
