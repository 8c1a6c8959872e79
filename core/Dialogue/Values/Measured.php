<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
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

    private Tokenizer $tokenizer;

    public function __construct(private Vocabulary $words)
    {
        $this->tokenizer = new Tokenizer;
    }

    public function of(Turn $turn, Field $field, Heard $heard, Reading $reading): Reading
    {
        if (! is_int($reading->value) && ! is_float($reading->value)) {
            return $reading;
        }
        $after = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->start >= $reading->end))[0] ?? null;
        $said = $after === null || $after->afterBreak() ? null : $this->measure($after->text);
        if ($said === null) {
            return $reading;
        }
        $asked = null;
        $question = PlainQuestion::last($turn->asking($field->key)?->prompt->variants[0] ?? '');
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
