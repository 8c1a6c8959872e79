<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Reading;

/** 'Eight fifty' is eight pounds fifty an hour and eight hundred and fifty a month: what was asked for tells which. */
final readonly class SumMeant
{
    /** Pounds and pence said without either, so read, are hundreds where sums are large. */
    private const HUNDRED = 100;

    private Tokenizer $tokenizer;

    public function __construct(private Vocabulary $words)
    {
        $this->tokenizer = new Tokenizer;
    }

    public function of(Turn $turn, Field $field, Reading $reading): Reading
    {
        $amount = is_array($reading->value) ? $reading->value['amount'] ?? null : null;
        // 'Eight fifty', not 'eight pounds fifty', '8.50' or 'eight point five'.
        if (! is_float($amount) || $amount >= self::HUNDRED || preg_match('/^\pL+(?:[ -]\pL+){1,3}$/u', trim((string) $reading->said)) !== 1 || ! $this->isBare((string) $reading->said) || ! $this->large($turn, $field)) {
            return $reading;
        }
        $value = [...(array) $reading->value, 'amount' => (int) round(self::HUNDRED * $amount)];

        return Reading::of($value, $reading->confidence, (string) $reading->said, $reading->start, $reading->end);
    }

    /** Whether the words are numbers alone. */
    private function isBare(string $said): bool
    {
        $numbers = [...array_keys($this->words->section('numbers', 'units')), ...array_keys($this->words->section('numbers', 'teens')), ...array_keys($this->words->section('numbers', 'tens'))];

        return array_diff(preg_split('/[ -]/', mb_strtolower(trim($said))) ?: [], array_map(strval(...), $numbers)) === [];
    }

    private function large(Turn $turn, Field $field): bool
    {
        $asked = $this->tokenizer->words(str_replace('_', ' ', $field->key.' '.$field->title.' '.$field->description.' '.PlainQuestion::last($turn->asking($field->key)?->prompt->variants[0] ?? '')));

        return array_intersect($asked, $this->words->section('questions', 'large_sums')) !== [] && array_intersect($asked, $this->words->section('questions', 'small_sums')) === [];
    }
}
