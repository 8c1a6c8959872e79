<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Amounts\Counted;
use Ringo\Dialogue\Values\Moments\DayAhead;
use Ringo\Understanding\Heard;
use Ringo\Value\ValueType;

/** Takes what was told on the way, for questions still to come. */
final readonly class Volunteer
{
    /** A value nobody asked for is read back below this. */
    private const SURE = 0.75;

    public function __construct(private Collector $collector, private Keeper $keeper, private DayAhead $days)
    {
    }

    /**
     * @param string $from the step from which questions are looked for
     *
     * @return list<string> the fields
     */
    public function from(Turn $turn, Heard $heard, string $from, bool $questioned): array
    {
        $told = [];
        foreach ($this->collector->volunteered($turn, $heard, null, null, $from, $questioned) as $key => $reading) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null) {
                $turn->considered($field, $reading, true, 'volunteered');
                $this->keeper->take($turn, $field, $reading, $questioned ? Origin::Mentioned : Origin::Volunteered, ! $questioned && $reading->confidence < self::SURE);
                $told[] = $key;
            }
        }
        if (! $questioned) {
            $this->days->keep($turn, $heard, $from, $told);
        }

        return $told;
    }

    /**
     * Tells the caller in passing what was taken, so that a mishearing can be put right at once.
     *
     * @param list<string> $fields
     */
    public function echo(Turn $turn, array $fields): void
    {
        $parts = [];
        foreach ($turn->script->sheet->fields as $key => $field) {
            if (in_array($key, $fields, true) && ! in_array($key, $turn->state->pending, true) && $field->type !== ValueType::YesNo) {
                $parts[] = Counted::words($turn, $field, $turn->state->values[$key]->value ?? null);
            }
        }
        if ($parts !== [] && $turn->script->agent->acknowledges !== 'little') {
            $turn->standing($turn->state->tone === 'sorry' ? 'echo_plain' : 'echo', ['it' => $turn->listed($parts, 'and')]);
        }
    }
}
