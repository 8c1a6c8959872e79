<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Modes;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Steps\Waiting;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\AddressMended;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Values\Elsewhere;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Values\LoneValue;
use Ringo\Dialogue\Values\ReadBack;
use Ringo\Dialogue\Values\Settled;
use Ringo\Dialogue\Walk\Move;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** A yes or no is waited for: a correction counts before the no it comes with, and a yes keeps what is told beside it. */
final readonly class Confirming implements ModeHandler
{
    /** A value said outright in the place of a yes is taken from this confidence on. */
    private const OUTRIGHT = 0.8;

    /** New words for the value itself, without a yes or no. */
    private const SAID_AGAIN = 0.6;

    /** Neither a yes nor a no so often is taken as a no. */
    private const MOST_UNCLEAR = 2;

    /** Types of which loose words are no new value. */
    private const LOOSE = [ValueType::Text, ValueType::YesNo, ValueType::PersonName, ValueType::Number];

    private AddressMended $addresses;

    public function __construct(
        private Understanding $understanding,
        private Corrections $corrections,
        private Collector $collector,
        private Keeper $keeper,
        private Settled $settled,
        private ReadBack $readBack,
        private Replies $replies,
        private Elsewhere $elsewhere,
        private LoneValue $lone,
    ) {
        $this->addresses = new AddressMended($understanding);
    }

    public function weighing(Turn $turn): Weighing
    {
        return Weighing::Whole;
    }

    public function answer(Turn $turn, Hearing $hearing): ?Move
    {
        $heard = $hearing->heard;
        if ($hearing->asks() && ! $hearing->statement->isEmpty() && $this->replies->serve($turn, $hearing->questions, false) !== null) {
            $turn->trace->rule('in the same breath as an answer');
            $hearing->dealtWith(ActKind::Question);
            $heard = $hearing->statement;
        }
        $yes = $this->understanding->read(ValueType::YesNo, $heard, $turn->plain());

        return $this->pointed($turn, $heard, $yes)
            ?? $this->completed($turn, $heard, $yes)
            ?? $this->corrected($turn, $heard, $yes)
            ?? $this->instead($turn, $heard, $yes)
            ?? $this->settled($turn, $heard, $yes);
    }

    public function missed(Turn $turn, Hearing $hearing): Move
    {
        $again = $this->saidAgain($turn, $hearing->heard) ?? $this->wentOn($turn, $hearing->heard);
        if ($again !== null) {
            return $again;
        }
        $turn->state->failures++;
        if ($turn->state->failures >= self::MOST_UNCLEAR) {
            $turn->trace->rule('no clear yes or no, twice: asked afresh');

            return $this->settled->unclear($turn);
        }
        $turn->trace->rule('neither yes nor no');
        $turn->standing('apologise');

        return Move::again();
    }

    public function keyed(Turn $turn, string $digits): ?Move
    {
        $key = rtrim($digits, '#');
        if (! in_array($key, ['1', '2'], true)) {
            return null;
        }
        $turn->trace->rule("key {$key}: ".($key === '1' ? 'yes' : 'no'));

        return $this->settled->with($turn, $key === '1');
    }

    public function silent(Turn $turn): Move
    {
        if ($turn->state->silences >= 3) {
            $turn->trace->rule('silence, third time: the way out');

            return Move::out();
        }
        $turn->standing('silent');

        return Move::again();
    }

    public function again(Turn $turn): bool
    {
        $it = $this->readBack->pending($turn);
        if ($it === null) {
            return false;
        }
        $turn->trace->rule('reads back: '.implode(', ', $turn->state->pending));
        $meant = $this->readBack->meant($turn);
        if ($meant !== null) {
            $turn->standing('take_as', ['it' => $meant], true);

            return true;
        }
        $turn->standing('confirm', ['it' => $it], true);

        return true;
    }

    public function listens(Turn $turn): Waiting
    {
        return new Waiting('yes_no', Waiting::SHORT, '12');
    }

    /** 'No, the number I'm ringing from.' */
    private function pointed(Turn $turn, Heard $heard, Reading $yes): ?Move
    {
        if ($yes->value === true) {
            return null;
        }
        foreach ($turn->state->pending as $key) {
            $field = $turn->script->sheet->field($key);
            $reading = $field === null || $field->type !== ValueType::Phone ? null : $this->elsewhere->reading($turn, $field, $heard);
            if ($reading !== null) {
                $this->keeper->replace($turn, [$key => $reading]);

                return $this->settled->with($turn, true);
            }
        }

        return null;
    }

    /** 'Yes, in Harwick', 'and the postcode is …': what an address still lacks. */
    private function completed(Turn $turn, Heard $heard, Reading $yes): ?Move
    {
        $key = count($turn->state->pending) === 1 ? $turn->state->pending[0] : '';
        $field = $turn->script->sheet->field($key);
        $held = $turn->state->values[$key]->value ?? null;
        if ($field?->type !== ValueType::PostalAddress || ! is_string($held) || $yes->value === false || $heard->tokens === []) {
            return null;
        }
        $whole = $this->addresses->completed($held, $heard, $this->collector->context($turn, $field, true));
        if ($whole === null) {
            return null;
        }
        $turn->considered($field, $whole, true, 'completed');
        $this->keeper->replace($turn, [$key => $whole]);
        $this->keeper->tell($turn, [$key => $whole]);

        return $this->settled->with($turn, true);
    }

    private function corrected(Turn $turn, Heard $heard, Reading $yes): ?Move
    {
        $state = $turn->state;
        if ($yes->value === true && ! $this->corrections->strong($heard)) {
            return null;
        }
        $others = $this->corrections->sounded($heard) ? array_values(array_diff(array_reverse(array_keys($state->values)), $state->pending)) : [];
        $corrected = $this->corrections->find($turn, $heard, [...$state->pending, ...$others]);
        if ($corrected === []) {
            return null;
        }
        $corrected = $this->keeper->correct($turn, $corrected);
        if ($corrected === []) {
            return Move::again();
        }
        foreach (array_keys($corrected) as $key) {
            $state->unconfirmed[$key] = ($state->unconfirmed[$key] ?? 0) + 1;
        }
        foreach (array_diff($state->pending, array_keys($corrected)) as $key) {
            $this->keeper->confirm($turn, $key);
        }
        $state->pending = array_keys(array_filter($corrected, static fn (Reading $one): bool => $one->confidence < Collector::SURE));

        return Move::on($state->resume ?? $state->step ?? $turn->script->first);
    }

    /** A different value said outright where only a yes was waited for: 'you can get me on 07700 900789'. */
    private function instead(Turn $turn, Heard $heard, Reading $yes): ?Move
    {
        foreach ($yes->value === true ? $turn->state->pending : [] as $key) {
            $field = $turn->script->sheet->field($key);
            if ($field === null || in_array($field->type, self::LOOSE, true)) {
                continue;
            }
            $reading = $this->understanding->read($field->type, $heard, $this->collector->context($turn, $field, $field->type !== ValueType::Choice));
            if ($reading->found() && $reading->confidence >= self::OUTRIGHT && $reading->value !== ($turn->state->values[$key]->value ?? null)) {
                $this->keeper->replace($turn, [$key => $reading]);
                $this->keeper->tell($turn, [$key => $reading]);

                return $this->settled->with($turn, true);
            }
        }

        return null;
    }

    private function settled(Turn $turn, Heard $heard, Reading $yes): ?Move
    {
        if (! $yes->found()) {
            return null;
        }
        $turn->trace->rule($yes->value ? 'confirmed' : 'not confirmed');
        foreach ($yes->value ? $this->collector->volunteered($turn, $heard, null, $yes) : [] as $key => $reading) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null && ! in_array($key, $turn->state->pending, true)) {
                $turn->considered($field, $reading, true, 'volunteered with the yes');
                $this->keeper->take($turn, $field, $reading, Origin::Volunteered, false);
            }
        }

        return $this->settled->with($turn, (bool) $yes->value);
    }

    /** Who gives their number when asked whether the name is right has nothing against the name. */
    private function wentOn(Turn $turn, Heard $heard): ?Move
    {
        $key = count($turn->state->pending) === 1 ? $turn->state->pending[0] : '';
        $field = $turn->script->sheet->field($key);
        if ($field === null || is_bool($turn->state->values[$key]->value ?? null)) {
            return null;
        }
        $told = $this->lone->ofAnother($turn, $field, '', $heard) ?: $this->collector->answersFirst($turn, $heard, $turn->state->resume ?? $turn->state->step ?? '');
        foreach ($told as $other => $reading) {
            $of = $turn->script->sheet->field($other);
            if ($of === null || $of->type === $field->type) {
                return null;
            }
            $turn->trace->rule('goes on without a word against it: taken as a yes');
            $turn->considered($of, $reading, true, 'volunteered');
            $this->keeper->take($turn, $of, $reading, Origin::Volunteered, false);
        }

        return $told === [] ? null : $this->settled->with($turn, true);
    }

    /** New words for the value itself, without a no: 'Stanwick Cross'. Words that could be anything change nothing. */
    private function saidAgain(Turn $turn, Heard $heard): ?Move
    {
        foreach ($turn->state->pending as $key) {
            $field = $turn->script->sheet->field($key);
            $reading = $field === null || in_array($field->type, [ValueType::Text, ValueType::YesNo], true) ? null : $this->collector->asked($turn, $field, $heard);
            if ($field === null || $reading === null || ! $reading->found() || $reading->confidence < self::SAID_AGAIN) {
                continue;
            }
            $same = ($turn->state->values[$key]->value ?? null) === $reading->value;
            $turn->considered($field, $reading, true, $same ? 'said again' : 'given instead');
            if (! $same) {
                $this->keeper->replace($turn, [$key => $reading]);
            }

            return $this->settled->with($turn, true);
        }

        return null;
    }
}
