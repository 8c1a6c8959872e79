<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Dialogue\Turn;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** A moment told by the one before it: 'same day, at half two', 'the next morning', and to when one comes back a bare hour. */
final readonly class BesideTheFirst
{
    /** How sure a moment is whose day was told. */
    private const SURE = 0.85;

    /** How sure it is where only its hour was, and the day is that of the beginning: it is read back. */
    private const HOUR_ALONE = 0.7;

    public function __construct(private Understanding $understanding, private DayMeant $days)
    {
    }

    public function reading(Turn $turn, Field $field, Heard $heard, Context $context): ?Reading
    {
        $begins = $this->begins($turn, $field);
        $words = $begins === null ? null : $this->words($turn, $field, $heard);
        $sure = self::SURE;
        if ($begins !== null && $words === null && $field->type === ValueType::DateTime) {
            $words = $this->laterThatDay($turn, $field, $heard, $begins, $context);
            $sure = self::HOUR_ALONE;
        }
        $reading = $words === null ? null : $this->understanding->read($field->type, $words, $context);

        return $reading?->found() === true ? Reading::of($reading->value, min($sure, $reading->confidence), $heard->original, 0, strlen($heard->original)) : null;
    }

    /** The words with the day in place of what points at it; null where nothing does. */
    public function words(Turn $turn, Field $field, Heard $heard): ?Heard
    {
        $begins = $this->begins($turn, $field);
        if ($begins === null) {
            return null;
        }
        foreach ($this->understanding->words->section('calendar', 'beside_the_first') as $phrase => [$days, $part]) {
            $pattern = '/\b(?:on |in )?(?:the |that )?'.preg_quote((string) $phrase, '/').'\b/iu';
            if (preg_match($pattern, $heard->original) === 1) {
                $day = $begins->modify("+{$days} days")->format('j F Y').' '.$part;
                $said = (string) preg_replace($pattern, " {$day} ", $heard->original, 1);

                return $this->understanding->hear((string) preg_replace('/\b(?:at )?(?:the )?same time\b/iu', $begins->format('H:i'), $said));
            }
        }

        return null;
    }

    private function begins(Turn $turn, Field $field): ?\DateTimeImmutable
    {
        return in_array($field->type, [ValueType::Date, ValueType::DateTime], true) ? $this->days->begins($turn, $field) : null;
    }

    /** 'Half past four' to when one comes back. */
    private function laterThatDay(Turn $turn, Field $field, Heard $heard, \DateTimeImmutable $begins, Context $context): ?Heard
    {
        if ($begins <= $context->now || ! $this->days->asksForAnEnd($turn, $field) || isset($turn->state->parts[$field->key])) {
            return null;
        }
        $time = $this->understanding->read(ValueType::Time, $heard, $context);
        $day = $this->understanding->read(ValueType::Date, $heard, $context);
        $onlyTime = array_filter($heard->tokens, static fn (Token $token): bool => $token->end <= $time->start || $token->start >= $time->end);

        return is_string($time->value) && ! $day->found() && count($onlyTime) <= 2 && $time->value > $begins->format('H:i') ? $this->understanding->hear($begins->format('j F Y').' '.$heard->original) : null;
    }
}
