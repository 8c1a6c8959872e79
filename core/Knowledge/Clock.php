<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/** Hours and parts of the day in words: what a question names, and what a text gives as from and to. */
final class Clock
{
    private const HOURS = ['one' => 13, 'two' => 14, 'three' => 15, 'four' => 16, 'five' => 17, 'six' => 18, 'seven' => 7, 'eight' => 8, 'nine' => 9, 'ten' => 10, 'eleven' => 11, 'twelve' => 12];

    /** From and to as minutes of the day. */
    private const PARTS = ['morning' => [300, 720], 'afternoon' => [720, 1080], 'evening' => [1020, 1440], 'night' => [1200, 1440], 'matinee' => [720, 1020]];

    private const TIME = '(?:(\d{1,2})(?:[:.](\d\d))?\s?(am|pm)\b|(noon|midday)|(midnight))';

    /** The minute of the day that words name; hours without am or pm are read as in bookings, 7 to 11 in the morning. */
    public static function minute(string $said): ?int
    {
        $line = ' '.mb_strtolower($said).' ';
        if (preg_match('/\b'.self::TIME.'/', $line, $m, PREG_UNMATCHED_AS_NULL) === 1) {
            return self::of($m, 1);
        }
        $evening = preg_match('/\b(?:evening|night|tonight)\b/', $line) === 1;
        $morning = str_contains($line, ' morning ');
        if (preg_match('/\b(?:at|about|around|after|before|by|till|until|past|gone)\s+(half (?:past )?|quarter past )?('.implode('|', array_keys(self::HOURS)).')\b(?!\s+(?:of|years?|days?|weeks?|months?|people|kids|children|dogs?|cats?|hundred|pounds?|kilos?|miles?|other))/', $line, $m) === 1) {
            $hour = self::HOURS[$m[2]];
            $hour = $morning ? $hour % 12 : ($evening && $hour < 12 ? $hour + 12 : $hour);

            return 60 * $hour + (str_contains($m[1], 'half') ? 30 : (str_contains($m[1], 'quarter') ? 15 : 0));
        }

        return null;
    }

    /** A part of the day that words name: morning, afternoon, evening, night. */
    public static function part(string $said): ?string
    {
        return preg_match('/\b(morning|afternoon|evening|night|matinee)s?\b/i', str_replace(['tonight', 'overnight'], ['this evening', ''], mb_strtolower($said)), $m) === 1 ? $m[1] : null;
    }

    /** The minute a question means: an hour it names, else the middle of a part of the day. */
    public static function meant(string $said): ?int
    {
        $part = self::part($said);

        return self::minute($said) ?? ($part === null ? null : intdiv(array_sum(self::PARTS[$part]), 2));
    }

    /**
     * Stretches that a text gives: '8.30 am to 12 noon', '10 pm to 8 am', 'after 5 pm', 'until noon'.
     *
     * @return list<array{int, int}> minutes of the day, the second above 1440 where it goes past midnight
     */
    public static function stretches(string $text): array
    {
        $line = (string) preg_replace('/\b12 (noon|midday|midnight)\b/', '$1', mb_strtolower(str_replace(['–', '—'], '-', $text)));
        $found = [];
        preg_match_all('/(?:\b(\d{1,2})(?:[:.](\d\d))?\s?(am|pm)?|\b(noon|midday)|\b(midnight))\s?(?:noon\s)?(?:-|to|until|till|and)\s?'.self::TIME.'/', $line, $all, PREG_SET_ORDER | PREG_UNMATCHED_AS_NULL);
        foreach ($all as $m) {
            $to = self::of($m, 6);
            if ($m[1] !== null && $m[3] === null) {
                $m[3] = 'pm';
                $m[3] = $to !== null && self::of($m, 1) < $to ? 'pm' : 'am';
            }
            $from = self::of($m, 1);
            if ($from !== null && $to !== null) {
                $found[] = [$from, $to <= $from ? $to + 1440 : $to];
            }
        }
        if ($found === [] && preg_match('/\b(before|after|until|till|from)\s+'.self::TIME.'/', $line, $m, PREG_UNMATCHED_AS_NULL) === 1 && ($at = self::of($m, 2)) !== null) {
            $found[] = in_array($m[1], ['after', 'from'], true) ? [$at, 1440] : [0, $at];
        }

        return $found;
    }

    /** Whether a minute lies in one of the stretches a text gives; null where it gives none. */
    public static function inside(string $text, int $minute): ?bool
    {
        $stretches = self::stretches($text);
        foreach ($stretches as [$from, $to]) {
            if ($minute >= $from && $minute < $to || $minute + 1440 < $to) {
                return true;
            }
        }

        return $stretches === [] ? null : false;
    }

    /** @param array<int|string, ?string> $m */
    private static function of(array $m, int $at): ?int
    {
        return match (true) {
            ($m[$at + 3] ?? null) !== null => 720,
            ($m[$at + 4] ?? null) !== null => 1440,
            ($m[$at] ?? null) === null => null,
            default => 60 * ((int) $m[$at] % 12 + (($m[$at + 2] ?? '') === 'pm' ? 12 : 0)) + (int) ($m[$at + 1] ?? 0),
        };
    }
}
