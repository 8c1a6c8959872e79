<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Dialogue\Turn;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\When\Days\Years;

/** A day of birth told by a birthday and an age: 'he was two on the ninth of November' was born two years before that day. It is read back. */
final readonly class BirthTold
{
    private const SURE = 0.65;

    private const OLDEST = 120;

    /** Days that are told of a birth. */
    private const OF_A_BIRTH = '/\b(?:birth|born|dob)\b/i';

    private Numerals $numerals;

    private Years $years;

    public function __construct(private Understanding $understanding)
    {
        $this->numerals = new Numerals($understanding->words);
        $this->years = new Years($this->numerals);
    }

    public function of(Turn $turn, Field $field, Heard $heard, Reading $day): Reading
    {
        if (! is_string($day->value) || ! $this->asked($turn, $field) || preg_match('/\d{4}/', (string) $day->said) === 1) {
            return $day;
        }
        $age = $this->age($heard, $day);
        $now = $turn->scope()->now;
        $that = new \DateTimeImmutable($day->value);
        // The birthday that has been, or the next where it is to come: 'she'll be nine on the third'.
        $that = $that->format('Y-m-d') > $now->format('Y-m-d') && ! $this->isAhead($heard) ? $that->modify('-1 year') : $that;

        if ($age === null && ! $this->hasYear((string) $day->said)) {
            $year = $this->yearBefore($heard, $day);

            return $year === null ? Reading::none('the year is missing') : Reading::of($year.substr($day->value, 4), $day->confidence, $heard->between($heard->tokens[0]->start, $day->end), $heard->tokens[0]->start, $day->end);
        }

        return $age === null ? $day : Reading::of($that->modify("-{$age} years")->format('Y-m-d'), self::SURE, (string) $day->said, $day->start, $day->end);
    }

    public function asked(Turn $turn, Field $field): bool
    {
        return preg_match(self::OF_A_BIRTH, str_replace('_', ' ', $field->title.' '.$field->key.' '.($turn->asking($field->key)?->prompt->variants[0] ?? ''))) === 1;
    }

    /** 'The fourth of September' is a birthday. */
    private function hasYear(string $said): bool
    {
        $heard = $this->understanding->hear($said);
        foreach (array_keys($heard->tokens) as $i) {
            if ($this->years->year($heard->tokens, $i, false)[0] !== null) {
                return true;
            }
        }
        $numbers = array_filter($heard->tokens, fn (Token $token): bool => $this->numerals->cardinal([$token], 0) !== null);

        // 'The fourth of the ninth seventy one', 4/9/71.
        return count($numbers) >= 1 || preg_match('/\d[\/.\- ]\d+[\/.\- ]\d/', $said) === 1;
    }

    /** 'Nineteen eighty one, the third of March': a year that opens the answer. */
    private function yearBefore(Heard $heard, Reading $day): ?int
    {
        foreach ($heard->tokens as $i => $token) {
            if ($token->start >= $day->start || $token->afterBreak() && $i > 0) {
                return null;
            }
            $year = $this->years->year($heard->tokens, $i, false)[0];
            if ($year !== null) {
                return $year;
            }
        }

        return null;
    }

    /** The age told before the day. */
    private function age(Heard $heard, Reading $day): ?int
    {
        $tells = $this->understanding->words->section('numbers', 'age')['before'];
        foreach ($heard->tokens as $i => $token) {
            $number = $token->end <= $day->start && in_array($heard->tokens[$i - 1]->text ?? '', $tells, true) ? $this->numerals->cardinal($heard->tokens, $i) : null;
            if ($number !== null && $number->isWhole() && $number->whole() >= 1 && $number->whole() <= self::OLDEST) {
                return $number->whole();
            }
        }

        return null;
    }

    private function isAhead(Heard $heard): bool
    {
        return array_filter($heard->tokens, static fn (Token $token): bool => $token->text === 'be' || str_ends_with($token->text, "'ll")) !== [];
    }
}
