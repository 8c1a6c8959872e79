<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;

/**
 * What a text speaks of: the stems of its words and the rings of words for the same thing that they belong to.
 *
 * @phpstan-type Unit array{stem: string, word: string, rings: list<int>, generic: bool, number: bool, part?: bool}
 */
final class Terms
{
    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    private readonly Rings $rings;

    /** @var array<string, true> */
    private readonly array $small;

    /** @var array<string, true> */
    private readonly array $generic;

    /** @var array<string, list<Unit>> */
    private array $known = [];

    /** @param list<string> $own the business's own rings: 'digger, excavator, mini digger' */
    public function __construct(private readonly Vocabulary $words, array $own = [])
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
        $this->rings = Rings::with($words, $own);
        // What is small talk when a team is looked for may tell two prices apart: 'a little tent', 'the big one'.
        $this->small = array_diff_key(array_fill_keys($words->section('routing', 'small'), true), array_fill_keys($words->section('knowledge', 'telling'), true));
        $generic = [];
        foreach ($words->section('knowledge', 'generic') as $word) {
            $generic[$this->stemmer->stem($word)] = true;
        }
        $this->generic = $generic;
    }

    public function stem(string $word): string
    {
        return $this->stemmer->stem($word);
    }

    /** Whether a word, by its stem, says little by itself. */
    public function isGeneric(string $stem): bool
    {
        return isset($this->generic[$stem]);
    }

    /** @return list<Token> words joined by a hyphen are two: 'three-tier' */
    public function tokens(string $text): array
    {
        return $this->tokenizer->tokens((string) preg_replace('/(?<=\pL)-(?=\pL)/u', ' ', str_replace(['–', '—', '’'], [' - ', ' - ', "'"], $text)));
    }

    /** @return list<Unit> the words that count, each with its rings; a phrase of a ring is one unit */
    public function of(string $text): array
    {
        if (isset($this->known[$text])) {
            return $this->known[$text];
        }
        if (count($this->known) > 4000) {
            $this->known = array_slice($this->known, 2000, null, true);
        }
        $tokens = $this->tokens($text);
        $units = [];
        for ($i = 0, $n = count($tokens); $i < $n;) {
            $hit = $this->rings->phrases->at($tokens, $i);
            if ($hit !== null && ($hit[1] > 1 || ! isset($this->small[$tokens[$i]->text]))) {
                $word = implode(' ', array_map(static fn (Token $token): string => $token->text, array_slice($tokens, $i, $hit[1])));
                $units[] = ['stem' => $hit[1] === 1 ? $this->stemmer->stem($tokens[$i]->text) : $word, 'word' => $word, 'rings' => $hit[0], 'generic' => $hit[1] === 1 && isset($this->generic[$this->stemmer->stem($tokens[$i]->text)]), 'number' => false];
                if ($hit[1] > 1) {
                    // The words of a phrase can be found one by one as well.
                    for ($k = $i; $k < $i + $hit[1]; $k++) {
                        if (! isset($this->small[$tokens[$k]->text]) && strlen($tokens[$k]->text) > 2) {
                            $units[] = ['stem' => $this->stemmer->stem($tokens[$k]->text), 'word' => $tokens[$k]->text, 'rings' => $this->rings->singles[$tokens[$k]->text] ?? [], 'generic' => true, 'number' => false, 'part' => true];
                        }
                    }
                }
                $i += $hit[1];

                continue;
            }
            $word = (string) preg_replace("/'(?:s|re|d|ll|ve)$/", '', $tokens[$i]->text);
            $i++;
            if (isset($this->small[$word]) || preg_match('/^[^\p{L}\p{N}]+$/u', $word) === 1 || strlen($word) === 1 && ! ctype_digit($word)) {
                continue;
            }
            $stem = $this->stemmer->stem($word);
            $number = preg_match('/^\d/', $word) === 1;
            $units[] = ['stem' => $stem, 'word' => $word, 'rings' => [], 'generic' => isset($this->generic[$stem]) && ! $number, 'number' => $number];
        }

        return $this->known[$text] = $units;
    }

    /** @return list<string> what is looked up in the index: stems, and rings as '~3' */
    public function keys(string $text): array
    {
        $keys = [];
        foreach ($this->of($text) as $unit) {
            if (! str_contains($unit['stem'], ' ')) {
                $keys[] = $unit['stem'];
            }
            foreach ($unit['rings'] as $ring) {
                $keys[] = '~'.$ring;
            }
        }

        return $keys;
    }
}
