<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Phrases;
use Ringo\Language\Stemmer;
use Ringo\Language\Vocabulary;

/** What people say for options of common kinds: 'my sister used you' for a recommendation, 'bring it round' for a delivery. */
final class OptionKinds
{
    /** How sure an option is that is told by its kind alone. */
    private const SURE = 0.76;

    /** Words before a saying among which a 'not' denies it. */
    private const DENIED_WITHIN = 5;

    /** Marks of a kind that must be all an option is called: 'no nuts' is no 'no'. */
    private const WHOLE = ['yes', 'no', 'any', 'none', 'new', 'own', 'sick'];

    /** Words of the longest mark of a kind. */
    private const LONGEST_MARK = 5;

    /** Letters from which a mark is known in another form: 'collected'. */
    private const BENT_FROM = 5;

    /** Lists of options whose kinds are remembered. */
    private const REMEMBERED = 200;

    private const DENIES = ['no', 'not', "don't", "isn't", "can't"];

    private const DENIED = ['not', "don't", "isn't", 'never', 'without', 'no', "didn't", "wasn't", "aren't"];

    /** @var array<string, array<string, Phrases<string>>> sayings by option, by list of options */
    private array $known = [];

    /** @var array<string, list<array{int, int}>>|null */
    private ?array $marks = null;

    /** @var array<string, list<array{int, int}>>|null marks of one word by their stems */
    private ?array $stems = null;

    private readonly Stemmer $stemmer;

    public function __construct(private readonly Vocabulary $words)
    {
        $this->stemmer = new Stemmer;
    }

    /**
     * The option whose kind the words are of; none where two are as good.
     *
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     * @param bool $opening whether the words open a call, where only what a call is for is told
     */
    public function said(array $options, Heard $heard, bool $opening = false): ?Reading
    {
        $found = [];
        foreach ($this->sayings($options, $opening) as $key => $sayings) {
            $hit = $sayings->first($heard->tokens);
            $reading = $hit === null ? null : $this->reading((string) $key, $heard, $hit[1], $hit[1] + $hit[2] - 1);
            if ($hit !== null && $reading !== null) {
                $found[$key] = [$hit[2], $reading];
            }
        }
        // The longer saying tells more: 'not very' before 'very'.
        uasort($found, static fn (array $a, array $b): int => $b[0] <=> $a[0]);
        $lengths = array_column($found, 0);

        return $found === [] || count($found) > 1 && $lengths[0] === $lengths[1] ? null : reset($found)[1];
    }

    /**
     * Where something of an option's kind is said, for each option of which something is.
     *
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     *
     * @return list<array{string, int, int}> key, first and last token
     */
    public function places(array $options, Heard $heard): array
    {
        $places = [];
        foreach ($this->sayings($options, false) as $key => $sayings) {
            $hit = $sayings->first($heard->tokens);
            if ($hit !== null) {
                $places[] = [(string) $key, $hit[1], $hit[1] + $hit[2] - 1];
            }
        }

        return $places;
    }

    private function reading(string $key, Heard $heard, int $from, int $to): ?Reading
    {
        $before = [];
        for ($i = $from; $i > max(0, $from - self::DENIED_WITHIN) && ! $heard->tokens[$i]->afterBreak(); $i--) {
            $before[] = $heard->tokens[$i - 1]->text;
        }
        if (! in_array($heard->tokens[$from]->text, self::DENIES, true) && array_intersect($before, self::DENIED) !== []) {
            return null;
        }
        $start = $heard->tokens[$from]->start;
        $end = $heard->tokens[$to]->end;

        return Reading::of($key, self::SURE, $heard->between($start, $end), $start, $end);
    }

    /**
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     *
     * @return array<string, Phrases<string>>
     */
    private function sayings(array $options, bool $opening): array
    {
        $place = ($opening ? '!' : '').serialize($options);
        if (! isset($this->known[$place])) {
            if (count($this->known) >= self::REMEMBERED) {
                $this->known = [];
            }
            $this->known[$place] = array_map(Phrases::listed(...), $this->ofKinds($options, $opening));
        }

        return $this->known[$place];
    }

