<?php

declare(strict_types=1);

namespace Ringo\Understanding\When;

use Ringo\Language\Phrases;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\When\Clocks\Digital;
use Ringo\Understanding\When\Clocks\DigitRuns;
use Ringo\Understanding\When\Clocks\ElapsedTime;
use Ringo\Understanding\When\Clocks\Hours;
use Ringo\Understanding\When\Clocks\PastOrTo;
use Ringo\Understanding\When\Clocks\SpokenHour;

/** Finds the times of day named in a token list. */
final readonly class ClockFinder
{
    private ElapsedTime $elapsed;

    private PastOrTo $pastOrTo;

    private Digital $digital;

    private SpokenHour $spoken;

    private DigitRuns $runs;

    public function __construct(private Vocabulary $words, Numerals $numerals)
    {
        $hours = new Hours($numerals);
        $this->elapsed = new ElapsedTime($words, $numerals);
        $this->pastOrTo = new PastOrTo($words, $numerals, $hours);
        $this->digital = new Digital($hours);
        $this->spoken = new SpokenHour($words, $numerals, $hours);
        $this->runs = new DigitRuns($numerals);
    }

    /**
     * @param list<Token> $t
     * @param list<Span> $days spans already taken as days
     * @param bool $bare whether a number on its own may be an hour
     *
     * @return list<Span>
     */
    public function find(array $t, Context $context, array $days = [], bool $bare = true): array
    {
        $taken = count($t) < DigitRuns::LONG ? [] : $this->runs->in($t);
        foreach ($days as $span) {
            for ($i = $span->from; $i < $span->end(); $i++) {
                $taken[$i] = true;
            }
        }
        $halves = $this->words->phrases('calendar', 'day_parts');
        $found = [];
        for ($i = 0, $n = count($t); $i < $n;) {
            if (isset($taken[$i])) {
                $i++;

                continue;
            }
            $hit = $this->elapsed->at($t, $i, $context) ?? $this->at($t, $i, $bare);
            if ($hit !== null) {
                $length = $hit[1];
                $what = $hit[0];
                $j = $i + $length;
                if ($what instanceof Clock && ! $what->fixed) {
                    foreach ([0, 1] as $skip) {
                        if ($skip === 1 && ! in_array($t[$j]->text ?? '', ['on', 'that', 'is', 'tomorrow'], true)) {
                            break;
                        }
                        $half = $halves->at($t, $j + $skip);
                        if ($half !== null && $half[0] !== null && ! isset($taken[$j + $skip]) && ! ($skip === 1 && $t[$j]->text === 'on')) {
                            $what = $what->with($half[0]);
                            $length += $half[1] + $skip;

                            break;
                        }
                    }
                }
                $found[] = new Span($what, $i, $length);
                $i += $length;

                continue;
            }
            $i++;
        }

        return $this->halved($found, $t, $halves, $taken);
    }

    /**
     * A part of the day said anywhere near decides an open hour: 'tomorrow morning, say eight'.
     *
     * @param list<Span> $found
     * @param list<Token> $t
     * @param Phrases<mixed> $halves
     * @param array<int, true> $taken
     *
     * @return list<Span>
     */
    private function halved(array $found, array $t, Phrases $halves, array $taken): array
    {
        $half = null;
        $where = 0;
        $length = 0;
        foreach ($halves->all($t) as [$meaning, $place, $size]) {
            if ($meaning !== null && ! in_array($t[$place]->text, ['am', 'pm'], true)) {
                [$half, $where, $length] = [$meaning, $place, $size];
            }
        }
        if ($half === null) {
            return $found;
        }
        $out = [];
        foreach ($found as $span) {
            $what = $span->what;
            $out[] = $what instanceof Clock && $what->half === null && ! $what->fixed && ! $this->parted($t, $where + $length, $span->from) ? new Span($what->with($half), $span->from, $span->length) : $span;
        }

        return $out === [] && ! isset($taken[$where]) ? [new Span(new Clock(half: $half), $where, $length)] : $out;
    }

    /**
     * 'Thursday morning or Friday after two': what stands behind such a word is another time.
     *
     * @param list<Token> $t
     */
    private function parted(array $t, int $from, int $to): bool
    {
        $parting = $this->words->section('calendar', 'parting');

        return array_filter(array_slice($t, $from, max(0, $to - $from)), static fn (Token $token): bool => in_array($token->text, $parting, true)) !== [];
    }

    /**
     * @param list<Token> $t
     *
     * @return array{Clock, int}|null
     */
    private function at(array $t, int $i, bool $bare): ?array
    {
        $word = $this->words->phrases('calendar', 'clock_words')->at($t, $i);
        if ($word !== null) {
            [$hour, $minute] = array_map(intval(...), explode(':', $word[0]));

            return [new Clock($hour, $minute, fixed: true), $word[1]];
        }

        // 'One evening next week' is no one o'clock.
        if ($t[$i]->text === 'one' && in_array($t[$i + 1]->text ?? '', ['morning', 'afternoon', 'evening', 'night', 'lunchtime', 'day', 'weekend'], true) && ! in_array($t[$i - 1]->text ?? '', ['at', 'about', 'around'], true)) {
            return null;
        }

        return $this->pastOrTo->at($t, $i) ?? $this->digital->at($t, $i) ?? $this->spoken->at($t, $i, $bare);
    }
}
