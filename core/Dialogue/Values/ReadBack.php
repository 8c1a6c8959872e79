<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Held;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Amounts\Counted;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Speech\AsStatement;
use Ringo\Value\ValueType;

/** How a value is read back: said, spelled, or in groups of digits. */
final readonly class ReadBack
{
    /** The shortest word of an e-mail address that is said rather than spelled. */
    private const SAYABLE = 3;

    private AsStatement $statement;

    private PlainQuestion $question;

    public function __construct(private Keeper $keeper, private Vocabulary $words)
    {
        $this->statement = new AsStatement($words);
        $this->question = new PlainQuestion($words);
    }

    /** All that waits for a yes, in one breath; null where nothing does. */
    public function pending(Turn $turn): ?string
    {
        $state = $turn->state;
        $parts = [];
        $places = array_flip(array_keys($turn->script->steps));
        $pending = $state->pending;
        // In the order in which they are asked for.
        usort($pending, static fn (string $a, string $b): int => ($places[$turn->asking($a)?->key() ?? ''] ?? 0) <=> ($places[$turn->asking($b)?->key() ?? ''] ?? 0));
        foreach ($pending as $key) {
            $field = $turn->script->sheet->field($key);
            $held = $state->values[$key] ?? null;
            if ($field !== null && $held !== null) {
                $words = $this->words($turn, $field, $held);
                // 'Two nights' says itself what it is.
                $named = count($pending) > 1 && ! str_contains($words, mb_strtolower($field->title));
                $parts[] = ($named ? mb_strtolower($field->title).' ' : '').$words;
            }
        }

        return $parts === [] ? null : $turn->listed($parts, 'and');
    }

    /** A yes or a no in the words of what was asked: 'a no: you have not been with us before'; null where it is something else that waits. */
    public function meant(Turn $turn): ?string
    {
        $key = count($turn->state->pending) === 1 ? $turn->state->pending[0] : '';
        $value = ($turn->state->values[$key] ?? null)?->value;
        $step = $turn->asking($key);
        if (! is_bool($value) || $step === null) {
            return null;
        }
        $statement = $this->statement->of($this->question->of($turn, $step), $value);

        return ($value ? 'a yes' : 'a no').($statement === null ? '' : ': '.$statement);
    }

    public function words(Turn $turn, Field $field, Held $held): string
    {
        $policy = $this->keeper->policy($turn, $field);
        $said = Counted::words($turn, $field, $held->value);
        $rejected = ($turn->state->unconfirmed[$field->key] ?? 0) > 0;
        if ($policy === 'spelled' || $rejected && in_array($field->type, [ValueType::PersonName, ValueType::Email], true)) {
            return $said.', spelled '.$turn->spelled($field, $held->value);
        }
        if ($policy === 'digits' && $field->type === ValueType::Number) {
            return implode(', ', str_split((string) (is_scalar($held->value) ? $held->value : '')));
        }
        if ($field->type === ValueType::Email && is_string($held->value) && ! $this->sayable($held->value)) {
            return $said.', spelled '.$turn->spelled($field, strstr($held->value, '@', true) ?: $held->value).', at '.$turn->spoken($field, ltrim((string) strstr($held->value, '@'), '@'));
        }

        return $said;
    }

    /** Whether the part before the at sign is made of names and words that can be heard. */
    private function sayable(string $email): bool
    {
        $local = strstr($email, '@', true) ?: '';
        foreach (preg_split('/[._+\-\d]+/', $local, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
            $known = isset($this->words->set('given_names')[$word]) || isset($this->words->set('surnames')[$word]) || isset($this->words->set('everyday_words')[$word]);
            if (! $known || strlen($word) < self::SAYABLE && strlen($word) > 1) {
                return false;
            }
        }

        return true;
    }
}
