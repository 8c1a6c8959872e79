<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Amounts;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\PlainQuestion;
use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

/** A number as it is read back: with what was counted, as the question or the title of the field says it: 'two nights', 'one guest'. */
final class Counted
{
    private const SINGULAR = ['people' => 'person', 'children' => 'child', 'adults' => 'adult', 'keys' => 'key'];

    private const IN_A_MEASURE = '/\bin (metres|meters|feet|yards|inches|centimetres|kilometres|miles|kilos|kilograms|stone|tonnes|tons|litres|gallons|acres|hectares)\b/i';

    private const HOW_MANY = '/\bhow many (?:(?:more|extra|whole|full) )?(people|children|\pL{3,}s)\b/iu';

    public static function words(Turn $turn, Field $field, mixed $value): string
    {
        $said = $turn->spoken($field, $value);
        $days = $field->type === ValueType::Duration && is_string($value) && preg_match('/^P(\d+)D$/', $value, $m) === 1 ? (int) $m[1] : null;
        $whole = $field->type === ValueType::Number && is_int($value) ? $value : $days;
        if ($field->type === ValueType::Number && preg_match(self::IN_A_MEASURE, $field->title, $m) === 1) {
            return $said.' '.mb_strtolower($m[1]);
        }
        $noun = $whole === null ? null : self::noun($turn, $field);
        if ($noun === null || $whole === null || $days !== null && $noun !== 'nights') {
            return $said;
        }
        // 'Two days' told as nights is two nights.
        $number = $whole === 0 ? 'no' : ($days === null ? $said : (string) preg_replace('/ days?$/', '', $said));

        return $number.' '.($whole === 1 ? self::SINGULAR[$noun] ?? self::singular($noun) : $noun);
    }

    private static function noun(Turn $turn, Field $field): ?string
    {
        $question = PlainQuestion::thatAsks($turn, $field);
        if (preg_match(self::HOW_MANY, $question, $m) === 1) {
            return mb_strtolower($m[1]);
        }

        if (preg_match(self::HOW_MANY, $field->title, $m) === 1) {
            return mb_strtolower($m[1]);
        }

        return preg_match('/^(?:people|children|\pL{3,}s)$/iu', $field->title) === 1 && ! str_ends_with($field->title, 'ss') ? mb_strtolower($field->title) : null;
    }

    private static function singular(string $noun): string
    {
        return match (true) {
            str_ends_with($noun, 'ies') => substr($noun, 0, -3).'y',
            preg_match('/(?:x|ch|sh|ss)es$/', $noun) === 1 => substr($noun, 0, -2),
            default => substr($noun, 0, -1),
        };
    }
}
