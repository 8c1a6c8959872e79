<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Extraction\Weighing\Anchors;
use Ringo\Extraction\Weighing\Assignment;
use Ringo\Extraction\Weighing\Candidates;
use Ringo\Extraction\Weighing\Chooser;
use Ringo\Extraction\Weighing\Gate;
use Ringo\Extraction\Weighing\Joined;
use Ringo\Extraction\Weighing\Keyed;
use Ringo\Extraction\Weighing\Links;
use Ringo\Extraction\Weighing\Meant;
use Ringo\Extraction\Weighing\Mended;
use Ringo\Extraction\Weighing\Moments;
use Ringo\Extraction\Weighing\Settler;
use Ringo\Extraction\Weighing\Signs;
use Ringo\Extraction\Weighing\Spoken;
use Ringo\Extraction\Weighing\Stretches;
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
 * Nothing is written before all of the call has been heard: every value that a field might have is put beside all others, with what
 * speaks for and against it, and the likeliest stands. Only what the caller said or agreed to is a value.
 */
final class Extractor
{
    private readonly Exchanges $exchanges;

    private readonly Questions $questions;

    private readonly Readings $readings;

    private readonly FreeText $freeText;

    private readonly ShortText $shortText;

    private readonly Candidates $candidates;

    private readonly Settler $settler;

    private readonly Display $display;

    private readonly Story $story;

    /** @var array<string, list<FieldProfile>> by country */
    private array $profiles = [];

    private readonly Profiler $profiler;

    public function __construct(private readonly RecordSheet $sheet, private readonly Understanding $understanding, private readonly Lexicon $lexicon, private readonly NumberingPlan $plan = new NumberingPlan)
    {
        $words = $understanding->words;
        $this->profiler = new Profiler($words);
        $this->readings = new Readings($understanding, $words);
        $this->questions = new Questions($words, $lexicon);
        $this->exchanges = new Exchanges($understanding, $words);
        $options = new Options($words);
        $this->display = new Display($words, $plan);
        $this->story = new Story($sheet, $words);
        $meaning = Meaning::english();
        $links = new Links($this->questions, $lexicon, WordVectors::english(), $meaning);
        $signs = new Signs($links, $this->readings, $words);
        $spoken = new Spoken(
            $this->readings,
            $this->questions,
            $signs,
            new Surroundings($this->readings, $this->questions, $words),
            new Anchors($this->readings),
            $words,
            new Gate($words),
            $options,
            new Stretches($this->readings, $words),
        );
        $meant = new Meant(
            $this->readings,
            $signs,
            $understanding,
            Model::english(),
            $meaning,
            $links,
            $this->questions,
            new YesNoAnswers($this->readings, $this->questions, $understanding, $words),
        );
        $this->candidates = new Candidates(
            $spoken,
            new Moments($this->readings, $signs),
            $meant,
            new Mended($this->readings, $signs, $words),
            new Joined($this->readings, $signs, $words),
            new Keyed($this->readings, $options),
        );
        $this->settler = new Settler($this->candidates, new Chooser(Weights::english()), new Assignment, $this->readings, $signs, $this->exchanges);
        $this->freeText = new FreeText($this->readings, $this->questions, $words);
        $this->shortText = new ShortText($this->readings, $this->questions, $understanding, $words, new Mentioned($this->questions, $words));
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
        $hearing = $this->hearing($transcript);
        $exchanges = $this->exchanges->of($transcript);
        $this->settler->settle($hearing);
        $this->shortText->fill($hearing, $exchanges);
        $this->freeText->fill($hearing, $exchanges);
        $this->doubts($hearing);

        return $this->record($hearing, $exchanges, $outcome);
    }

    /** @return array<string, list<Weighing\Candidate>> all values each field of the call might have, for the training of what they count */
    public function candidates(Transcript $transcript): array
    {
        return $this->candidates->of($this->settler->scene($this->hearing($transcript)));
    }

    private function hearing(Transcript $transcript): Hearing
    {
        return new Hearing($transcript, $this->profiles[$transcript->country] ??= $this->profiler->profiles($this->sheet, $transcript->country));
    }

    /** Values that contradict each other are to be looked at. */
    private function doubts(Hearing $hearing): void
    {
        $claims = $hearing->ledger->claims();
        foreach ($hearing->fields as $start) {
            foreach ($hearing->fields as $end) {
                if ($start->span === 'start' && $end->span === 'end' && $start->type === $end->type && in_array($start->type, [ValueType::Date, ValueType::DateTime], true)
                    && isset($claims[$start->key()], $claims[$end->key()]) && $claims[$end->key()]->value < $claims[$start->key()]->value) {
                    $hearing->ledger->take($end->key(), $claims[$end->key()]->doubted('lies before '.mb_strtolower($start->field->title)));
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
