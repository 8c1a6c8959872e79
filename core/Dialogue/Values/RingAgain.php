<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** 'Try after five', 'he is back on Monday', 'in half an hour': the moment from which somebody is to be rung again. */
final readonly class RingAgain
{
    /** When a day begins for somebody who named only the day. */
    private const MORNING = '10:00';

    /** When parts of a day begin that are named instead of an hour. */
    private const PARTS = ['morning' => '09:30', 'lunchtime' => '12:30', 'afternoon' => '14:00', 'evening' => '18:00', 'tonight' => '18:30'];

    public function __construct(private Understanding $understanding)
    {
    }

    /** @return ?string a local date and time that lies ahead; null where none was told */
    public function moment(Turn $turn, Heard $heard): ?string
    {
        $now = $turn->scope()->now;
        $plain = $this->understanding->hear((string) preg_replace('/\b(?:after|from|around|about|past|gone)\b/i', 'at', $heard->original));
        $exact = $this->understanding->read(ValueType::DateTime, $plain, $turn->plain())->value;
        if (is_string($exact) && $exact > $now->format('Y-m-d\TH:i')) {
            return $exact;
        }
        $length = preg_match('/\bin\b/i', $heard->original) === 1 ? $this->understanding->read(ValueType::Duration, $heard, $turn->plain())->value : null;
        if (is_string($length)) {
            return $now->add(new \DateInterval($length))->format('Y-m-d\TH:i');
        }
        $time = $this->understanding->read(ValueType::Time, $plain, $turn->plain())->value ?? $this->part($heard);
        $day = $this->understanding->read(ValueType::Date, $heard, $turn->plain())->value;
        if (is_string($time)) {
            $at = new \DateTimeImmutable((is_string($day) ? $day : $now->format('Y-m-d')).'T'.$time, $now->getTimezone());
            // 'About seven', said in the forenoon, is this evening.
            $said = $this->understanding->words->phrases('calendar', 'day_parts')->in($heard->tokens);
            if ($at <= $now && ! is_string($day) && ! $said && (int) $at->format('G') < 12 && $at->modify('+12 hours') > $now) {
                $at = $at->modify('+12 hours');
            }

            return ($at <= $now ? $at->modify('+1 day') : $at)->format('Y-m-d\TH:i');
        }

        return is_string($day) && $day > $now->format('Y-m-d') ? $day.'T'.self::MORNING : null;
    }

    private function part(Heard $heard): ?string
    {
        foreach ($heard->tokens as $token) {
            if (isset(self::PARTS[$token->text])) {
                return self::PARTS[$token->text];
            }
        }

        return null;
    }
}
