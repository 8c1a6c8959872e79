<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Extraction\Weighing\Anchors;
use Ringo\Extraction\Weighing\Candidates;
use Ringo\Extraction\Weighing\Chooser;
use Ringo\Extraction\Weighing\Gate;
use Ringo\Extraction\Weighing\Links;
use Ringo\Extraction\Weighing\Meant;
use Ringo\Extraction\Weighing\Moments;
use Ringo\Extraction\Weighing\Scene;
use Ringo\Extraction\Weighing\Settler;
use Ringo\Extraction\Weighing\Signs;
use Ringo\Extraction\Weighing\Spoken;
use Ringo\Extraction\Weighing\Surroundings;
use Ringo\Extraction\Weighing\Weights;
use Ringo\Fit\Meaning;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Language\WordVectors;
use Ringo\Numbering\NumberingPlan;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Display;
use Ringo\Transcript\Transcript;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\YesNo\Model;
use Ringo\Value\ValueType;

/**
 * Reads a record out of any transcript, whoever held the call.
 *
 * A call is read as exchanges: what the other side asked, stated or offered, and what the caller said to it. Only what the caller
 * said or agreed to is a value; the last valid one stands.
 */
final class Extractor
{
    private readonly Vocabulary $words;

    private readonly Exchanges $exchanges;

    private readonly Questions $questions;

    private readonly Readings $readings;

    private readonly Answered $answered;

    private readonly Stated $stated;

    private readonly Volunteered $volunteered;

    private readonly KeyedChoice $keyed;

    private readonly TakenBack $takenBack;

    private readonly FreeText $freeText;

    private readonly Candidates $candidates;

    private readonly Settler $settler;

    private readonly Inferred $inferred;

    private readonly Display $display;

    private readonly Story $story;

    /** @var array<string, list<FieldProfile>> by country */
    private array $profiles = [];

    private readonly Profiler $profiler;

    public function __construct(private readonly RecordSheet $sheet, private readonly Understanding $understanding, private readonly Lexicon $lexicon, private readonly NumberingPlan $plan = new NumberingPlan)
    {
        $words = $understanding->words;
        $this->words = $words;
        $this->profiler = new Profiler($words);
        $this->readings = new Readings($understanding, $words);
        $this->questions = new Questions($words, $lexicon);
        $this->exchanges = new Exchanges($understanding, $words);
        $options = new Options($this->readings, $words);
        $yesNo = new YesNoAnswers($this->readings, $this->questions, $understanding, $words);
        $this->answered = new Answered($this->readings, $this->questions, $understanding, $words, $options, $yesNo);
        $this->stated = new Stated($this->readings, $this->questions, $words);
        $this->volunteered = new Volunteered($this->readings, $this->questions, $words, $yesNo, $options);
        $this->takenBack = new TakenBack($this->readings, $this->questions, $words);
        $this->display = new Display($words, $plan);
        $this->story = new Story($sheet, $words);
        $this->keyed = new KeyedChoice($this->readings, $options);
        $this->inferred = new Inferred($words, $lexicon, $options);
        $links = new Links($this->questions, $lexicon, WordVectors::english());
        $signs = new Signs($links, $this->readings, $words);
        $spoken = new Spoken($this->readings, $this->questions, $signs, new Surroundings($this->readings, $this->questions, $words), new Anchors($this->readings), $words, new Gate($words));
        $this->candidates = new Candidates($spoken, new Moments($this->readings, $signs), new Meant($this->readings, $signs, $understanding, Model::english(), Meaning::english(), $links));
        $this->settler = new Settler($this->candidates, new Chooser(Weights::english()), $this->readings);
        $this->freeText = new FreeText($this->readings, $this->questions, $words);
    }

    public static function for(RecordSheet $sheet): self
    {
        $words = Vocabulary::of();

        return new self($sheet, Understanding::in(), new Lexicon($words));
    }

    /** For another sheet, over the same word tables: they are large, and loaded once. */
    public function with(RecordSheet $sheet): self
    {
        return new self($sheet, $this->understanding, $this->lexicon, $this->plan);
    }

    public function extract(Transcript $transcript, ?string $outcome = null): Record
    {
        [$hearing, $exchanges] = $this->heard($transcript);
        $this->settler->settle($hearing);
        $this->doubts($hearing);

        return $this->record($hearing, $exchanges, $outcome);
    }

    /** @return array<string, list<Weighing\Candidate>> all values each field of the call might have, for the training of what they count */
    public function candidates(Transcript $transcript): array
    {
        return $this->candidates->of(Scene::of($this->heard($transcript)[0], $this->readings));
    }