    /**
     * @param list<array{key: string, label: string, phrases: list<string>}> $options
     *
     * @return array<string, list<string>>
     */
    private function ofKinds(array $options, bool $opening): array
    {
        $kinds = $this->words->section('options', 'kinds');
        $names = [];
        $best = [];
        $wholly = [];
        foreach ($options as $option) {
            $key = $option['key'];
            $called = $this->kindsOf(self::wordsOf($option['label'])) !== [];
            foreach ([$option['label'], $key, ...$option['phrases']] as $n => $name) {
                $words = self::wordsOf($name);
                $names[$key][implode(' ', $words)] = ($names[$key][implode(' ', $words)] ?? false) || $n !== 1 || $option['label'] === '';
                // A key is a word of its author's: 'feeling sick' is no sick leave, though its key be 'sick'.
                if ($n === 1 && $called) {
                    continue;
                }
                // Of two options that are of a kind, such as low and normal, it is the one the kind names first.
                foreach ($this->kindsOf($words) as $kind => $rank) {
                    if (in_array($kind, array_column($this->marks()[implode(' ', $words)] ?? [], 0), true)) {
                        $wholly[$kind][$key] = true;
                    }
                    if ($rank < ($best[$kind][1] ?? PHP_INT_MAX)) {
                        $best[$kind] = [$key, $rank];
                    }
                }
            }
        }
        ksort($best);
        $known = [];
        foreach ($best as $kind => [$key]) {
            // A mother and a father are both parents: what tells of a kind does not tell two apart that are wholly of it.
            if (count($wholly[$kind] ?? []) > 1 || $opening && ! isset($kinds[$kind]['opens'])) {
                continue;
            }
            // What the option is called itself is read by its name.
            $others = array_filter($this->listed($kinds[$kind]['said']), static fn (string $saying): bool => ! ($names[$key][$saying] ?? false));
            $known[$key] = [...($known[$key] ?? []), ...array_values($others)];
        }

        return $known;
    }

    /** @return list<string> */
    private static function wordsOf(string $name): array
    {
        return explode(' ', trim((string) preg_replace('/[^a-z0-9]+/', ' ', strtolower($name))));
    }

    /**
     * @param list<string> $words what an option is called
     *
     * @return array<int, int> the kinds it is of, and how early each names it
     */
    private function kindsOf(array $words): array
    {
        $marks = $this->marks();
        $found = [];
        for ($from = 0, $n = count($words); $from < $n; $from++) {
            for ($length = 1; $length <= min(self::LONGEST_MARK, $n - $from); $length++) {
                $mark = implode(' ', array_slice($words, $from, $length));
                if (in_array($mark, self::WHOLE, true) && $length < $n) {
                    continue;
                }
                foreach ($marks[$mark] ?? ($length === 1 ? $this->bent($mark) : []) as [$kind, $rank]) {
                    $found[$kind] = min($rank, $found[$kind] ?? $rank);
                }
            }
        }

        return $found;
    }

    /** @return list<array{int, int}> of a mark in another form: 'collected' for 'collect' */
    private function bent(string $word): array
    {
        if ($this->stems === null) {
            $this->stems = [];
            foreach ($this->marks() as $mark => $of) {
                if (strlen($mark) >= self::BENT_FROM && ! str_contains($mark, ' ')) {
                    $this->stems[$this->stemmer->stem($mark)] ??= $of;
                }
            }
        }

        return strlen($word) < self::BENT_FROM ? [] : $this->stems[$this->stemmer->stem($word)] ?? [];
    }

    /** @return array<string, list<array{int, int}>> kind and place in it by how an option is called */
    private function marks(): array
    {
        if ($this->marks === null) {
            $this->marks = [];
            foreach ($this->words->section('options', 'kinds') as $kind => $of) {
                foreach ($this->listed($of['option']) as $rank => $mark) {
                    $this->marks[str_replace(['-', "'"], ' ', $mark)][] = [$kind, $rank];
                }
            }
        }

        return $this->marks;
    }

    /** @return list<string> */
    private function listed(string $line): array
    {
        return array_map(trim(...), explode(',', $line));
    }
}
