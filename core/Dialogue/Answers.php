<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Transfer\TransferStep;
use Ringo\Script\Steps\Verify\VerifyStep;
use Ringo\Sheet\Field;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Works out what a caller's words mean here and what follows, in one fixed order:
 * leaving, standing requests, a yes or no that is waited for, corrections, the answer with everything volunteered,
 * side questions, a change of topic, a person, off topic, not understood.
 */
final readonly class Answers
{
    public function __construct(
        private Understanding $understanding,
        private Phrasebook $phrases,
        private Collector $collector,
        private Corrections $corrections,
        private Topics $topics,
        private Replies $replies,
        private Walker $walker,
        private Transfers $transfers,
        private Identity $identity,
    ) {
    }

    public function answer(Turn $turn, Heard $heard): void
    {
        $state = $turn->state;
        $step = $state->step === null ? null : $turn->script->step($state->step);
        if ($step instanceof VerifyStep && $state->mode === 'answer') {
            if (! $this->left($turn, $heard) && ! $this->askedForPerson($turn, $heard)) {
                $this->identity->check($turn, $step, $heard->original);
            }

            return;
        }
        $state->said = array_slice([...$state->said, $heard->original], -12);
        if ($state->mode === 'identify') {
            $this->identity->who($turn, $heard);

            return;
        }
        if ($state->mode === 'recent') {
            if ($this->identity->again($turn, $heard)) {
                return;
            }
            $first = $this->standing($turn);
            if ($first instanceof ListenStep) {
                $turn->actions = [];
                $this->listened($turn, $first, $heard);
            }

            return;
        }
        if ($state->mode === 'ringing') {
            if (! $this->left($turn, $heard)) {
                $this->transfers->waiting($turn, true);
            }

            return;
        }
        if ($state->mode === 'call_back') {
            if (! $this->left($turn, $heard)) {
                $this->transfers->callBack($turn, $heard);
            }

            return;
        }
        if ($state->mode === 'which_team') {
            if (! $this->left($turn, $heard)) {
                $this->transfers->which($turn, $heard);
            }

            return;
        }
        if ($state->step === null) {
            $turn->trace->rule('the caller spoke first');
            $this->walker->go($turn, $turn->script->first);
            $first = $this->standing($turn);
            if (! $first instanceof ListenStep) {
                return;
            }
            // Words said before the greeting answer an open question that follows it.
            $greeting = $turn->actions;
            $this->listened($turn, $first, $heard);
            $turn->actions = count($turn->actions) > count($greeting) ? $turn->actions : $greeting;

            return;
        }
        if ($this->left($turn, $heard) || $this->urgentTransfer($turn, $heard) || $this->requested($turn, $heard)) {
            return;
        }
        $step = $turn->script->step($state->step);
        if ($state->mode === 'confirm') {
            $this->confirmed($turn, $step, $heard);

            return;
        }
        match (true) {
            $step instanceof AskStep => $this->asked($turn, $step, $heard),
            $step instanceof ChooseStep => $this->chosen($turn, $step, $heard),
            $step instanceof ListenStep => $this->listened($turn, $step, $heard),
            default => $this->walker->go($turn, $step->key()),
        };
    }

    private function standing(Turn $turn): ?Step
    {
        return $turn->state->step === null ? null : $turn->script->step($turn->state->step);
    }

    /** A transfer rule that is urgent counts from anywhere, as soon as its words are said. */
    private function urgentTransfer(Turn $turn, Heard $heard): bool
    {
        $words = mb_strtolower($heard->original);
        foreach ($turn->script->transfers->rules as $rule) {
            $said = array_filter($rule['words'], static fn (string $one): bool => $one !== '' && preg_match('/(?<!\pL)'.preg_quote(mb_strtolower($one), '/').'(?!\pL)/u', $words) === 1);
            if (! $rule['urgent'] || $said === [] || $rule['when'] !== null && ! $rule['when']->holds($turn->scope()->value(...))) {
                continue;
            }
            foreach ($turn->script->steps as $step) {
                if ($step instanceof TransferStep && $step->to === null) {
                    $turn->trace->rule("urgent transfer rule {$rule['key']}: “".reset($said).'”');
                    $this->detour($turn, $step->key());

                    return true;
                }
            }
        }

        return false;
    }

    private function askedForPerson(Turn $turn, Heard $heard): bool
    {
        return ($this->phrases->is($heard, 'person') || $this->phrases->is($heard, 'person_alone')) && $this->wantsPerson($turn);
    }

    public function keyed(Turn $turn, string $digits): void
    {
        $state = $turn->state;
        $step = $state->step === null ? null : $turn->script->step($state->step);
        $key = rtrim($digits, '#');
        if ($step instanceof VerifyStep && $state->mode === 'answer' && $key !== '' && $key !== $turn->script->standing->personKey) {
            $this->identity->check($turn, $step, $key);

            return;
        }
        if (in_array($state->mode, ['ringing', 'identify', 'recent', 'which_team', 'call_back'], true)) {
            $state->mode === 'ringing' ? $this->transfers->waiting($turn, true) : $turn->standing('wrong_key');

            return;
        }
        if ($step instanceof ChooseStep && $state->mode === 'answer') {
            foreach ($step->options as $option) {
                if ($option['digit'] === $digits || $option['digit'] === $key) {
                    $turn->trace->rule("key {$digits}: {$option['label']}");
                    $this->choose($turn, $step, $option['key'], Reading::of($option['key'], 1.0, $digits, 0, strlen($digits)), Origin::Keyed);

                    return;
                }
            }
            if ($digits === $step->repeatKey) {
                $turn->trace->rule("key {$digits}: the menu again");
                $this->walker->repeat($turn);

                return;
            }
        }
        if ($state->mode === 'confirm' && in_array($key, ['1', '2'], true)) {
            $turn->trace->rule("key {$key}: ".($key === '1' ? 'yes' : 'no'));
            $this->settled($turn, $key === '1');

            return;
        }
        if ($step instanceof AskStep && $state->mode !== 'confirm' && $this->keyedValue($turn, $step, $digits)) {
            return;
        }
        if ($digits === '*') {
            $this->walker->goBack($turn);

            return;
        }
        if ($key !== '' && $key === $turn->script->standing->personKey) {
            $turn->trace->rule("key {$key}: a person");
            $this->person($turn);

            return;
        }
        $this->wrongKey($turn, $step, $digits);
    }

    private function keyedValue(Turn $turn, AskStep $step, string $digits): bool
    {
        $field = $turn->script->sheet->field($step->field);
        $key = rtrim($digits, '#');
        if ($field === null || $key === '' || str_contains($key, '*')) {
            return false;
        }
        $words = match (true) {
            $field->type === ValueType::YesNo => ['1' => 'yes', '2' => 'no'][$key] ?? null,
            $field->type === ValueType::Choice => isset($field->options[(int) $key - 1]) ? 'number '.$key : null,
            in_array($field->type, [ValueType::Phone, ValueType::Number, ValueType::Reference, ValueType::Money], true) => $key,
            $field->type === ValueType::Date && strlen($key) === 8 => implode('/', [substr($key, 0, 2), substr($key, 2, 2), substr($key, 4)]),
            $field->type === ValueType::Date && strlen($key) === 4 => implode('/', str_split($key, 2)),
            $field->type === ValueType::Time && strlen($key) === 4 => implode(':', str_split($key, 2)),
            default => null,
        };
        // One key that asks for a person does so unless the field takes single digits.
        if ($key === $turn->script->standing->personKey && ! str_ends_with($digits, '#') && ! in_array($field->type, [ValueType::Number], true)) {
            return false;
        }
        if ($words === null) {
            return false;
        }
        $reading = $this->collector->asked($turn, $field, $this->understanding->hear($words));
        $turn->considered($field, $reading, $reading->found(), $reading->found() ? 'keyed in' : ($reading->doubt ?? 'no such value'));
        if (! $reading->found()) {
            return false;
        }
        $this->take($turn, $field, Reading::of($reading->value, 0.99, $digits, 0, strlen($digits)), Origin::Keyed);
        $this->walker->proceed($turn, $step->next);

        return true;
    }

    private function wrongKey(Turn $turn, ?Step $step, string $digits): void
    {
        $state = $turn->state;
        $turn->trace->rule("key {$digits} does nothing here");
        $state->failures++;
        if ($step instanceof ChooseStep) {
            if ($state->failures >= $step->tries) {
                $this->walker->leave($turn, $step);

                return;
            }
            $own = $step->wrongKey[($state->failures - 1) % max(1, count($step->wrongKey))] ?? null;
            $own !== null ? $turn->prompt(Prompt::of($own), $step->key().'.wrong') : $turn->standing('wrong_key');
            $turn->speak($this->walker->menu($step), $step->key(), true);

            return;
        }
        $turn->standing('wrong_key');
        $step === null ? $this->walker->go($turn, $turn->script->first) : $this->walker->askAgain($turn);
    }

    /** Goodbye, hang-up words, 'stop calling me'. */
    private function left(Turn $turn, Heard $heard): bool
    {
        $state = $turn->state;
        if ($this->phrases->contains($heard, 'stop_calling')) {
            $turn->trace->rule('the caller wants no more calls: do not call');
            $state->doNotCall = true;
            $turn->standing('no_calls');
            $turn->end('do not call');

            return true;
        }
        if ($this->phrases->is($heard, 'goodbyes') && ! ($state->mode === 'confirm' && $this->understanding->read(ValueType::YesNo, $heard, $this->plain($turn))->found())) {
            $turn->trace->rule('the caller says goodbye');
            $step = $state->step === null ? null : $turn->script->step($state->step);
            if ($step instanceof ListenStep && $step->nothing !== null) {
                $this->walker->go($turn, $step->nothing);

                return true;
            }
            $turn->standing('goodbye');
            $turn->end($state->outcome ?? 'caller left');

            return true;
        }

        return false;
    }

    /** Requests that hold on every step, where the words are little else. */
    private function requested(Turn $turn, Heard $heard): bool
    {
        $state = $turn->state;
        if ($this->phrases->contains($heard, 'frustration') || substr_count($heard->original, '!') >= 2) {
            $state->frustration++;
            $turn->trace->rule("frustration, sign {$state->frustration}");
            if ($state->frustration >= $turn->script->standing->patience && $turn->script->standing->person !== null) {
                $turn->trace->rule('patience is at its end: a person');
                $this->person($turn);

                return true;
            }
        }
        $step = $state->step === null ? null : $turn->script->step($state->step);
        $asksText = $step instanceof AskStep && $turn->script->sheet->field($step->field)?->type === ValueType::Text;
        $done = match (true) {
            $step instanceof AskStep && $state->mode === 'answer' && $this->phrases->is($heard, 'why') => $this->explained($turn, $step),
            $this->phrases->is($heard, 'told_you') => $this->told($turn, $step),
            $this->phrases->is($heard, 'holding') && $this->phrases->content($heard->tokens) <= 3 && ! $this->digitsIn($heard) => $this->hold($turn),
            $this->phrases->is($heard, 'slower') => $this->slower($turn),
            $this->phrases->is($heard, 'start_again') => $this->startAgain($turn),
            $this->phrases->is($heard, 'go_back') => $this->goneBack($turn),
            $this->phrases->only($heard, 'repeat') => $this->repeated($turn),
            $this->phrases->is($heard, 'person') || $this->phrases->is($heard, 'person_alone') && count($heard->tokens) <= 4 && ! $asksText => $this->wantsPerson($turn),
            $this->phrases->is($heard, 'profanity', 'frustration') => $this->soothed($turn),
            default => false,
        };

        return $done;
    }

    private function explained(Turn $turn, AskStep $step): bool
    {
        $turn->trace->rule('the caller asks why');
        $step->why !== null ? $turn->prompt(Prompt::of($step->why), $step->key().'.why') : $turn->standing('why');
        $this->walker->askAgain($turn);

        return true;
    }

    private function told(Turn $turn, ?Step $step): bool
    {
        $state = $turn->state;
        $state->frustration++;
        $key = $state->mode === 'confirm' ? ($state->pending[0] ?? null) : ($step instanceof AskStep ? $step->field : null);
        $field = $key === null ? null : $turn->script->sheet->field($key);
        $held = $key === null ? null : ($state->values[$key] ?? null);
        $turn->trace->rule('the caller says it was said already: '.($held === null ? 'it is not known' : 'it is known'));
        if ($field !== null && $held !== null) {
            $turn->standing('told', ['it' => $turn->spoken($field, $held->value)]);
            $this->settled($turn, true);

            return true;
        }
        if ($held === null && $step instanceof AskStep && ($last = end($state->values)) !== false && $field === null) {
            return false;
        }
        $turn->standing('not_told');
        if ($step instanceof AskStep) {
            $this->walker->help($turn, $step);
        } else {
            $this->walker->askAgain($turn);
        }

        return true;
    }

    private function hold(Turn $turn): bool
    {
        $turn->trace->rule('the caller asks for a moment');
        $turn->state->holding = true;
        $turn->standing('hold');

        return true;
    }

    private function slower(Turn $turn): bool
    {
        $turn->state->pace = max(0.7, $turn->state->pace - 0.15);
        $turn->trace->rule('slower: pace '.number_format($turn->state->pace, 2));
        $turn->standing('slower');
        $this->walker->askAgain($turn);

        return true;
    }

    private function startAgain(Turn $turn): bool
    {
        $turn->trace->rule('start again: what was collected is forgotten');
        foreach ($turn->state->values as $key => $held) {
            if ($held->origin !== Origin::Recognised) {
                $turn->forget($key);
            }
        }
        $turn->state->declined = [];
        $turn->state->pending = [];
        $turn->state->path = [];
        $turn->state->returns = [];
        $turn->standing('start_again');
        $listen = null;
        foreach ($turn->script->steps as $step) {
            if ($step instanceof ListenStep || $step instanceof ChooseStep) {
                $listen = $step->key();

                break;
            }
        }
        $this->walker->go($turn, $listen ?? $turn->script->first);

        return true;
    }

    private function goneBack(Turn $turn): bool
    {
        $this->walker->goBack($turn);

        return true;
    }

    private function repeated(Turn $turn): bool
    {
        $turn->trace->rule('standing rule: say it again');
        $this->walker->repeat($turn);

        return true;
    }

    private function wantsPerson(Turn $turn): bool
    {
        $turn->trace->rule('the caller asks for a person');
        $this->person($turn);

        return true;
    }

    private function soothed(Turn $turn): bool
    {
        $turn->trace->rule('strong words are met politely');
        $turn->standing('polite');
        $this->walker->askAgain($turn);

        return true;
    }

    private function person(Turn $turn): void
    {
        $to = $turn->script->standing->person;
        $state = $turn->state;
        if ($to === null || $state->step === $to || in_array($to, $state->path, true) && ($state->visits[$to] ?? 0) > 1) {
            $turn->standing('no_person');
            $this->walker->askAgain($turn);

            return;
        }
        $this->detour($turn, $to);
    }

    private function detour(Turn $turn, string $to): void
    {
        if ($turn->state->step !== null) {
            $turn->state->returns[] = $turn->state->step;
            $turn->state->returns = array_slice($turn->state->returns, -10);
        }
        $turn->state->pending = [];
        $this->walker->go($turn, $to);
    }

    /** A yes or no is waited for: a correction counts before the no it comes with. */
    private function confirmed(Turn $turn, Step $step, Heard $heard): void
    {
        $state = $turn->state;
        $clause = $this->replies->clause($heard);
        if ($clause !== null && ! $clause[1]->isEmpty() && $this->serve($turn, $clause[0])) {
            $heard = $clause[1];
        }
        $yes = $this->understanding->read(ValueType::YesNo, $heard, $this->plain($turn));
        $others = $this->corrections->sounded($heard) ? array_values(array_diff(array_reverse(array_keys($state->values)), $state->pending)) : [];
        $corrected = $yes->value === true && ! $this->corrections->strong($heard) ? [] : $this->corrections->find($turn, $heard, [...$state->pending, ...$others]);
        if ($corrected !== []) {
            $this->replaced($turn, $corrected);
            foreach ($corrected as $key => $reading) {
                $state->unconfirmed[$key] = ($state->unconfirmed[$key] ?? 0) + 1;
            }
            $sure = array_filter($corrected, static fn (Reading $reading): bool => $reading->confidence < Collector::SURE);
            $rest = array_values(array_diff($state->pending, array_keys($corrected)));
            foreach ($rest as $key) {
                $this->confirm($turn, $key);
            }
            $state->pending = array_keys($sure);
            $this->said($turn, $corrected);
            $this->walker->proceed($turn, $state->resume ?? $step->key());

            return;
        }
        $instead = $yes->value === true ? $this->instead($turn, $heard) : [];
        if ($instead !== []) {
            $this->replaced($turn, $instead);
            $this->said($turn, $instead);
            $this->settled($turn, true);

            return;
        }
        if ($yes->found()) {
            $turn->trace->rule($yes->value ? 'confirmed' : 'not confirmed');
            $more = $yes->value ? $this->collector->volunteered($turn, $heard, null, $yes) : [];
            foreach ($more as $key => $reading) {
                $field = $turn->script->sheet->field($key);
                if ($field !== null && ! in_array($key, $state->pending, true)) {
                    $turn->considered($field, $reading, true, 'volunteered with the yes');
                    $this->take($turn, $field, $reading, Origin::Volunteered, false);
                }
            }
            $this->settled($turn, (bool) $yes->value);

            return;
        }
        if ($this->sideQuestion($turn, $heard) || $this->elsewhere($turn, $heard)) {
            return;
        }
        // New words for the value itself, without a no: 'Stanwick Cross'.
        foreach ($state->pending as $key) {
            $field = $turn->script->sheet->field($key);
            $reading = $field === null ? null : $this->collector->asked($turn, $field, $heard);
            if ($field !== null && $reading !== null && $reading->found() && $reading->confidence >= 0.6) {
                $same = ($state->values[$key]->value ?? null) === $reading->value;
                $turn->considered($field, $reading, true, $same ? 'said again' : 'given instead');
                if (! $same) {
                    $this->replaced($turn, [$key => $reading]);
                }
                $this->settled($turn, true);

                return;
            }
        }
        $state->failures++;
        if ($state->failures >= 2) {
            $turn->trace->rule('no clear yes or no, twice: taken as a no');
            $this->settled($turn, false);

            return;
        }
        $turn->trace->rule('neither yes nor no');
        $turn->standing('apologise');
        $this->walker->confirm($turn);
    }

    /**
     * A different value said outright where only a yes was waited for: 'you can get me on 07700 900789'.
     *
     * @return array<string, Reading>
     */
    private function instead(Turn $turn, Heard $heard): array
    {
        foreach ($turn->state->pending as $key) {
            $field = $turn->script->sheet->field($key);
            if ($field === null || in_array($field->type, [ValueType::Text, ValueType::YesNo, ValueType::PersonName, ValueType::Number], true)) {
                continue;
            }
            $reading = $this->understanding->read($field->type, $heard, $this->collector->context($turn, $field, $field->type !== ValueType::Choice));
            if ($reading->found() && $reading->confidence >= 0.8 && $reading->value !== ($turn->state->values[$key]->value ?? null)) {
                return [$key => $reading];
            }
        }

        return [];
    }

    private function settled(Turn $turn, bool $yes): void
    {
        $state = $turn->state;
        $pending = $state->pending;
        $resume = $state->resume;
        $state->failures = 0;
        if ($yes) {
            foreach ($pending as $key) {
                $this->confirm($turn, $key);
            }
            $state->pending = [];
            $this->walker->go($turn, $resume ?? $state->step ?? $turn->script->first);

            return;
        }
        $state->pending = [];
        $state->mode = 'answer';
        $again = null;
        foreach ($pending as $key) {
            $state->unconfirmed[$key] = ($state->unconfirmed[$key] ?? 0) + 1;
            $turn->forget($key);
            $again ??= $turn->script->asking($key);
        }
        if ($again === null) {
            $this->walker->go($turn, $resume ?? $state->step ?? $turn->script->first);

            return;
        }
        $state->step = $again->key();
        $state->resume = null;
        $state->visits[$again->key()] = ($state->visits[$again->key()] ?? 0) + 1;
        $field = $turn->script->sheet->field($again->field);
        $tries = $state->unconfirmed[$again->field] ?? 0;
        if ($tries > $again->tries + 1) {
            $this->walker->leave($turn, $again);

            return;
        }
        if ($tries >= 2 && $field !== null && in_array($field->type, [ValueType::PersonName, ValueType::Email, ValueType::Reference], true)) {
            $turn->trace->rule('two failed confirmations: spelling');
            $turn->standing('spell', [], true);

            return;
        }
        if ($tries >= 2 && $field !== null && in_array($field->type, [ValueType::Phone, ValueType::Number], true)) {
            $turn->trace->rule('two failed confirmations: keys');
            $turn->standing('key_in', [], true);

            return;
        }
        $turn->standing('corrected_ask', [], true);
    }

    private function asked(Turn $turn, AskStep $step, Heard $heard): void
    {
        $state = $turn->state;
        $field = $turn->script->sheet->field($step->field);
        if ($field === null) {
            $this->walker->go($turn, $step->next);

            return;
        }
        [$words, $question] = $this->parted($turn, $field, $heard);
        $reading = $this->collector->asked($turn, $field, $words);
        $taken = $reading->found() && $reading->confidence >= Collector::LEAST;

        $urgent = $this->urgent($turn, $heard);
        if (! $taken && $urgent !== null) {
            $turn->trace->rule("urgent topic from anywhere: {$urgent}");
            $this->switch($turn, $urgent, $heard);

            return;
        }
        // A correction of something already collected, unless the same words answer what was asked.
        $known = array_values(array_filter(array_reverse(array_keys($state->values)), static fn (string $key): bool => $key !== $field->key && $state->values[$key]->origin !== Origin::Set));
        if ($this->corrections->sounded($heard) && $known !== []) {
            $corrected = ! $taken || $this->corrections->strong($heard) ? $this->corrections->find($turn, $words, $known) : [];
            $corrected = array_filter($corrected, static fn (Reading $one): bool => ! $taken || ! $one->overlaps($reading) || $one->confidence > $reading->confidence + 0.1);
            if ($taken && $corrected !== [] && array_filter($corrected, static fn (Reading $one): bool => $one->overlaps($reading)) !== []) {
                $taken = false;
            }
            // The 'no' that opens a correction does not answer a yes or no question as well.
            if ($corrected !== [] && $field->type === ValueType::YesNo && $reading->value === false) {
                $taken = false;
            }
            if ($corrected !== []) {
                $this->replaced($turn, $corrected);
                $this->said($turn, $corrected);
                if (! $taken) {
                    $this->walker->askAgain($turn);

                    return;
                }
            }
        }
        $free = $field->type === ValueType::Text;
        if ($free && $question !== null && $words->isEmpty()) {
            $taken = false;
        }
        $unknown = ! $taken && ! $step->required && $this->phrases->contains($heard, 'doubt');
        $nothing = $this->nothingToSay($turn, $step, $field, $words);
        $refused = $nothing || ($unknown || $this->phrases->contains($heard, 'refusals')) && ! ($taken && ! $free) && ! ($free && $this->phrases->content($heard->tokens) > 8);
        if ($refused) {
            $this->refused($turn, $step);

            return;
        }
        $others = $this->collector->volunteered($turn, $question === null || $words->isEmpty() ? $heard : $words, $field, $taken ? $reading : null, null, $question !== null && ! $taken && $this->replies->answer($turn, $question) !== null);
        if ($taken && $free && $others !== []) {
            $others = array_filter($others, static fn (Reading $one): bool => $one->confidence >= 0.85);
        }
        $turn->considered($field, $reading, $taken, $taken ? 'answers what was asked' : ($reading->doubt ?? ($reading->found() ? 'not sure enough' : 'nothing of this kind was heard')));
        foreach ($others as $key => $other) {
            $otherField = $turn->script->sheet->field($key);
            if ($otherField !== null) {
                $turn->considered($otherField, $other, true, 'volunteered');
                $this->take($turn, $otherField, $other, Origin::Volunteered);
            }
        }
        if ($taken) {
            $this->take($turn, $field, $reading, Origin::Asked);
            $answered = $question !== null && $this->serve($turn, $question);
            if (! $answered && $state->pending === [] && $this->acknowledges($turn)) {
                $this->acknowledge($turn, $field, $reading);
            }
            $this->walker->proceed($turn, $step->next);

            return;
        }
        if ($others !== []) {
            $turn->trace->rule('not what was asked, but it is kept');
            if ($state->pending !== []) {
                $this->walker->proceed($turn, $step->key());

                return;
            }
            $turn->standing('acknowledge');
            $this->walker->askAgain($turn);

            return;
        }
        if ($this->sideQuestion($turn, $heard) || $this->elsewhere($turn, $heard)) {
            return;
        }
        if ($reading->doubt !== null && preg_match('/more than one|two (?:numbers|references)|range|choice of/', $reading->doubt) === 1) {
            $state->failures++;
            if ($state->failures < $step->tries) {
                $turn->trace->rule('the answer is not one value: '.$reading->doubt);
                $turn->standing('two_meant', [], true);

                return;
            }
        }
        $this->notUnderstood($turn, $step, $heard, $step->reprompts, $step->tries);
    }

    private function chosen(Turn $turn, ChooseStep $step, Heard $heard): void
    {
        $options = array_map(static fn (array $option): array => ['key' => $option['key'], 'label' => $option['label'], 'phrases' => $option['phrases']], $step->options);
        $context = $this->plain($turn)->withOptions($options);
        $reading = $this->understanding->read(ValueType::Choice, $heard, $context);
        $ranked = $reading->found() ? [] : $this->topics->rank(array_map(static fn (array $option): array => [...$option, 'description' => ''], $options), $heard);
        $best = array_key_first($ranked);
        if (! $reading->found() && $best !== null && $ranked[$best] >= 0.9 && $ranked[$best] - (array_values($ranked)[1] ?? 0) >= 0.3) {
            $reading = Reading::of((string) $best, min(0.9, 0.6 + 0.2 * $ranked[$best]), $heard->original, 0, strlen($heard->original));
        }
        // A question the business has an answer to is one, unless an option was named outright.
        $clause = $this->replies->clause($heard);
        if ($reading->confidence < 0.85 && $clause !== null && $clause[1]->isEmpty() && $this->replies->answer($turn, $clause[0]) !== null) {
            $reading = Reading::none('the words ask something');
        }
        $label = $reading->found() ? (string) ($step->option((string) $reading->value)['label'] ?? '') : '';
        $turn->trace->reading($step->field ?? $step->key(), 'choice', $reading, $label, $reading->found(), $reading->found() ? 'answers what was asked' : ($reading->doubt ?? 'none of the options was heard'));
        if ($reading->found()) {
            $this->choose($turn, $step, (string) $reading->value, $reading, Origin::Asked, $heard);

            return;
        }
        $urgent = $this->urgent($turn, $heard);
        if ($urgent !== null) {
            $turn->trace->rule("urgent topic from anywhere: {$urgent}");
            $this->switch($turn, $urgent, $heard);

            return;
        }
        if ($this->sideQuestion($turn, $heard) || $this->corrects($turn, $heard) || $this->elsewhere($turn, $heard)) {
            return;
        }
        $this->notUnderstood($turn, $step, $heard, $step->nonsense, $step->tries);
    }

    private function choose(Turn $turn, ChooseStep $step, string $key, Reading $reading, Origin $origin, ?Heard $heard = null): void
    {
        $option = $step->option($key);
        if ($option === null) {
            return;
        }
        if ($heard !== null) {
            foreach ($this->collector->volunteered($turn, $heard, $step->field === null ? null : $turn->script->sheet->field($step->field), $reading) as $other => $more) {
                $field = $turn->script->sheet->field($other);
                if ($field !== null) {
                    $turn->considered($field, $more, true, 'volunteered');
                    $this->take($turn, $field, $more, Origin::Volunteered);
                }
            }
        }
        $field = $step->field === null ? null : $turn->script->sheet->field($step->field);
        if ($field !== null) {
            $turn->hold($field, new Held($key, $reading->confidence, $origin, $turn->callerTurn, $reading->said));
        }
        $this->walker->proceed($turn, $option['next']);
    }

    private function listened(Turn $turn, Step $step, Heard $heard): void
    {
        if (! $step instanceof ListenStep) {
            return;
        }
        $state = $turn->state;
        if ($state->mode === 'clarify' && $this->clarified($turn, $step, $heard)) {
            return;
        }
        $ranked = $this->topics->rank($step->topics, $heard);
        $keys = array_keys($ranked);
        $top = $ranked[$keys[0] ?? ''] ?? 0.0;
        $next = $ranked[$keys[1] ?? ''] ?? 0.0;
        if ($step->nothing !== null && $top < 0.5 && ($this->phrases->is($heard, 'nothing_more') || $this->understanding->read(ValueType::YesNo, $heard, $this->plain($turn))->value === false)) {
            $turn->trace->rule('nothing more is wanted');
            $this->walker->go($turn, $step->nothing);

            return;
        }
        foreach (array_slice($keys, 0, 3) as $key) {
            if ($ranked[$key] > 0) {
                $topic = $step->topic((string) $key);
                $turn->trace->reading('topic', 'topic', Reading::of((string) $key, min(0.99, $ranked[$key] / 1.2), $heard->original, 0, strlen($heard->original)), $topic['label'] ?? '', $key === $keys[0], 'fit '.number_format($ranked[$key], 2));
            }
        }
        $clause = $this->replies->clause($heard);
        $answer = $clause === null ? ($state->lastReply !== null && $top < 0.5 ? $this->replies->answer($turn, $heard) : null) : $this->replies->answer($turn, $clause[0]);
        $known = $answer['known'] ?? null;
        // 'What happens if I bring it back late?' wants to know, whatever words of a topic stand in it.
        $wonders = preg_match('/^(?:(?:so|and|but|um|er|well|ok|okay|hi|hello)\W+)*(?:what happens|what would happen|what if|is there (?:a|an|any)|are there any|do i have to|do we have to|do you charge|how does it work|what is your|what\'s your|what are your)\b/i', $heard->original) === 1;
        if ($answer !== null && ($known === null ? $top < 1.3 : $top < 0.5 || $known->confidence >= ($wonders ? 0.65 : 0.75) && ($known->informs && $top < 1.0 || $wonders))) {
            $this->volunteer($turn, $heard, $step->key(), true);
            $this->answered($turn, $answer);

            return;
        }
        if ($top >= 0.5 && $top - $next >= 0.25) {
            $turn->trace->rule("topic {$keys[0]}: fits ".number_format($top, 2).', the next '.number_format($next, 2));
            $this->enter($turn, $step, (string) $keys[0], $heard);

            return;
        }
        if ($top >= 0.4 && $next >= 0.3 && count($keys) > 1) {
            $state->mode = 'clarify';
            $state->candidates = array_map(strval(...), array_slice($keys, 0, 2));
            $labels = array_map(static fn (string $key): string => $step->topic($key)['label'] ?? $key, $state->candidates);
            $turn->trace->rule('two topics fit: asks which');
            $turn->standing('clarify', ['options' => $this->walker->listed($labels)], true);

            return;
        }
        if ($top >= 0.5) {
            $this->enter($turn, $step, (string) $keys[0], $heard);

            return;
        }
        $implied = $this->implied($turn, $step, $heard);
        if ($implied !== null) {
            $turn->trace->rule("topic {$implied}: what was named is what it asks for first");
            $this->enter($turn, $step, $implied, $heard);

            return;
        }
        if ($this->corrects($turn, $heard) || $this->elsewhere($turn, $heard) || $clause !== null && $this->sideQuestion($turn, $heard)) {
            return;
        }
        $this->volunteer($turn, $heard, $step->key(), false);
        if ($step->topics !== [] && $this->understanding->read(ValueType::YesNo, $heard, $this->plain($turn))->value === true && $this->phrases->content($heard->tokens) <= 1) {
            $turn->trace->rule('a bare yes: asks what for');
            $this->walker->askAgain($turn);

            return;
        }
        $this->notUnderstood($turn, $step, $heard, $step->reprompts, $step->tries);
    }

    /** The one topic that begins by asking for something the caller has named: 'I want a water pump'. */
    private function implied(Turn $turn, ListenStep $step, Heard $heard): ?string
    {
        $found = [];
        foreach ($step->topics as $topic) {
            $first = $turn->script->steps[$topic['next']] ?? null;
            $field = $first instanceof AskStep ? $turn->script->sheet->field($first->field) : null;
            if ($field === null || $field->type !== ValueType::Choice) {
                continue;
            }
            $named = $this->understanding->read(ValueType::Choice, $heard, $this->collector->context($turn, $field, false));
            if (! $named->found() && count($heard->tokens) <= 9) {
                // 'Digger. Mini one. Monday.': few words name it as an answer would; 'the second one' names nothing yet.
                $short = $this->understanding->read(ValueType::Choice, $heard, $this->collector->context($turn, $field, true));
                $named = preg_match('/^(?:the )?(?:first|second|third|fourth|fifth|last|one|two|three|four|five|six|seven|eight|nine|\d+)(?: one)?$/i', trim((string) $short->said)) === 1 ? $named : $short;
            }
            if ($named->found()) {
                $found[] = [$topic['key'], $field, $named];
            }
        }
        if (count($found) !== 1) {
            return null;
        }
        [$key, $field, $named] = $found[0];
        $turn->considered($field, $named, true, 'named where a topic was asked for');
        $this->take($turn, $field, $named, Origin::Volunteered, $named->confidence < 0.75);

        return $key;
    }

    /**
     * Keeps what was told on the way, for the questions from a step on.
     *
     * @return list<string> the fields
     */
    private function volunteer(Turn $turn, Heard $heard, string $from, bool $questioned): array
    {
        $told = [];
        foreach ($this->collector->volunteered($turn, $heard, null, null, $from, $questioned) as $key => $reading) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null) {
                $turn->considered($field, $reading, true, 'volunteered');
                $this->take($turn, $field, $reading, Origin::Volunteered, $reading->confidence < 0.75);
                $told[] = $key;
            }
        }

        return $told;
    }

    /**
     * Tells the caller in passing what was taken, so that a mishearing can be put right at once.
     *
     * @param list<string> $fields
     */
    private function echoed(Turn $turn, array $fields): void
    {
        $parts = [];
        foreach (array_keys($turn->script->sheet->fields) as $key) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null && in_array($key, $fields, true) && ! in_array($key, $turn->state->pending, true) && $field->type !== ValueType::YesNo) {
                $parts[] = $turn->spoken($field, $turn->state->values[$key]->value ?? null);
            }
        }
        if ($parts !== [] && $turn->script->agent->acknowledges !== 'little') {
            $turn->standing('echo', ['it' => $this->walker->listed($parts, 'and')]);
        }
    }

    private function clarified(Turn $turn, ListenStep $step, Heard $heard): bool
    {
        $state = $turn->state;
        $options = [];
        foreach ($state->candidates as $key) {
            $topic = $step->topic($key);
            if ($topic !== null) {
                $options[] = ['key' => $key, 'label' => $topic['label'], 'phrases' => $topic['phrases']];
            }
        }
        $reading = $this->understanding->read(ValueType::Choice, $heard, $this->plain($turn)->withOptions($options));
        $implied = $this->implied($turn, $step, $heard);
        if ($implied !== null && in_array($implied, $state->candidates, true)) {
            $reading = Reading::of($implied, 0.9, $heard->original, 0, strlen($heard->original));
        }
        $state->mode = 'answer';
        $state->candidates = [];
        if (! $reading->found()) {
            return false;
        }
        $turn->trace->rule("topic {$reading->value}: the caller said which");
        $this->enter($turn, $step, (string) $reading->value);

        return true;
    }

    private function enter(Turn $turn, ListenStep $step, string $key, ?Heard $heard = null): void
    {
        $topic = $step->topic($key);
        $turn->state->topic = $key;
        if ($topic !== null && $heard !== null) {
            $this->echoed($turn, $this->volunteer($turn, $heard, $topic['next'], false));
        }
        if ($topic !== null) {
            $this->walker->proceed($turn, $topic['next']);
        }
    }

    /** A topic marked as reachable from anywhere, or a request for a person, in the middle of something else. */
    private function elsewhere(Turn $turn, Heard $heard): bool
    {
        $state = $turn->state;
        $topics = $this->reachable($turn);
        $ranked = $this->topics->rank($topics, $heard);
        $key = array_key_first($ranked);
        if ($key !== null && $ranked[$key] >= 0.9 && $ranked[$key] - (array_values($ranked)[1] ?? 0.0) >= 0.25 && $state->topic !== $key) {
            $turn->trace->rule("change of topic: {$key}");
            $this->switch($turn, (string) $key, $heard);

            return true;
        }
        if ($this->phrases->contains($heard, 'person')) {
            $turn->trace->rule('the caller asks for a person');
            $this->person($turn);

            return true;
        }
        if ($this->phrases->contains($heard, 'off_topic') && $state->offTopic < 3) {
            $state->offTopic++;
            $turn->trace->rule('off topic');
            $turn->standing('off_topic', ['business' => $turn->script->agent->business]);
            $this->walker->askAgain($turn);

            return true;
        }
        if ($this->phrases->contains($heard, 'profanity')) {
            return $this->soothed($turn);
        }

        return false;
    }

    /** The urgent topic the words name outright, if any. */
    private function urgent(Turn $turn, Heard $heard): ?string
    {
        $urgent = array_values(array_filter($this->reachable($turn), static fn (array $topic): bool => $topic['urgent']));
        $ranked = $this->topics->rank($urgent, $heard);
        $key = array_key_first($ranked);

        return $key !== null && $ranked[$key] >= 0.9 && $turn->state->topic !== $key ? (string) $key : null;
    }

    /** @return list<array{key: string, label: string, description: string, phrases: list<string>, anywhere: bool, urgent: bool, next: string}> */
    private function reachable(Turn $turn): array
    {
        $topics = [];
        foreach ($turn->script->steps as $step) {
            if ($step instanceof ListenStep) {
                foreach ($step->topics as $topic) {
                    if ($topic['anywhere']) {
                        $topics[$topic['key']] ??= $topic;
                    }
                }
            }
        }

        return array_values($topics);
    }

    private function switch(Turn $turn, string $key, Heard $heard): void
    {
        foreach ($this->reachable($turn) as $topic) {
            if ($topic['key'] === $key) {
                $this->volunteer($turn, $heard, $topic['next'], false);
                $turn->state->topic = $key;
                $this->detour($turn, $topic['next']);

                return;
            }
        }
    }

    private function corrects(Turn $turn, Heard $heard): bool
    {
        if (! $this->corrections->sounded($heard)) {
            return false;
        }
        $corrected = $this->corrections->find($turn, $heard, array_reverse(array_keys($turn->state->values)));
        if ($corrected === []) {
            return false;
        }
        $this->replaced($turn, $corrected);
        $this->said($turn, $corrected);
        $this->walker->askAgain($turn);

        return true;
    }

    /** A question in the middle of something: answered, then the open question again. */
    private function sideQuestion(Turn $turn, Heard $heard): bool
    {
        $clause = $this->replies->clause($heard);
        $answer = $this->replies->answer($turn, $clause[0] ?? $heard);
        if ($answer === null) {
            if ($clause === null || $this->phrases->contains($heard, 'person') || $this->phrases->contains($heard, 'off_topic')) {
                return false;
            }
            $topics = $this->topics->rank($this->reachable($turn), $heard);
            if (($topics[array_key_first($topics) ?? ''] ?? 0) >= 0.9) {
                return false;
            }
            $turn->trace->rule('a question nothing answers: nothing is invented');
            $turn->trace->unanswered[] = ['question' => $heard->original, 'why' => 'not covered'];
            $turn->standing('no_answer');
            $this->walker->askAgain($turn);

            return true;
        }
        $this->answered($turn, $answer);

        return true;
    }

    /** @param array{text: string, rule: string, to: ?string, known?: Known} $answer */
    private function answered(Turn $turn, array $answer): void
    {
        $turn->trace->rule($answer['rule']);
        $this->replies->told($turn, $answer);
        $turn->speak($answer['text'], $turn->state->step);
        if ($answer['to'] !== null) {
            $this->detour($turn, $answer['to']);

            return;
        }
        // Back from the detour, in words; an open question needs none.
        $step = $this->standing($turn);
        if ($turn->state->mode === 'answer' && ($step instanceof AskStep || $step instanceof ChooseStep)) {
            $turn->standing('back_to');
        }
        $this->walker->askAgain($turn);
    }

    private function serve(Turn $turn, Heard $question): bool
    {
        $answer = $this->replies->answer($turn, $question);
        if ($answer === null) {
            return false;
        }
        $turn->trace->rule($answer['rule'].', in the same breath as an answer');
        $this->replies->told($turn, $answer);
        $turn->speak($answer['text'], $turn->state->step);

        return true;
    }

    /**
     * Parts an answer from a question in the same breath. A question that is itself the answer ('can you make it Tuesday?') stays whole.
     *
     * @return array{Heard, ?Heard}
     */
    private function parted(Turn $turn, Field $field, Heard $heard): array
    {
        $clause = $this->replies->clause($heard);
        if ($clause === null) {
            return [$heard, null];
        }
        [$question, $before] = $clause;
        if (! $before->isEmpty() && $this->collector->asked($turn, $field, $before)->found()) {
            return [$before, $question];
        }
        // A question the business has an answer to is one; what is left is no answer.
        if ($this->replies->answer($turn, $question) !== null && in_array($field->type, [ValueType::Text, ValueType::YesNo, ValueType::PersonName, ValueType::Choice, ValueType::Number, ValueType::Money], true)) {
            return [$before, $question];
        }

        return [$heard, $question];
    }

    private function refused(Turn $turn, AskStep $step): void
    {
        $state = $turn->state;
        if (! $step->required) {
            $turn->trace->rule("{$step->field} is declined");
            $state->declined[] = $step->field;
            $turn->standing('declined');
            $this->walker->proceed($turn, $step->next);

            return;
        }
        $state->failures++;
        if ($state->failures >= 2) {
            $turn->trace->rule("{$step->field} is required and refused twice");
            $state->declined[] = $step->field;
            $this->walker->leave($turn, $step);

            return;
        }
        $turn->trace->rule("{$step->field} is required: says why");
        $step->why !== null ? $turn->prompt(Prompt::of($step->why), $step->key().'.why') : $turn->standing('needed');
        $this->walker->askAgain($turn);
    }

    /** @param list<string> $reprompts */
    private function notUnderstood(Turn $turn, Step $step, Heard $heard, array $reprompts, int $tries): void
    {
        $state = $turn->state;
        $state->failures++;
        $turn->trace->rule("not understood, {$state->failures} of {$tries}");
        if ($state->failures >= $tries) {
            $this->walker->leave($turn, $step);

            return;
        }
        $field = $step instanceof AskStep ? $turn->script->sheet->field($step->field) : null;
        $own = $reprompts[$state->failures - 1] ?? null;
        if ($own !== null) {
            $turn->prompt(Prompt::of($own), $step->key().'.reprompt'.$state->failures, true);

            return;
        }
        if ($state->failures >= 2 && $field !== null && in_array($field->type, [ValueType::PersonName, ValueType::Email], true)) {
            $turn->standing('apologise');
            $turn->standing('spell', [], true);

            return;
        }
        if ($state->failures >= 2 && $field !== null && in_array($field->type, [ValueType::Phone, ValueType::Number], true)) {
            $turn->standing('apologise');
            $turn->standing('key_in', [], true);

            return;
        }
        $turn->standing('apologise');
        $this->walker->help($turn, $step);
    }

    /** Keeps a reading; what is not sure, or must be, waits for a yes. */
    private function take(Turn $turn, Field $field, Reading $reading, Origin $origin, ?bool $confirm = null): void
    {
        $policy = $turn->script->asking($field->key)->confirm ?? 'unsure';
        $turn->hold($field, new Held($reading->value, $reading->confidence, $origin, $turn->callerTurn, $reading->said));
        $must = $confirm ?? match ($policy) {
            'never' => false,
            'always', 'spelled', 'digits' => true,
            default => $reading->confidence < Collector::SURE && $field->type !== ValueType::Text,
        };
        if ($must && ! in_array($field->key, $turn->state->pending, true)) {
            $turn->state->pending[] = $field->key;
        }
    }

    private function confirm(Turn $turn, string $key): void
    {
        $field = $turn->script->sheet->field($key);
        $held = $turn->state->values[$key] ?? null;
        if ($field !== null && $held !== null) {
            $turn->hold($field, $held->confirmed());
        }
    }

    /** @param array<string, Reading> $corrected */
    private function replaced(Turn $turn, array $corrected): void
    {
        foreach ($corrected as $key => $reading) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null) {
                $turn->considered($field, $reading, true, 'corrects what was held');
                $turn->hold($field, new Held($reading->value, max(0.9, $reading->confidence), Origin::Corrected, $turn->callerTurn, $reading->said));
                $turn->trace->rule("correction of {$key}");
            }
        }
    }

    /** @param array<string, Reading> $corrected tells the caller what changed */
    private function said(Turn $turn, array $corrected): void
    {
        $parts = [];
        foreach (array_keys($corrected) as $key) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null) {
                $parts[] = $turn->spoken($field, $turn->state->values[$key]->value ?? null);
            }
        }
        $turn->standing('changed', ['it' => $this->walker->listed($parts, 'and')]);
    }

    private function acknowledges(Turn $turn): bool
    {
        return match ($turn->script->agent->acknowledges) {
            'much' => true,
            'little' => false,
            default => $turn->state->heard % 2 === 1,
        };
    }

    /** A no is not met with 'lovely', nor a tale of woe with 'perfect'. */
    private function acknowledge(Turn $turn, Field $field, Reading $reading): void
    {
        if ($field->type !== ValueType::YesNo || $reading->value === true) {
            $turn->standing($field->type === ValueType::Text ? 'acknowledge_words' : 'acknowledge');
        }
    }

    /** Whether a question that may be left open is answered with 'no, nothing special'. */
    private function nothingToSay(Turn $turn, AskStep $step, Field $field, Heard $heard): bool
    {
        return $field->type === ValueType::Text && ! $step->required
            && ($this->phrases->is($heard, 'nothing_to_add') || $this->phrases->only($heard, 'nothing_more'));
    }

    private function digitsIn(Heard $heard): bool
    {
        return preg_match('/\d/', $heard->cleaned()) === 1;
    }

    private function plain(Turn $turn): Context
    {
        return new Context($turn->scope()->now, $turn->script->agent->country);
    }
}
