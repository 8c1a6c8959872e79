<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Fit\Meaning;
use Ringo\Knowledge\Days;
use Ringo\Knowledge\MemoryShelf;
use Ringo\Knowledge\Question;
use Ringo\Knowledge\Terms;
use Ringo\Knowledge\Units\Kind;
use Ringo\Knowledge\Units\Unit;
use Ringo\Language\Vocabulary;

/**
 * What speaks for and against each unit as the answer to a question, as figures that a linear model weighs (training/answers.php).
 *
 * Coverage is the share of the question's words, by their weight, that are met; 'plain' by the same words or words for the same thing,
 * 'like' by likeness of meaning as well.
 */
final class Features
{
    /** A word that is met less than this is not met. */
    private const MET = 0.4;

    /** What stands around a unit counts less than its own words. */
    private const AROUND = ['heading' => 0.93, 'path' => 0.75, 'beside' => 0.6];

    /** A match as good as this is plain. */
    private const PLAINLY = 0.8;

    private const BROTHERS = 0.3;

    /** A word that decides between brothers counts at least so much. */
    private const TELLS = 0.35;

    private readonly Facts $facts;

    /** @var array<string, array{list<float>, list<float>, list<float>}> by text, of one question */
    private array $matched = [];

    private const REMEMBERED = 3_000;

    private const LOOKED_AT = 80;

    /** @var array<string, list<float>> what texts mean, by text */
    private array $vectors = [];

    /** @var array<string, float> by text, of one question */
    private array $said = [];

    /** @var list<array{float, list<float>}> what questions like this one were answered with elsewhere */
    private array $elsewhere = [];

    /** @var array<string, array{float, float}> by text, of one question */
    private array $supported = [];

    /** @var array<string, true> sentences that were cut into clauses */
    private array $cut = [];

    public function __construct(
        private readonly Terms $terms,
        private readonly WordMatch $match,
        private readonly Meaning $meaning,
        private readonly Pairing $pairing,
        private readonly Precedents $precedents,
        private readonly Vocabulary $words,
    ) {
        $this->facts = new Facts($words, new Days($words));
    }

    /**
     * @param list<array{Unit, float}> $units each with the rank of its passage, 0 to 1
     *
     * @return list<Reading>
     */
    public function of(Question $question, array $units): array
    {
        $weights = array_map(static fn (array $one): float => $one['weight'], $question->units);
        $total = max(0.01, array_sum($weights));
        $met = [];
        $this->cut = [];
        $this->matched = [];
        $this->said = [];
        $this->supported = [];
        $leads = [];
        $columns = [];
        foreach ($units as $n => [$unit]) {
            $met[] = $this->met($question, $unit);
            if ($unit->kind === Kind::Clause) {
                $this->cut[$unit->passage->place().$unit->place] = true;
            }
        }
        $met = $this->sharpened($units, $met);
        $asked = $this->meaning->vector($question->asked);
        $this->elsewhere = $this->precedents->of($question->asked, $this->pairing->meant($question->asked));
        foreach ($units as $n => [$unit]) {
            if ($unit->lead !== '' || $unit->kind === Kind::Clause) {
                $leads[$unit->group][$unit->row >= 0 ? $unit->row : $n] = Brothers::telling($unit, $met[$n]);
            }
            if ($unit->kind === Kind::Cell) {
                $columns[$unit->group][$unit->column] = $met[$n]['beside'][1];
            }
        }
        $whole = $this->whole($units, $met);
        $nearest = Nearest::among($met, count($weights));
        $told = $this->facts->asked($question);
        $this->facts->define(array_map(static fn (array $one): Unit => $one[0], $units));
        $this->facts->date($question, array_map(static fn (array $one): Unit => $one[0], $units));
        $readings = [];
        foreach ($this->worthALook($units, $met, $weights) as $n) {
            [$unit, $rank] = $units[$n];
            $readings[] = $this->reading($question, $unit, $rank, $weights, $total, $met[$n], $leads[$unit->group] ?? [], $columns[$unit->group] ?? [], $asked, $told, $whole[spl_object_id($unit->passage)], $nearest);
        }

        return $readings;
    }

