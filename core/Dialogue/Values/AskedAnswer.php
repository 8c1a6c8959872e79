<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\Amounts\ChildrenCounted;
use Ringo\Dialogue\Values\Amounts\CustomaryStay;
use Ringo\Dialogue\Values\Amounts\FewCounted;
use Ringo\Dialogue\Values\Amounts\LengthCounted;
use Ringo\Dialogue\Values\Amounts\Measured;
use Ringo\Dialogue\Values\Amounts\OpeningNumber;
use Ringo\Dialogue\Values\Amounts\SumMeant;
use Ringo\Dialogue\Values\Amounts\ThingsListed;
use Ringo\Dialogue\Values\Amounts\WhatCounts;
use Ringo\Dialogue\Values\Moments\AtOnce;
use Ringo\Dialogue\Values\Moments\BesideTheFirst;
use Ringo\Dialogue\Values\Moments\BetweenDays;
use Ringo\Dialogue\Values\Moments\BirthTold;
use Ringo\Dialogue\Values\Moments\DayMeant;
use Ringo\Dialogue\Values\Moments\DayRuledOut;
use Ringo\Dialogue\Values\Moments\DaysTold;
use Ringo\Dialogue\Values\Moments\HourAtLast;
use Ringo\Dialogue\Values\Moments\HourMeant;
use Ringo\Dialogue\Values\Moments\SinceTold;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\When\Days\MonthEnd;
use Ringo\Value\ValueType;

