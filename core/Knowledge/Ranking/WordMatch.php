<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Knowledge\Question;
use Ringo\Knowledge\Terms;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Language\WordVectors;

/**
 * How well words of a question are met by words of what was written: plainly (the same stem, a word for the same thing, the same
 * beginning) and by likeness of meaning.
 *
 * @phpstan-import-type Unit from Terms
 */
final class WordMatch
{
    private const RING = 0.8;

    /** 'Approve' and 'approval'. */
    private const KIN = 0.82;

    /** 'Book' in 'booklet'. */
    private const BEGINS = 0.6;

    /** The dictionary's likeness counts from here on. */
    private const LIKE_FROM = 0.55;

    /** Likeness of vectors counts from here on. */
    private const NEAR_FROM = 0.35;

    private const SOFT = 0.75;

    private const ELSEWHERE = 0.5;

    /** Words that say little count less among those of a text. */
    private const GENERIC = 0.4;

    /** Words of questions that are remembered. */
    private const REMEMBERED = 600;

    /** @var array<string, array<string, array{float, float, float}>> by the two words */
    private array $known = [];

    /** @var array<string, true> days and months, which are like one another and never the same */
    private readonly array $calendar;

    public function __construct(private readonly Lexicon $lexicon, private readonly WordVectors $vectors, Vocabulary $words)
    {
        $this->calendar = array_fill_keys([...array_map(strval(...), array_keys($words->section('calendar', 'weekdays'))), ...array_map(strval(...), array_keys($words->section('calendar', 'months')))], true);
    }

    /**
     * Of each word of a question the best that a text has for it.
     *
     * @param list<Unit> $terms of the text
     *
     * @return array{list<float>, list<float>, list<float>} plain, by likeness (never less than plain) and the bare likeness, word by word
     */
    public function of(Question $question, array $terms): array
    {
        if (count($this->known) > self::REMEMBERED) {
            $this->known = [];
        }
        $plain = array_fill(0, count($question->units), 0.0);
        $soft = $plain;
        $bare = $plain;
        foreach ($question->units as $n => $asked) {
            $cache = &$this->known[($asked['there'] ? '' : '~').$asked['word']];
            foreach ($terms as $term) {
                if ($asked['stem'] === $term['stem']) {
                    $plain[$n] = $soft[$n] = $bare[$n] = 1.0;

                    break;
                }
                [$hard, $like, $near] = $cache[$term['word']] ??= $this->pair($asked, $term);
                $plain[$n] = $hard > $plain[$n] ? $hard : $plain[$n];
                $soft[$n] = $like > $soft[$n] ? $like : $soft[$n];
                $bare[$n] = $near > $bare[$n] ? $near : $bare[$n];
            }
            unset($cache);
        }

        return [array_values($plain), array_values($soft), array_values($bare)];
    }

    /**
     * Share of a text's own words that the question says.
     *
     * @param list<Unit> $terms
     */
    public function said(Question $question, array $terms): float
    {
        $sum = 0.0;
        $of = 0.0;
        foreach ($terms as $term) {
            if ($term['part'] ?? false) {
                continue;
            }
            $counts = $term['generic'] ? self::GENERIC : 1.0;
            $of += $counts;
            $most = 0.0;
            foreach ($question->units as $asked) {
                $like = $asked['stem'] === $term['stem'] ? 1.0 : ($this->known[($asked['there'] ? '' : '~').$asked['word']][$term['word']] ??= $this->pair($asked, $term))[1];
                $most = $like > $most ? $like : $most;
            }
            $sum += $counts * $most;
        }

        return $of < self::GENERIC ? 0.0 : $sum / $of;
    }

    /**
     * @param array{stem: string, word: string, rings: list<int>, generic: bool, number: bool, weight: float, near: array<string, float>, there: bool} $asked
     * @param Unit $term
     *
     * @return array{float, float, float}
     */
    private function pair(array $asked, array $term): array
    {
        $hard = array_intersect($asked['rings'], $term['rings']) !== [] ? self::RING : (float) ($asked['near'][$term['stem']] ?? 0.0);
        $soft = $hard;
        $near = 0.0;
        if (! $asked['number'] && ! $term['number']) {
            $hard = max($hard, $this->kin($asked['stem'], $term['stem']));
            if (! str_contains($asked['stem'].$term['stem'], ' ')) {
                $near = $this->near($asked['word'], $term['word']);
                $soft = max($hard, $this->like($asked, $term, $near));
            }
        }

        return [$hard, $soft, max($near, $hard)];
    }

    /** Days and months are like one another and never the same. */
    private function near(string $asked, string $term): float
    {
        return isset($this->calendar[$asked]) || isset($this->calendar[$term]) ? 0.0 : $this->vectors->likeness($asked, $term);
    }

    private function kin(string $a, string $b): float
    {
        if ($b === 'un'.$a || $b === 'non'.$a) {
            return 1.0;
        }
        $shared = strspn($a ^ $b, "\0");
        if ($shared >= 5 && max(strlen($a), strlen($b)) - $shared <= 3) {
            return self::KIN;
        }

        return strlen($a) >= 5 && str_starts_with($b, $a) || strlen($b) >= 5 && str_starts_with($a, $b) ? self::BEGINS : 0.0;
    }

    /**
     * @param array{stem: string, word: string, generic: bool, there: bool} $asked
     * @param array{stem: string, word: string} $term
     */
    private function like(array $asked, array $term, float $near): float
    {
        $like = $this->lexicon->likeness($asked['stem'], $term['stem']);
        $soft = self::SOFT * max($like >= self::LIKE_FROM ? $like : 0.0, max(0.0, ($near - self::NEAR_FROM) / (1 - self::NEAR_FROM)));

        // Where the word itself stands in what was written, another is hardly meant.
        return $asked['there'] ? self::ELSEWHERE * $soft : $soft;
    }
}
