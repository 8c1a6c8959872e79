<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Hearing;
use Ringo\Extraction\Readings;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/**
 * What the talk has come to before each utterance: next week, a month, an hour of the morning. A bare Thursday, the nineteenth and
 * half past are meant from there.
 *
 * @phpstan-type Setting array{nextWeek: bool, month: ?int, year: ?int, time: ?string}
 */
final readonly class Talk
{
    private const TIMED = [ValueType::Date, ValueType::Time, ValueType::DateTime];

    private const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];

    private const WEEKDAY = '(?:mon|tues|wednes|thurs|fri|satur|sun)day';

    private const HALF = '/\b[ap]\.?\s?m\b|\d\s?[ap]m\b|morning|afternoon|evening|night/i';

    private const OF_A_CLOCK = '/\d[:.]\d\d|o\W?clock|half|quarter|past|noon|midday|midnight|lunch|[ap]\.?\s?m\b|morning|afternoon|evening|night/i';

    /** Hours that are clear without their half: nobody books one at night. */
    private const CLEAR_HOURS = [12, 13, 14, 15, 16, 17, 18];

    private const EARLY = '08:00';

    /** Minutes of half a day and of a day. */
    private const HALF_DAY = 720;

    private const DAY = 1440;

    /** @param array<int, Setting> $settings by place */
    private function __construct(private \DateTimeImmutable $now, private array $settings)
    {
    }

    /** @param list<Utterance> $utterances */
    public static function of(Hearing $hearing, array $utterances, Readings $readings): self
    {
        $timed = array_filter($hearing->fields, static fn (FieldProfile $field): bool => in_array($field->type, self::TIMED, true)) !== [];
        $setting = ['nextWeek' => false, 'month' => null, 'year' => null, 'time' => null];
        $settings = [];
        foreach ($timed ? $utterances : [] as $utterance) {
            $setting = self::after($setting, $utterance, $hearing, $readings);
            $settings[$utterance->place] = $setting;
        }

        return new self($hearing->now, $settings);
    }

    /**
     * @param Setting $setting
     *
     * @return Setting with what an utterance changes
     */
    private static function after(array $setting, Utterance $utterance, Hearing $hearing, Readings $readings): array
    {
        $text = $utterance->heard->original;
        if (preg_match('/\bnext (?:week|'.self::WEEKDAY.')\b/i', $text) === 1) {
            $setting['nextWeek'] = true;
        } elseif (preg_match('/\bthis week\b|\btomorrow\b|\btoday\b/i', $text) === 1) {
            $setting['nextWeek'] = false;
        }
        // A month without a day sets the month of the days that follow.
        if (preg_match_all('/\b(?:in|for|during|mid|early|late|of|this|next|end of|beginning of|start of|middle of) ('.implode('|', self::MONTHS).')(?:uary|ruary|ch|il|e|y|ust|t|tember|ober|ember)?\b(?! ?\d)/i', $text, $m) > 0) {
            $setting['year'] = null;
            $setting['month'] = 1 + (int) array_search(strtolower((string) end($m[1])), self::MONTHS, true);
        }
        if (preg_match('/\b(?:january|february|march|april|may|june|july|august|september|october|november|december)\b/i', $text) === 1) {
            $named = $readings->plain(ValueType::Date, $utterance->heard, $hearing->now, $hearing->transcript->country, false)->value;
            if (is_string($named) && $named >= $hearing->now->format('Y-m-d') && $named <= $hearing->now->modify('+2 years')->format('Y-m-d')) {
                [$setting['year'], $setting['month']] = [(int) substr($named, 0, 4), (int) substr($named, 5, 2)];
            }
        }
        if (! $utterance->theirs && preg_match('/\b(?:as early as|first thing|early as possible|earliest|bright and early|early in the (?:day|morning))\b/i', $text) === 1) {
            $setting['time'] = self::EARLY;
        }
        $read = $readings->plain(ValueType::Time, $utterance->heard, $hearing->now, $hearing->transcript->country, true);
        $time = self::saidAsAnHour((string) $read->said, $text) ? $read->value : null;
        $half = preg_match(self::HALF, $text) === 1;
        $clear = is_string($time) && ($half || in_array((int) substr($time, 0, 2), self::CLEAR_HOURS, true));
        if ($clear && ($setting['time'] === null || $half) && preg_match('/\b(?:open|close|shut|closes|opens)\b/i', $text) !== 1) {
            $setting['time'] = $time;
        }

        return $setting;
    }

    /** 'Eighteen' to how many holes is no hour: it is said as one, or behind what leads to one. */
    private static function saidAsAnHour(string $said, string $text): bool
    {
        return preg_match('/^\S+$/', trim($said)) !== 1
            || preg_match(self::OF_A_CLOCK, $said) === 1
            || preg_match('/\b(?:at|by|from|till|until|after|before|around|about|say|to|and)\s+'.preg_quote($said, '/').'\b/iu', $text) === 1;
    }

    /** What a day or an hour means here, where that is not what it says: null where it is. */
    public function meant(FieldProfile $field, Reading $reading, int $place): ?string
    {
        $setting = $this->settings[$place - 1] ?? null;
        if ($setting === null || ! is_string($reading->value) || ! in_array($field->type, self::TIMED, true)) {
            return null;
        }
        $value = $reading->value;
        if ($field->tense !== 'past' && $field->type !== ValueType::Time) {
            $value = $this->nextWeek($this->inMonth($value, $reading->said, $setting), $reading->said, $setting['nextWeek']);
        }
        if ($field->type !== ValueType::Date) {
            $value = substr($value, 0, -5).$this->hour(substr($value, -5), $reading->said, $place);
        }

        return $value === $reading->value ? null : $value;
    }

    /** An hour without its half is the one nearer to the time named before. */
    public function hour(string $time, string $said, int $place): string
    {
        $last = $this->settings[$place - 1]['time'] ?? null;
        if ($last === null || preg_match(self::HALF, $said) === 1 || preg_match('/noon|midnight|lunch|first thing|\b(?:1[3-9]|2[0-3]):/i', $said) === 1) {
            return $time;
        }
        $minutes = self::minutes($time);
        $other = ($minutes + self::HALF_DAY) % self::DAY;

        return abs($other - self::minutes($last)) < abs($minutes - self::minutes($last)) ? sprintf('%02d:%02d', intdiv($other, 60), $other % 60) : $time;
    }

    private static function minutes(string $time): int
    {
        return (int) substr($time, 0, 2) * 60 + (int) substr($time, 3);
    }

    /**
     * A bare day of the month is of the month the talk is of: 'the nineteenth or the twenty-sixth' of June next year.
     *
     * @param Setting $setting
     */
    private function inMonth(string $value, string $said, array $setting): string
    {
        if ($setting['month'] === null || preg_match('/\b(?:the )?(?:\d{1,2}(?:st|nd|rd|th)|\w*(?:first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|eleventh|twelfth|teenth|twentieth|thirtieth))\b/i', $said) !== 1
            || preg_match('/\b(?:jan|feb|mar|apr|may|june?|july?|aug|sept?|oct|nov|dec)|month|day\b|\d[\/.]\d/i', $said) === 1) {
            return $value;
        }
        $year = (int) $this->now->format('Y');
        foreach ($setting['year'] === null ? [$year, $year + 1] : [$setting['year']] as $one) {
            $day = (int) substr($value, 8, 2);
            $date = sprintf('%04d-%02d-%02d', $one, $setting['month'], $day);
            if (checkdate($setting['month'], $day, $one) && $date >= $this->now->format('Y-m-d')) {
                return $date.substr($value, 10);
            }
        }

        return $value;
    }

    private function nextWeek(string $value, string $said, bool $next): string
    {
        if (! $next || preg_match('/\d|next|this|tomorrow|today|week/i', $said) === 1 || substr($value, 0, 10) >= $this->now->modify('monday next week')->format('Y-m-d')) {
            return $value;
        }

        return (new \DateTimeImmutable(substr($value, 0, 10)))->modify('+7 days')->format('Y-m-d').substr($value, 10);
    }
}
