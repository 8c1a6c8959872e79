<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Names;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** Words that may be a name, and how a name is written. */
final readonly class NameWords
{
    /** @var array<string, true> */
    private array $notNames;

    public function __construct(private Vocabulary $words)
    {
        $this->notNames = array_fill_keys($words->section('names', 'not_names'), true);
    }

    /** @param list<Token> $t 'Anne-Marie', "O Brien", 'Mc Donald' */
    public function joinedWord(array $t, int $i, int &$length): string
    {
        $word = $t[$i]->text;
        $original = $t[$i]->original;
        // 'Mac Donald' is one name, and Mac Marchetti has two.
        $joins = $word === 'mc' || $word === 'mac' && isset($t[$i + 1]) && (isset($this->words->set('surnames')['mac'.$t[$i + 1]->text]) || preg_match('/^\p{Lu}/u', $t[$i + 1]->original) !== 1);
        if ($joins && isset($t[$i + 1]) && ctype_alpha($t[$i + 1]->text)) {
            $length = 2;

            return $word.$t[$i + 1]->text;
        }
        if ($word === 'o' && isset($t[$i + 1]) && strlen($t[$i + 1]->text) > 2) {
            $length = 2;

            return "o'".$t[$i + 1]->text;
        }
        while (isset($t[$i + $length]) && ($t[$i + $length]->gap === '-' || in_array($t[$i + $length]->text, ['hyphen', 'dash'], true) && isset($t[$i + $length + 1])) && strlen($t[$i + $length]->text) > 1) {
            $step = in_array($t[$i + $length]->text, ['hyphen', 'dash'], true) ? 1 : 0;
            $word .= '-'.$t[$i + $length + $step]->text;
            $original .= '-'.$t[$i + $length + $step]->original;
            $length += 1 + $step;
        }

        // Inner capitals that the recogniser wrote are kept: 'MacArthur', 'DeSouza'.
        return preg_match('/^\p{Lu}\p{Ll}+\p{Lu}/u', $original) === 1 ? $original : $word;
    }

    public function plausible(string $word, bool $trusted): bool
    {
        // 'I'll collect' and 'we've moved' are no names.
        if (preg_match("/^(?:i|we|you|he|she|it|they|that|there|don|can|won)'|n't$|'(?:ll|ve|re|d)$/", $word) === 1) {
            return false;
        }

        return preg_match("/^\\p{L}[\\p{L}']*$/u", $word) === 1 && ! isset($this->notNames[$word]) && (mb_strlen($word) > 1 || $word === 'o');
    }

    public function known(string $word): bool
    {
        return isset($this->words->set('given_names')[$word]) || isset($this->words->set('surnames')[$word]);
    }

    public function everyday(string $word): bool
    {
        $words = $this->words->set('everyday_words');
        if (isset($words[$word])) {
            return true;
        }
        foreach (['s' => '', 'es' => '', 'ed' => '', 'd' => '', 'ing' => '', 'ies' => 'y'] as $suffix => $instead) {
            $stem = str_ends_with($word, $suffix) ? substr($word, 0, -strlen($suffix)) : '';
            if (strlen($stem) > 2 && (isset($words[$stem.$instead]) || isset($words[$stem.'e']))) {
                return ! isset($this->words->set('given_names')[$word]) && ! isset($this->words->set('surnames')[$word]);
            }
        }

        return false;
    }

    public function cased(string $name): string
    {
        if (preg_match('/^\p{Lu}\p{Ll}+\p{Lu}/u', $name) === 1) {
            return $name;
        }
        if (in_array($name, ['de', 'da', 'di', 'la', 'van', 'von', 'der', 'den', 'del', 'della', 'du', 'dos', 'das', 'bin', 'ibn', 'al', 'le'], true)) {
            return $name === 'le' ? 'Le' : $name;
        }
        $cased = mb_convert_case($name, MB_CASE_TITLE);
        $cased = (string) preg_replace_callback("/(?<=-|^)(O'|D'|Mc)(\\p{Ll})/iu", static fn (array $m): string => mb_convert_case($m[1], MB_CASE_TITLE).mb_strtoupper($m[2]), $cased);

        return (string) preg_replace("/'S\b/u", "'s", $cased);
    }
}
