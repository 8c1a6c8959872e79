<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Corrections that move from the day held: 'the Monday after', 'a day later', 'the week before'. */
final readonly class Shift
{
    private const SURE = 0.93;

    private const LATER = ['after', 'later', 'afterwards'];

    private const EARLIER = ['before', 'earlier', 'previous', 'sooner'];

    public function __construct(private Vocabulary $words)
    {
    }

    public function from(Field $field, mixed $held, Heard $heard): ?Reading
    {
        if (! in_array($field->type, [ValueType::Date, ValueType::DateTime], true) || ! is_string($held)) {
            return null;
        }
        $line = ' '.$heard->cleaned().' ';
        $day = $this->weekday($line) ?? $this->length($line);
        if ($day === null) {
            return null;
        }
        $moved = (new \DateTimeImmutable($held))->modify($day);

        return Reading::of($moved->format($field->type === ValueType::Date ? 'Y-m-d' : 'Y-m-d\TH:i'), self::SURE, $heard->original, $heard->tokens[0]->start ?? 0, strlen($heard->original));
    }

    /** 'the Monday after', 'the following Friday', 'the Tuesday before' */
    private function weekday(string $line): ?string
    {
        $days = implode('|', array_map(static fn (int|string $day): string => preg_quote((string) $day, '/'), array_keys($this->words->section('calendar', 'weekdays'))));
        if (preg_match("/ (?:the )?(?:(?<day>{$days}) (?<way>after|before)(?: that)?|(?<way2>following|previous) (?<day2>{$days})) $/", $line, $m) !== 1) {
            return null;
        }
        $names = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'];
        $number = $this->words->section('calendar', 'weekdays')[($m['day2'] ?? '') !== '' ? $m['day2'] : $m['day']] ?? null;
        $name = is_int($number) ? $names[($number + 6) % 7] : null;
        $back = in_array(($m['way2'] ?? '') !== '' ? $m['way2'] : $m['way'], self::EARLIER, true);

        return $name === null ? null : ($back ? 'last ' : 'next ').$name;
    }

    /** 'a day later', 'two days earlier', 'the week after', 'the day before' */
    private function length(string $line): ?string
    {
        $numbers = $this->words->section('numbers', 'units');
        $way = implode('|', [...self::LATER, ...self::EARLIER]);
        if (preg_match("/ (?<n>a|an|the|one|\\d+|[a-z]+) (?<unit>day|days|night|nights|week|weeks|fortnight|month|months) (?<way>{$way})(?: that)? $/", $line, $m) !== 1) {
            return null;
        }
        $n = match (true) {
            in_array($m['n'], ['a', 'an', 'the', 'one'], true) => 1,
            ctype_digit($m['n']) => (int) $m['n'],
            default => $numbers[$m['n']] ?? null,
        };

        return is_int($n) && $n > 0 && $n <= 52 ? (in_array($m['way'], self::EARLIER, true) ? '-' : '+').$n.' '.preg_replace('/^night/', 'day', $m['unit']) : null;
    }
}
