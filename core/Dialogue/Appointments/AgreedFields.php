<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Appointments;

use Ringo\Dialogue\Turn;
use Ringo\Script\Steps\Book\BookStep;

/** Fields that hold what stands in a diary: they are put right by moving the booking, and not by writing another value over it. */
final class AgreedFields
{
    /** @return list<string> */
    public static function of(Turn $turn): array
    {
        $fields = [];
        foreach ($turn->state->booked === [] ? [] : $turn->script->steps as $step) {
            if ($step instanceof BookStep && $step->does !== 'cancel') {
                array_push($fields, ...array_filter([$step->field, $step->referenceField], static fn (?string $field): bool => $field !== null && isset($turn->state->values[$field])));
            }
        }

        return array_values(array_unique($fields));
    }

    /** The step that moves a booking, where the design has one. */
    public static function moving(Turn $turn): ?BookStep
    {
        foreach ($turn->script->steps as $step) {
            if ($step instanceof BookStep && $step->does === 'change') {
                return $step;
            }
        }

        return null;
    }
}