    /**
     * The units that have most of the question, in their order: the others need no closer look.
     *
     * @param list<array{Unit, float}> $units
     * @param list<array<string, array{list<float>, list<float>, list<float>}>> $met
     * @param list<float> $weights
     *
     * @return list<int>
     */
    private function worthALook(array $units, array $met, array $weights): array
    {
        if (count($units) <= self::LOOKED_AT) {
            return array_keys($units);
        }
        $fit = [];
        foreach ($met as $n => $parts) {
            $fit[$n] = 0.3 * $units[$n][1];
            foreach ($weights as $q => $weight) {
                $fit[$n] += $weight * (max($parts['own'][1][$q], $parts['lead'][1][$q]) + max($parts['own'][1][$q], $parts['lead'][1][$q], $parts['heading'][1][$q], $parts['beside'][1][$q]));
            }
        }
        arsort($fit);
        $kept = array_slice(array_keys($fit), 0, self::LOOKED_AT);
        sort($kept);

        return $kept;
    }

    /**
     * Where one row, column or clause has a word plainly, what its brothers have that is only like it counts little.
     *
     * @param list<array{Unit, float}> $units
     * @param list<array<string, array{list<float>, list<float>, list<float>}>> $met
     *
     * @return list<array<string, array{list<float>, list<float>, list<float>}>>
     */
    private function sharpened(array $units, array $met): array
    {
        $most = [];
        foreach ($units as $n => [$unit]) {
            foreach ($this->parts($unit) as $part) {
                foreach ($met[$n][$part][0] as $q => $plain) {
                    $most[$unit->group.$part][$q] = max($most[$unit->group.$part][$q] ?? 0.0, $plain);
                }
            }
        }
        foreach ($units as $n => [$unit]) {
            foreach ($this->parts($unit) as $part) {
                foreach ($met[$n][$part][1] as $q => $like) {
                    if ($most[$unit->group.$part][$q] >= self::PLAINLY && $like < self::PLAINLY) {
                        $met[$n][$part][1][$q] = self::BROTHERS * $like;
                    }
                }
            }
        }

        return $met;
    }

    /**
     * What a passage has of the question in all its units together.
     *
     * @param list<array{Unit, float}> $units
     * @param list<array<string, array{list<float>, list<float>, list<float>}>> $met
     *
     * @return array<int, array{list<float>, list<float>}> by passage
     */
    private function whole(array $units, array $met): array
    {
        /** @var array<int, array{list<float>, list<float>}> $whole */
        $whole = [];
        foreach ($units as $n => [$unit]) {
            $id = spl_object_id($unit->passage);
            $whole[$id] ??= [[], []];
            foreach ($unit->isTabular() ? ['own', 'lead', 'beside', 'heading'] : ['own', 'heading'] as $part) {
                foreach ([0, 1] as $how) {
                    foreach ($met[$n][$part][$how] as $q => $value) {
                        $whole[$id][$how][$q] = max($whole[$id][$how][$q] ?? 0.0, $value);
                    }
                }
            }
        }

        return $whole;
    }

    /** @return list<string> parts by which brothers differ */
    private function parts(Unit $unit): array
    {
        return match ($unit->kind) {
            Kind::Cell => ['lead', 'beside'], Kind::Row, Kind::Item => ['lead'], Kind::Clause => ['own'], default => [],
        };
    }

    /** @return array<string, array{list<float>, list<float>, list<float>}> plain and like, by part */
    private function met(Question $question, Unit $unit): array
    {
        $passage = $unit->passage;

        return [
            'own' => $this->matched($question, $unit->text),
            'lead' => $this->matched($question, $unit->lead),
            'beside' => $this->matched($question, $unit->beside),
            'heading' => $this->matched($question, $passage->heading),
            'path' => $this->matched($question, implode('. ', $passage->path).'. '.MemoryShelf::name($passage->source)),
        ];
    }

