<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Knowledge\Ranking\Certainty;
use Ringo\Knowledge\Ranking\Ranker;
use Ringo\Knowledge\Ranking\Reading;
use Ringo\Knowledge\Speaking\AskingBack;
use Ringo\Knowledge\Speaking\RowPrices;
use Ringo\Knowledge\Speaking\Speaker;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Understanding;

/**
 * Answers from what a business has written, asks back once, or says that it does not know.
 *
 * Passages and tables are found by their words and cut into units; a trained model ranks the units, another says how sure that is. Where
 * the first is likely right it is said; where one of the first three likely is, the caller is asked which; else nothing is invented.
 *
 * @phpstan-import-type Spoken from Certainty
 */
final class Answerer
{
    /** Candidates that are shown to whoever looks into it. */
    private const SHOWN = 8;

    /** Where the second is about as likely as the first, the caller is asked. */
    private const LEVEL = 0.7;

    /** Share of a question that must be met for anything to be said to it; less may still be asked about. */
    private const SOMETHING = 0.15;

    /** A word of this weight is what a question is about. */
    private const ABOUT = 0.5;

    /** What is written goes with a question from this likeness of questions and answers on. */
    private const GOES_WITH = 0.15;

    /** What speaks for a row is at least this, where the question chooses it. */
    private const CHOSEN = 0.1;

    /** Readings much less likely than the first are not offered beside it. */
    private const WORTH_OFFERING = 0.06;

    /** Reasons that are told, and how much one must count. */
    private const REASONS = 4;

    private const COUNTS = 0.3;

    /** A word met less than this is lacking. */
    private const MET = 0.4;

    /** What is plainly no matter of a business is answered only where the words are all there. */
    private const OFF_TOPIC_COVER = 0.85;

    private readonly QuestionReader $questions;

    private readonly Search $search;

    private readonly Ranker $ranker;

    private readonly Speaker $speaker;

    private readonly RowPrices $prices;

    private readonly Contradictions $contradictions;

    public function __construct(Shelf $shelf, private readonly Terms $terms, private readonly Vocabulary $words, Lexicon $lexicon, Understanding $understanding)
    {
        $this->questions = new QuestionReader($terms, $shelf, $words, $lexicon, $understanding);
        $this->search = new Search($shelf, $terms, $words, $lexicon);
        $this->ranker = Ranker::english();
        $this->speaker = new Speaker(new Polarity($words, $terms));
        $this->prices = new RowPrices($terms);
        $this->contradictions = new Contradictions($terms);
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
        if ($before === '') {
            return $answer;
        }
        $answer = $this->known($answer, $before);
        // What is known of the call helps where it is meant; where it only gets in the way, or is all that speaks for an answer, the words stand alone.
        $stands = $answer->refusal !== Answer::NOT_COVERED && (! $answer->answered || $this->asked($this->questions->read($said, $now, $country), $answer));

        return $stands ? $answer : $this->answered($said, $now, $country, '');
    }

    /** Whether an answer meets a word of the question, or is of the kind it asks for: 'how much is it'. */
    private function asked(Question $alone, Answer $answer): bool
    {
        foreach ($answer->candidates as $candidate) {
            if ($candidate->place === $answer->source && $candidate->text === $answer->text) {
                return array_intersect($candidate->matched, array_column($alone->units, 'word')) !== [] || $alone->wantsValue() && $candidate->fits;
            }
        }

        return true;
    }

    /** Where it would be asked which is meant, and what is known of the call names one of them and no other, that one is told. */
    private function known(Answer $answer, string $before): Answer
    {
        if ($answer->refusal !== Answer::WHICH || $before === '' || $answer->offers === []) {
            return $answer;
        }
        $known = array_filter($this->terms->of($before), static fn (array $unit): bool => ! $unit['generic'] && ! $unit['number']);
        $named = array_filter(
            $answer->offers,
            fn (array $offer): bool => array_intersect(array_column($known, 'stem'), array_column($this->terms->of($offer['label']), 'stem')) !== [],
        );
        $one = count($named) === 1 && count($answer->offers) > 1 ? array_values($named)[0] : null;
        $sure = max($answer->confidence, Ranker::trained()['thresholds']['sure']);
        if ($one !== null) {
            return new Answer(true, $one['text'], $one['source'], $sure, null, $answer->candidates, $one['more']);
        }
        $better = $this->meetsMore($answer->candidates, array_column($known, 'word'));

        return $better === null ? $answer : new Answer(true, $better->text, $better->place, $sure, null, $answer->candidates, $better->more, [], $better->leadsTo);
    }

