<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Speech\Spoken;
use Ringo\Understanding\Understanding;

/**
 * Answers from what a business has written, or says that it does not know.
 *
 * Passages are found by BM25 (S. Robertson and H. Zaragoza, "The Probabilistic Relevance Framework: BM25 and Beyond", 2009) over stems
 * and rings of words for the same thing; then the answering sentence is looked for in the best of them by how much of the question it
 * speaks of and whether it is of the kind that was asked for. Nothing is answered that is not covered.
 */
final class Answerer
{
    private const K1 = 1.4;

    private const B = 0.6;

    private const PASSAGES = 14;

    /** Up to so many passages all are looked at. */
    private const ALL = 40;

    /** Share of a question that must be spoken of. */
    private const COVERED = 0.6;

    private const KEY = 0.55;

    private readonly Terms $terms;

    private readonly QuestionReader $questions;

    private readonly Likeness $likeness;

    private readonly Polarity $polarity;

    private readonly TableAnswers $tables;

    private readonly Spoken $spoken;

    private readonly Days $days;

    public function __construct(private readonly Shelf $shelf, Terms $terms, private readonly Vocabulary $words, Lexicon $lexicon, Understanding $understanding)
    {
        $this->terms = $terms;
        $this->questions = new QuestionReader($terms, $shelf, $words, $lexicon, $understanding);
        $this->likeness = new Likeness($terms, $lexicon, $words);
        $this->polarity = new Polarity($words, $terms);
        $this->tables = new TableAnswers($terms, $this->likeness, $words);
        $this->spoken = new Spoken;
        $this->days = new Days($words);
    }

    /**
     * @param iterable<Document> $documents
     * @param list<string> $own the business's own words for the same thing, a ring a line
     */
    public static function over(iterable $documents, array $own = []): self
    {
        $words = Vocabulary::of();
        $terms = new Terms($words, $own);

        return new self(new MemoryShelf($documents, $terms), $terms, $words, new Lexicon($words), Understanding::in());
    }

    /** @param string $before what is already known in the call: 'mini digger', for questions that say 'it' */
    public function answer(string $said, \DateTimeImmutable $now, string $country = 'GB', string $before = ''): Answer
    {
        $answer = $this->answered($said, $now, $country, $before);

        // What is known of the call helps where it is meant; where it only gets in the way, the words stand alone.
        return $before !== '' && $answer->refusal === Answer::NOT_COVERED ? $this->answered($said, $now, $country, '') : $answer;
    }

    private function answered(string $said, \DateTimeImmutable $now, string $country, string $before): Answer
    {
        $question = $this->questions->read($said, $now, $country, $before);
        if (! $question->substantial()) {
            return $this->refused($question, Answer::NOT_COVERED, []);
        }
        $candidates = $this->candidates($question);
        if ($question->offTopic && ($candidates === [] || $candidates[0]->cover < 0.85)) {
            return $this->refused($question, Answer::OFF_TOPIC, $candidates);
        }
        $best = null;
        foreach ($candidates as $one) {
            if ($this->covers($one) && $one->score >= $candidates[0]->score - 0.2) {
                $best = $one;

                break;
            }
        }
        if ($best === null) {
            $which = $this->which($question, $candidates);

            return $which ?? $this->refused($question, Answer::NOT_COVERED, $candidates);
        }
        // A price for a length of time stands in the table that has such a column, not in a sentence that names a sum beside the thing.
        if ($question->span !== null && $question->kind === 'price' && ! str_contains($best->sentence, ' | ')) {
            $floor = $best->score - 0.08;
            $rows = array_values(array_filter($candidates, fn (Candidate $one): bool => str_contains($one->sentence, ' | ') && $this->covers($one) && $one->score >= $floor));
            $which = count($rows) > 1 ? $this->which($question, $candidates) : null;
            if ($which !== null) {
                return $which;
            }
            $best = $rows[0] ?? $best;
        }
        $rival = $this->contradiction($question, $best, $candidates);
        if ($rival !== null && ($which = $this->rows($best, $candidates)) !== null) {
            return $which;
        }
        if ($rival !== null) {
            return new Answer(false, 'I am not sure: I have two different answers to that. I can have somebody call you about it.', null, $best->score * 0.5, Answer::NOT_SURE, $candidates);
        }

        return new Answer(true, $best->text, $best->place, round(min(0.99, $best->score), 2), null, $candidates, $best->more, [], $best->leadsTo);
    }

    private function covers(Candidate $one): bool
    {
        return $one->cover >= self::COVERED && $one->key >= self::KEY && ($one->fits || $one->cover >= 0.8 && ! str_contains($one->sentence, ' | '));
    }

