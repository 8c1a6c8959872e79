<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Amounts;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Moments\BetweenDays;
use Ringo\Dialogue\Values\Moments\DayMeant;
use Ringo\Dialogue\Values\Moments\SinceTold;
use Ringo\Language\Tokenizer;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** A length of time where a number of nights, weeks or hours is asked for: 'a week' to 'how many nights' is seven, 'till Sunday' from Friday two. */
final readonly class LengthCounted
{
    /** How sure a number is that was told in another unit of the calendar or the clock. */
    private const EXACT = 0.9;

    /** How sure it is where months are days, or a weekend is nights: it is read back. */
    private const ABOUT = 0.7;

    /** Minutes of one, by unit as in `units.durations`. */
    private const MINUTES = ['TM' => 1, 'TH' => 60, 'D' => 1440, 'W' => 10_080, 'M' => 43_800, 'Q' => 131_400, 'Y' => 525_600];

    /** Units that are no whole number of smaller ones. */
    private const CALENDAR = ['M', 'Q', 'Y'];

    private Tokenizer $tokenizer;

    private SinceTold $since;

    private BetweenDays $between;

    private CustomaryStay $stays;

    public function __construct(private Understanding $understanding, private DayMeant $days)
    {
        $this->tokenizer = new Tokenizer;
        $this->since = new SinceTold($understanding);
        $this->between = new BetweenDays($understanding);
        $this->stays = new CustomaryStay($understanding->words);
    }

    public function of(Turn $turn, Field $field, Heard $heard, Reading $reading, Context $context): Reading
    {
        $unit = $context->unit ?? $this->titled($field);
        if (! isset(self::MINUTES[$unit ?? ''])) {
            return $reading;
        }
        $since = $this->since->length($heard, $context);
        if ($since !== null) {
            return $this->counted($since, $unit) ?? $reading;
        }
        $weekend = $unit === 'D' ? $this->stays->length($heard) : null;
        $length = $weekend ?? $this->understanding->read(ValueType::Duration, $heard, $context);
        if ($length->found() && ($weekend !== null || $this->otherUnit($length, $unit))) {
            return $this->counted($length, $unit) ?? Reading::none('that makes no whole number of them');
        }
        $until = $reading->found() ? $reading : $this->days->length($turn, $field, $heard, $context);

        if ($until === $reading && $reading->found()) {
            return $reading;
        }
        $until = $until->found() ? $until : $this->between->length($heard, $context) ?? $until;

        return $until->found() ? $this->counted($until, $unit) ?? $reading : $reading;
    }

    /** 'Nights', where the question does not say of what: 'and for how long?' */
    private function titled(Field $field): ?string
    {
        $words = $this->tokenizer->words($field->title);

        return count($words) === 1 ? $this->understanding->words->section('units', 'durations')[$words[0]] ?? null : null;
    }

    /** Whether a unit that was not asked for was said. */
    private function otherUnit(Reading $length, ?string $unit): bool
    {
        $units = $this->understanding->words->section('units', 'durations');
        foreach ($this->tokenizer->words((string) $length->said) as $word) {
            if (isset($units[$word]) && $units[$word] !== $unit) {
                return true;
            }
        }

        return false;
    }

    /** The length in the unit; null where it makes no whole or half number of them. */
    private function counted(Reading $length, ?string $unit): ?Reading
    {
        if (! is_string($length->value) || preg_match('/^P(?:(\d+)Y)?(?:(\d+)M)?(?:(\d+)W)?(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?)?$/', $length->value, $m) !== 1) {
            return null;
        }
        $parts = array_map(intval(...), array_slice($m, 1) + array_fill(0, 6, 0));
        $calendar = $parts[0] + $parts[1] > 0;
        $minutes = 0;
        foreach (['Y', 'M', 'W', 'D', 'TH', 'TM'] as $n => $of) {
            $minutes += $parts[$n] * self::MINUTES[$of];
        }
        $number = $minutes / self::MINUTES[$unit ?? 'D'];
        $exact = $calendar === in_array($unit, self::CALENDAR, true);
        $number = $exact ? $number : round($number);
        if (abs($number * 2 - round($number * 2)) > 1e-6) {
            return null;
        }

        return Reading::of(floor($number) === $number ? (int) $number : $number, $exact ? min($length->confidence, self::EXACT) : self::ABOUT, (string) $length->said, $length->start, $length->end);
    }
}