    /**
     * What meets all that the likeliest meets of the question, and what is known of the call besides: 'what is the deposit', after a mini
     * digger was named.
     *
     * @param list<Candidate> $candidates
     * @param list<string> $known words
     */
    private function meetsMore(array $candidates, array $known): ?Candidate
    {
        $top = $candidates[0] ?? null;
        if ($top === null || array_diff($top->matched, $known) === [] || array_intersect($top->matched, $known) !== []) {
            return null;
        }
        foreach ($candidates as $candidate) {
            if (array_diff($top->matched, $candidate->matched) === [] && array_intersect($candidate->matched, $known) !== []) {
                return $candidate;
            }
        }

        return null;
    }

    private function answered(string $said, \DateTimeImmutable $now, string $country, string $before): Answer
    {
        $question = $this->questions->read($said, $now, $country, $before);
        if (! $question->substantial()) {
            return $this->refused(Answer::NOT_COVERED, []);
        }
        $readings = $this->search->readings($question);
        $chances = $this->ranker->chances($readings);
        $top = Certainty::distinct($question, $readings, $chances, $this->speaker);
        $candidates = $this->candidates($question, $readings, $chances, $top);
        if ($top === []) {
            return $this->refused(Answer::NOT_COVERED, $candidates);
        }
        if ($question->offTopic && $readings[$top[0]['place']]->features['all_like'] < self::OFF_TOPIC_COVER) {
            return $this->refused(Answer::OFF_TOPIC, $candidates);
        }
        $trained = Ranker::trained();
        $figures = Certainty::of($question, $readings, $this->ranker, $top);
        $sure = Certainty::chance($trained['certainty']['first'], $figures);
        $covered = Certainty::chance($trained['certainty']['covered'], $figures);
        if ($this->contradictions->among($question, $top, $readings)) {
            return new Answer(false, 'I am not sure: I have two different answers to that. I can have somebody call you about it.', null, round($sure * 0.5, 2), Answer::NOT_SURE, $candidates);
        }
        $prices = $covered >= $trained['thresholds']['covered'] ? $this->prices->of($question, $readings, $chances) : null;
        if ($prices !== null && ! $this->nothingOf($readings[$prices[1]])) {
            $unit = $readings[$prices[1]]->unit;

            return new Answer(true, $prices[0], $unit->where(), round(max($sure, $prices[2]), 2), null, $candidates, [], [], $unit->passage->leadsTo);
        }
        if ($sure >= $trained['thresholds']['sure'] && $covered >= $trained['thresholds']['covered'] && ! $this->level($top, $readings) && ! $this->nothingOf($readings[$top[0]['place']])) {
            return $this->said($readings, $top[0], $sure, $candidates);
        }
        if (Certainty::chance($trained['certainty']['three'], $figures) >= $trained['thresholds']['worth'] && $covered >= $trained['thresholds']['worth_covered'] && ! $this->strange($readings[$top[0]['place']], $figures)) {
            $likely = array_values(array_filter($top, static fn (array $one): bool => $one['chance'] >= self::WORTH_OFFERING * $top[0]['chance']));
            if ((count($likely) === 1 || $this->contradictions->agree($question, $likely)) && $sure >= $trained['thresholds']['alone'] && $covered >= $trained['thresholds']['alone_covered']) {
                return $this->said($readings, $top[0], $sure, $candidates);
            }
            $asking = new AskingBack($this->words, $readings);
            $offers = $asking->offers($likely === [] ? $top : $likely);

            return new Answer(false, $asking->question($offers), $readings[$top[0]['place']]->unit->where(), round($sure, 2), Answer::WHICH, $candidates, [], array_column($offers, 'label'), null, $offers);
        }

        return $this->refused(Answer::NOT_COVERED, $candidates);
    }

    /** Whether nothing of the question is met: no word, no day, no figure. */
    private function nothingOf(Reading $reading): bool
    {
        $facts = array_sum(array_intersect_key($reading->features, array_flip(['day_right', 'month_right', 'range_right', 'row_figure', 'telephone_wanted'])));

        return $reading->features['all_like'] < self::SOMETHING && $facts <= 0.0;
    }

