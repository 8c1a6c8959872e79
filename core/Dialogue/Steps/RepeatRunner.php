<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Values\Volunteer;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Token;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Repeat\RepeatStep;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Prompt;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Moves a round of answers into its list and asks whether there is another; what is told with the yes counts for the next round. */
final readonly class RepeatRunner implements AskingRunner
{
    public function __construct(private Puts $puts, private Understanding $understanding, private Volunteer $volunteer, private Collector $collector, private Keeper $keeper)
    {
    }

    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof RepeatStep);
        $items = $this->collect($turn, $step);
        if (count($items) >= $step->most) {
            $turn->trace->rule("{$step->list}: {$step->most} items are all there may be");

            return Move::to($step->next);
        }
        if ($this->puts->visit($turn, $step)) {
            $turn->prompt($step->prompt, $step->key(), true);
        }

        return Move::stay();
    }

    public function reading(Turn $turn, Step $step, Hearing $hearing): Reading
    {
        return $this->understanding->read(ValueType::YesNo, $hearing->heard, $turn->plain());
    }

    public function answer(Turn $turn, Step $step, Hearing $hearing): ?Move
    {
        \assert($step instanceof RepeatStep);
        $yes = $this->reading($turn, $step, $hearing);
        if ($yes->value === false || $hearing->alone(ActKind::NothingMore) !== null) {
            $hearing->dealtWith(ActKind::NothingMore);
            $turn->trace->rule('no more of them');

            return Move::to($step->next);
        }
        $told = [...$this->volunteer->from($turn, $hearing->heard, $step->first, false), ...$this->named($turn, $step, $hearing, $yes)];
        if ($yes->value !== true && $told === []) {
            return null;
        }
        $turn->trace->rule('another one');
        $turn->state->visits[$step->key()] = 0;

        return Move::on($step->first);
    }

    public function keyed(Turn $turn, Step $step, string $digits): ?Move
    {
        \assert($step instanceof RepeatStep);

        return match (rtrim($digits, '#')) {
            '1' => Move::to($step->first),
            '2' => Move::to($step->next),
            default => null,
        };
    }

    public function short(Turn $turn, Step $step): Prompt
    {
        return $this->puts->question($step->prompt());
    }

    public function help(Turn $turn, Step $step): Help
    {
        $turn->standing('again_yes_no');

        return Help::Hint;
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
     * 'Yes, there is Ben Poole': what stands behind the yes answers the first question of the next round.
     *
     * @return list<string>
     */
    private function named(Turn $turn, RepeatStep $step, Hearing $hearing, Reading $yes): array
    {
        $first = $turn->script->steps[$step->first] ?? null;
        $field = $first instanceof AskStep ? $turn->script->sheet->field($first->field) : null;
        if ($field === null || $yes->value !== true || isset($turn->state->values[$field->key]) || in_array($field->type, [ValueType::Text, ValueType::YesNo], true)) {
            return [];
        }
        $rest = $hearing->heard->only(array_values(array_filter($hearing->heard->tokens, static fn (Token $token): bool => $token->start >= $yes->end)));
        $reading = $rest->isEmpty() ? Reading::none() : $this->understanding->read($field->type, $rest, $this->collector->context($turn, $field));
        if (! $reading->found()) {
            return [];
        }
        $turn->considered($field, $reading, true, 'volunteered with the yes');
        $this->keeper->take($turn, $field, $reading, Origin::Volunteered);

        return [$field->key];
    }

    /** @return list<array<string, mixed>> the items, with what this round left */
    private function collect(Turn $turn, RepeatStep $step): array
    {
        $state = $turn->state;
        $list = $turn->script->sheet->field($step->list);
        $held = $state->values[$step->list]->value ?? [];
        /** @var list<array<string, mixed>> $items */
        $items = is_array($held) ? array_values(array_filter($held, is_array(...))) : [];
        $item = [];
        $said = [];
        foreach ($step->fields as $field) {
            $one = $state->values[$field] ?? null;
            if ($one !== null) {
                $item[$field] = $one->value;
                $said[] = $one->said;
            }
        }
        if ($item === [] || $list === null) {
            return $items;
        }
        $items[] = $item;
        $turn->hold($list, new Held($items, 1.0, Origin::Asked, $turn->callerTurn, implode(' … ', array_filter($said))));
        foreach ($step->fields as $field) {
            $turn->forget($field);
            $state->declined = array_values(array_diff($state->declined, [$field]));
            $asking = $turn->asking($field)?->key();
            if ($asking !== null) {
                unset($state->visits[$asking], $state->again[$asking]);
            }
        }

        return $items;
    }
}
