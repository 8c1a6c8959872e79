<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Sheet\Field;
use Ringo\Speech\Prompt;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** Holds a value against the bounds of its field, and says what is wrong with one that breaks them. */
final readonly class Bounded
{
    /** The bound that is broken; null where none is. */
    public function broken(Turn $turn, Field $field, mixed $value): ?string
    {
        if ($field->whole && is_float($value) && floor($value) !== $value) {
            return 'whole';
        }
        $hours = $turn->script->hours;
        $opens = static fn (\DateTimeImmutable $at, bool $day): bool => ! $hours->given() || ($day ? $hours->on($at) !== [] : $hours->openAt($at));

        return $field->bounds?->broken($field->type, $value, $turn->scope()->now, $opens);
    }

    public function move(Turn $turn, AskStep $step, Field $field, string $broken): Move
    {
        $turn->state->failures++;
        $turn->trace->rule("{$field->key} breaks a bound: {$broken}");
        if ($turn->state->failures >= $step->tries) {
            return Move::out();
        }
        $this->say($turn, $step->key(), $field, $broken);

        return Move::again();
    }

    /** Says which bound is broken, in the field's own words where it has some. */
    public function say(Turn $turn, string $step, Field $field, string $broken): void
    {
        $own = $field->bounds->say[$broken] ?? $field->bounds->say['any'] ?? null;
        if ($own !== null) {
            $turn->prompt(Prompt::of($own), $step.'.bounds');
        } else {
            $turn->standing('bound_'.$broken, ['limit' => $this->limit($turn, $field, $broken)]);
        }
    }

    private function limit(Turn $turn, Field $field, string $broken): string
    {
        $bounds = $field->bounds;
        if ($broken === 'smallest' || $broken === 'largest') {
            return (string) ($broken === 'smallest' ? $bounds?->smallest : $bounds?->largest);
        }
        if ($broken === 'notice') {
            return $turn->sayTyped(new Typed(ValueType::Duration, (string) $bounds?->notice));
        }
        $limit = (string) $bounds?->limit((string) ($broken === 'earliest' ? $bounds->earliest : $bounds->latest), $turn->scope()->now);
        $type = preg_match('/^\d{2}:\d{2}$/', $limit) === 1 ? ValueType::Time : ValueType::Date;

        return preg_match('/^\d/', $limit) === 1 ? $turn->sayTyped(new Typed($type, substr($limit, 0, 10))) : '';
    }
}
