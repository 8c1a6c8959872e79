<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Knowledge\Question;
use Ringo\Knowledge\Speaking\Speaker;
use Ringo\Knowledge\Units\Kind;
use Ringo\Speech\Spoken as Speech;

/**
 * How sure a ranking is: the chance that its first reading is right, and that one of its first three is (training/answers.php).
 *
 * @phpstan-type Spoken array{place: int, chance: float, text: string, more: list<string>, two: bool}
 */
final readonly class Certainty
{
    /** Readings that are looked at before three that say different things are found. */
    private const LOOKED_AT = 24;

    private const MOST = 3;

    /** All words of a question are met from this share on. */
    private const MET_ALL = 0.88;

    private const CLEARLY = 0.6;

    /** A second sentence of the same passage is said as well where it is at least so likely beside the first. */
    private const TOGETHER = 0.3;

    /** Clauses whose words differ by less than this are not told apart by the question. */
    private const TOLD_APART = 0.06;

    /** A word of the question that nothing meets as well as this is not in the documents. */
    private const RESEMBLES = 0.5;

    /**
     * @param array<string, float> $weights
     * @param array<string, float> $figures
     */
    public static function chance(array $weights, array $figures): float
    {
        $score = 0.0;
        foreach ($weights as $name => $weight) {
            $score += $weight * ($figures[$name] ?? 0.0);
        }

        return 1 / (1 + exp(-$score));
    }

    /**
     * The likeliest readings that say different things.
     *
     * @param list<Reading> $readings
     * @param array<int, float> $chances the likeliest first
     *
     * @return list<Spoken>
     */
    public static function distinct(Question $question, array $readings, array $chances, Speaker $speaker): array
    {
        $spoken = new Speech;
        /** @var list<Spoken> $found */
        $found = [];
        foreach (array_slice($chances, 0, self::LOOKED_AT, true) as $place => $chance) {
            $place = $question->wantsValue() ? self::part($readings, $place) : self::whole($readings, $place);
            $unit = $readings[$place]->unit;
            [$text, $more] = $speaker->say($question, $unit, $readings[$place]->features['own_plain']);
            foreach ($found as $n => $one) {
                $other = $readings[$one['place']]->unit;
                if (str_contains($one['text'], rtrim($text, '.')) || str_contains($text, rtrim($one['text'], '.'))) {
                    $found[$n] = ['chance' => $one['chance'] + $chance] + $one;

                    continue 2;
                }
                if ($unit->passage === $other->passage && $unit->isTabular() && $unit->row === $other->row && ($unit->kind === Kind::Row || $other->kind === Kind::Row)) {
                    // A row and a value in it: the value is said.
                    $found[$n] = $other->kind === Kind::Row ? ['place' => $place, 'chance' => $one['chance'] + $chance, 'text' => $text, 'more' => $more, 'two' => false] : ['chance' => $one['chance'] + $chance] + $one;

                    continue 2;
                }
                if ($unit->passage === $other->passage && ! $unit->isTabular()) {
                    // Two sentences beside one another that are about as likely are said together, where one breath holds them.
                    $both = $unit->place < $other->place ? "{$text} {$one['text']}" : "{$one['text']} {$text}";
                    $together = ! $one['two'] && $unit->place !== $other->place && $chance >= self::TOGETHER * $one['chance'] && $spoken->seconds($both) <= Speech::BREATH && preg_match('/^(?:Yes|No)\b/', $text) !== 1;
                    $found[$n] = ['chance' => $one['chance'] + $chance, 'text' => $together ? $both : $one['text'], 'two' => $one['two'] || $together] + $one;

                    continue 2;
                }
            }
            if (count($found) < self::MOST) {
                $found[] = ['place' => $place, 'chance' => $chance, 'text' => $text, 'more' => $more, 'two' => false];
            }
        }

        return $found;
    }

    /**
     * Of a sentence with several values the one that was asked about, where the words tell it.
     *
     * @param list<Reading> $readings
     */
    private static function part(array $readings, int $place): int
    {
        $whole = $readings[$place]->unit;
        if ($whole->kind === Kind::Clause && ! self::chosen($readings[$place])) {
            return self::whole($readings, $place);
        }
        if ($whole->kind !== Kind::Sentence || $readings[$place]->features['has_clauses'] < 1.0) {
            return $place;
        }
        $best = $place;
        $most = self::TOLD_APART;
        foreach ($readings as $n => $reading) {
            if ($reading->unit->kind === Kind::Clause && $reading->features['day_wrong'] + $reading->features['month_wrong'] === 0.0 && $reading->unit->passage === $whole->passage && $reading->unit->place === $whole->place && $reading->features['clause_under_brother'] < self::TOLD_APART && $reading->features['clause_over_brothers'] > $most) {
                [$best, $most] = [$n, $reading->features['clause_over_brothers']];
            }
        }

        return $best;
    }

    /** Whether the question tells a clause from those beside it, by its words, a day, an hour or a figure: 'when is yoga' chooses none of two days. */
    private static function chosen(Reading $clause): bool
    {
        $facts = array_sum(array_intersect_key(
            $clause->features,
            array_flip(['day_right', 'month_right', 'range_right', 'clock_right', 'part_right', 'rate_right', 'first_there', 'last_there', 'least_there']),
        ));

        return $facts > 0.0 || $clause->features['clause_over_brothers'] > self::TOLD_APART;
    }

    /**
     * The sentence a clause belongs to: where no value was asked for, what is beside it is wanted too.
     *
     * @param list<Reading> $readings
     */
    private static function whole(array $readings, int $place): int
    {
        $part = $readings[$place]->unit;
        foreach ($part->kind === Kind::Clause ? $readings : [] as $n => $reading) {
            if ($reading->unit->kind !== Kind::Clause && $reading->unit->passage === $part->passage && $reading->unit->place === $part->place) {
                return $n;
            }
        }

        return $place;
    }

    /**
     * @param list<Reading> $readings
     * @param list<Spoken> $top
     *
     * @return array<string, float>
     */
    public static function of(Question $question, array $readings, Ranker $ranker, array $top): array
    {
        if ($top === []) {
            return ['bias' => 1.0, 'nothing' => 1.0];
        }
        $best = $readings[$top[0]['place']];
        $f = $best->features;
        $heading = 0.0;
        foreach ($top as $one) {
            $heading += $readings[$one['place']]->unit->passage === $best->unit->passage ? $one['chance'] : 0.0;
        }

        // What no part of the documents resembles.
        $weights = array_map(static fn (array $one): float => $one['weight'], $question->units);
        $total = max(0.01, array_sum($weights));
        $unknown = 0.0;
        $beyond = 0.0;
        foreach ($weights as $q => $weight) {
            $most = 0.0;
            foreach ($readings as $reading) {
                $most = max($most, $reading->met[$q]);
            }
            $unknown = max($unknown, $most < self::RESEMBLES ? $weight : 0.0);
            $beyond += (1 - $most) * $weight;
        }

        return [
            'unknown' => $unknown, 'unknown_share' => $beyond / $total, 'plain_word' => $weights === [] ? 0.0 : ($best->plain[array_search(max($weights), $weights, true)] ?? 0.0), 'clear' => $top[0]['chance'] * $f['all_plain'],
            'met_all' => $f['all_plain'] >= self::MET_ALL ? 1.0 : 0.0, 'met_all_clear' => $f['all_plain'] >= self::MET_ALL && $top[0]['chance'] >= self::CLEARLY ? 1.0 : 0.0, 'own_clear' => $top[0]['chance'] * $f['own_plain'], 'two' => $top[0]['two'] ? 1.0 : 0.0,
            'bias' => 1.0, 'nothing' => 0.0, 'first' => $top[0]['chance'], 'lead' => $top[0]['chance'] - ($top[1]['chance'] ?? 0.0), 'heading' => $heading,
            'score' => $ranker->score($f) / 10, 'all_plain' => $f['all_plain'], 'all_like' => $f['all_like'], 'own_plain' => $f['own_plain'], 'own_like' => $f['own_like'],
            'first_word' => $f['first_word'], 'second_word' => $f['second_word'], 'missing' => $f['heaviest_missing'], 'type_missing' => $f['type_missing'], 'type_there' => $f['type_there'],
            'wrong' => $f['day_wrong'] + $f['month_wrong'] + $f['range_wrong'] + $f['clock_wrong'], 'rival' => $f['lead_under_brother'] + $f['column_under_brother'], 'heading_like' => $f['heading_like'],
            'off_topic' => $question->offTopic ? 1.0 : 0.0, 'words' => min(8, count($question->units)) / 8, 'yes_no' => $question->yesNo() ? 1.0 : 0.0, 'cell' => $f['is_cell'], 'alike' => $f['alike_own'], 'paired' => $f['paired_own'], 'paired_heading' => $f['paired_heading'], 'paired_aligned' => $f['paired_aligned'], 'precedents' => $f['precedents'], 'precedents_share' => $f['precedents_share'], 'rank' => $f['rank'],
        ];
    }
}