    /**
     * Whether the question is about a word that nothing written resembles, and is not answered so elsewhere either: 'do you sell boats'
     * where no boat is written of is not even asked about.
     *
     * @param array<string, float> $figures as Certainty has them
     */
    private function strange(Reading $reading, array $figures): bool
    {
        return ($figures['unknown'] ?? 0.0) >= self::ABOUT && max($reading->features['paired_own'], $reading->features['paired_heading']) < self::GOES_WITH;
    }

    /**
     * Whether the first two are about as likely, or are rows of one table between which nothing in the question chooses.
     *
     * @param list<Spoken> $top
     * @param list<Reading> $readings
     */
    private function level(array $top, array $readings): bool
    {
        if (! isset($top[1])) {
            return false;
        }
        [$one, $other] = [$readings[$top[0]['place']], $readings[$top[1]['place']]];
        // What both rows have, as the day their column is of, chooses neither.
        $chosen = 0.0;
        foreach (['lead', 'day_right', 'month_right', 'range_right', 'row_figure', 'clock_right', 'part_right'] as $name) {
            $chosen += max(0.0, ($one->features[$name] ?? 0.0) - ($other->features[$name] ?? 0.0));
        }

        return $top[1]['chance'] >= self::LEVEL * $top[0]['chance'] || $one->unit->table !== null && $one->unit->passage === $other->unit->passage && $one->unit->lead !== $other->unit->lead && $chosen < self::CHOSEN;
    }

    /**
     * @param list<Reading> $readings
     * @param Spoken $one
     * @param list<Candidate> $candidates
     */
    private function said(array $readings, array $one, float $sure, array $candidates): Answer
    {
        $unit = $readings[$one['place']]->unit;

        return new Answer(true, $one['text'], $unit->where(), round($sure, 2), null, $candidates, $one['more'], [], $unit->passage->leadsTo);
    }

    /**
     * What was thought of, for whoever looks into it.
     *
     * @param list<Reading> $readings
     * @param array<int, float> $chances
     * @param list<Spoken> $top
     *
     * @return list<Candidate> the likeliest first
     */
    private function candidates(Question $question, array $readings, array $chances, array $top): array
    {
        $said = array_column($top, 'text', 'place');
        $candidates = [];
        foreach (array_slice(array_column($top, 'chance', 'place') + $chances, 0, self::SHOWN + count($top), true) as $place => $chance) {
            $reading = $readings[$place];
            $matched = [];
            $lacking = [];
            foreach ($question->units as $q => $unit) {
                $reading->met[$q] >= self::MET ? $matched[] = $unit['word'] : ($unit['weight'] > 0.2 ? $lacking[] = $unit['word'] : null);
            }
            $text = $said[$place] ?? $this->speaker->say($question, $reading->unit, $reading->features['own_plain'])[0];
            $key = $reading->unit->where().$text;
            if (isset($candidates[$key])) {
                continue;
            }
            $candidates[$key] = new Candidate($reading->unit->passage->source, $reading->unit->where(), $reading->features['all_like'], $chance, $matched, $lacking, $text, [], $reading->unit->passage->leadsTo, $reading->unit->text, $reading->features['type_missing'] < 1.0, $reading->features['first_word'], $this->why($reading));
        }
        $candidates = array_values($candidates);
        usort($candidates, static fn (Candidate $a, Candidate $b): int => $b->score <=> $a->score);

        return array_slice($candidates, 0, self::SHOWN);
    }

    /** What spoke most for and against it, in words. */
    private function why(Reading $reading): string
    {
        $parts = [];
        foreach ($reading->features as $name => $value) {
            $weighs = $value * ($this->ranker->weights[$name] ?? 0.0);
            if (abs($weighs) >= self::COUNTS) {
                $parts[(string) ($this->words->section('answer_features', 'words')[$name] ?? str_replace('_', ' ', $name))] = $weighs;
            }
        }
        uasort($parts, static fn (float $a, float $b): int => abs($b) <=> abs($a));

        return implode(', ', array_map(static fn (string $name, float $weighs): string => sprintf('%s %+.1f', $name, $weighs), array_keys(array_slice($parts, 0, self::REASONS, true)), array_slice($parts, 0, self::REASONS, true)));
    }

    /** @param list<Candidate> $candidates */
    private function refused(string $why, array $candidates): Answer
    {
        return new Answer(false, $why === Answer::OFF_TOPIC ? 'That is not something I can help with here.' : 'I do not have that here, I am afraid. I can have somebody call you about it.', null, round(1 - min(1.0, $candidates[0]->cover ?? 0.0), 2), $why, $candidates);
    }
}
