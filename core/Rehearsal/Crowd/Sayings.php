<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

/** The ways people say a value: the readers' way back, written apart from them. */
final readonly class Sayings
{
    public function __construct(private Phrases $phrases)
    {
    }

    public function of(Field $field, mixed $value, \DateTimeImmutable $now, Dice $dice): string
    {
        return match ($field->type) {
            ValueType::Date => $this->date(new \DateTimeImmutable((string) $value, $now->getTimezone()), $now, $dice),
            ValueType::Time => $this->time((string) $value, $dice),
            ValueType::DateTime => $this->date(new \DateTimeImmutable(substr((string) $value, 0, 10), $now->getTimezone()), $now, $dice).' at '.$this->time(substr((string) $value, 11, 5), $dice),
            ValueType::Number => $dice->falls(0.4) ? (string) $value : $this->number((int) $value),
            ValueType::Money => $this->money($value, $dice),
            ValueType::Duration => $this->duration((string) $value, $dice),
            ValueType::Phone => $this->digits($this->national((string) $value), $dice),
            ValueType::Reference => $this->reference((string) $value, $dice),
            ValueType::Email => str_replace(['@', '.'], [' at ', ' dot '], (string) $value),
            ValueType::YesNo => $this->phrases->one($dice, $value ? 'yes' : 'no'),
            ValueType::Choice => $this->option($field, (string) $value, $dice),
            ValueType::Several => implode(' and ', array_map(fn (mixed $key): string => $this->option($field, is_string($key) ? $key : '', $dice), is_array($value) ? $value : [])),
            default => is_scalar($value) ? (string) $value : '',
        };
    }

    /** A whole number in words, up to 9,999. */
    public function number(int $number): string
    {
        $ones = $this->phrases->table('ones');
        $tens = $this->phrases->table('tens');

        return match (true) {
            $number < 0 => 'minus '.$this->number(-$number),
            $number < 20 => $ones[$number],
            $number < 100 => $tens[intdiv($number, 10)].($number % 10 === 0 ? '' : ' '.$ones[$number % 10]),
            $number < 1000 => $ones[intdiv($number, 100)].' hundred'.($number % 100 === 0 ? '' : ' and '.$this->number($number % 100)),
            $number < 10_000 => $this->number(intdiv($number, 1000)).' thousand'.($number % 1000 === 0 ? '' : ($number % 1000 < 100 ? ' and ' : ' ').$this->number($number % 1000)),
            default => (string) $number,
        };
    }

    private function date(\DateTimeImmutable $date, \DateTimeImmutable $now, Dice $dice): string
    {
        $days = (int) $now->setTime(0, 0)->diff($date->setTime(0, 0))->format('%r%a');
        $ordinal = $this->phrases->table('ordinals')[(int) $date->format('j')];
        $ways = ["the {$ordinal} of {$date->format('F')}", $date->format('jS \o\f F'), $date->format('F').' the '.$ordinal, $date->format('l').' the '.$ordinal.' of '.$date->format('F')];
        if ($days === 0) {
            $ways = ['today'];
        } elseif ($days === 1) {
            $ways = [...$ways, 'tomorrow', 'tomorrow'];
        } elseif ($days === 2) {
            $ways[] = 'the day after tomorrow';
        } elseif ($days > 0 && $days < 7) {
            $ways = [...$ways, $date->format('l'), 'this '.$date->format('l'), 'on '.$date->format('l')];
        }
        if ($days > 365 || $days < 0) {
            $ways = ["the {$ordinal} of {$date->format('F Y')}", $date->format('jS F Y')];
        }

        return $dice->one($ways);
    }

    private function time(string $time, Dice $dice): string
    {
        [$hour, $minute] = array_map(intval(...), explode(':', $time) + [1 => '0']);
        $twelve = $hour % 12 === 0 ? 12 : $hour % 12;
        $part = $hour < 12 ? 'in the morning' : ($hour < 18 ? 'in the afternoon' : 'in the evening');
        $said = match ($minute) {
            0 => $dice->one([$this->number($twelve)." o'clock ".$part, $twelve.($hour < 12 ? ' am' : ' pm')]),
            30 => 'half past '.$this->number($twelve).' '.$part,
            15 => 'quarter past '.$this->number($twelve).' '.$part,
            45 => 'quarter to '.$this->number($twelve === 12 ? 1 : $twelve + 1).' '.($hour === 11 ? '' : $part),
            default => sprintf('%d:%02d %s', $twelve, $minute, $hour < 12 ? 'am' : 'pm'),
        };

        return trim($said);
    }

    private function money(mixed $value, Dice $dice): string
    {
        $amount = is_array($value) ? (float) ($value['amount'] ?? 0) : (float) $value;
        $unit = match (is_array($value) ? ($value['currency'] ?? 'GBP') : 'GBP') {
            'USD' => 'dollars', 'EUR' => 'euros', default => 'pounds',
        };
        $whole = (int) floor($amount);
        $rest = (int) round(100 * ($amount - $whole));

        return ($dice->falls(0.5) ? $this->number($whole) : (string) $whole).' '.$unit.($rest === 0 ? '' : ' '.$this->number($rest));
    }

    private function duration(string $value, Dice $dice): string
    {
        if (preg_match('/^P(\d+)([DWM])$/', $value, $m) !== 1) {
            return $value;
        }
        /** @var array<string, array{string, string}> $units */
        $units = $this->phrases->section('units');
        $n = (int) $m[1];
        $words = ($n === 1 ? $dice->one(['a', 'one']) : ($dice->falls(0.5) ? $this->number($n) : (string) $n)).' '.$units[$m[2]][$n === 1 ? 0 : 1];

        return $dice->one([$words, 'for '.$words]);
    }

    /** Digits one by one, doubled ones sometimes as such, with pauses where people make them. */
    private function digits(string $digits, Dice $dice): string
    {
        if ($dice->falls(0.35)) {
            return trim((string) preg_replace('/^(\d{5})(\d{3})(\d*)$/', '$1 $2 $3', $digits));
        }
        $ones = $this->phrases->table('ones');
        $said = [];
        $doubles = $dice->falls(0.6);
        for ($i = 0; $i < strlen($digits); $i++) {
            $digit = (int) $digits[$i];
            $word = $digit === 0 ? ($dice->falls(0.7) ? 'oh' : 'zero') : $ones[$digit];
            if ($doubles && ($digits[$i + 1] ?? '') === $digits[$i] && ($digits[$i + 2] ?? '') !== $digits[$i]) {
                $said[] = 'double '.$word;
                $i++;
            } else {
                $said[] = $word;
            }
        }

        return implode(' ', $said);
    }

    private function reference(string $value, Dice $dice): string
    {
        $said = [];
        $spelled = $dice->falls(0.5);
        foreach (str_split($value) as $sign) {
            $said[] = ctype_digit($sign) ? ($spelled ? ($sign === '0' ? 'oh' : $this->number((int) $sign)) : $sign) : $sign;
        }

        return implode(' ', $said);
    }

    private function option(Field $field, string $key, Dice $dice): string
    {
        foreach ($field->options as $option) {
            if ($option['key'] === $key) {
                return $dice->one([$option['label'], $option['label'], ...$option['phrases']]);
            }
        }

        return str_replace('_', ' ', $key);
    }

    private function national(string $e164): string
    {
        return str_starts_with($e164, '+44') ? '0'.substr($e164, 3) : (str_starts_with($e164, '+1') ? substr($e164, 2) : ltrim($e164, '+'));
    }
}
