<?php

declare(strict_types=1);

namespace App\Support;

/** The words of a turn that there is room for on the call strip: as many whole words as two short lines hold. */
final readonly class StripWords
{
    /** Lines that a bar is high enough for. */
    private const LINES = 2;

    /** What a letter takes, in units of the strip, at the size its words are written in; and what stays free at both ends. */
    private const LETTER = 5.3;

    private const MARGIN = 8.0;

    /** Less than this is no word to read. */
    private const SHORTEST = 3;

    /** @return list<string> lines; none where not one word has room */
    public static function of(string $text, float $width): array
    {
        $room = (int) floor(($width - self::MARGIN) / self::LETTER);
        if ($room < self::SHORTEST) {
            return [];
        }
        $lines = [];
        $line = '';
        $words = preg_split('/\s+/u', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        foreach ($words as $n => $word) {
            $longer = $line === '' ? $word : "{$line} {$word}";
            if (mb_strlen($longer) <= $room) {
                $line = $longer;

                continue;
            }
            if ($line !== '') {
                $lines[] = $line;
            }
            $line = '';
            if (count($lines) === self::LINES || mb_strlen($word) > $room) {
                return self::cut($lines, $room);
            }
            $line = $word;
        }

        return $line === '' ? $lines : [...$lines, $line];
    }

    /**
     * @param list<string> $lines
     *
     * @return list<string> with a sign that more was said
     */
    private static function cut(array $lines, int $room): array
    {
        if ($lines !== []) {
            $last = array_pop($lines);
            $space = mb_strrpos($last, ' ');
            $lines[] = mb_strlen($last) < $room ? $last.'…' : ($space === false ? $last : mb_substr($last, 0, $space).'…');
        }

        return $lines;
    }
}