    /** @return array{Hearing, list<Exchange>} the call read turn by turn */
    private function heard(Transcript $transcript): array
    {
        $country = $transcript->country;
        $fields = $this->profiles[$country] ??= $this->profiler->profiles($this->sheet, $country);
        $hearing = new Hearing($transcript, $fields);
        $exchanges = $this->exchanges->of($transcript);
        foreach ($exchanges as $exchange) {
            $this->hear($hearing, $exchange);
        }
        $this->inferred->fill($hearing, $exchanges);
        $this->freeText->fill($hearing, $exchanges);
        $this->forWhom($hearing);

        return [$hearing, $exchanges];
    }

    private function hear(Hearing $hearing, Exchange $exchange): void
    {
        $this->stated->deny($hearing, $exchange);
        $this->stated->grant($hearing, $exchange);
        if ($exchange->heard->all === []) {
            $this->stated->close($hearing, $exchange);

            return;
        }
        if (! $exchange->goesOn) {
            $asked = $this->questions->asked($exchange->asked, $hearing->fields, $hearing->lastSaid);
            if ($asked === []) {
                $asked = $this->questions->byKind($exchange->asked, array_values(array_filter($hearing->fields, static fn (FieldProfile $field): bool => $hearing->unanswered($field->key()))));
            }
            // A question that a side question got in the way of stays open while nothing else is asked.
            $hearing->open = $asked === [] && ! str_contains($exchange->asked, '?') ? array_map(static fn (array $one): array => ['score' => 0.5] + $one, array_filter($hearing->open, static fn (array $one, string $key): bool => $one['last'] && $hearing->unanswered($key), ARRAY_FILTER_USE_BOTH)) : $asked;
            $hearing->pieces = '';
        }
        $hearing->consumed = [];
        $this->setting($hearing, $exchange);
        $reaction = $this->readings->reaction($exchange->heard, $hearing->now);
        if ($this->keyed->read($hearing, $exchange, $reaction) !== []) {
            $hearing->lastSaid = $exchange->heard->original;

            return;
        }
        $settled = $this->stated->settle($hearing, $exchange, $reaction);
        $settled = [...$settled, ...$this->takenBack->mend($hearing, $exchange, $reaction, $settled)];
        $settled = [...$settled, ...$this->answered->read($hearing, $exchange, $reaction, $settled)];
        $this->volunteered->read($hearing, $exchange, $settled);
        $hearing->lastSaid = $exchange->heard->original;
        $hearing->pieces = trim($hearing->pieces.' '.$exchange->heard->original);
    }

