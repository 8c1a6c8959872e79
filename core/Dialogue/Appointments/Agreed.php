<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Appointments;

use Ringo\Dialogue\Held;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Ports\Booked;
use Ringo\Dialogue\Turn;
use Ringo\Diary\Diaries;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Value\ValueType;

/** What a call keeps of a time that was agreed. */
final readonly class Agreed
{
    /** @param non-empty-list<Booked> $all of a series: the field takes the first */
    public function keep(Turn $turn, BookStep $step, array $all, Diaries $diaries): void
    {
        foreach ($all as $one) {
            $turn->trace->rule("{$step->key()}: {$one->reference} stands");
            $turn->state->booked[] = ['reference' => $one->reference, 'service' => $one->service, 'at' => $one->start->at, 'diary' => $one->start->diary];
        }
        $booked = $all[0];
        $reference = $step->referenceField === null ? null : $turn->script->sheet->field($step->referenceField);
        if ($reference !== null) {
            $turn->hold($reference, new Held($booked->reference, 1.0, Origin::Asked, $turn->state->turns, $turn->trace->heard, true));
        }
        $field = $step->field === null ? null : $turn->script->sheet->field($step->field);
        if ($field !== null) {
            $local = $booked->start->in($diaries->tz)->format('Y-m-d\TH:i');
            $turn->hold($field, new Held($field->type === ValueType::DateTime ? $local : str_replace('T', ' ', $local), 1.0, Origin::Asked, $turn->state->turns, $turn->trace->heard, true));
        }
    }

    /** What was booked in this call and is cancelled in it stands in no field any more. */
    public function undo(Turn $turn, string $reference): void
    {
        $left = array_values(array_filter($turn->state->booked, static fn (array $one): bool => $one['reference'] !== $reference));
        if (count($left) === count($turn->state->booked)) {
            return;
        }
        foreach ($left === [] ? AgreedFields::of($turn) : [] as $field) {
            unset($turn->state->values[$field]);
        }
        $turn->state->booked = $left;
    }
}
