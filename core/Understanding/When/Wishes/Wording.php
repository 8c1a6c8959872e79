<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Wishes;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;

/** The words of a wish in the form in which days and times are found: 'Friday's fine', 'tennish', 'make it quarter past'. */
final readonly class Wording
{
    /** Besides weekdays: what is said with a short 'is'. */
    private const WITH_IS = ['today', 'tomorrow', 'day', 'week', 'weekend', 'weekends', 'midweek', 'month', 'morning', 'afternoon', 'evening', 'lunchtime', 'april', 'may', 'june'];

    private Numerals $numerals;

    /** Minutes before or after a full hour that are told without it. */
    private const MINUTES = ['five', 'ten', 'twenty', '5', '10', '20'];

    /** Words before the last one of 'leave it for about'. */
    private const GOES_BY = 3;

    /** Words of 'a couple of weeks'. */
    private const COUNTED = 4;

    private const PARTS_OF_GREETINGS = ['morning' => true, 'afternoon' => true, 'evening' => true];

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
    }

    /** @return list<Token> */
    public function of(string $said, Wish $before): array
    {
        return $this->hourly($this->plain(Heard::of($said, $this->words)->tokens), $before);
    }

    /**
     * 'Tennish' is ten, or so.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function plain(array $t): array
    {
        $plain = [];
        foreach ($t as $n => $token) {
            if ($this->goesBy($t, $n)) {
                // 'Leave it a couple of weeks' is in a couple of weeks.
                $plain[] = new Token('in', $token->original, $token->start, $token->end, $token->gap);

                continue;
            }
            // 'In about three weeks' is in three weeks.
            if (($t[$n - 1]->text ?? '') === 'in' && $this->words->phrases('wishes', 'around')->at($t, $n) !== null && isset($this->words->section('calendar', 'counted')[$t[$n + 2]->text ?? ''])) {
                continue;
            }
            // 'Good morning' greets.
            if ($n <= 1 && isset(self::PARTS_OF_GREETINGS[$token->text]) && ($t[$n - 1]->text ?? '') === 'good' && isset($t[$n + 1])) {
                continue;
            }
            // 'Wednesday's fine' is Wednesday, 'five's too late' is five.
            $day = preg_match("/^(.+)'(?:s|ll|d)$/", $token->text, $m) === 1 ? $m[1] : '';
            if (isset($this->words->section('calendar', 'weekdays')[$day]) || isset($this->words->section('wishes', 'hours_ish')[$day]) || in_array($day, self::WITH_IS, true)) {
                array_push($plain, new Token($day, $token->original, $token->start, $token->end, $token->gap), new Token('is', $token->original, $token->end, $token->end, ' '));

                continue;
            }
            $hour = str_ends_with($token->text, 'ish') ? ($this->words->section('wishes', 'hours_ish')[rtrim(substr($token->text, 0, -3), '-')] ?? null) : null;
            if (is_string($hour)) {
                array_push($plain, new Token($hour, $token->original, $token->start, $token->end, $token->gap), new Token('ish', $token->original, $token->end, $token->end, ' '));
            } else {
                $plain[] = $token;
            }
        }

        return $plain;
    }

    /**
     * The last word of 'leave it for' before so many weeks or months.
     *
     * @param list<Token> $t
     */
    private function goesBy(array $t, int $n): bool
    {
        $phrases = $this->words->phrases('wishes', 'to_go_by');
        for ($from = max(0, $n - self::GOES_BY); $from <= $n; $from++) {
            $hit = $phrases->at($t, $from);
            // 'I can't wait three weeks' wants none of it.
            $before = array_slice($t, max(0, $from - self::GOES_BY), min(self::GOES_BY, $from));
            $denied = array_filter($before, static fn (Token $token): bool => str_ends_with($token->text, "n't") || in_array($token->text, ['cannot', 'not'], true)) !== [];
            if ($hit !== null && ! $denied && $from + $hit[1] === $n + 1 && $this->counted($t, $n + 1)) {
                return true;
            }
        }

        return false;
    }

    /** @param list<Token> $t whether so many weeks stand there */
    private function counted(array $t, int $i): bool
    {
        $units = $this->words->section('calendar', 'counted');
        foreach (array_slice($t, $i, self::COUNTED) as $token) {
            if (isset($units[$token->text])) {
                return ! in_array($token->text, ['day', 'days'], true);
            }
        }

        return false;
    }

    /**
     * 'Make it quarter past': the hour is the one said last, or wished for.
     *
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function hourly(array $t, Wish $before): array
    {
        $times = $before->times ?? [];
        $hour = count($times) === 1 && $times[0]->from > 0 ? (intdiv($times[0]->from, 60) + 11) % 12 + 1 : null;
        $all = [];
        $earlier = $hour;
        foreach ($t as $n => $token) {
            $all[] = $token;
            $number = $this->numerals->cardinal($t, $n);
            if ($number !== null && $number->isWhole() && $number->value >= 1 && $number->value <= 12 && ! isset($this->words->section('calendar', 'counted')[$t[$n + $number->length]->text ?? ''])) {
                [$earlier, $hour] = [$hour, $number->whole()];
            } elseif ($earlier !== null && in_array($token->text, ['past', 'to'], true) && in_array($t[$n - 1]->text ?? '', self::MINUTES, true) && ! isset($t[$n + 1])) {
                // 'Make it ten past'
                $all[] = new Token((string) $earlier, $token->original, $token->end, $token->end, ' ');
            } elseif ($hour !== null && in_array($token->text, ['past', 'to'], true) && in_array($t[$n - 1]->text ?? '', $token->text === 'past' ? ['half', 'quarter'] : ['quarter'], true) && (! isset($t[$n + 1]) || $this->numerals->cardinal($t, $n + 1) === null && ! in_array($t[$n + 1]->text, ['noon', 'midday', 'midnight'], true))) {
                $all[] = new Token((string) $hour, $token->original, $token->end, $token->end, ' ');
            }
        }

        return $all;
    }
}
