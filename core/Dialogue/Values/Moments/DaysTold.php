<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\AskedAhead;
use Ringo\Dialogue\Values\PlainQuestion;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\When\Stretch;
use Ringo\Understanding\When\StretchFinder;
use Ringo\Value\ValueType;

/** 'Friday till Monday' tells when something begins, when it ends and how long it is, whichever of them is asked for. */
final readonly class DaysTold
{
    /** How sure the days of a stretch are. */
    private const SURE = 0.85;

    /** How sure its length is, where the last day may count or not: it is read back. */
    private const LENGTH = 0.7;

    private StretchFinder $stretches;

    public function __construct(Understanding $understanding, private DayMeant $days, private AskedAhead $ahead)
    {
        $this->stretches = new StretchFinder($understanding->words);
    }

    /** The first day of a stretch, where the day on which something begins is asked for. */
    public function begins(Turn $turn, Field $field, Heard $heard, Context $context): ?Reading
    {
        $stretch = $this->isBeginning($turn, $field, $context) ? $this->stretches->in($heard->tokens, $context) : null;
        if ($stretch === null) {
            return null;
        }
        $end = $this->end($turn, $field, $turn->state->step ?? $turn->script->first);

        // Where nobody asks when it ends, which of the days is meant is asked.
        return $end === null ? null : $this->reading($this->first($turn, $stretch, $end)->format('Y-m-d'), self::SURE, $heard, $stretch);
    }

    /**
     * What a stretch tells of fields that are still to be asked for.
     *
     * @return array<string, Reading> the first day where it was not asked for, and the last one or the length
     */
    public function told(Turn $turn, Heard $heard, ?Field $asked, string $from): array
    {
        $context = new Context($turn->scope()->now, $turn->script->agent->country);
        $stretch = $this->stretches->in($heard->tokens, $context);
        $begins = $stretch === null ? null : $this->beginning($turn, $asked, $from, $context);
        $end = $begins === null ? null : $this->end($turn, $begins, $from);
        if ($stretch === null || $begins === null || $end === null) {
            return [];
        }
        $told = $begins->key === $asked?->key ? [] : [$begins->key => $this->reading($this->first($turn, $stretch, $end)->format('Y-m-d'), self::SURE, $heard, $stretch)];
        $told[$end->key] = $this->ends($turn, $end, $heard, $stretch);

        return array_filter($told, static fn (string $key): bool => ! isset($turn->state->values[$key]), ARRAY_FILTER_USE_KEY);
    }

    /**
     * What a stretch makes of a beginning and an end that are known: 'no, the twenty first to the twenty third'.
     *
     * @return array<string, Reading> both, or nothing
     */
    public function again(Turn $turn, Heard $heard): array
    {
        $context = new Context($turn->scope()->now, $turn->script->agent->country);
        $stretch = $this->stretches->in($heard->tokens, $context);
        if ($stretch === null) {
            return [];
        }
        foreach (array_keys($turn->state->values) as $key) {
            $begins = $turn->script->sheet->field((string) $key);
            $end = $begins === null || ! $this->isBeginning($turn, $begins, $context) ? null : $this->end($turn, $begins, $turn->script->first);
            if ($begins !== null && $end !== null && isset($turn->state->values[$end->key])) {
                return [$begins->key => $this->reading($this->first($turn, $stretch, $end)->format('Y-m-d'), self::SURE, $heard, $stretch), $end->key => $this->ends($turn, $end, $heard, $stretch)];
            }
        }

        return [];
    }

    /** The last day, or the length. */
    private function ends(Turn $turn, Field $end, Heard $heard, Stretch $stretch): Reading
    {
        if ($end->type === ValueType::Date) {
            return $this->reading($stretch->last->format('Y-m-d'), self::SURE, $heard, $stretch);
        }
        $plain = $stretch->counts || $this->nights($turn, $end);

        return $this->reading('P'.$stretch->days().'D', $plain ? self::SURE : self::LENGTH, $heard, $stretch);
    }

    private function beginning(Turn $turn, ?Field $asked, string $from, Context $context): ?Field
    {
        if ($asked !== null && $this->isBeginning($turn, $asked, $context)) {
            return $asked;
        }
        foreach ($this->ahead->keys($turn, $from) as $key) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null && ! isset($turn->state->values[$key]) && $this->isBeginning($turn, $field, $context)) {
                return $field;
            }
        }

        return null;
    }

    private function isBeginning(Turn $turn, Field $field, Context $context): bool
    {
        return $field->type === ValueType::Date && ! $context->past && $field->bounds?->when !== 'past' && ! $this->days->asksForAnEnd($turn, $field);
    }

    /** The field that tells when it ends, or how many days it is. */
    private function end(Turn $turn, Field $begins, string $from): ?Field
    {
        $seen = false;
        foreach ($this->ahead->keys($turn, $from) as $key) {
            $field = $turn->script->sheet->field($key);
            $seen = $seen || $key === $begins->key;
            if ($field === null || $key === $begins->key || ! $seen) {
                continue;
            }
            if ($field->type === ValueType::Date && $this->days->asksForAnEnd($turn, $field) || $field->type === ValueType::Duration && $this->inDays($turn, $field)) {
                return $field;
            }
        }

        return null;
    }

    /** Nights of a weekend begin on its Friday. */
    private function first(Turn $turn, Stretch $stretch, Field $end): \DateTimeImmutable
    {
        $friday = $stretch->first->modify('-1 day');

        return $stretch->weekend && $this->nights($turn, $end) && $friday->format('Y-m-d') >= $turn->scope()->now->format('Y-m-d') ? $friday : $stretch->first;
    }

    private function inDays(Turn $turn, Field $field): bool
    {
        return preg_match('/\b(?:nights?|days?|how long|for long|length)\b/i', $this->question($turn, $field)) === 1 && preg_match('/\b(?:old|hours?|minutes?|ago)\b/i', $this->question($turn, $field)) !== 1;
    }

    private function nights(Turn $turn, Field $field): bool
    {
        return preg_match('/\bnights?\b/i', $this->question($turn, $field)) === 1;
    }

    private function question(Turn $turn, Field $field): string
    {
        return PlainQuestion::thatAsks($turn, $field).' '.$field->title;
    }

    private function reading(string $value, float $sure, Heard $heard, Stretch $stretch): Reading
    {
        // Somebody's weekend may begin on Friday, or end on Monday.
        $sure = $stretch->weekend ? min($sure, self::LENGTH) : $sure;

        return Reading::of($value, $sure, $heard->between($stretch->start, $stretch->end), $stretch->start, $stretch->end);
    }
}