    /** @return list<Candidate> the likeliest first */
    private function candidates(Question $question): array
    {
        $found = $this->tables->candidates($question, $this->shelf->tables());
        $ranked = $this->ranked($question);
        $top = $ranked === [] ? 1.0 : max(0.001, ...array_values($ranked));
        $this->shelf->prepare(array_keys($ranked));
        foreach ($ranked as $id => $rank) {
            $one = $this->best($question, $this->shelf->passage($id), $rank / $top);
            if ($one !== null) {
                $found[] = $one;
            }
        }
        usort($found, static fn (Candidate $a, Candidate $b): int => $b->score <=> $a->score);

        return array_slice($found, 0, 8);
    }

    /** @return array<int, float> passage => BM25 score, best first */
    private function ranked(Question $question): array
    {
        $scores = [];
        $n = $this->shelf->count();
        $average = max(1.0, $this->shelf->averageLength());
        foreach ($question->units as $unit) {
            $keys = [[$unit['stem'], 1.0]];
            foreach ($unit['rings'] as $ring) {
                $keys[] = ['~'.$ring, 0.75];
            }
            foreach ($unit['near'] as $stem => $likely) {
                $keys[] = [(string) $stem, $likely];
            }
            $here = [];
            foreach ($keys as [$key, $share]) {
                $postings = $this->shelf->postings($key);
                $df = $this->shelf->spread($key);
                if ($df === 0) {
                    continue;
                }
                $idf = log(1 + ($n - $df + 0.5) / ($df + 0.5));
                foreach ($postings as $id => $tf) {
                    $score = $share * $idf * $tf * (self::K1 + 1) / ($tf + self::K1 * (1 - self::B + self::B * $this->shelf->length($id) / $average));
                    $here[$id] = max($here[$id] ?? 0.0, $score);
                }
            }
            foreach ($here as $id => $score) {
                $scores[$id] = ($scores[$id] ?? 0.0) + $unit['weight'] * $score;
            }
        }
        if ($n <= self::ALL) {
            // Of few passages every one is looked at, whatever words it shares.
            foreach ($this->shelf->ids() as $id) {
                $scores[$id] ??= 0.0;
            }
        }
        arsort($scores);

        return array_slice($scores, 0, max(self::PASSAGES, $n <= self::ALL ? $n : 0), true);
    }

    /** The sentence of a passage that answers best. */
    private function best(Question $question, Passage $passage, float $rank): ?Candidate
    {
        $above = implode('. ', $passage->path).'. '.MemoryShelf::name($passage->source);
        $best = null;
        $n = count($passage->sentences);
        $demand = $this->demand($question);
        $headed = $this->likeness->of($question, [[$passage->heading, 1.0]]);
        $about = $this->headingFits($question, $passage->heading);
        for ($i = 0; $i < $n; $i++) {
            $sentence = $passage->sentences[$i];
            $texts = [[$sentence, 1.0], [$passage->heading, $passage->kind === 'qa' ? 0.97 : 0.93], [$above, 0.8]];
            if ($i > 0) {
                $texts[] = [$passage->sentences[$i - 1], $this->spoken->goesOn($sentence) ? 0.85 : 0.5];
            }
            if (isset($passage->sentences[$i + 1])) {
                $texts[] = [$passage->sentences[$i + 1], 0.45];
            }
            $texts[] = [$passage->text(), 0.4];
            $fit = $this->likeness->of($question, $texts);
            $own = $this->likeness->of($question, [[$sentence, 1.0]]);
            $fits = $demand === null || preg_match('~'.$demand.'~iu', $sentence) === 1;
            $score = 0.6 * $fit['cover'] + 0.24 * $own['cover'] + 0.06 * $rank + ($demand === null ? 0.05 : ($fits ? 0.13 : -0.12)) + ($i === 0 ? 0.02 : 0.0) + ($passage->kind === 'qa' ? 0.16 * $headed['cover'] - ($i > 1 ? 0.03 : 0.0) : 0.0);
            $score += $about;
            $score += $this->manner($question, $sentence);
            if ($question->months !== []) {
                $months = $this->days->months($sentence);
                $score += $months === [] ? 0.0 : (array_diff($question->months, $months) === [] ? 0.12 : -0.06);
            }
            if ($question->days !== []) {
                $days = $this->days->in($sentence);
                $score += $days === [] ? 0.0 : (array_diff($question->days, $days) === [] ? (count($days) === 7 ? 0.08 : 0.14) : -0.06);
            }
            if ($best === null || $score > $best[0]) {
                $best = [$score, $i, $fit, $fits];
            }
        }
        if ($best === null || $best[2]['matched'] === []) {
            return null;
        }
        [$score, $i, $fit, $fits] = $best;
        // A written question is answered from the beginning of its answer.
        $from = $passage->kind === 'qa' && $headed['cover'] >= 0.5 ? 0 : $i;
        if ($from === $i && $i > 0 && $this->spoken->goesOn($passage->sentences[$i])) {
            $from--;
        }
        [$text, $more] = $this->spoken->cut($passage->sentences, $from, max(1, $i - $from + 1, $passage->kind === 'qa' ? 2 : 1));
        if (preg_match('/:$/', $text) === 1) {
            [$text, $more] = $this->spoken->cut($passage->sentences, $from, 4);
        }
        $text = $this->headed($passage, $text);
        $text .= $this->sum($question, $passage->sentences[$i]);
        if ($question->yesNo()) {
            $yes = $this->polarity->of($question, $passage->sentences[$i]);
            $text = $yes === null ? $text : ($yes ? 'Yes. ' : 'No. ').$text;
        }

        return new Candidate($passage->source, $passage->place(), $fit['cover'], $score, $fit['matched'], $fit['lacking'], $text, $more, $passage->leadsTo, $passage->sentences[$i], $fits, $fit['key']);
    }