    /**
     * @param list<float> $weights
     * @param array<string, array{list<float>, list<float>, list<float>}> $met
     * @param array<int, list<float>> $leads of its brothers
     * @param array<int, list<float>> $columns of its table
     * @param list<float> $asked
     * @param array<string, mixed> $told
     * @param array{list<float>, list<float>} $whole what its passage has, plainly and by likeness
     */
    private function reading(Question $question, Unit $unit, float $rank, array $weights, float $total, array $met, array $leads, array $columns, array $asked, array $told, array $whole, Nearest $nearest): Reading
    {
        $tabular = $unit->isTabular();
        $beside = $unit->kind === Kind::Cell || $unit->kind === Kind::Row ? 0.95 : self::AROUND['beside'];
        $own = [];
        $ownLike = [];
        $all = [];
        $allLike = [];
        foreach ($weights as $q => $weight) {
            $own[$q] = max($met['own'][0][$q], $met['lead'][0][$q], $tabular ? 0.95 * $met['beside'][0][$q] : 0.0);
            $ownLike[$q] = max($met['own'][1][$q], $met['lead'][1][$q], $tabular ? 0.95 * $met['beside'][1][$q] : 0.0);
            $all[$q] = max($own[$q], self::AROUND['heading'] * $met['heading'][0][$q], self::AROUND['path'] * $met['path'][0][$q], $beside * $met['beside'][0][$q]);
            $allLike[$q] = max($ownLike[$q], self::AROUND['heading'] * $met['heading'][1][$q], self::AROUND['path'] * $met['path'][1][$q], $beside * $met['beside'][1][$q]);
        }
        $cover = static fn (array $part): float => array_sum(array_map(static fn (float $m, float $w): float => $m * $w, $part, $weights)) / $total;
        $order = array_keys($weights);
        usort($order, static fn (int $a, int $b): int => $weights[$b] <=> $weights[$a]);
        $features = [
            'own_plain' => $cover($own), 'own_like' => $cover($ownLike), 'all_plain' => $cover($all), 'all_like' => $cover($allLike),
            'heading_plain' => $cover($met['heading'][0]), 'heading_like' => $cover($met['heading'][1]), 'path_like' => $cover($met['path'][1]),
            'own_alone_plain' => $cover($met['own'][0]),
            'first_word' => $allLike[$order[0] ?? -1] ?? 0.0, 'first_word_own' => $own[$order[0] ?? -1] ?? 0.0, 'second_word' => $allLike[$order[1] ?? -1] ?? 0.5,
            'heaviest_missing' => max([0.0, ...array_map(static fn (float $m, int $q): float => $m < self::MET ? $weights[$q] / $total : 0.0, $allLike, array_keys($allLike))]),
            'heading_said' => $this->said($question, $unit->passage->heading), 'own_said' => $this->said($question, $unit->text),
            'passage_plain' => $cover($whole[0]), 'passage_like' => $cover($whole[1]), 'all_square' => $cover($allLike) ** 2, 'own_square' => $cover($ownLike) ** 2,
            'rank' => $rank, 'first_of_passage' => $unit->place === ($tabular ? 1 : 0) ? 1.0 : 0.0,
            'long' => min(3.0, str_word_count($unit->text) / 20), 'short' => str_word_count($unit->text) <= 3 ? 1.0 : 0.0,
            'far_own' => $nearest->share($weights, [$met['own'][2], $met['lead'][2]], $total), 'far_around' => $nearest->share($weights, [$met['heading'][2], $met['beside'][2], $met['path'][2]], $total),
            'met_own' => array_sum(array_map(static fn (float $m, float $w): float => $m * $w, $ownLike, $weights)), 'met_all' => array_sum(array_map(static fn (float $m, float $w): float => $m * $w, $allLike, $weights)),
            'pairs' => $this->pairs($question, $unit),
            'alike_own' => $this->alike($asked, $text = $unit->lead.' '.$unit->text.($tabular ? ' '.$unit->beside : '')), 'alike_heading' => $this->alike($asked, $unit->passage->heading),
            'paired_own' => $this->pairing->alike($question->asked, $text), 'paired_heading' => $this->pairing->alike($question->asked, $unit->passage->heading), 'paired_aligned' => $this->pairing->aligned($question->asked, $unit->passage->heading, $text),
        ];
        [$features['precedents'], $features['precedents_share']] = $this->supported($text);
        [$features['precedents_heading'], $features['precedents_heading_share']] = $this->supported($unit->passage->heading);
        foreach ([Kind::Item, Kind::Clause, Kind::Cell, Kind::Row, Kind::Reply] as $kind) {
            $features['is_'.$kind->value] = $unit->kind === $kind ? 1.0 : 0.0;
        }
        // Which of several brothers is meant may hang on a word that says little elsewhere: 'morning', 'adult'.
        $telling = array_map(static fn (float $weight): float => max(self::TELLS, $weight), $weights);
        $tell = static fn (array $part): float => array_sum(array_map(static fn (float $m, float $w): float => $m * $w, $part, $telling)) / $total;
        $features += Brothers::lead($unit, $this->said($question, $unit->lead), $met, $leads, $cover, $tell);
        $features += Brothers::column($unit, $met, $columns, $cover, $tell);
        $features['has_clauses'] = $unit->kind === Kind::Sentence && isset($this->cut[$unit->passage->place().$unit->place]) ? 1.0 : 0.0;
        $features += $this->facts->of($question, $unit, $told);

        return new Reading($unit, $features, array_values($allLike), array_values($all));
    }

