<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Words that are nothing but a name, a telephone number or an e-mail address: no message, and neither a yes nor a no.
 *
 * A name counts only where it can hardly be anything else: 'Jo Bell', not 'Grace' and not 'mini digger'.
 */
final readonly class LoneValue
{
    /** Words beside the little ones that lead up to a name or a number. */
    private const LEADS = [
        'name',
        "name's",
        'names',
        'number',
        "number's",
        'mobile',
        'phone',
        'email',
        'speaking',
        'here',
        'hello',
        'hi',
        'hiya',
        "it's",
        'its',
        "i'm",
        "that's",
        'please',
        'mine',
        "mine's",
        'calling',
    ];

    private const TYPES = [ValueType::Phone, ValueType::Email, ValueType::PersonName];

    /** Fields that ask for who or what somebody or something is called: there a name is the answer. */
    private const ASKS_FOR_A_NAME = '/\b(?:name|called|who|whom|whose|which (?:colleague|person)|contact|number|reach|e-?mail)\b/i';

    public function __construct(private Understanding $understanding)
    {
    }

    public function in(Turn $turn, Heard $heard): ?ValueType
    {
        foreach ($heard->isEmpty() ? [] : self::TYPES as $type) {
            if ($this->reading($turn, $heard, $type)->found()) {
                return $type;
            }
        }

        return null;
    }

    /**
     * The field that the words are the value of, where another was asked for and this one is not known yet.
     *
     * @return array<string, Reading> one, or none
     */
    public function ofAnother(Turn $turn, Field $asked, string $question, Heard $heard): array
    {
        $type = preg_match(self::ASKS_FOR_A_NAME, $question) === 1 ? null : $this->in($turn, $heard);
        $fields = $type === null
            ? []
            : array_filter($turn->script->sheet->fields, static fn (Field $one): bool => $one->type === $type && $one->key !== $asked->key);
        $own = array_filter($fields, static fn (Field $one): bool => $one->fromCaller !== null);
        $field = array_values($own === [] ? $fields : $own)[0] ?? null;
        if ($type === null || $field === null || count($fields) > 1 && $own === [] || isset($turn->state->values[$field->key])) {
            return [];
        }

        return [$field->key => $this->reading($turn, $heard, $type)];
    }

    private function reading(Turn $turn, Heard $heard, ValueType $type): Reading
    {
        $reading = $this->understanding->read($type, $heard, $turn->plain());
        if (! $reading->found() || ! $this->isWhole($heard, $reading)) {
            return Reading::none();
        }

        if ($type !== ValueType::PersonName) {
            return $reading;
        }
        $month = $this->understanding->read(ValueType::Date, $heard, $turn->plain())->found();

        return $month || ! $this->nothingButAName($heard, $reading) ? Reading::none() : $reading;
    }

    /** Whether all words beside the value only lead up to it: 'it's Jo Bell here'. */
    private function isWhole(Heard $heard, Reading $reading): bool
    {
        $leads = $this->understanding->words->set('function_words');
        $titles = $this->understanding->words->section('names', 'titles');
        foreach ($heard->tokens as $token) {
            $inside = $token->start >= $reading->start && $token->end <= $reading->end;
            if (! $inside && ! isset($leads[$token->text]) && ! in_array($token->text, [...self::LEADS, ...$titles], true)) {
                return false;
            }
        }

        return true;
    }

    /** Begins with a given name or a title, and holds a word that is none of everyday; a given name that is a word needs a surname. */
    private function nothingButAName(Heard $heard, Reading $reading): bool
    {
        $words = $this->understanding->words;
        $tokens = array_values(array_filter(
            $heard->tokens,
            static fn (Token $token): bool => $token->start >= $reading->start && $token->start < $reading->end,
        ));
        $titles = $words->section('names', 'titles');
        $before = array_filter($heard->tokens, static fn (Token $token): bool => $token->start < $reading->start && in_array($token->text, $titles, true));
        if ($tokens === [] || $before !== []) {
            return $before !== [];
        }
        [$given, $surnames, $everyday] = [$words->set('given_names'), $words->set('surnames'), $words->set('everyday_words')];
        $rare = array_filter($tokens, static fn (Token $token): bool => ! isset($everyday[$token->text]));
        $common = isset($everyday[$tokens[0]->text]);

        // 'Van' alone is a vehicle before it is a name.
        if (count($tokens) === 1 && in_array($tokens[0]->text, $words->section('names', 'particles'), true)) {
            return false;
        }

        return isset($given[$tokens[0]->text]) && $rare !== [] && (! $common || isset($surnames[$tokens[count($tokens) - 1]->text]));
    }
}
