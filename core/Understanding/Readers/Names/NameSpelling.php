<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Names;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Spelling;

/** What is spelled of a name: letters behind it, letters alone, 'with a K'. */
final readonly class NameSpelling
{
    private Spelling $spelling;

    public function __construct(private Vocabulary $words, private NameWords $word)
    {
        $this->spelling = new Spelling($words);
    }

    /**
     * Which of the names said a spelling belongs to: the one it is most like, the last where that is open.
     *
     * @param array<int, string> $names
     */
    public function spelledPart(array $names, string $letters): int
    {
        $best = count($names) - 1;
        $like = static fn (string $name): float => levenshtein(mb_strtolower($name), $letters) / max(1, mb_strlen($name), strlen($letters));
        foreach ($names as $i => $name) {
            if ($like($name) <= 0.4 && $like($name) < $like($names[$best])) {
                $best = $i;
            }
        }

        return $best;
    }

    /**
     * A spelling right behind a name said: 'that's S M Y T H E', 'spelled with…'.
     *
     * @param list<Token> $t
     *
     * @return array{string, int}|null letters and tokens
     */
    public function spellingAfter(array $t, int $i, string $name): ?array
    {
        $skip = $i;
        while (isset($t[$skip]) && ($cue = $this->words->phrases('names', 'spelled')->at($t, $skip)) !== null) {
            $skip += $cue[1];
        }
        while (in_array($t[$skip]->text ?? '', ['is', 'as', 'it', 'the', 'surname', 'last', 'name', 'so', 'with'], true) && $this->spelling->run($t, $skip) === null && $skip < $i + 6) {
            $skip++;
        }
        $run = $this->spelling->run($t, $skip);
        if ($run === null || ($run[2] < 2)) {
            return null;
        }

        return [$run[0], $skip + $run[1] - $i];
    }

    /**
     * @param list<Token> $t 'with a K', 'with an E', 'with two Ls', 'without an H'
     *
     * @return array{string, int}|null the mended name and tokens
     */
    public function withLetter(array $t, int $i, string $name): ?array
    {
        $j = $i;
        while (in_array($t[$j]->text ?? '', ["that's", 'thats', 'spelled', 'spelt', "it's", 'but'], true)) {
            $j++;
        }
        $without = in_array($t[$j]->text ?? '', ['without', 'no'], true);
        if (($t[$j]->text ?? '') !== 'with' && ! $without) {
            return null;
        }
        $j++;
        $double = false;
        if (in_array($t[$j]->text ?? '', ['an', 'a', 'the', 'one'], true) && isset($t[$j + 1])) {
            $j++;
        } elseif (in_array($t[$j]->text ?? '', ['two', 'double', '2'], true)) {
            $double = true;
            $j++;
        }
        $word = $t[$j]->text ?? '';
        $word = strlen($word) === 2 && $word[1] === 's' ? $word[0] : rtrim($word, "'");
        $word = preg_match("/^([a-z])'?s$/", $word, $m) === 1 ? $m[1] : $word;
        if (preg_match('/^[a-z]$/', $word) !== 1) {
            return null;
        }
        $mended = $this->lettered($name, $word, $double, $without);
        $j++;
        // 'with an E at the end'
        foreach (['at the end', 'at the start', 'on the end', 'at the beginning', 'not a c', 'not a k', 'instead of a c'] as $tail) {
            $words = explode(' ', $tail);
            if (array_map(static fn (Token $x): string => $x->text, array_slice($t, $j, count($words))) === $words) {
                $j += count($words);
            }
        }

        return $mended === null ? null : [$mended, $j - $i];
    }

    private function lettered(string $name, string $letter, bool $double, bool $without): ?string
    {
        $lower = mb_strtolower($name);
        if ($without) {
            return str_contains($lower, $letter) ? preg_replace('/'.$letter.'/', '', $lower, 1) : $lower;
        }
        if ($double) {
            return str_contains($lower, $letter.$letter) ? $lower : (string) preg_replace('/'.$letter.'/', $letter.$letter, $lower, 1);
        }
        // The letter stands for the one that sounds like it.
        $pairs = ['k' => ['ch', 'c'], 'c' => ['k'], 's' => ['z', 'c'], 'z' => ['s'], 'j' => ['g'], 'g' => ['j'], 'y' => ['i', 'ie'], 'i' => ['y'], 'f' => ['ph'], 'v' => ['w'], 'w' => ['v'], 'q' => ['k', 'c']];
        foreach ($pairs[$letter] ?? [] as $from) {
            if (str_contains($lower, $from) && ! (str_starts_with($lower, $letter))) {
                return (string) preg_replace('/'.$from.'/', $letter, $lower, 1);
            }
        }
        if (str_contains($lower, $letter)) {
            return $lower;
        }

        return in_array($letter, ['e', 'h', 's', 't'], true) ? $lower.$letter : null;
    }

    /**
     * @param list<Token> $t
     *
     * @return array{first: ?string, last: ?string, from: int, to: int, known: bool, cued: bool, strong: bool, spelled: bool}|null
     */
    public function spelledOnly(array $t): ?array
    {
        for ($i = 0, $n = count($t); $i < $n; $i++) {
            $run = $this->spelling->run($t, $i);
            if ($run !== null && $run[2] >= 3 && strlen($run[0]) >= 3) {
                $letters = $this->word->cased($run[0]);
                $second = null;
                $end = $i + $run[1];
                $next = isset($t[$end]) ? $this->spelling->run($t, $end) : null;
                if ($next === null && isset($t[$end]) && ! $t[$end]->afterBreak() && $this->word->plausible($t[$end]->text, true) && $this->words->phrases('names', 'after')->at($t, $end) === null) {
                    $second = $this->word->cased($t[$end]->text);
                    $end++;
                }
                if ($next !== null && $next[2] >= 3) {
                    $second = $this->word->cased($next[0]);
                    $end += $next[1];
                }

                return ['first' => $second === null ? $letters : $letters, 'last' => $second, 'from' => $t[$i]->start, 'to' => $t[$end - 1]->end, 'known' => true, 'cued' => false, 'strong' => false, 'spelled' => true];
            }
        }

        return null;
    }
}