    /**
     * What a text has of the words of the question, once a question.
     *
     * @return array{list<float>, list<float>, list<float>} plainly and by likeness
     */
    private function matched(Question $question, string $text): array
    {
        return $this->matched[$text] ??= $this->match->of($question, $this->terms->of($text));
    }

    /** @return array{float, float} how much a text is like what answered such questions elsewhere, once a question */
    private function supported(string $text): array
    {
        return $this->supported[$text] ??= Precedents::supported($this->elsewhere, $this->pairing->meant($text));
    }

    /** Share of a text's own words that the question says. */
    private function said(Question $question, string $text): float
    {
        return $text === '' ? 0.0 : $this->said[$text] ??= $this->match->said($question, $this->terms->of($text));
    }

    /** Share of the pairs of words beside one another in the question that stand together in the unit. */
    private function pairs(Question $question, Unit $unit): float
    {
        $stems = array_values(array_column(array_filter($question->units, static fn (array $one): bool => ! ($one['part'] ?? false)), 'stem'));
        if (count($stems) < 2) {
            return 0.0;
        }
        $theirs = array_column($this->terms->of($unit->lead.' '.$unit->text), 'stem');
        $hits = 0;
        for ($n = 1, $count = count($stems); $n < $count; $n++) {
            $a = array_search($stems[$n - 1], $theirs, true);
            $b = array_search($stems[$n], $theirs, true);
            $hits += $a !== false && $b !== false && abs($b - $a) <= 2 ? 1 : 0;
        }

        return $hits / (count($stems) - 1);
    }

    /** @param list<float> $asked */
    private function alike(array $asked, string $text): float
    {
        if (count($this->vectors) > self::REMEMBERED) {
            $this->vectors = [];
        }

        return $text === '' ? 0.0 : self::dot($asked, $this->vectors[$text] ??= $this->meaning->vector($text));
    }

    /**
     * @param list<float> $a
     * @param list<float> $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $value * $b[$i];
        }

        return $sum;
    }
}
