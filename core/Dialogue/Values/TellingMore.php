<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Language\Stemmer;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Sheet\Field;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * A caller who goes on with what they were telling while already being asked for something else: 'he reversed over my flower bed' when
 * asked for their name. It belongs to the message, and is no failed answer.
 */
final readonly class TellingMore
{
    /** Words of substance from which words tell something. */
    private const TELLS = 3;

    /** Words of substance up to which a day is all that is told. */
    private const LITTLE = 4;

    /** Questions put before this one among which the open one may be. */
    private const LATELY = 2;

    /** Characters a message grows to at most. */
    private const LONGEST = 600;

    public function __construct(private Phrasebook $phrases, private Understanding $understanding)
    {
    }

    /** 'Any morning this week' is a wish for a question to come. */
    private function speaksOfADay(Turn $turn, Hearing $hearing): bool
    {
        $day = $this->understanding->read(ValueType::Date, $hearing->heard, $turn->plain());

        return $day->found() && $this->phrases->content($hearing->heard->tokens) <= self::LITTLE || $day->doubt !== null;
    }

    /** Whether the words speak of what was asked for: 'my name, it's a long one'. */
    private function speaksOf(Field $asked, Hearing $hearing): bool
    {
        $stemmer = new Stemmer;
        $said = $stemmer->stems($hearing->heard->cleaned());

        return array_intersect($stemmer->stems($asked->title.' '.str_replace('_', ' ', $asked->key.' '.$asked->type->value)), $said) !== [];
    }

    /** Adds the words to what was told last; false where there is nothing they could belong to. */
    public function added(Turn $turn, Hearing $hearing): bool
    {
        $state = $turn->state;
        $step = $turn->step();
        $asked = $step instanceof AskStep ? $turn->script->sheet->field($step->field) : null;
        $otherwise = $hearing->act(ActKind::Person, ActKind::Leaving, ActKind::Refuse, ActKind::OffTopic);
        if (
            $step === null
            || $asked === null
            || $asked->type === ValueType::Text
            || $state->failures > 0
            || $otherwise !== null
            || $this->phrases->content($hearing->heard->tokens) < self::TELLS
            || $this->speaksOf($asked, $hearing)
            || $this->speaksOfADay($turn, $hearing)
        ) {
            return false;
        }
        foreach (array_slice(array_reverse(array_diff($state->path, [$step->key()])), 0, self::LATELY) as $key) {
            $before = $turn->script->steps[$key] ?? null;
            $field = $before instanceof AskStep ? $turn->script->sheet->field($before->field) : null;
            $held = $field === null ? null : $state->values[$field->key] ?? null;
            $where = $before instanceof AskStep && preg_match('/^(?:and |so )?(?:where|which|who|whose|when|what (?:is|are) (?:your|the))\b/i', PlainQuestion::last($before->prompt->variants[0] ?? '')) === 1;
            if ($where || $field === null || $held === null || $field->type !== ValueType::Text || $held->origin !== Origin::Asked || ! is_string($held->value)
                // A name or a word tells nothing one could go on with.
                || $this->phrases->content($this->understanding->hear($held->value)->tokens) < self::TELLS) {
                continue;
            }
            $whole = rtrim($held->value, '. ').(preg_match('/[?!]$/', $held->value) === 1 ? ' ' : '. ').$hearing->heard->original;
            if (mb_strlen($whole) > self::LONGEST || str_contains($held->value, $hearing->heard->original)) {
                return false;
            }
            $turn->hold($field, new Held($whole, $held->confidence, $held->origin, $held->turn, $held->said, $held->confirmed));
            $turn->trace->rule("goes on with what was told: added to {$field->key}");

            return true;
        }

        return false;
    }
}