    /** Sentences that say it in the manner of the question: 'lasts four months' to how long, 'if you are ill, ring …' to what do I do. */
    private function manner(Question $question, string $sentence): float
    {
        return match (true) {
            $question->kind === 'howlong' && preg_match('/\b(?:lasts?|takes?|within|up to|for|valid|until|between|done)\b/i', $sentence) === 1 => 0.04,
            ($question->kind === 'how' || preg_match('/^what (?:do|should|must|happens|if|can)\b/i', $question->asked) === 1) && preg_match('/^(?:if|when|please|ring|call|tell|ask|send|bring|use|contact|go|come|fill|write|email|first|to)\b|\b(?:must|should|please|you can|you need)\b/i', $sentence) === 1 => 0.07,
            $question->kind === 'who' && preg_match('/\b(?:manager|head|team|owner|doctor|staff|director|teacher|nurse|driver|engineer|we|our|by|[A-Z]\w+ [A-Z]\w+)\b/', $sentence) === 1 => 0.03,
            default => 0.0,
        };
    }

    /** What a rate comes to for the length that was asked about: '£104 a night' for three nights. */
    private function sum(Question $question, string $sentence): string
    {
        if (! in_array($question->kind, ['price', 'amount', 'what'], true) || $question->span === null || $question->span < 1.5 || preg_match('/([£$€])\s?(\d+(?:,\d{3})*(?:\.\d\d)?)\s?(?:a|per|each|\/)\s?(night|day|week|month)\b/u', $sentence, $m) !== 1) {
            return '';
        }
        $length = ['night' => 1, 'day' => 1, 'week' => 7, 'month' => 30][$m[3]];
        $times = $question->span / $length;
        if (abs($times - round($times)) > 0.01 || round($times) < 2) {
            return '';
        }
        $amount = (float) str_replace(',', '', $m[2]) * round($times);

        return sprintf(' That is %s%s for %d %ss.', $m[1], number_format($amount, fmod($amount, 1.0) < 0.005 ? 0 : 2), (int) round($times), $m[3]);
    }

    /** A heading that is all about the question speaks for its passage; one about something else speaks against it. */
    private function headingFits(Question $question, string $heading): float
    {
        $stems = array_fill_keys(array_column($question->units, 'stem'), true);
        $rings = array_fill_keys(array_merge([], ...array_column($question->units, 'rings')), true);
        $hit = 0;
        $of = 0;
        foreach ($this->terms->of($heading) as $unit) {
            if ($unit['generic'] || $unit['number']) {
                continue;
            }
            $of++;
            $hit += isset($stems[$unit['stem']]) || array_intersect_key($rings, array_flip($unit['rings'])) !== [] ? 1 : 0;
        }

        return $of === 0 ? 0.0 : ($hit === $of ? 0.05 : ($hit === 0 ? -0.03 : 0.0));
    }

    /** An item of a list, or a bare value, says what it is of. */
    private function headed(Passage $passage, string $text): string
    {
        if ($passage->heading === '' || $passage->kind === 'qa' || str_word_count($text) > 5 || preg_match('/\b(?:is|are|we|you|can|will|must|have|has)\b/i', $text) === 1) {
            return $text;
        }

        return rtrim($passage->heading, ':.').': '.$text;
    }

