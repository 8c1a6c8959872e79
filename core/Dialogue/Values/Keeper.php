<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Held;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Amounts\Counted;
use Ringo\Sheet\Field;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Keeps values: what was read, what a correction puts in its place, what a yes has settled. */
final readonly class Keeper
{
    /** A correction is said on purpose: it is believed at least so much. */
    private const CORRECTED = 0.9;

    public function __construct(private Bounded $bounded = new Bounded)
    {
    }

    /** Keeps a reading; what is not sure, or must be, waits for a yes. */
    public function take(Turn $turn, Field $field, Reading $reading, Origin $origin, ?bool $confirm = null): void
    {
        $turn->hold($field, new Held($reading->value, $reading->confidence, $origin, $turn->callerTurn, $reading->said));
        $must = $confirm ?? match ($this->policy($turn, $field)) {
            'never' => false,
            'always', 'spelled', 'digits' => true,
            default => $reading->confidence < Collector::SURE && $field->type !== ValueType::Text,
        };
        if ($must && ! in_array($field->key, $turn->state->pending, true)) {
            $turn->state->pending[] = $field->key;
        }
    }

    /** How a field is read back: as the question that asked for it says, else as the field does. */
    public function policy(Turn $turn, Field $field): string
    {
        return $turn->asking($field->key)->confirm ?? $field->confirm ?? 'unsure';
    }

    public function confirm(Turn $turn, string $key): void
    {
        $field = $turn->script->sheet->field($key);
        $held = $turn->state->values[$key] ?? null;
        if ($field !== null && $held !== null) {
            $turn->hold($field, $held->confirmed());
        }
    }

    /**
     * Puts readings in the place of what was held and tells the caller. What breaks a bound of its field is told so, and what was held stays.
     *
     * @param array<string, Reading> $corrected
     *
     * @return array<string, Reading> those that took its place
     */
    public function correct(Turn $turn, array $corrected): array
    {
        foreach ($corrected as $key => $reading) {
            $field = $turn->script->sheet->field($key);
            $broken = $field === null ? null : $this->bounded->broken($turn, $field, $reading->value);
            if ($field !== null && $broken !== null) {
                $turn->considered($field, $reading, false, "breaks a bound: {$broken}");
                $this->bounded->say($turn, $turn->state->askedAt[$key] ?? $key, $field, $broken);
                unset($corrected[$key]);
            }
        }
        if ($corrected !== []) {
            $this->replace($turn, $corrected);
            $this->tell($turn, $corrected);
        }

        return $corrected;
    }

    /** @param array<string, Reading> $corrected */
    public function replace(Turn $turn, array $corrected): void
    {
        foreach ($corrected as $key => $reading) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null) {
                $turn->considered($field, $reading, true, 'corrects what was held');
                $turn->hold($field, new Held($reading->value, max(self::CORRECTED, $reading->confidence), Origin::Corrected, $turn->callerTurn, $reading->said));
                $turn->trace->rule("correction of {$key}");
            }
        }
    }

    /** @param array<string, Reading> $corrected tells the caller what changed */
    public function tell(Turn $turn, array $corrected): void
    {
        $parts = [];
        foreach (array_keys($corrected) as $key) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null) {
                $parts[] = Counted::words($turn, $field, $turn->state->values[$key]->value ?? null);
            }
        }
        $turn->standing('changed', ['it' => $turn->listed($parts, 'and')]);
    }
}
