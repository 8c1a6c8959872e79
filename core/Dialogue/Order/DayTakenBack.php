<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Appointments\AgreedFields;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Values\Moments\DayRuledOut;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** 'Sorry, I can't do Friday after all', once Friday was told: the day is asked for again, where nothing but questions lies between. */
final readonly class DayTakenBack implements Consideration
{
    private const TIMED = [ValueType::Date, ValueType::DateTime];

    public function __construct(private Corrections $corrections, private DayRuledOut $ruledOut)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $step = $turn->step();
        if ($turn->state->mode !== Mode::Answer || ! $step instanceof AskStep || ! $this->corrections->sounded($hearing->heard)) {
            return null;
        }
        foreach ($turn->state->values as $key => $held) {
            $field = $turn->script->sheet->field($key);
            $asking = $field === null || $key === $step->field ? null : $turn->asking($key);
            if ($field === null || $asking === null || ! $this->takesBack($turn, $field, $held, $this->words($turn, $step, $hearing)) || ! $this->onlyAskedSince($turn, $asking)) {
                continue;
            }
            $turn->trace->rule("{$key}: the day that was told is ruled out, and asked for again");
            $turn->forget($key);

            return Move::aside($asking->key());
        }

        return null;
    }

    /** The 'no' that opens an answer to a question of yes or no rules out no day: 'no, he died on Thursday'. */
    private function words(Turn $turn, AskStep $step, Hearing $hearing): Heard
    {
        $tokens = $hearing->heard->tokens;
        $answers = $turn->script->sheet->field($step->field)?->type === ValueType::YesNo && ($tokens[0]->text ?? '') === 'no' && isset($tokens[1]);

        return $answers ? $hearing->heard->only(array_slice($tokens, 1)) : $hearing->heard;
    }

    private function takesBack(Turn $turn, Field $field, Held $held, Heard $heard): bool
    {
        return in_array($field->type, self::TIMED, true)
            && $field->bounds?->when !== 'past'
            && $held->origin !== Origin::Set
            && is_string($held->value)
            && ! in_array($field->key, AgreedFields::of($turn), true)
            && $this->ruledOut->leavesNone($heard, Reading::of($held->value, 1.0, $held->said, 0, 0), $turn->plain());
    }

    /** Whether the call has come here from the question by other questions alone, so that it comes here again. */
    private function onlyAskedSince(Turn $turn, AskStep $asking): bool
    {
        $path = $turn->state->path;
        $at = array_keys($path, $asking->key(), true);
        $since = $at === [] ? [null] : array_slice($path, (int) end($at));

        return array_filter($since, static fn (?string $key): bool => ! ($turn->script->steps[$key ?? ''] ?? null) instanceof AskStep) === [];
    }
}
