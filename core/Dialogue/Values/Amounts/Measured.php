<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Amounts;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\PlainQuestion;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reading;

/**
 * A number told with a measure: in feet where metres were asked for it is reckoned over, 'twenty metres' to 'how many trees' is no twenty trees
 * and is read back.
 */
final readonly class Measured
{
    /** How sure a number is that was told in another measure. */
    private const RECKONED = 0.7;

    /** How sure a number is whose measure is not what was counted. */
    private const OF_ANOTHER_KIND = 0.55;

    /** How many feet somebody is tall, from and to. */
    private const SHORTEST = 3;

    private const TALLEST = 7;

    /** Inches of a foot. */
    private const INCHES = 12;

    private Tokenizer $tokenizer;

    private Numerals $numerals;

    public function __construct(private Vocabulary $words)
    {
        $this->tokenizer = new Tokenizer;
        $this->numerals = new Numerals($words);
    }

    public function of(Turn $turn, Field $field, Heard $heard, Reading $reading): Reading
    {
        $both = $this->feetAndInches($turn, $field, $heard);
        if ($both !== null) {
            return $both;
        }
        if (! is_int($reading->value) && ! is_float($reading->value)) {
            return $reading;
        }
        // 'Half a tonne'
        $after = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->start >= $reading->end && ! in_array($token->text, ['a', 'an', 'of'], true)))[0] ?? null;
        $said = $after === null || $after->afterBreak() ? null : $this->measure($after->text);
        // 'One metre eighty'
        foreach ($said === null ? $this->tokenizer->words((string) $reading->said) : [] as $word) {
            $said ??= $this->measure($word);
        }
        if ($said === null) {
            return $reading;
        }
        $asked = null;
        $question = PlainQuestion::thatAsks($turn, $field);
        foreach ($this->tokenizer->words(str_replace('_', ' ', "{$field->title} {$field->key} {$field->description} {$question}")) as $word) {
            $measure = $this->measure($word);
            if ($measure !== null && $measure[0] === $said[0]) {
                $asked ??= $measure;
            }
            if ($word === $after?->text) {
                return $reading;
            }
        }
        if ($asked === null) {
            return Reading::of($reading->value, min($reading->confidence, self::OF_ANOTHER_KIND), (string) $reading->said, $reading->start, $reading->end);
        }
        if ($asked[1] === $said[1]) {
            return $reading;
        }

        return Reading::of(self::rounded($reading->value * $said[1] / $asked[1]), min($reading->confidence, self::RECKONED), (string) $reading->said, $reading->start, $reading->end);
    }

    /** 'Six foot two' and 'five feet ten inches', in what was asked for. */
    private function feetAndInches(Turn $turn, Field $field, Heard $heard): ?Reading
    {
        $tall = $this->fiveEleven($turn, $field, $heard);
        if ($tall !== null) {
            return $tall;
        }
        foreach ($heard->tokens as $i => $token) {
            $feet = in_array($token->text, ['foot', 'feet', 'ft'], true) && $i > 0 ? $this->numerals->cardinal($heard->tokens, $i - 1) : null;
            $inches = $feet === null || ! isset($heard->tokens[$i + 1]) ? null : $this->numerals->cardinal($heard->tokens, $i + 1);
            $asked = $inches === null ? null : $this->askedFor($turn, $field, 'length');
            if ($feet === null || $inches === null || $asked === null || $inches->value >= self::INCHES) {
                continue;
            }
            $metres = $feet->value * ($this->measure('foot')[1] ?? 0.0) + $inches->value * ($this->measure('inch')[1] ?? 0.0);
            [$start, $end] = [$heard->tokens[$i - 1]->start, $heard->tokens[$i + $inches->length]->end];

            return Reading::of(self::rounded($metres / $asked), self::RECKONED, $heard->between($start, $end), $start, $end);
        }

        return null;
    }

    /** 'Five eleven' to how tall somebody is. */
    private function fiveEleven(Turn $turn, Field $field, Heard $heard): ?Reading
    {
        $asked = $this->askedFor($turn, $field, 'length');
        $words = $this->tokenizer->words($field->title.' '.PlainQuestion::thatAsks($turn, $field));
        $t = $heard->tokens;
        if ($asked === null || array_intersect($words, ['tall', 'height']) === [] || count($t) !== 2) {
            return null;
        }
        [$feet, $inches] = [$this->numerals->cardinal([$t[0]], 0), $this->numerals->cardinal([$t[1]], 0)];
        if ($feet === null || $inches === null || $feet->value < self::SHORTEST || $feet->value > self::TALLEST || $inches->value >= self::INCHES) {
            return null;
        }
        $metres = $feet->value * ($this->measure('foot')[1] ?? 0.0) + $inches->value * ($this->measure('inch')[1] ?? 0.0);

        return Reading::of(self::rounded($metres / $asked), self::RECKONED, $heard->original, 0, strlen($heard->original));
    }

    /** How many of the least unit one is of what was asked for; null where the question names no such measure. */
    private function askedFor(Turn $turn, Field $field, string $kind): ?float
    {
        $question = PlainQuestion::thatAsks($turn, $field);
        foreach ($this->tokenizer->words(str_replace('_', ' ', "{$field->title} {$field->key} {$field->description} {$question}")) as $word) {
            $measure = $this->measure($word);
            if ($measure !== null && $measure[0] === $kind) {
                return $measure[1];
            }
        }

        return null;
    }

    /** Two figures are as exact as anybody tells it. */
    private static function rounded(float $value): int|float
    {
        $rounded = $value >= 10 ? round($value) : round($value, 1);

        return floor($rounded) === $rounded ? (int) $rounded : $rounded;
    }

    /** @return array{string, float}|null kind of measure, and how many of its least unit one is */
    private function measure(string $word): ?array
    {
        foreach ($this->words->section('units', 'measures') as $kind => $units) {
            if (isset($units[$word])) {
                return [(string) $kind, (float) $units[$word]];
            }
        }

        return null;
    }
}
