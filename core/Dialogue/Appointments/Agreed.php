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
    public function keep(Turn $turn, BookStep $step, Booked $booked, Diaries $diaries): void
    {
        $turn->trace->rule("{$step->key()}: {$booked->reference} stands");
        $turn->state->booked[] = ['reference' => $booked->reference, 'service' => $booked->service, 'at' => $booked->start->at, 'diary' => $booked->start->diary];
        $field = $step->field === null ? null : $turn->script->sheet->field($step->field);
        if ($field !== null) {
            $local = $booked->start->in($diaries->tz)->format('Y-m-d\TH:i');
            $turn->hold($field, new Held($field->type === ValueType::DateTime ? $local : str_replace('T', ' ', $local), 1.0, Origin::Asked, $turn->state->turns, $turn->trace->heard, true));
        }
    }
}
