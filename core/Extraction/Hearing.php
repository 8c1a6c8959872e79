<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Transcript\Transcript;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** One transcript while it is being read: what it gave so far, and what was asked last. */
final class Hearing
{
    public readonly Ledger $ledger;

    public readonly \DateTimeImmutable $now;

    /** @var array<string, array{score: float, flipped: bool, sentence: string, last: bool}> fields asked for and not yet answered */
    public array $open = [];

    /** @var array<string, string> the words a field was last answered with */
    public array $answers = [];

    /** What the caller said since the question, over listening noises. */
    public string $pieces = '';

    /** What the caller said in the exchange before. */
    public string $lastSaid = '';

    /** @var list<string> fields in the order in which they were filled */
    public array $filled = [];

    /** @var list<Reading> words of the exchange at hand that have filled a field */
    public array $consumed = [];

    /** Whether the talk is of next week, so that bare weekdays mean that one. */
    public bool $nextWeek = false;

    /** The last time of day named with its half, or clear by itself: bare hours are taken near it. */
    public ?string $lastTime = null;

    /** @var array<string, string> days of moments whose hour is still to come, by field */
    public array $days = [];

    /** The year of that month, where a whole day of it was named. */
    public ?int $year = null;

    /** The day named last, as a date. */
    public ?string $lastDay = null;

    /** The month the talk is of, 1 to 12: 'room in August?' – 'from the eighth'. */
    public ?int $month = null;

    /** Whether any field is an hour. */
    public readonly bool $timed;

    /** @param list<FieldProfile> $fields */
    public function __construct(public readonly Transcript $transcript, public readonly array $fields)
    {
        $this->timed = array_filter($fields, static fn (FieldProfile $field): bool => in_array($field->type, [ValueType::Time, ValueType::DateTime], true)) !== [];
        $this->ledger = new Ledger;
        $this->now = self::moment($transcript);
    }

    public function field(string $key): ?FieldProfile
    {
        foreach ($this->fields as $field) {
            if ($field->key() === $key) {
                return $field;
            }
        }

        return null;
    }

    public function unanswered(string $key): bool
    {
        return ($this->ledger->of($key)->origin ?? Claim::WANTED) === Claim::WANTED && ! in_array($key, $this->ledger->declined(), true);
    }

    /** A day or an hour as the talk so far makes it mean: a bare weekday in 'next week', a bare seven near half past six. */
    public function dated(FieldProfile $field, Reading $reading): Reading
    {
        if (! is_string($reading->value) || ! in_array($field->type, [ValueType::Date, ValueType::DateTime, ValueType::Time], true)) {
            return $reading;
        }
        $value = $reading->value;
        if ($field->tense !== 'past' && $field->type !== ValueType::Time) {
            $value = $this->inTalk($value, (string) $reading->said);
        }
        if ($this->nextWeek && $field->type !== ValueType::Time && $field->tense !== 'past' && preg_match('/\d|next|this|tomorrow|today|week/i', $reading->said) !== 1 && substr($value, 0, 10) < $this->now->modify('monday next week')->format('Y-m-d')) {
            $value = (new \DateTimeImmutable(substr($value, 0, 10)))->modify('+7 days')->format('Y-m-d').substr($value, 10);
        }
        if ($field->type !== ValueType::Date) {
            $value = substr($value, 0, -5).$this->hour(substr($value, -5), $reading->said);
        }

        return $value === $reading->value ? $reading : Reading::of($value, $reading->confidence, $reading->said, $reading->start, $reading->end);
    }

    /** A bare day of the month is of the month the talk is of: 'the nineteenth or the twenty-sixth' of June next year. */
    public function inTalk(string $value, string $said): string
    {
        return $this->month !== null && preg_match('/\b(?:the )?(?:\d{1,2}(?:st|nd|rd|th)|\w*(?:first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|eleventh|twelfth|teenth|twentieth|thirtieth))\b/i', $said) === 1
            && preg_match('/\b(?:jan|feb|mar|apr|may|june?|july?|aug|sept?|oct|nov|dec)|month|day\b|\d[\/.]\d/i', $said) !== 1 ? $this->inMonth($value, $this->month) : $value;
    }

    /** The same day of the month the talk is of, this year or next. */
    private function inMonth(string $value, int $month): string
    {
        $day = (int) substr($value, 8, 2);
        $year = (int) $this->now->format('Y');
        foreach ($this->year === null ? [$year, $year + 1] : [$this->year] as $one) {
            $date = sprintf('%04d-%02d-%02d', $one, $month, $day);
            if (checkdate($month, $day, $one) && $date >= $this->now->format('Y-m-d')) {
                return $date.substr($value, 10);
            }
        }

        return $value;
    }

    /** An hour without its half is the one nearer to the time named before. */
    public function hour(string $time, string $said): string
    {
        if ($this->lastTime === null || preg_match('/\b[ap]\.?\s?m\b|\d\s?[ap]m\b|morning|afternoon|evening|night|noon|midnight|lunch|first thing/i', $said) === 1 || preg_match('/\b(?:1[3-9]|2[0-3]):/', $said) === 1) {
            return $time;
        }
        $minutes = (int) substr($time, 0, 2) * 60 + (int) substr($time, 3);
        $other = ($minutes + 720) % 1440;
        $last = (int) substr($this->lastTime, 0, 2) * 60 + (int) substr($this->lastTime, 3);

        return abs($other - $last) < abs($minutes - $last) ? sprintf('%02d:%02d', intdiv($other, 60), $other % 60) : $time;
    }

    public function take(FieldProfile $field, Reading $reading, Exchange $exchange, string $origin, bool $sayAll = false): void
    {
        $this->claim($field, $reading->value, $reading->confidence, $exchange, $sayAll ? $this->whole($exchange->heard) : $reading->said, $origin);
    }

    public function claim(FieldProfile $field, mixed $value, float $confidence, Exchange $exchange, string $said, string $origin): void
    {
        $said = trim($said);
        $text = str_replace(['’', '‘', '`'], "'", $this->transcript->turns[$exchange->turn]->text ?? '');
        $this->ledger->take($field->key(), new Claim($value, round(max(0.0, min(0.99, $confidence)), 2), $exchange->turn, $said !== '' && mb_stripos($text, $said) !== false ? $said : $this->whole($exchange->heard), $origin));
        $this->filled = [...array_values(array_diff($this->filled, [$field->key()])), $field->key()];
    }

    private function whole(Heard $heard): string
    {
        $line = trim($heard->original);

        return mb_strlen($line) <= 120 ? $line : mb_substr($line, 0, 120);
    }

    private static function moment(Transcript $transcript): \DateTimeImmutable
    {
        $zone = new \DateTimeZone($transcript->tz);

        return (new \DateTimeImmutable($transcript->startedAt, $zone))->setTimezone($zone);
    }
}
