<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Order;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Appointments\AgreedFields;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Collector;
use Ringo\Dialogue\Values\Corrections;
use Ringo\Dialogue\Values\Keeper;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Token;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * What was told a moment ago is put right though the next question has been asked: 'no, the fifteenth of April', 'no, 354 at the end',
 * 'that's in the morning'. The words must be little else: any other 'no' answers what is asked.
 */
final readonly class PutRightAtOnce implements Consideration
{
    /** Turns of both sides since it was told. */
    private const A_MOMENT = 4;

    /** Letters in a row that spell a name. */
    private const SPELLS = '/(?:\b[a-z]\b[ -]?){3,}/i';

    /** Types whose values are spelled or told figure by figure, and so put right in parts. */
    private const IN_PARTS = [ValueType::PersonName, ValueType::Phone, ValueType::Email, ValueType::Reference];

    /** Where values come from that the caller told. */
    private const BY_THE_CALLER = [Origin::Asked, Origin::Corrected, Origin::Volunteered];

    private const NOON = '12:00';

    /** Hours of half a day. */
    private const HALF_A_DAY = 12;

    public function __construct(
        private Corrections $corrections,
        private Keeper $keeper,
        private Understanding $understanding,
        private Collector $collector,
        private Phrasebook $phrases,
    ) {
    }

    public function weigh(Turn $turn, Hearing $hearing): ?Move
    {
        $step = $turn->step();
        $asks = $step instanceof AskStep || $step instanceof ListenStep;
        $asked = $step instanceof AskStep ? $turn->script->sheet->field($step->field) : null;
        if ($turn->state->mode !== Mode::Answer || ! $asks || $hearing->heard->isEmpty() || $this->saysNothing($hearing)) {
            return null;
        }
        $alone = $step instanceof ListenStep && $this->denies($hearing->heard) ? $this->toldAlone($turn, $hearing->heard) : null;
        foreach ($alone === null ? $this->toldLast($turn, $asked) : [$alone] as $key) {
            $field = $turn->script->sheet->field($key);
            $held = $turn->state->values[$key];
            $reading = $field === null ? null : $this->halfOfTheDay($asked, $field, $held, $hearing->heard) ?? $this->anew($turn, $asked, $field, $hearing->heard);
            if ($field !== null && $reading !== null && $reading->value !== $held->value) {
                return $this->taken($turn, $field, $held, $reading);
            }
        }

        return null;
    }

    /** 'No, that's the lot' says nothing of what was told, nor does a refusal. */
    private function saysNothing(Hearing $hearing): bool
    {
        return $hearing->alone(ActKind::Refuse, ActKind::DontKnow, ActKind::DontMind) !== null
            || $hearing->alone(ActKind::NothingMore)?->rest->isEmpty() === true;
    }

    private function taken(Turn $turn, Field $field, Held $held, Reading $reading): Move
    {
        if ($this->spellsAPart($field, $held->value, $reading->value)) {
            $turn->trace->rule("{$field->key}: spelled as it stands");

            return Move::again();
        }
        $this->keeper->correct($turn, [$field->key => $reading]);

        return Move::again();
    }

    /** @return list<string> the fields whose values were told last and just now, unless that is the one that is asked for */
    private function toldLast(Turn $turn, ?Field $asked): array
    {
        $told = array_filter($this->told($turn), static fn (Held $held): bool => $held->turn !== null && $turn->callerTurn !== null && $turn->callerTurn - $held->turn <= self::A_MOMENT);
        $last = max([-1, ...array_map(static fn (Held $held): int => (int) $held->turn, array_values($told))]);
        $keys = array_map(strval(...), array_keys(array_filter($told, static fn (Held $held): bool => $held->turn === $last)));

        return $asked !== null && in_array($asked->key, $keys, true) ? [] : $keys;
    }

    /** 'No, Saturday' at an open question: the one value of its kind that was told in this call. */
    private function toldAlone(Turn $turn, Heard $heard): ?string
    {
        $found = [];
        foreach (array_keys($this->told($turn)) as $key) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null && $this->anew($turn, null, $field, $heard) !== null) {
                $found[$field->type->value][] = $key;
            }
        }

        return count($found) === 1 && count(reset($found)) === 1 ? reset($found)[0] : null;
    }

    /** @return array<string, Held> what the caller told; what stands in a diary is put right by moving it */
    private function told(Turn $turn): array
    {
        $agreed = array_fill_keys(AgreedFields::of($turn), true);

        return array_filter(array_diff_key($turn->state->values, $agreed), static fn (Held $held): bool => in_array($held->origin, self::BY_THE_CALLER, true));
    }

    private function anew(Turn $turn, ?Field $asked, Field $field, Heard $heard): ?Reading
    {
        $opening = $this->phrases->table('acts', 'puts_right')->at($heard->tokens, 0);
        $spells = $field->type === ValueType::PersonName && preg_match(self::SPELLS, $heard->original) === 1;
        if (in_array($field->type, [ValueType::Text, ValueType::YesNo], true) || $opening === null && ! $spells) {
            return null;
        }
        $rest = $heard->only(array_values(array_slice($heard->tokens, $opening[1] ?? 0)));
        // 'Sorry, three' may be the answer to another question; 'no, three' puts right.
        if ($rest->isEmpty() || ! $spells && ! $this->denies($heard) && $this->answers($turn, $asked, $rest)) {
            return null;
        }
        $alone = $this->understanding->read($field->type, $rest, $this->collector->context($turn, $field, true));
        $whole = $alone->found() && $this->isAll($rest, $alone);
        $inPart = in_array($field->type, self::IN_PARTS, true) && ($spells || $this->phrases->table('acts', 'of_its_parts')->in($rest->tokens));

        $found = $whole || $inPart ? $this->corrections->find($turn, $heard, [$field->key])[$field->key] ?? null : null;

        return $found === null ? null : $this->inTheSameHalf($field, $turn->state->values[$field->key], $found, $rest);
    }

    /** 'No, half seven', once half past six in the evening was told, is in the evening too. */
    private function inTheSameHalf(Field $field, Held $held, Reading $found, Heard $rest): Reading
    {
        $early = $field->type === ValueType::Time && is_string($found->value) && $found->value < self::NOON;
        if (! $early || ! is_string($held->value) || $held->value < self::NOON || $this->phrases->table('acts', 'half_of_the_day')->in($rest->tokens)) {
            return $found;
        }
        $later = sprintf('%02d', (int) substr((string) $found->value, 0, 2) + self::HALF_A_DAY).substr((string) $found->value, 2);

        return Reading::of($later, $found->confidence, (string) $found->said, $found->start, $found->end);
    }

    /** 'That's L A C E Y', of Imogen Lacey. */
    private function spellsAPart(Field $field, mixed $held, mixed $told): bool
    {
        return $field->type === ValueType::PersonName && is_string($held) && is_string($told)
            && in_array(mb_strtolower($told), explode(' ', mb_strtolower($held)), true);
    }

    private function denies(Heard $heard): bool
    {
        return in_array($heard->tokens[0]->text ?? '', $this->understanding->words->section('acts', 'denies_first'), true);
    }

    private function answers(Turn $turn, ?Field $asked, Heard $rest): bool
    {
        return $asked !== null && ! in_array($asked->type, [ValueType::Text, ValueType::YesNo], true) && $this->collector->asked($turn, $asked, $rest)->found();
    }

    /** Whether nothing stands beside a value but what leads up to it: 'he was fourteen' speaks of somebody. */
    private function isAll(Heard $rest, Reading $value): bool
    {
        $beside = array_values(array_filter($rest->tokens, static fn (Token $token): bool => $token->end <= $value->start || $token->start >= $value->end));

        return $this->phrases->table('acts', 'leads_to_the_value')->without($beside) === [];
    }

    /** 'In the morning', once half past six was told; where any words might be the answer, only as 'that's in the morning'. */
    private function halfOfTheDay(?Field $asked, Field $field, Held $held, Heard $heard): ?Reading
    {
        $times = [ValueType::Time, ValueType::DateTime];
        if (! in_array($field->type, $times, true) || in_array($asked?->type, [...$times, ValueType::Choice, ValueType::Several], true)) {
            return null;
        }
        $halves = $this->phrases->table('acts', 'half_of_the_day');
        $half = $halves->first($heard->tokens);
        $leads = $halves->without($heard->tokens);
        $alone = $leads === [] && in_array($asked?->type, [null, ValueType::Text], true);
        if ($half === null || $alone || $this->phrases->table('acts', 'leads_to_the_half')->without($leads) !== []) {
            return null;
        }
        if (! is_string($held->value) || preg_match('/^(.*?)(\d\d)(:\d\d)$/', $held->value, $m) !== 1) {
            return null;
        }
        $hour = ((int) $m[2] % self::HALF_A_DAY) + ($half[0] === 'pm' ? self::HALF_A_DAY : 0);

        return Reading::of($m[1].sprintf('%02d', $hour).$m[3], 1.0, $heard->original, 0, strlen($heard->original));
    }
}