    /** What kind of words the answer must hold. */
    private function demand(Question $question): ?string
    {
        $units = $this->words->section('knowledge', 'units');

        return match ($question->kind) {
            'price' => $units['money'],
            'amount' => $units['money'].'|'.$units['number'].'|'.$units['duration'],
            'when' => $units['time'].'|'.$units['duration'],
            'clock' => $units['clock'],
            'age' => $units['age'],
            'howlong' => $units['duration'],
            'howoften' => $units['often'],
            'where' => $units['place'],
            'number' => $units['number'],
            default => null,
        };
    }

    /**
     * Another passage that says the same of the same thing with another value.
     *
     * @param list<Candidate> $candidates
     */
    private function contradiction(Question $question, Candidate $best, array $candidates): ?Candidate
    {
        if (! in_array($question->kind, ['price', 'amount', 'when', 'clock', 'howlong', 'number'], true)) {
            return null;
        }
        $values = $this->values($best->sentence);
        $about = $this->about($best->sentence);
        foreach (array_slice($candidates, 1) as $other) {
            if ($other->place === $best->place || ! $this->covers($other) || $other->score < $best->score - 0.08 || abs($other->cover - $best->cover) > 0.12) {
                continue;
            }
            $theirs = $this->values($other->sentence);
            if ($values === [] || $theirs === [] || array_intersect($values, $theirs) !== []) {
                continue;
            }
            $shared = count(array_intersect_key($about, $this->about($other->sentence)));
            $all = count($about + $this->about($other->sentence));
            if ($all > 0 && $shared / $all >= 0.6) {
                return $other;
            }
        }

        return null;
    }

    /** @return list<string> */
    private function values(string $sentence): array
    {
        preg_match_all('/[£$€]?\s?\d+(?:[.,:]\d+)*\s?%?/u', $sentence, $found);

        return array_values(array_unique(array_map(static fn (string $one): string => trim(str_replace([' ', ','], '', $one)), $found[0])));
    }

    /** @return array<string, true> */
    private function about(string $sentence): array
    {
        $stems = [];
        foreach ($this->terms->of($sentence) as $unit) {
            if (! $unit['number'] && ! $unit['generic']) {
                $stems[$unit['stem']] = true;
            }
        }

        return $stems;
    }

    /**
     * Where a table is plainly meant and the question does not say which row: asks which.
     *
     * @param list<Candidate> $candidates
     */
    private function which(Question $question, array $candidates): ?Answer
    {
        if (! in_array($question->kind, ['price', 'amount', 'howlong', 'number', 'when'], true)) {
            return null;
        }
        $open = $this->tables->open($question, $this->shelf->tables());
        if ($open === null || $open[2] < 0.72 || count($open[1]) < 2) {
            return null;
        }
        $names = array_slice($open[1], 0, 4);
        $last = array_pop($names);
        $text = count($open[1]) > 4 ? 'Which one do you mean? For example '.implode(', ', $names).' or '.$last.'.' : 'Which one: '.implode(', ', $names).' or '.$last.'?';

        return new Answer(false, $text, $open[0]->place(), 0.5, Answer::WHICH, $candidates, [], $open[1]);
    }

    /**
     * Rows of one table that fit alike are several things, not two answers: which is meant?
     *
     * @param list<Candidate> $candidates
     */
    private function rows(Candidate $best, array $candidates): ?Answer
    {
        $names = [];
        foreach ($candidates as $one) {
            $label = (string) substr((string) strrchr($one->place, '#'), 1);
            if (str_contains($one->sentence, ' | ') && $one->source === $best->source && $label !== '' && $one->score >= $best->score - 0.02) {
                $names[$label] = lcfirst($label);
            }
        }
        if (! str_contains($best->sentence, ' | ') || count($names) < 2) {
            return null;
        }
        $names = array_values($names);
        $some = array_slice($names, 0, 4);
        $last = array_pop($some);

        return new Answer(false, (count($names) > 4 ? 'Which one do you mean? For example ' : 'Which one: ').implode(', ', $some).' or '.$last.(count($names) > 4 ? '.' : '?'), $best->place, 0.5, Answer::WHICH, $candidates, [], $names);
    }

    /** @param list<Candidate> $candidates */
    private function refused(Question $question, string $why, array $candidates): Answer
    {
        return new Answer(false, $why === Answer::OFF_TOPIC ? 'That is not something I can help with here.' : 'I do not have that here, I am afraid. I can have somebody call you about it.', null, round(1 - min(1.0, $candidates[0]->cover ?? 0.0), 2), $why, $candidates);
    }
}