    /** What the talk has come to: next week, evenings. */
    private function setting(Hearing $hearing, Exchange $exchange): void
    {
        $both = $exchange->asked.' '.$exchange->heard->original;
        if (preg_match('/\bnext (?:week|(?:mon|tues|wednes|thurs|fri|satur|sun)day)\b/i', $both) === 1) {
            $hearing->nextWeek = true;
        } elseif (preg_match('/\bthis week\b|\btomorrow\b|\btoday\b/i', $both) === 1) {
            $hearing->nextWeek = false;
        }
        // A month without a day sets the month of the days that follow.
        foreach ([$exchange->asked, $exchange->heard->original] as $text) {
            if (preg_match_all('/\b(?:in|for|during|mid|early|late|of|this|next|end of|beginning of|start of|middle of) (jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)(?:uary|ruary|ch|il|e|y|ust|t|tember|ober|ember)?\b(?! ?\d)/i', $text, $m) > 0) {
                $hearing->year = null;
                $hearing->month = 1 + (int) array_search(strtolower((string) end($m[1])), ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'], true);
            }
        }
        foreach ([$exchange->asked, $exchange->heard->original] as $text) {
            $named = preg_match('/\b(?:january|february|march|april|may|june|july|august|september|october|november|december)\b/i', $text) === 1 ? $this->readings->plain(ValueType::Date, $this->readings->hear($text), $hearing->now, $hearing->transcript->country, false)->value : null;
            if (is_string($named) && $named >= $hearing->now->format('Y-m-d') && $named <= $hearing->now->modify('+2 years')->format('Y-m-d')) {
                [$hearing->year, $hearing->month] = [(int) substr($named, 0, 4), (int) substr($named, 5, 2)];
            }
        }
        if (! $hearing->timed) {
            return;
        }
        foreach ([$exchange->asked, $exchange->heard->original] as $text) {
            $day = $this->readings->plain(ValueType::Date, $this->readings->hear($text), $hearing->now, $hearing->transcript->country, false)->value;
            if (is_string($day) && $day >= $hearing->now->format('Y-m-d')) {
                $hearing->lastDay = $day;
            }
        }
        if (preg_match('/\b(?:as early as|first thing|early as possible|earliest|bright and early|early in the (?:day|morning))\b/i', $exchange->heard->original) === 1) {
            $hearing->lastTime = '08:00';
        }
        foreach ([$exchange->asked, $exchange->heard->original] as $text) {
            $time = $this->readings->plain(ValueType::Time, $this->readings->hear($text), $hearing->now, $hearing->transcript->country, true);
            if (is_string($time->value) && ($hearing->lastTime === null || preg_match('/\b[ap]\.?\s?m\b|\d\s?[ap]m\b|morning|afternoon|evening|night/i', $text) === 1) && preg_match('/\b(open|close|shut|closes|opens)\b/i', $text) !== 1
                && (preg_match('/\b[ap]\.?\s?m\b|\d\s?[ap]m\b|morning|afternoon|evening|night/i', $text) === 1 || in_array((int) substr($time->value, 0, 2), [12, 13, 14, 15, 16, 17, 18], true))) {
                $hearing->lastTime = $time->value;
            }
        }
    }

    /** Where one name is for whoever rings 'if for somebody else', and nobody else was spoken of, whoever rang is the other one. */
    private function forWhom(Hearing $hearing): void
    {
        $names = array_values(array_filter($hearing->fields, static fn (FieldProfile $field): bool => $field->type === ValueType::PersonName && $field->namePart === null));
        if (count($names) !== 2) {
            return;
        }
        foreach ([[0, 1], [1, 0]] as [$i, $k]) {
            $only = $names[$i];
            $main = $names[$k];
            $claim = $hearing->ledger->of($only->key());
            if (preg_match('/\b(?:if|when|unless|where)\b.*\b(?:somebody|someone|other|different|not|else|another|behalf|same)\b|\bon behalf\b/i', $only->field->description.' '.$only->field->title) === 1
                && $claim !== null && $hearing->ledger->of($main->key()) === null && ! $this->speaksForAnother($hearing)) {
                $hearing->ledger->drop($only->key());
                $hearing->ledger->take($main->key(), $claim);
            }
        }
    }

    private function speaksForAnother(Hearing $hearing): bool
    {
        $leads = $this->words->phrases('extraction', 'third_leads');
        foreach ($hearing->transcript->turns as $turn) {
            $tokens = $this->readings->hear($turn->text)->all;
            if ($turn->by === 'caller' && ($hits = array_filter($leads->all($tokens), static fn (array $hit): bool => preg_match('/^(?:my|our|on behalf)/', (string) $hit[0]) === 1 && ! in_array($hit[0], ['my name', 'my new number'], true))) !== []) {
                return true;
            }
        }

        return false;
    }

    /** Values that contradict each other are to be looked at. */
    private function doubts(Hearing $hearing): void
    {
        $claims = $hearing->ledger->claims();
        foreach ($hearing->fields as $start) {
            foreach ($hearing->fields as $end) {
                if ($start->span === 'start' && $end->span === 'end' && $start->type === $end->type && in_array($start->type, [ValueType::Date, ValueType::DateTime], true)
                    && isset($claims[$start->key()], $claims[$end->key()]) && $claims[$end->key()]->value < $claims[$start->key()]->value) {
                    $hearing->ledger->replace($end->key(), $claims[$end->key()]->doubted('lies before '.mb_strtolower($start->field->title)));
                }
            }
        }
    }

    /** @param list<Exchange> $exchanges */
    private function record(Hearing $hearing, array $exchanges, ?string $outcome): Record
    {
        $display = $this->display;
        $cells = [];
        $missing = [];
        $doubts = $hearing->ledger->doubts();
        foreach ($hearing->fields as $profile) {
            $field = $profile->field;
            $claim = $hearing->ledger->of($field->key);
            if ($claim === null) {
                if ($field->required && ! in_array($field->key, $hearing->ledger->declined(), true)) {
                    $missing[] = $field->key;
                }

                continue;
            }
            $cells[$field->key] = [
                'value' => $claim->value,
                'display' => $display->show($field->typed($claim->value)),
                'confidence' => $claim->confidence,
                'origin' => $claim->confirmed ? 'confirmed' : $claim->origin,
                'turn' => $claim->turn,
                'said' => $claim->said,
                'confirmed' => $claim->confirmed,
                'doubt' => $claim->doubt ?? ($claim->confidence < Record::DOUBTFUL && ! $claim->confirmed ? 'heard with some doubt and not confirmed; please check' : null),
            ];
        }
        $outcome ??= 'not told';
        $story = $this->story;

        return new Record($hearing->transcript->id, $cells, $hearing->ledger->declined(), $missing, $outcome, $story->summary($hearing->transcript, $cells, $hearing->ledger->declined(), $outcome, $this->freeText->gist($exchanges)), $doubts, $story->nextActions($hearing->transcript, $cells, $missing));
    }
}
