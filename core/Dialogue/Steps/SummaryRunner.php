<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Amounts\Counted;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Values\FieldNames;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Summary\SummaryKind;
use Ringo\Script\Steps\Summary\SummaryStep;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Reads several fields back in one breath; a yes settles all, a correction changes what it names, a bare no asks what is wrong. */
final readonly class SummaryRunner implements AskingRunner
{
    /** So often it is asked what should be different. */
    private const WHAT_IS_ASKED = 2;

    public function __construct(private Puts $puts, private Understanding $understanding, private Corrections $corrections, private FieldNames $names, private Keeper $keeper, private Collector $collector)
    {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof SummaryStep);
        if ($this->held($turn, $step) === []) {
            $turn->trace->rule("{$step->key()}: nothing to read back");

            return Move::to($step->next);
        }
        if ($this->puts->visit($turn, $step)) {
            $this->say($turn, $step);
        }

        return Move::stay();
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        return $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain());
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move
    {
        \assert($step instanceof SummaryStep);
        $yes = $this->reading($turn, $step, $hearing);
        $fields = array_map(strval(...), array_keys($this->held($turn, $step)));
        $corrected = $yes->value === true && ! $this->corrections->strong($hearing->heard) ? [] : $this->corrections->find($turn, $hearing->heard, array_reverse($fields));
        if ($corrected === [] && $yes->value !== true) {
            // What was told and not read back can be put right as well.
            $others = array_diff(array_keys(array_filter($turn->state->values, static fn (Held $held): bool => $held->origin !== Origin::Set)), $fields);
            $corrected = $others === [] ? [] : $this->corrections->find($turn, $hearing->heard, array_reverse(array_map(strval(...), array_values($others))));
        }
        if ($corrected !== []) {
            $this->keeper->correct($turn, $corrected);
            $turn->standing('summary_rest', [], true);

            return Move::stay();
        }
        if ($yes->value !== true && $this->told($turn, $step, $hearing)) {
            $turn->standing('summary_rest', [], true);

            return Move::stay();
        }
        if ($yes->value === true) {
            $turn->trace->rule('all of it is confirmed');
            array_map(fn (string $field) => $this->keeper->confirm($turn, $field), $fields);

            return Move::to($step->next);
        }

        // 'The date is wrong' needs no 'no' before it.
        $denied = $yes->value === false || $this->corrections->strong($hearing->heard) && $this->names->in($turn, $hearing->heard, $fields) !== [];

        return $denied ? $this->wrong($turn, $step, $hearing, $fields) : null;
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        \assert($step instanceof SummaryStep);

        return match (rtrim($digits, '#')) {
            '1' => Move::to($step->next),
            '2' => $this->what($turn),
            default => null,
        };
    }

    public function short(Turn $turn, Step $step): Prompt
    {
        return Prompt::of($turn->phrase('summary_rest'));
    }

    public function help(Turn $turn, Step $step): Help
    {
        \assert($step instanceof SummaryStep);
        $this->say($turn, $step);

        return Help::Question;
    }

    public function listens(Turn $turn, Step $step): Waiting
    {
        return new Waiting('yes_no', Waiting::SHORT, '12');
    }

    public function reprompt(Turn $turn, Step $step, Missed $missed): ?Prompt
    {
        return null;
    }

    /**
     * 'No, the day is wrong' asks for the day again; a bare no asks what is wrong.
     *
     * @param list<string> $fields
     */
    private function wrong(Turn $turn, SummaryStep $step, Hearing $hearing, array $fields): Move
    {
        $named = $this->names->in($turn, $hearing->heard, $fields);
        $asking = $named === [] ? null : $turn->asking($named[0]);
        if ($asking === null) {
            // Whoever says twice that something is wrong and not what, is not asked a third time.
            return $turn->state->failures >= self::WHAT_IS_ASKED ? Move::to($step->next) : $this->what($turn);
        }
        $turn->trace->rule("{$named[0]} is said to be wrong: asked again");
        $turn->forget($named[0]);

        return Move::aside($asking->key());
    }

    /** What is missing in what was read back may be told now: 'no, and it is at half past ten'. */
    private function told(Turn $turn, SummaryStep $step, Hearing $hearing): bool
    {
        $told = array_intersect_key($this->collector->volunteered($turn, $hearing->heard, null, null, $turn->script->first), array_fill_keys($step->fields, true));
        foreach (array_diff_key($told, $turn->state->values) as $key => $reading) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null) {
                $turn->considered($field, $reading, true, 'was missing, and is told');
                $this->keeper->take($turn, $field, $reading, Origin::Volunteered);
            }
        }
        $taken = array_diff_key($told, $turn->state->values) === [] && $told !== [];
        if ($taken) {
            $this->keeper->tell($turn, $told);
        }

        return $taken;
    }

    private function what(Turn $turn): Move
    {
        $turn->state->failures++;
        $turn->standing('summary_what', [], true);

        return Move::stay();
    }

    private function say(Turn $turn, SummaryStep $step): void
    {
        $it = $turn->listed(array_values($this->held($turn, $step)), 'and');
        if ($step->prompt === null) {
            $turn->standing('summary', ['it' => $it], true);

            return;
        }
        $scope = $turn->scope();
        $variant = $turn->variant($step->key(), count($step->prompt->variants));
        $turn->speak($step->prompt->filled($variant, static fn (string $path): ?string => $path === SummaryKind::PLACE ? $it : $scope->words($path)), $step->key(), true);
    }

    /** @return array<string, string> what is read back, in words, by field */
    private function held(Turn $turn, SummaryStep $step): array
    {
        $said = [];
        foreach ($step->fields as $key) {
            $field = $turn->script->sheet->field($key);
            $held = $turn->state->values[$key] ?? null;
            if ($field === null || $held === null) {
                continue;
            }
            $words = Counted::words($turn, $field, $held->value);
            $said[$key] = $field->type === ValueType::YesNo ? mb_strtolower($field->title).': '.$words : $words;
        }

        return $said;
    }
}
