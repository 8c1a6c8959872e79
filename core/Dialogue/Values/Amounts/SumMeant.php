<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Amounts;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\PlainQuestion;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Reading;

/** 'Eight fifty' is eight pounds fifty an hour and eight hundred and fifty a month: what was asked for tells which. */
final readonly class SumMeant
{
    /** Pounds and pence said without either, so read, are hundreds where sums are large. */
    private const HUNDRED = 100;

    /** 'Three hundred and twenty five' is in thousands, where a house is bought. */
    private const THOUSAND = 1000;

    /** What no house costs so little as. */
    private const A_HOUSE = 2000;

    /** How sure a sum is that was reckoned in thousands: it is read back. */
    private const RECKONED = 0.7;

    private Tokenizer $tokenizer;

    public function __construct(private Vocabulary $words)
    {
        $this->tokenizer = new Tokenizer;
    }

    public function of(Turn $turn, Field $field, Reading $reading): Reading
    {
        $amount = is_array($reading->value) ? $reading->value['amount'] ?? null : null;
        if (is_int($amount) && $amount > 0 && $amount < self::A_HOUSE && $this->ofAHouse($turn, $field) && preg_match('/\d{4}|thousand|grand|million|\d ?k\b/i', (string) $reading->said) !== 1) {
            return Reading::of([...(array) $reading->value, 'amount' => self::THOUSAND * $amount], min(self::RECKONED, $reading->confidence), (string) $reading->said, $reading->start, $reading->end);
        }
        // 'Eight fifty', not 'eight pounds fifty', '8.50' or 'eight point five'.
        if (! is_float($amount) || $amount >= self::HUNDRED || preg_match('/^\pL+(?:[ -]\pL+){1,3}$/u', trim((string) $reading->said)) !== 1 || ! $this->isBare((string) $reading->said) || ! $this->large($turn, $field) && ! $this->ofAHouse($turn, $field)) {
            return $reading;
        }
        $house = $this->ofAHouse($turn, $field);
        $value = [...(array) $reading->value, 'amount' => (int) round(self::HUNDRED * $amount) * ($house ? self::THOUSAND : 1)];

        return Reading::of($value, $house ? min(self::RECKONED, $reading->confidence) : $reading->confidence, (string) $reading->said, $reading->start, $reading->end);
    }

    /** Whether the words are numbers alone. */
    private function isBare(string $said): bool
    {
        $numbers = [...array_keys($this->words->section('numbers', 'units')), ...array_keys($this->words->section('numbers', 'teens')), ...array_keys($this->words->section('numbers', 'tens'))];

        return array_diff(preg_split('/[ -]/', mb_strtolower(trim($said))) ?: [], array_map(strval(...), $numbers)) === [];
    }

    private function ofAHouse(Turn $turn, Field $field): bool
    {
        $asked = $this->asked($turn, $field);

        return array_intersect($asked, ['house', 'property', 'home', 'flat', 'mortgage', 'purchase', 'offer']) !== []
            && array_intersect($asked, ['price', 'value', 'worth', 'mortgage', 'offer', 'cost', 'asking']) !== []
            && array_intersect($asked, ['rent', 'month', 'monthly', 'week', 'weekly', 'repair', 'damage', 'fee', 'fees', 'insurance', 'deposit', 'visit', 'cleaning', 'night', 'hour']) === [];
    }

    /** @return list<string> the words of the question, and what its field is called */
    private function asked(Turn $turn, Field $field): array
    {
        return $this->tokenizer->words(str_replace('_', ' ', $field->key.' '.$field->title.' '.$field->description.' '.PlainQuestion::thatAsks($turn, $field)));
    }

    private function large(Turn $turn, Field $field): bool
    {
        $asked = $this->asked($turn, $field);

        return array_intersect($asked, $this->words->section('questions', 'large_sums')) !== [] && array_intersect($asked, $this->words->section('questions', 'small_sums')) === [];
    }
}
