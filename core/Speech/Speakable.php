<?php

declare(strict_types=1);

namespace Ringo\Speech;

use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** Says values as a person would: 'half past two', 'Tuesday the fourteenth of March', 'oh seven seven double oh'. */
final readonly class Speakable
{
    private NumberWords $numbers;

    /** A day no longer ago than this needs no year: 'Saturday the twenty eighth of November'. */
    private const LATELY = '-31 days';

    public function __construct(private Vocabulary $words, private NumberingPlan $plan)
    {
        $this->numbers = new NumberWords;
    }

    public function say(Typed $typed, Locale $locale): string
    {
        $value = $typed->value;
        if ($typed->isEmpty()) {
            return '';
        }

        return match ($typed->type) {
            ValueType::Date => $this->date(new \DateTimeImmutable((string) $value, $locale->now->getTimezone()), $locale),
            ValueType::Time => $this->time((string) $value, $locale),
            ValueType::DateTime => $this->moment(new \DateTimeImmutable((string) $value, $locale->now->getTimezone()), $locale),
            ValueType::Number => $this->numbers->cardinal(is_string($value) ? (float) $value : $value, $locale->british()),
            ValueType::Money => $this->money((float) $value['amount'], (string) $value['currency'], $locale),
            ValueType::Duration => $this->duration((string) $value, $locale),
            ValueType::Phone => $this->phone((string) $value, $locale),
            ValueType::Reference => $this->reference((string) $value),
            ValueType::Email => $this->email((string) $value),
            ValueType::YesNo => $value ? 'yes' : 'no',
            ValueType::Choice => $typed->label ?? str_replace('_', ' ', (string) $value),
            ValueType::Several => (string) preg_replace('/, ([^,]+)$/', ' and $1', (string) $typed->label),
            ValueType::PostalAddress => $this->address((string) $value),
            ValueType::PersonName, ValueType::Text => (string) $value,
            ValueType::Items => $this->items(is_array($value) ? $value : [], $locale),
        };
    }

    /** @param array<array-key, mixed> $items lists of typed parts */
    private function items(array $items, Locale $locale): string
    {
        $said = [];
        foreach ($items as $item) {
            $parts = is_array($item) ? array_filter($item, static fn (mixed $part): bool => $part instanceof Typed) : [];
            $said[] = implode(', ', array_map(fn (Typed $part): string => $this->say($part, $locale), $parts));
        }
        $last = array_pop($said);

        return $said === [] ? (string) $last : implode('; ', $said).'; and '.$last;
    }

    /** A name or an address letter by letter, in the agent's spelling style: 'S for sugar, M for mother' or 'S, M, Y'. */
    public function spelled(Typed $typed, Locale $locale): string
    {
        $table = $locale->spelling === 'letters' ? [] : $this->words->section('letters', $locale->spelling === 'phonetic' ? 'phonetic' : 'plain');
        $said = [];
        foreach (preg_split('/(\s+)/', (string) $typed->value) ?: [] as $word) {
            $letters = [];
            foreach (mb_str_split(mb_strtolower($word)) as $letter) {
                $letters[] = match (true) {
                    $letter === '@' => 'at',
                    $letter === '.' => 'dot',
                    $letter === '-' => 'hyphen',
                    $letter === '_' => 'underscore',
                    $letter === "'" => 'apostrophe',
                    ctype_digit($letter) => $this->numbers->digits($letter, 'zero'),
                    isset($table[$letter]) => mb_strtoupper($letter).' for '.$table[$letter],
                    default => mb_strtoupper($letter),
                };
            }
            $said[] = implode(', ', $letters);
        }

        return implode('; ', $said);
    }

    private function date(\DateTimeImmutable $date, Locale $locale): string
    {
        $day = $locale->british()
            ? $date->format('l').' the '.$this->numbers->ordinal((int) $date->format('j')).' of '.$date->format('F')
            : $date->format('l').', '.$date->format('F').' '.$this->numbers->ordinal((int) $date->format('j'));
        $today = $locale->now->setTime(0, 0);
        $soon = $date >= $today->modify(self::LATELY) && $date < $today->modify('+1 year');

        return $soon ? $day : $day.', '.$this->numbers->year((int) $date->format('Y'));
    }

    private function time(string $time, Locale $locale): string
    {
        [$hour, $minute] = array_map(intval(...), explode(':', $time));
        if ($minute === 0 && $hour % 12 === 0) {
            return $hour === 12 ? 'midday' : 'midnight';
        }
        $said = $this->numbers->cardinal($hour % 12 === 0 ? 12 : $hour % 12);
        $next = $this->numbers->cardinal($hour % 12 + 1);
        $clock = match (true) {
            $minute === 0 => $said." o'clock",
            $locale->british() && $minute === 30 => 'half past '.$said,
            $locale->british() && $minute === 15 => 'quarter past '.$said,
            $locale->british() && $minute === 45 => 'quarter to '.$next,
            $locale->british() && $minute % 5 === 0 && $minute < 30 => $this->numbers->cardinal($minute).' past '.$said,
            $locale->british() && in_array($minute, [35, 40, 50], true) => $this->numbers->cardinal(60 - $minute).' to '.$next,
            $minute < 10 => $said.' oh '.$this->numbers->cardinal($minute),
            default => $said.' '.$this->numbers->cardinal($minute),
        };
        // Outside the hours that are taken for granted, the part of the day is said.
        $part = match (true) {
            $hour < 1 => ' at night',
            $hour < 7 => ' in the morning',
            $hour >= 22 => ' at night',
            $hour >= 19 => ' in the evening',
            default => '',
        };

        return $clock.$part;
    }

    private function moment(\DateTimeImmutable $moment, Locale $locale): string
    {
        return $this->time($moment->format('H:i'), $locale).' on '.$this->date($moment->setTime(0, 0), $locale);
    }

    private function money(float $amount, string $currency, Locale $locale): string
    {
        [$one, $many, $cents] = $this->words->section('units', 'spoken')[$currency] ?? [$currency, $currency, 'cents'];
        $whole = (int) floor($amount + 0.0001);
        $rest = (int) round(($amount - $whole) * 100);
        $small = $rest === 1 ? ['pence' => 'penny', 'cents' => 'cent'][$cents] ?? $cents : $cents;
        $home = $this->words->section('units', 'country_currency')[$locale->country] ?? null;
        if ($whole === 0 && $rest > 0) {
            // Several currencies have cents; a foreign one is named.
            return ($currency === $home || $cents === 'pence' ? '' : 'zero '.$many.' and ').$this->numbers->cardinal($rest).' '.$small;
        }
        $said = $this->numbers->cardinal($whole, $locale->british()).' '.($whole === 1 ? $one : $many);

        return $rest === 0 ? $said : $said.' '.($rest < 10 || ! $locale->british() ? 'and ' : '').$this->numbers->cardinal($rest).($rest < 10 || ! $locale->british() ? ' '.$small : '');
    }

    private function duration(string $iso, Locale $locale): string
    {
        $parts = array_map(fn (array $part): string => $this->numbers->cardinal($part[0], $locale->british()).' '.$part[1], IsoDuration::parts($iso) ?? []);
        if ($parts === []) {
            return $iso;
        }
        $last = array_pop($parts);

        return $parts === [] ? (string) $last : implode(', ', $parts).' and '.$last;
    }

    private function phone(string $e164, Locale $locale): string
    {
        $number = $this->plan->describe($e164);
        if ($number === null) {
            return $this->numbers->digits((string) preg_replace('/\D/', '', $e164));
        }
        $home = $number->country === $locale->country;
        $written = $home ? $number->inNationalFormat() : substr($e164, 1);
        $groups = [];
        foreach (preg_split('/\D+/', $written, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $group) {
            array_push($groups, ...(strlen($group) > 5 ? str_split($group, 3) : [$group]));
        }
        $said = implode(', ', array_map(fn (string $group): string => $this->numbers->digits($group, 'oh', $locale->british()), $groups));

        return $home ? $said : 'plus '.$said;
    }

    private function reference(string $reference): string
    {
        $parts = [];
        foreach (preg_split('/(?<=\D)(?=\d)|(?<=\d)(?=\D)/', $reference) ?: [] as $part) {
            if (ctype_digit($part)) {
                foreach (strlen($part) > 4 ? str_split($part, 3) : [$part] as $group) {
                    $parts[] = $this->numbers->digits($group, 'zero', false);
                }
            } else {
                $parts[] = implode(' ', array_map(static fn (string $letter): string => match ($letter) {
                    '-' => 'dash', '/' => 'slash', default => $letter,
                }, mb_str_split($part)));
            }
        }

        return implode(', ', $parts);
    }

    private function email(string $email): string
    {
        $said = strtr($email, ['@' => ' at ', '.' => ' dot ', '_' => ' underscore ', '-' => ' hyphen ', '+' => ' plus ']);
        $said = (string) preg_replace_callback('/\d+/', fn (array $m): string => ' '.$this->numbers->digits($m[0], 'zero', false).' ', $said);

        return trim((string) preg_replace('/\s+/', ' ', $said));
    }

    private function address(string $address): string
    {
        return (string) preg_replace_callback('/\b([A-Z]{1,2}\d[A-Z\d]?) (\d[A-Z]{2})$/', fn (array $m): string => $this->reference($m[1]).', '.$this->reference($m[2]), $address);
    }
}
