<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;

/** Sayings before and behind a day or a time that tell how it is meant: not on, after, is no good; and what joins two to a stretch. */
final readonly class Cues
{
    /** What may stand before a day or a time, the longest saying wins. */
    private const CUES = ['without', 'after', 'from', 'before', 'by', 'to_start', 'around', 'between'];

    /** What joins two of them, or stands behind one. */
    private const BESIDE = ['joins', 'onwards', 'after_that', 'before_that', 'not_then', 'that_day', 'or_before', 'ish', 'bad'];

    /** Tokens before a day in which a cue is looked for. */
    private const LOOKS_BACK = 7;

    /** A day or time so meant may be the first of a stretch. */
    private const OPENS = [Sense::Wished, Sense::RuledOut, Sense::Around, Sense::From];

    /** @var array<string, Phrases<mixed>> */
    private array $cues;

    /** @var array<string, true> */
    private array $little;

    /** @var array<string, true> what leads to an hour that is nothing but 'one' */
    private array $leads;

    public function __construct(Vocabulary $words)
    {
        $this->cues = self::named($words, [...self::CUES, ...self::BESIDE]);
        $this->leads = array_fill_keys(
            [...$words->section('wishes', 'before_hour_one'), ...array_map(strval(...), array_keys($words->section('calendar', 'weekdays')))],
            true,
        );
        $this->little = array_fill_keys($words->section('wishes', 'between_words'), true);
    }

    /**
     * @param list<string> $names
     *
     * @return array<string, Phrases<mixed>>
     */
    private static function named(Vocabulary $words, array $names): array
    {
        $cues = [];
        foreach ($names as $name) {
            $cues[$name] = $words->phrases('wishes', $name);
        }

        return $cues;
    }

    /**
     * 'I would like to book one': no hour, whatever is likely. It is one behind what leads to an hour, behind a day, or at the beginning.
     *
     * @param list<Token> $t
     */
    public function standsForAThing(array $t, Item $item): bool
    {
        $before = $t[$item->from - 1] ?? null;

        return $item->doubtful
            && $before !== null
            && ($t[$item->from]->text ?? '') === 'one'
            && ! isset($this->leads[$before->text])
            && preg_match('/^\d|(?:st|nd|rd|th)$/', $before->text) !== 1;
    }

    /**
     * Items with how each is meant; a stretch between two becomes one.
     *
     * @param list<Token> $t
     * @param list<Item> $items
     * @param array<int, Sense> $senses by the place of an item's first token
     *
     * @return list<array{Sense, Item, ?Item}> and the other end of a stretch
     */
    public function meant(array $t, array $items, array $senses): array
    {
        $meant = [];
        $end = 0;
        for ($k = 0, $n = count($items); $k < $n; $k++) {
            $item = $items[$k];
            $sense = $senses[$item->from] ?? Sense::Wished;
            $next = $items[$k + 1] ?? null;
            $join = $next === null || $item->kind === Item::PART ? null : $this->joined($t, $item->to, $next->from);
            if ($next !== null && $join !== null && in_array($sense, self::OPENS, true) && ($join !== 'and' || $this->cue($t, $item->from, $end) === 'between')) {
                $meant[] = [$sense === Sense::RuledOut ? $sense : Sense::Wished, $item, $next];
                $end = $next->to;
                $k++;

                continue;
            }
            $meant[] = [$sense, $item, null];
            $end = $item->to;
        }

        return $meant;
    }

    /**
     * The saying that stands before a place and says how it is meant.
     *
     * @param list<Token> $t
     */
    public function cue(array $t, int $place, int $since): string
    {
        $best = '';
        $length = 0;
        $before = array_slice($t, 0, $place);
        for ($s = max($since, $place - self::LOOKS_BACK); $s < $place; $s++) {
            foreach (self::CUES as $cue) {
                $hit = $this->cues[$cue]->at($before, $s);
                if ($hit === null) {
                    continue;
                }
                $gap = array_slice($t, $s + $hit[1], $place - $s - $hit[1]);
                // 'No, ten' puts right; 'no mornings' rules out.
                $denies = $cue === 'without' && $hit[1] === 1 && in_array($t[$s]->text, ['no', 'not'], true) && $t[$s + 1]->afterBreak();
                if (! $denies && array_filter($gap, fn (Token $token): bool => ! isset($this->little[$token->text])) === [] && $hit[1] > $length) {
                    [$best, $length] = [$cue, $hit[1]];
                }
            }
        }

        return $best;
    }

    /**
     * How the sayings before and behind a day or a time have it meant.
     *
     * @param list<Token> $t
     */
    public function hint(array $t, Item $item, int $since): string
    {
        $cue = $this->cue($t, $item->from, $since);
        for ($s = $item->from - 1; $cue === 'between' && $s >= $since; $s--) {
            // 'Except between one and two': what rules out stands before what joins.
            if ($this->cues['between']->at($t, $s) !== null) {
                $cue = $this->cue($t, $s, $since) === 'without' ? 'without' : 'between';

                break;
            }
        }

        return $this->after($t, $item->to, $cue);
    }

    /**
     * A limit that stands right behind a day or a time.
     *
     * @param list<Token> $t
     */
    public function behind(array $t, int $place): ?Sense
    {
        return match (true) {
            $this->cues['onwards']->at($t, $place) !== null => Sense::From,
            $this->cues['or_before']->at($t, $place) !== null => Sense::StartsBy,
            default => null,
        };
    }

    /**
     * 'The carer comes at eleven every day, so before that': where somebody refers back to what was named last, and what limit it is.
     *
     * @param list<Token> $t
     *
     * @return array<int, Sense> by the place of the saying
     */
    public function back(array $t): array
    {
        $back = [];
        foreach (array_keys($t) as $i) {
            if ($this->cues['after_that']->at($t, $i) !== null) {
                $back[$i] = Sense::After;
            } elseif ($this->cues['before_that']->at($t, $i) !== null) {
                $back[$i] = Sense::Before;
            } elseif ($this->cues['not_then']->at($t, $i) !== null) {
                $back[$i] = Sense::RuledOut;
            } elseif ($this->cues['that_day']->at($t, $i) !== null) {
                $back[$i] = Sense::Wished;
            }
        }

        return $back;
    }

    /**
     * What stands behind a day or a time: 'onwards', '-ish', 'is no good'.
     *
     * @param list<Token> $t
     */
    private function after(array $t, int $place, string $cue): string
    {
        return match (true) {
            $this->cues['bad']->at($t, $place) !== null => 'without',
            $cue === '' && $this->cues['after_that']->at($t, $place) !== null => 'after',
            $cue === '' && $this->cues['before_that']->at($t, $place) !== null => 'before',
            $cue === '' && $this->cues['onwards']->at($t, $place) !== null => 'from',
            $cue === '' && $this->cues['or_before']->at($t, $place) !== null => 'to_start',
            $cue === '' && ($this->cues['ish']->at($t, $place) !== null || $this->cues['ish']->at($t, $place - 1) !== null) => 'around',
            default => $cue,
        };
    }

    /**
     * The one little word that joins two ends of a stretch; null where something else stands between.
     *
     * @param list<Token> $t
     */
    private function joined(array $t, int $from, int $to): ?string
    {
        $hit = $this->cues['joins']->at($t, $from);
        if ($hit === null || $from + $hit[1] > $to) {
            return null;
        }
        $gap = array_slice($t, $from + $hit[1], $to - $from - $hit[1]);

        return array_filter($gap, fn (Token $token): bool => ! isset($this->little[$token->text])) === [] ? $t[$from]->text : null;
    }
}
