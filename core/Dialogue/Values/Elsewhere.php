<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Turn;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Values that words only point at: 'the number I'm ringing from', 'the same as before'. */
final readonly class Elsewhere
{
    private const SURE = 0.92;

    public function __construct(private Phrasebook $phrases, private Vocabulary $words)
    {
    }

    public function reading(Turn $turn, Field $field, Heard $heard): ?Reading
    {
        $from = $field->type === ValueType::Phone ? $turn->state->from : null;
        if ($from !== null && ! $this->phrases->table('acts', 'not_this')->in($heard->tokens) && ($this->little($heard, 'this_number') || $this->thisCall($heard))) {
            return $this->of($from, $heard);
        }
        if (! $this->little($heard, 'same')) {
            return null;
        }
        // 'The same day' tells no hour.
        $value = $field->type === ValueType::DateTime && in_array('day', array_map(static fn (Token $token): string => $token->text, $heard->tokens), true) ? null : $this->earlier($turn, $field) ?? $from;

        return $value === null ? null : $this->of($value, $heard);
    }

    /** Whether the words point at something, and nothing there answers. */
    public function points(Heard $heard): bool
    {
        return $this->little($heard, 'same');
    }

    private function earlier(Turn $turn, Field $field): mixed
    {
        $state = $turn->state;
        if (isset($state->former[$field->key])) {
            return $state->former[$field->key]->value;
        }
        foreach (array_reverse($state->values, true) as $key => $held) {
            if ($key !== $field->key && $turn->script->sheet->field($key)?->type === $field->type && ! in_array($field->type, [ValueType::Text, ValueType::YesNo, ValueType::Choice], true)) {
                return $held->value;
            }
        }
        $fact = $field->fromCaller === null ? null : ($state->caller['last_'.$field->fromCaller] ?? $state->caller[$field->fromCaller] ?? null);

        return is_string($fact) && $fact !== '' ? $fact : null;
    }

    /** 'This one's fine', 'the one that's come up': words that are all of the number one is calling from. */
    private function thisCall(Heard $heard): bool
    {
        $said = array_map(static fn (Token $token): string => $token->text, $heard->tokens);
        ['points' => $points, 'beside' => $beside, 'opens' => $opens] = $this->words->section('acts', 'this_number_words');

        return array_intersect($said, $points) !== []
            && array_diff($said, $points, $beside) === []
            && array_diff($said, $opens) !== [];
    }

    private function little(Heard $heard, string $section): bool
    {
        $phrases = $this->phrases->table('acts', $section);
        $rest = $phrases->without($heard->tokens);

        return count($rest) < count($heard->tokens) && $this->phrases->content($rest) <= 1;
    }

    private function of(mixed $value, Heard $heard): Reading
    {
        return Reading::of($value, self::SURE, $heard->original, $heard->tokens[0]->start ?? 0, strlen($heard->original));
    }
}
