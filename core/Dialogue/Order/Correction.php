<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Steps\AskingRunner;
use Ringo\Dialogue\Steps\Runners;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Values\FieldNames;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Values\Moments\DayRuledOut;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** A correction of something already collected, unless the same words answer what is asked. */
final readonly class Correction implements Consideration
{
    /** A correction takes words that also answer where it is surer of them by so much. */
    private const SURER = 0.1;

    /** Words that tell a length, or an end. */
    private const LENGTH = '/\b(?:till?|until|through|hours?|days?|nights?|weeks?|weekend|fortnight|months?|years?)\b/i';

    public function __construct(private Corrections $corrections, private Keeper $keeper, private Runners $runners, private FieldNames $names, private DayRuledOut $ruledOut)
    {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $step = $turn->step();
        if ($turn->state->mode !== Mode::Answer || ! $step instanceof AskStep || ! $this->corrections->sounded($hearing->heard)) {
            return null;
        }
        $over = $hearing->alone(ActKind::NothingMore);
        if ($hearing->alone(ActKind::Refuse, ActKind::DontKnow, ActKind::DontMind) !== null || $over !== null && $over->rest->isEmpty()) {
            return null;
        }
        $known = array_values(array_filter(array_reverse(array_keys($turn->state->values)), static fn (string $key): bool => $key !== $step->field && $turn->state->values[$key]->origin !== Origin::Set));
        $runner = $this->runners->asking($step);
        if ($known === [] || ! $runner instanceof AskingRunner) {
            return null;
        }
        $reading = $runner->reading($turn, $step, $hearing);
        $taken = $reading->found() && $reading->confidence >= Collector::LEAST && ! $this->putsADayRight($turn, $step, $hearing->heard, $known);
        $corrected = ! $taken || $this->corrections->strong($hearing->heard) ? $this->corrections->find($turn, $this->words($hearing), $known) : [];
        // 'Change the day to …' names what it changes, whatever is asked just now.
        $named = $this->names->in($turn, $hearing->heard, array_keys($corrected));
        $taken = $taken && $named === [];
        $taken = $taken && ! $this->corrections->ofBefore($hearing->heard);
        $corrected = array_filter($corrected, static fn (Reading $one): bool => ! $taken || ! $one->overlaps($reading) || $one->confidence > $reading->confidence + self::SURER);
        // 'Actually I need it till Sunday', to when it ends, begins it no later.
        $corrected = array_filter($corrected, static fn (Reading $one): bool => ! $taken || $one->value !== $reading->value);
        // 'Sorry, we can't do Mondays' puts no day right.
        $corrected = array_filter($corrected, fn (Reading $one): bool => ! $this->ruledOut->is($hearing->heard, $one, $turn->plain()));
        if ($corrected === []) {
            return null;
        }
        $this->keeper->correct($turn, $corrected);
        $both = $taken && array_filter($corrected, static fn (Reading $one): bool => $one->overlaps($reading)) === [];
        // The 'no' that opens a correction does not answer a yes or no question as well.
        $denied = $turn->script->sheet->field($step->field)?->type === ValueType::YesNo && $reading->value === false;

        return $both && ! $denied ? null : Move::again();
    }

    /**
     * 'No, the fifteenth' is no length, though until then it would be one, where a day was told before.
     *
     * @param list<string> $known
     */
    private function putsADayRight(Turn $turn, AskStep $step, Heard $heard, array $known): bool
    {
        $sheet = $turn->script->sheet;
        $day = array_filter($known, static fn (string $key): bool => $sheet->field($key)?->type === ValueType::Date);

        return $day !== [] && $sheet->field($step->field)?->type === ValueType::Duration && preg_match(self::LENGTH, $heard->cleaned()) !== 1;
    }

    /** What is said beside a question, unless the question itself asks for the change: 'sorry, can you change that to the tenth'. */
    private function words(Hearing $hearing): Heard
    {
        $asks = array_filter($hearing->questions, $this->corrections->sounded(...)) !== [];

        return $asks || $hearing->statement->isEmpty() ? $hearing->heard : $hearing->statement;
    }
}
