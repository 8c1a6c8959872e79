<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Amounts\WhatCounts;
use Ringo\Dialogue\Values\Moments\DayMeant;
use Ringo\Dialogue\Values\Moments\DayOfAnother;
use Ringo\Dialogue\Values\Moments\DaysTold;
use Ringo\Dialogue\Values\Moments\HourMeant;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Asking;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Readers\OptionPlaces;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Reads the answer that was asked for, and everything else that fits other fields. */
final class Collector
{
    /** Below this a reading is no answer. */
    public const LEAST = 0.45;

    /** Below this a value is confirmed before it is believed. */
    public const SURE = 0.8;

    /** A value nobody asked for is taken from this confidence on. */
    public const VOLUNTEERED = 0.7;

    /** The part of the words a value must be to answer a question nobody has put yet. */
    private const WHOLE = 0.9;

    /** Types of which nearly any words might be an answer. */
    private const ANYTHING = [ValueType::Text, ValueType::YesNo, ValueType::PersonName];

    private readonly AskedAhead $ahead;

    private readonly Asking $asking;

    private readonly HourMeant $hours;

    private readonly DayMeant $days;

    private readonly DayOfAnother $another;

    private readonly DaysTold $told;

    private readonly WhatCounts $counts;

    private readonly ToldByName $named;

    private readonly ByTheWay $byTheWay;

    private readonly PointedAt $pointed;

    private readonly OptionTold $optionTold;

    private readonly AskedAnswer $answer;

    public function __construct(private readonly Understanding $understanding, YesNoMeant $meant)
    {
        $this->ahead = new AskedAhead;
        $this->asking = new Asking($understanding->words);
        $this->hours = new HourMeant($understanding->words);
        $this->days = new DayMeant($understanding);
        $this->another = new DayOfAnother($understanding, $this->days);
        $this->told = new DaysTold($understanding, $this->days, $this->ahead);
        $this->counts = new WhatCounts($understanding);
        $this->named = new ToldByName($understanding->words);
        $this->byTheWay = new ByTheWay($understanding->words);
        $this->pointed = new PointedAt;
        $this->optionTold = new OptionTold($understanding);
        $this->answer = new AskedAnswer($understanding, $meant, $this->days, $this->told, $this->hours, $this->counts, $this->pointed);
    }

    public function context(Turn $turn, Field $field, bool $asked = true): Context
    {
        $context = new Context($turn->scope()->now, $turn->script->agent->country, $field->options, $asked, $field->pattern);
        $step = $turn->asking($field->key);

        return $step === null ? $context : $this->asking->in($context, PlainQuestion::last($step->prompt->variants[0]), $field->title.' '.$field->description);
    }

    public function asked(Turn $turn, Field $field, Heard $heard): Reading
    {
        return $this->answer->of($turn, $field, $heard, $this->context($turn, $field));
    }

    /** The words that may answer what is asked: without what names another field and tells its value. */
    public function own(Turn $turn, Field $field, Heard $heard): Heard
    {
        $told = $this->toldByName($turn, $heard, $field, $turn->state->step ?? $turn->script->first);

        return $told === [] ? $heard : $this->named->without($heard, $told);
    }

    /** The words without what names a field nobody has told yet and tells its value, where anything else was said. */
    public function known(Turn $turn, Heard $heard): Heard
    {
        $told = array_filter($this->toldByName($turn, $heard, null, $turn->state->step ?? $turn->script->first), static fn (string $key): bool => ! isset($turn->state->values[$key]), ARRAY_FILTER_USE_KEY);
        $known = $told === [] ? $heard : $this->named->without($heard, $told);

        return $known->tokens === [] ? $heard : $known;
    }

    /** @return array<string, array{int, int, Heard}> by field that is known, or that is asked for further on */
    private function toldByName(Turn $turn, Heard $heard, ?Field $asked, string $from): array
    {
        $fields = array_filter($turn->script->sheet->fields, fn (Field $one): bool => isset($turn->state->values[$one->key]) || $this->ahead->holds($turn, $from, $one));

        // 'The engineer was lovely' says nothing of whether the engineer was late.
        return array_filter($this->named->in($turn, $heard, array_values($fields), $asked), fn (array $told, string $key): bool => $this->reads($turn, $key, $told[2]), ARRAY_FILTER_USE_BOTH);
    }

    private function reads(Turn $turn, string $key, Heard $value): bool
    {
        $field = $turn->script->sheet->field($key);

        return $field !== null && $this->understanding->read($field->type, $value, $this->context($turn, $field))->found();
    }

