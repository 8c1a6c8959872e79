<?php

declare(strict_types=1);

namespace Ringo\Understanding\Respelling;

/** What a word becomes by a remark on its spelling: of all the ways to make the remark true, the one that sounds the same and changes least. */
final readonly class Edits
{
    /** How alike a spelled run and a word must be for the run to be the word. */
    private const SAME_WORD = 0.5;

    /** Letters from which a run may be the whole word. */
    private const WHOLE = 3;

    /** What it costs that a word sounds otherwise (metaphone, L. Philips, 1990) or begins otherwise, beside a letter that changes. */
    private const SOUND = 2.5;

    /** A change that costs no more is probably meant. */
    private const SMALL_CHANGE = 1.0;

    private const PROBABLE = 0.8;

    private const POSSIBLE = 0.55;

    /** What it is worth that a word is a known name. */
    private const KNOWN = 1.2;

    /** Consonants that may stand in a word unheard. */
    private const SILENT = 'hkpwgbtedns';

    /** @param list<array<string, true>> $names lists of known names, small letters */
    public function __construct(private array $names)
    {
    }

    private function known(string $name): bool
    {
        foreach ($this->names as $list) {
            if (isset($list[$name])) {
                return true;
            }
        }

        return false;
    }

    /** How well a mark suits a word: 1 where it is true of it already, 0 where it cannot be about it. */
    public function suits(Mark $mark, string $word): float
    {
        if ($this->holds($mark, $word)) {
            return $mark->kind === MarkKind::Has && strlen($mark->letters) >= self::WHOLE ? 1.0 : 0.9;
        }
        if ($mark->kind === MarkKind::Has && strlen($mark->letters) >= self::WHOLE) {
            return $this->alike($mark->letters, $word);
        }

        $cost = $this->cheapest($mark, $word)[1] ?? INF;

        return $cost === INF ? 0.0 : ($cost <= self::SMALL_CHANGE ? self::PROBABLE : self::POSSIBLE);
    }

    /** The word with the mark made true; null where that cannot be. */
    public function of(Mark $mark, string $word): ?string
    {
        if ($this->holds($mark, $word)) {
            return $word;
        }
        if ($mark->kind === MarkKind::Has && strlen($mark->letters) >= self::WHOLE && $this->alike($mark->letters, $word) >= self::SAME_WORD) {
            return $mark->letters;
        }

        return strlen($mark->letters) > self::WHOLE ? null : $this->edited($mark, $word);
    }

    private function holds(Mark $mark, string $word): bool
    {
        $letters = $mark->letters;

        return match ($mark->kind) {
            MarkKind::Has => match ($mark->place) {
                Place::Start => str_starts_with($word, $letters),
                Place::End => str_ends_with($word, $letters),
                Place::Anywhere => str_contains($word, $letters),
            },
            MarkKind::Lacks => ! str_contains($word, $letters),
            MarkKind::Once => substr_count($word, $letters) === 1 && ! str_contains($word, $letters.$letters),
            MarkKind::Explains => true,
        };
    }

    private function alike(string $letters, string $word): float
    {
        return 1 - levenshtein($letters, $word) / max(strlen($letters), strlen($word), 1);
    }

    private function edited(Mark $mark, string $word): ?string
    {
        return $this->cheapest($mark, $word)[0] ?? null;
    }

    /** @return array{string, float}|null the way that changes least and what it costs; null where there is none, or two that nobody can tell apart */
    private function cheapest(Mark $mark, string $word): ?array
    {
        $costs = [];
        foreach ($this->ways($mark, $word) as $way) {
            if ($way !== '') {
                $costs[$way] = levenshtein($way, $word) + (metaphone($way) === metaphone($word) && ($way[0] === $word[0] || $this->known($way)) ? 0.0 : self::SOUND) - ($this->known($way) ? self::KNOWN : 0.0);
            }
        }
        asort($costs);
        $ways = array_map(strval(...), array_keys($costs));
        // 'Tom with an h' may be Thom or Tohm: unless one is a name, or comes first alone, nobody knows.
        $alone = isset($ways[0]) && ($this->known($ways[0]) || ! isset($ways[1]) || $costs[$ways[1]] > $costs[$ways[0]]);

        return $alone ? [$ways[0], $costs[$ways[0]]] : null;
    }

    /** @return iterable<string> */
    private function ways(Mark $mark, string $word): iterable
    {
        $letters = $mark->letters;
        $length = strlen($word);
        if ($mark->kind === MarkKind::Lacks) {
            // Only a letter at the end, a doubled or a silent one is left out: 'Debbi, no e' never had another.
            for ($i = 0; $i < $length; $i++) {
                if (substr($word, $i, strlen($letters)) === $letters && ($i + strlen($letters) === $length || str_contains(self::SILENT, $letters))) {
                    yield substr($word, 0, $i).substr($word, $i + strlen($letters));
                }
            }

            return;
        }
        if ($mark->kind === MarkKind::Once) {
            yield (string) preg_replace('/'.preg_quote($letters, '/').'{2,}/', $letters, $word);

            return;
        }
        for ($i = 0; $i <= $length; $i++) {
            for ($taken = 0; $taken <= strlen($letters) && $i + $taken <= $length; $taken++) {
                $way = substr($word, 0, $i).$letters.substr($word, $i + $taken);
                if ($mark->place === Place::Anywhere || $mark->place === Place::End && $i + $taken === $length || $mark->place === Place::Start && $i === 0) {
                    yield $way;
                }
            }
        }
    }
}
