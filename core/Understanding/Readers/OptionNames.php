<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** What the options of a choice are called, so arranged that their names are found in words at one pass. */
final class OptionNames
{
    /** Names of two words and more are found joined in one word from this length on: 'jackhammer'. */
    private const JOINED_FROM = 5;

    /** A name of one word is found in two from this length on: 'jack hammer'. */
    private const PARTED_FROM = 6;

    /** Words before what an option is called. */
    private const LEADS = ['by', 'at', 'in', 'on', 'for', 'with', 'from', 'to'];

    /** How plainly a key names its option. */
    public const BY_KEY = 0.9;

    /** @var list<array{string, float, list<string>}> key, weight and stems of each name */
    private array $names = [];

    /** @var array<string, list<int>> names by their first stem */
    private array $beginning = [];

    /** @var array<string, list<int>> names of several words by the one word they may be joined to */
    private array $joined = [];

    /** @var array<string, list<int>> names of one word, which may be parted in two */
    private array $parted = [];

    /**
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     * @param array<string, int> $numbers words of numbers: 'year four' is called 'Year 4'
     */
    public function __construct(array $options, private readonly Stemmer $stemmer, private readonly array $numbers = [])
    {
        foreach ($options as $option) {
            foreach (self::of($option) as [$phrase, $weight]) {
                $stems = array_map($this->figure(...), $stemmer->stems($phrase));
                if ($stems === []) {
                    continue;
                }
                $n = count($this->names);
                $this->names[] = [$option['key'], $weight, $stems];
                $this->beginning[$stems[0]][] = $n;
                $whole = implode('', $stems);
                if (count($stems) > 1 && strlen($whole) >= self::JOINED_FROM) {
                    $this->joined[$whole][] = $n;
                } elseif (count($stems) === 1 && strlen($whole) >= self::PARTED_FROM) {
                    $this->parted[$whole][] = $n;
                }
            }
        }
    }

    /** @param array{key: string, label: string, phrases: list<string>} $option whether it stands for none of the others: 'none', 'nothing' */
    public static function isNone(array $option, Vocabulary $words): bool
    {
        $called = $words->section('several', 'none');

        return in_array(mb_strtolower(trim($option['label'])), $called, true) || $option['label'] === '' && in_array($option['key'], $called, true);
    }

    /**
     * @param array{key: string, label: string, phrases: list<string>} $option
     *
     * @return list<array{string, float}> label, key and phrases, and how plainly each names it
     */
    public static function of(array $option): array
    {
        $label = trim((string) preg_replace('/\(.*?\)/', '', $option['label']));
        $names = [[$label, 1.0], [str_replace(['_', '-'], ' ', $option['key']), self::BY_KEY]];
        foreach ($option['phrases'] as $phrase) {
            $names[] = [$phrase, 0.97];
        }
        // 'Mini digger, 1.5 t' answers to 'mini digger' too.
        if (preg_match('/^([^,;:–—]{3,})[,;:–—]/u', $label, $m) === 1) {
            $names[] = [$m[1], 0.95];
        }
        if (preg_match('/^(?:the|a|an|my|your)\s+(.+)$/i', $label, $m) === 1) {
            $names[] = [$m[1], 0.98];
        }
        // 'By post' answers to 'post', 'at head office' to 'head office'.
        $words = explode(' ', mb_strtolower($label), 2);
        if (in_array($words[0], self::LEADS, true) && isset($words[1])) {
            $names[] = [$words[1], 0.96];
        }

        return $names;
    }

    private function figure(string $stem): string
    {
        return isset($this->numbers[$stem]) ? (string) $this->numbers[$stem] : $stem;
    }

    /**
     * Where names stand in the words, in the order of the options.
     *
     * @param list<Token> $tokens
     *
     * @return list<array{string, int, int, float}> key, place, length, weight
     */
    public function in(array $tokens): array
    {
        $stems = array_map(fn (Token $token): string => $this->figure($this->stemmer->stem($token->text)), $tokens);
        // 'I'll' is not 'ill', 'we'll' not 'well'.
        $words = array_map(static fn (Token $token, string $stem): string => str_ends_with($token->text, "'ll") ? $token->text : $stem, $tokens, $stems);
        $whole = [];
        $apart = [];
        foreach ($words as $i => $word) {
            foreach ($this->beginning[$word] ?? [] as $n) {
                $size = count($this->names[$n][2]);
                if (array_slice($words, $i, $size) === $this->names[$n][2]) {
                    $whole[$n][] = [$i, $size];
                }
            }
            foreach ($this->joined[$stems[$i]] ?? [] as $n) {
                $apart[$n][] = [$i, 1];
            }
            if ($this->parted !== [] && isset($tokens[$i + 1])) {
                foreach ($this->parted[$this->stemmer->stem($tokens[$i]->text.$tokens[$i + 1]->text)] ?? [] as $n) {
                    $apart[$n][] = [$i, 2];
                }
            }
        }
        $found = array_keys($whole + $apart);
        sort($found);
        $hits = [];
        foreach ($found as $n) {
            foreach ([...($whole[$n] ?? []), ...($apart[$n] ?? [])] as [$i, $length]) {
                $hits[] = [$this->names[$n][0], $i, $length, $this->names[$n][1]];
            }
        }

        return $hits;
    }
}