    /** @return array<string, Reading> the beginning and the end that a stretch of days puts in the place of those known */
    public function stretchAgain(Turn $turn, Heard $heard): array
    {
        return $this->told->again($turn, $heard);
    }

    /** Whether it counts only in answer to its question: the step asks for it though it is known. */
    private function onlyAsked(Turn $turn, Field $field): bool
    {
        return $turn->script->asking($field->key)?->known === 'ask';
    }

    /**
     * What else the words tell, for fields that are still empty; none of it overlaps the answer or each other.
     *
     * @param ?string $from the step from which fields further on are looked for; the step the call stands at by default
     * @param bool $questioned whether the words ask something: then only things named in them are taken, no days or amounts
     *
     * @return array<string, Reading>
     */
    public function volunteered(Turn $turn, Heard $heard, ?Field $asked, ?Reading $answer, ?string $from = null, bool $questioned = false): array
    {
        $from ??= $turn->state->step ?? $turn->script->first;
        // What the answer took is not looked at again.
        $rest = $answer === null || ! $answer->found() ? $heard : $this->beside($heard, $answer);
        $rivals = [];
        $named = $this->toldByName($turn, $heard, $asked, $from);
        $unnamed = $this->byTheWay->without($named === [] ? $rest : $this->named->without($heard, $named));
        $unnamed = $named === [] || $answer === null || ! $answer->found() ? $unnamed : $this->beside($unnamed, $answer);
        $stretch = $questioned ? [] : $this->told->told($turn, $heard, $asked, $from);
        foreach ($turn->script->sheet->fields as $field) {
            if ($field->key === $asked?->key || isset($stretch[$field->key]) || $this->settled($turn, $field) || $this->onlyAsked($turn, $field) || ! $this->ahead->holds($turn, $from, $field) || $questioned && $field->type !== ValueType::Choice) {
                continue;
            }
            $cued = $this->pointed->afterCue($field, $heard) ?? $named[$field->key][2] ?? null;
            $reading = $this->unasked($turn, $field, $heard, $asked, $unnamed, $cued, $from);
            if ($reading === null || ! $reading->found()) {
                continue;
            }
            if ($reading->confidence < self::VOLUNTEERED) {
                $turn->considered($field, $reading, false, 'volunteered, but not sure enough to take');

                continue;
            }
            if ($answer !== null && $answer->found() && $answer->overlaps($reading)) {
                continue;
            }
            if ($cued === null && ! $this->optionTold->tells($turn, $field, $heard, $reading)) {
                $turn->considered($field, $reading, false, 'an everyday word of what is told');

                continue;
            }
            if ($cued === null && $field->type === ValueType::Number && ! $this->counts->tells($turn, $field, $heard, $reading, $asked, $this->context($turn, $field))) {
                continue;
            }
            // The hour of a day that was asked for belongs to that day, unless the hour is what is asked for next.
            if ($cued === null && $field->type === ValueType::Time && $asked?->type === ValueType::Date && $this->ahead->next($turn, $from, $asked) !== $field->key) {
                continue;
            }
            $rivals[] = [$field, $reading, $cued !== null ? 1 : 0];
        }

        return $stretch + $this->apart($turn, $rivals);
    }

    /** Whether a field has a value that words beside an answer do not change. */
    private function settled(Turn $turn, Field $field): bool
    {
        $held = $turn->state->values[$field->key] ?? null;

        return $held !== null && ($held->confirmed || ! in_array($held->origin, [Origin::Recognised, Origin::Mentioned], true));
    }

    /**
     * Of readings that want the same words the cued, the longest and the surest has them.
     *
     * @param list<array{Field, Reading, int}> $rivals
     *
     * @return array<string, Reading>
     */
    private function apart(Turn $turn, array $rivals): array
    {
        usort($rivals, static fn (array $a, array $b): int => [$b[2], $b[1]->end - $b[1]->start, $b[1]->confidence] <=> [$a[2], $a[1]->end - $a[1]->start, $a[1]->confidence]);
        $found = [];
        foreach ($rivals as [$field, $reading]) {
            $rival = static fn (Reading $other, string $key): bool => $other->overlaps($reading) && ! self::dayAndHour($field, $turn->script->sheet->field($key));
            if (array_filter($found, $rival, ARRAY_FILTER_USE_BOTH) === []) {
                $found[$field->key] = $reading;
            } else {
                $turn->considered($field, $reading, false, 'the same words already fill another field');
            }
        }

        return $found;
    }