/** What the words come to as the answer to a question, by the type that is asked for and what the call knows. */
final readonly class AskedAnswer
{
    /** How sure a figure is that was only neared. */
    private const NEARLY = 0.65;

    private AtOnce $atOnce;

    private BetweenDays $between;

    private CustomaryStay $stays;

    private SumMeant $sums;

    private BesideTheFirst $first;

    private HourAtLast $atLast;

    private SinceTold $since;

    private OpeningNumber $opening;

    private ChildrenCounted $children;

    private ThingsListed $listed;

    private FewCounted $few;

    private LengthCounted $lengths;

    private Measured $measured;

    private OptionMeant $options;

    private UnknownOption $unknown;

    private NoneOfOptions $none;

    private MonthEnd $monthEnd;

    private BirthTold $births;

    private DayRuledOut $ruledOut;

    public function __construct(
        private Understanding $understanding,
        private YesNoMeant $meant,
        private DayMeant $days,
        private DaysTold $told,
        private HourMeant $hours,
        private WhatCounts $counts,
        private PointedAt $pointed,
    ) {
        $this->atOnce = new AtOnce($understanding->words);
        $this->first = new BesideTheFirst($understanding, $days);
        $this->atLast = new HourAtLast($understanding);
        $this->since = new SinceTold($understanding);
        $this->opening = new OpeningNumber($understanding);
        $this->listed = new ThingsListed($understanding);
        $this->children = new ChildrenCounted($understanding->words);
        $this->few = new FewCounted($understanding);
        $this->lengths = new LengthCounted($understanding, $days);
        $this->measured = new Measured($understanding->words);
        $this->unknown = new UnknownOption($understanding->words);
        $this->none = new NoneOfOptions($understanding);
        $this->between = new BetweenDays($understanding);
        $this->stays = new CustomaryStay($understanding->words);
        $this->sums = new SumMeant($understanding->words);
        $this->options = new OptionMeant($understanding);
        $this->monthEnd = new MonthEnd($understanding->words);
        $this->births = new BirthTold($understanding);
        $this->ruledOut = new DayRuledOut($understanding->words);
    }

    public function of(Turn $turn, Field $field, Heard $heard, Context $context): Reading
    {
        $reading = $this->understanding->read($field->type, $heard, $context);
        $reading = $reading->found() || ! in_array($field->type, [ValueType::Number, ValueType::Money, ValueType::Duration], true) ? $reading : $this->nearly($field, $heard, $context) ?? $reading;

        return match ($field->type) {
            ValueType::Number => $this->number($turn, $field, $heard, $reading, $context),
            ValueType::Money => $this->sums->of($turn, $field, $reading),
            ValueType::Choice, ValueType::Several => $this->option($field, $heard, $reading, $context),
            ValueType::Duration => $reading->found() ? $this->moment($turn, $field, $heard, $reading, $context) : $this->length($turn, $field, $heard, $context) ?? $reading,
            ValueType::YesNo => $this->yesOrNo($turn, $field, $heard, $this->moment($turn, $field, $heard, $reading, $context)),
            default => $this->moment($turn, $field, $heard, $reading, $context),
        };
    }

    /** 'Coming up to four years', 'just over a thousand': the round figure, read back. */
    private function nearly(Field $field, Heard $heard, Context $context): ?Reading
    {
        $rest = $this->understanding->words->phrases('numbers', 'nearly')->without($heard->tokens);
        $reading = count($rest) < count($heard->tokens) ? $this->understanding->read($field->type, $heard->only(array_values($rest)), $context) : null;

        return $reading?->found() === true ? Reading::of($reading->value, min($reading->confidence, self::NEARLY), (string) $reading->said, $reading->start, $reading->end) : null;
    }

    private function number(Turn $turn, Field $field, Heard $heard, Reading $reading, Context $context): Reading
    {
        if ($this->counts->isAnHour($heard, $reading)) {
            return Reading::none();
        }
        $none = $reading->value === 0 ? null : $this->few->noneFirst($heard);
        if ($none !== null) {
            return $none;
        }
        $listed = $this->listed->of(PlainQuestion::thatAsks($turn, $field).' '.$field->title, $heard);
        if ($listed !== null && ! $context->people) {
            return $listed;
        }
        $reading = $this->children->of(PlainQuestion::thatAsks($turn, $field).' '.$field->title, $heard, $reading);
        $number = $this->measured->of($turn, $field, $heard, $this->lengths->of($turn, $field, $heard, $reading, $context));

        if ($number->doubt !== null) {
            $counted = $this->opening->of($turn, $field, $heard, $context) ?? $this->counts->counted($turn, $field, $heard, $context);

            return $counted->found()
                ? Reading::of($counted->value, min($counted->confidence, self::NEARLY), (string) $counted->said, $counted->start, $counted->end)
                : $number;
        }

        return $number->found() ? $number : $this->few->of($turn, $field, $heard, $context) ?? $number;
    }

    private function option(Field $field, Heard $heard, Reading $reading, Context $context): Reading
    {
        $unknown = $field->type === ValueType::Choice ? $this->unknown->reading($field, $heard, $reading) : null;
        if ($unknown !== null) {
            return $unknown;
        }
        $reading = $field->type === ValueType::Choice ? $this->options->of($field, $heard, $reading) : $reading;

        return $reading->found() ? $reading : $this->none->reading($field, $heard, $context) ?? $reading;
    }

    private function length(Turn $turn, Field $field, Heard $heard, Context $context): ?Reading
    {
        $length = $this->days->length($turn, $field, $heard, $context);

        if ($length->found() && ! $this->counts->ofAnotherLength($turn, $field, $length)) {
            return $length;
        }

        return $this->since->length($heard, $context)
            ?? $this->noneOfThem($heard, $context)
            ?? ($length->doubt === null ? $this->stays->length($heard) : null)
            ?? $this->between->length($heard, $context);
    }

    /** 'None, I'm out', to how many days are left. */
    private function noneOfThem(Heard $heard, Context $context): ?Reading
    {
        $unit = in_array($context->unit, ['D', 'W', 'M', 'Y'], true) ? $context->unit : null;
        $none = $unit === null ? Reading::none() : $this->understanding->read(ValueType::Number, $heard, $context);

        return $none->value === 0 ? Reading::of("P0{$unit}", $none->confidence, (string) $none->said, $none->start, $none->end) : null;
    }

    private function moment(Turn $turn, Field $field, Heard $heard, Reading $reading, Context $context): Reading
    {
        if (! $reading->found() && in_array($field->type, [ValueType::Date, ValueType::DateTime], true)) {
            $heard = $this->nextThen($this->uncontracted($heard));
            $reading = $this->understanding->read($field->type, $heard, $context);
        }
        $beside = $this->first->reading($turn, $field, $heard, $context);
        if ($beside !== null) {
            return $beside;
        }
        $reading = $this->days->of($turn, $field, $heard, $this->ruledOut->of($field, $heard, $reading, $context), $context);
        $reading = $reading->found() ? $reading : $this->told->begins($turn, $field, $heard, $context) ?? $reading;
        $reading = $reading->found() ? $reading : $this->atOnce->reading($turn, $field, $heard) ?? $reading;
        if ($field->type === ValueType::Date) {
            return $this->births->of($turn, $field, $heard, $reading->found() ? $reading : $this->monthEnd->reading($heard, $context) ?? $reading);
        }

        if ($field->type === ValueType::Time && $reading->doubt !== null) {
            $reading = $this->atLast->reading($heard, $context) ?? $reading;
        }

        return $field->type === ValueType::YesNo ? $reading : $this->hours->of($turn, $field, $heard, $reading);
    }

    /** What is said outright counts before a yes or no that may belong to something else: 'I will collect it'. */
    private function yesOrNo(Turn $turn, Field $field, Heard $heard, Reading $reading): Reading
    {
        $dressed = $this->pointed->dressed($field, $heard);

        return $dressed !== null && (! $reading->found() || $dressed->value !== $reading->value) ? $dressed : $this->meant->weighed($turn, $reading, $heard);
    }

    /** 'Not this Friday, next' is next Friday. */
    private function nextThen(Heard $heard): Heard
    {
        $days = implode('|', array_map(static fn (int|string $day): string => preg_quote((string) $day, '/'), array_keys($this->understanding->words->section('calendar', 'weekdays'))));

        return preg_match("/\bnot this ({$days}) (?:but )?(?:the )?next(?: one)?$/iu", $heard->cleaned(), $m) === 1 ? $this->understanding->hear("next {$m[1]}") : $heard;
    }

    /** 'Friday's fine' answers with Friday. */
    private function uncontracted(Heard $heard): Heard
    {
        $days = $this->understanding->words->section('calendar', 'contracted');

        return $heard->only(array_map(static fn (Token $token): Token => isset($days[$token->text]) ? new Token((string) $days[$token->text], $token->original, $token->start, $token->end, $token->gap) : $token, $heard->tokens));
    }
}
