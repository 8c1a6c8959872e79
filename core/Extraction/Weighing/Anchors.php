<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\Readings;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Days that are meant from another day of the talk: 'the Thursday before', 'a week later', 'on the seventeenth' of the month spoken of. */
final class Anchors
{
    /** @var \WeakMap<Scene, list<array{int, string, int}>> days named outright, by place in the call */
    private \WeakMap $days;

    public function __construct(private readonly Readings $readings)
    {
        $this->days = new \WeakMap;
    }

    /** The day that a bare one comes to, seen from the day named last before it; null where none was. */
    public function day(Scene $scene, Utterance $utterance, Reading $reading, string $unit): ?string
    {
        $from = $this->last($scene, $utterance, $reading);
        if ($from === null || ! is_string($reading->value)) {
            return null;
        }
        if (preg_match('/\b(?:same|that) day\b/i', $reading->said) === 1) {
            return $from->format('Y-m-d');
        }
        if (preg_match('/\b(?:jan|feb|mar|apr|may|june?|july?|aug|sept?|oct|nov|dec|today|tomorrow|tonight|yesterday|this|next|\d+[\/.]\d+)/i', $reading->said) === 1) {
            return null;
        }
        if (preg_match('/\b(mon|tues|wednes|thurs|fri|satur|sun)day\b/i', $reading->said, $m) === 1 && preg_match('/\d|first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|eleventh|twelfth|teenth|twentieth|thirtieth/i', $reading->said) !== 1) {
            $day = strtolower($m[1]).'day';
            $before = preg_match('/\b'.$day.'s? before\b/i', $unit) === 1;
            $week = preg_match('/\bweek\b/i', $reading->said) === 1;

            return $week ? null : $from->modify(($before ? 'last ' : 'next ').$day)->format('Y-m-d');
        }
        // A bare day of the month is of the month spoken of, or of the next.
        $day = (int) substr($reading->value, 8, 2);
        $month = $day >= (int) $from->format('j') ? $from : $from->modify('first day of next month');

        return checkdate((int) $month->format('n'), $day, (int) $month->format('Y')) ? $month->format('Y-m-').sprintf('%02d', $day) : null;
    }

    /** @return list<array{string, string}> days that stand as so long before or after the one named last, with their words */
    public function apart(Scene $scene, Utterance $utterance, Heard $part): array
    {
        $line = $part->cleaned();
        if (preg_match('/\b(?:the|an?|one|two|three|four|\d) (day|night|morning|week|fortnight|month)s? (before|after|later|afterwards|following|earlier|from then)\b/i', $line, $m) !== 1 || ($from = $this->last($scene, $utterance, null)) === null) {
            return [];
        }
        $numbers = ['two' => 2, 'three' => 3, 'four' => 4];
        $count = preg_match('/\b(two|three|four|\d) '.$m[1].'/i', $line, $n) === 1 ? ($numbers[strtolower($n[1])] ?? (int) $n[1]) : 1;
        $unit = strtolower($m[1]);
        [$count, $unit] = $unit === 'fortnight' ? [2 * $count, 'week'] : [$count, in_array($unit, ['night', 'morning'], true) ? 'day' : $unit];

        return [[$from->modify((in_array(strtolower($m[2]), ['before', 'earlier'], true) ? '-' : '+').$count.' '.$unit)->format('Y-m-d'), $m[0]]];
    }

    private function last(Scene $scene, Utterance $utterance, ?Reading $before): ?\DateTimeImmutable
    {
        $last = null;
        foreach ($this->days[$scene] ??= $this->named($scene) as [$turn, $day, $end]) {
            if ($turn < $utterance->turn || $turn === $utterance->turn && ($before === null || $end <= $before->start)) {
                $last = $day;
            }
        }

        return $last === null ? null : new \DateTimeImmutable($last);
    }

    /** @return list<array{int, string, int}> turn, day and where its words end */
    private function named(Scene $scene): array
    {
        $days = [];
        foreach ($scene->utterances as $utterance) {
            foreach ($utterance->parts as $part) {
                $reading = $part->tokens === [] ? Reading::none() : $this->readings->plain(ValueType::Date, $part, $scene->hearing->now, $scene->country(), true);
                if (is_string($reading->value) && $reading->value >= $scene->hearing->now->format('Y-m-d') && preg_match('/\b(?:today|now|moment)\b/i', $reading->said) !== 1) {
                    $days[] = [$utterance->turn, $reading->value, $reading->end];
                }
            }
        }

        return $days;
    }
}