    /** 'Tonight at eight' is a day and an hour, where each has a field of its own. */
    private static function dayAndHour(Field $one, ?Field $other): bool
    {
        $types = [$one->type, $other?->type];

        return in_array(ValueType::Date, $types, true) && in_array(ValueType::Time, $types, true);
    }

    /** The words beside an answer; the 'one' of 'the second one' belongs to it. */
    private function beside(Heard $heard, Reading $answer): Heard
    {
        $kept = [];
        $last = null;
        foreach ($heard->tokens as $token) {
            $inside = $token->end > $answer->start && $token->start < $answer->end;
            if (! $inside && ! ($last === true && in_array($token->text, ['one', 'ones'], true))) {
                $kept[] = $token;
            }
            $last = $inside;
        }

        return $heard->only($kept);
    }

    /** A reading for a field nobody asked about just now, only where the words themselves point at it. */
    private function unasked(Turn $turn, Field $field, Heard $heard, ?Field $asked, Heard $rest, ?Heard $cued, string $from): ?Reading
    {
        if ($field->type === ValueType::Text) {
            return null;
        }
        if ($field->type === ValueType::YesNo) {
            return $this->pointed->dressed($field, $heard);
        }
        $context = $this->context($turn, $field, $cued !== null);
        if ($cued !== null) {
            $reading = $this->understanding->read($field->type, $cued, $context);
            if ($reading->found()) {
                return Reading::of(
                    $reading->value,
                    max($reading->confidence, $field->type === ValueType::Number ? self::SURE : 0.0),
                    (string) $reading->said,
                    $reading->start,
                    $reading->end,
                );
            }
        }
        if ($field->type === ValueType::Reference && $cued === null && $field->pattern === null) {
            return null;
        }
        // A value that fits two fields is taken only for the one being asked.
        if ($this->ahead->shared($turn, $field, $asked, $from)) {
            return null;
        }

        $reading = $this->hours->of($turn, $field, $rest, $this->understanding->read($field->type, $rest, $context->volunteered()));

        if ($field->type === ValueType::Number && ! $reading->found()) {
            $reading = $this->counts->counted($turn, $field, $rest, $context->volunteered());
        }
        if ($field->type === ValueType::Duration && $this->counts->ofAnotherLength($turn, $field, $reading)) {
            return null;
        }
        $day = in_array($field->type, [ValueType::Date, ValueType::DateTime], true);
        // 'Saturdays' is no one day, nor are 'Saturday mornings'.
        $plural = fn (Token $token): bool => str_ends_with($token->text, 's') && isset($this->understanding->words->section('calendar', 'weekdays')[$token->text]) || in_array($token->text, $this->understanding->words->section('calendar', 'parts_of_days'), true);
        $every = array_filter($heard->tokens, static fn (Token $token): bool => $token->end > $reading->start && $token->start <= $reading->end + 1 && $plural($token));
        // 'Seventeen on Saturday' tells a birthday.
        $birthday = $every === [] && ($day || $field->type === ValueType::Several) && $asked !== null && $this->context($turn, $asked)->unit === 'Y';
        if ($day && $every !== [] || $birthday) {
            return null;
        }

        return $day && ($this->another->is($turn, $field, $heard, $reading, $context) || is_string($reading->value) && $this->days->behindWhatIsAhead($turn, $field, $reading->value, $context)) ? null : $reading;
    }

    /**
     * What the words answer of the first open question from a step on, where they are little else: '5582' said when asked which is meant.
     *
     * @return array<string, Reading> by field; one, or none
     */
    public function answersFirst(Turn $turn, Heard $heard, string $from): array
    {
        $open = array_filter($this->askedFrom($turn, $from), static fn (string $key): bool => ! isset($turn->state->values[$key]));
        $key = array_values($open)[0] ?? '';
        $field = $turn->script->sheet->field($key);
        if ($field === null || in_array($field->type, self::ANYTHING, true)) {
            return [];
        }
        $reading = $this->asked($turn, $field, $heard);
        // 'The last one' picks from what was just named, and not from a list that nobody has heard.
        if ($field->type === ValueType::Choice && (new OptionPlaces($this->understanding->words))->in($heard->tokens, $this->context($turn, $field), $heard) !== null) {
            return [];
        }
        $whole = $reading->found() && $heard->explained($reading->start, $reading->end, $this->understanding->words) >= self::WHOLE;

        return $whole && $reading->confidence >= self::SURE ? [$key => $reading] : [];
    }

    /** @return list<string> fields that questions from a step on may ask for */
    public function askedFrom(Turn $turn, string $from): array
    {
        return $this->ahead->keys($turn, $from);
    }
}
