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

/** Days that were told and answer no question to come: of what does not happen, of what is to come where the past is asked, of no day at all. */
final readonly class DayOfAnother
{
    /** Words before a day among which a 'not' denies it. */
    private const DENIES_WITHIN = 5;

    /** They end like what has been. */
    private const NO_PAST = ['supposed', 'need', 'bed', 'red', 'shed', 'hundred', 'indeed', 'interested', 'married', 'worried', 'needed', 'excited'];

    private DayRuledOut $ruledOut;

    public function __construct(private Understanding $understanding, private DayMeant $days)
    {
        $this->ruledOut = new DayRuledOut($understanding->words);
    }

    public function is(Turn $turn, Field $field, Heard $heard, Reading $day, Context $context): bool
    {
        return $day->found() && (
            $this->denied($heard, $day, $context->past)
            || $this->ruledOut->is($heard, $day, $context)
            || $this->ahead($turn, $field, $heard, $day, $context)
            || $this->ofABirth($turn, $field, $day)
            || $this->oldOne($turn, $field, $heard, $day)
            || $this->days->isLoneOrdinal($heard, $day)
        );
    }

    /** 'She won't be in today', 'we can't make Friday'; what was not done on Monday is asked about where the past is. */
    private function denied(Heard $heard, Reading $day, bool $past): bool
    {
        $before = [];
        foreach ($heard->tokens as $token) {
            if ($token->start >= $day->start) {
                $before = $token->afterBreak() ? [] : $before;

                break;
            }
            $before = $token->afterBreak() ? [$token] : [...$before, $token];
        }

        return $this->understanding->words->phrases('acts', 'against')->in(array_slice($before, $past ? -1 : -self::DENIES_WITHIN));
    }

    /** 'Could somebody see her today' and 'he comes home on Friday' do not tell since when he is ill. */
    private function ahead(Turn $turn, Field $field, Heard $heard, Reading $day, Context $context): bool
    {
        if (! $context->past && $field->bounds?->when !== 'past') {
            return false;
        }
        $before = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->start < $day->start));
        $today = $turn->scope()->now->format('Y-m-d') <= substr((string) $day->value, 0, 10);

        return $today ? $this->understanding->words->phrases('questions', 'wishes_a_day')->in($before) : ! $this->toldOfThePast($heard, $day);
    }

    /** A weekday alone is the last one only where something is told that has been. */
    private function toldOfThePast(Heard $heard, Reading $day): bool
    {
        if (preg_match('/\d|yesterday|last|ago|night|(?:st|nd|rd|th)\b/i', (string) $day->said) === 1) {
            return true;
        }
        foreach ($heard->tokens as $token) {
            $ended = str_ends_with($token->text, 'ed') && ! in_array($token->text, self::NO_PAST, true);
            if ($ended || in_array($token->text, $this->understanding->words->section('questions', 'has_been'), true)) {
                return true;
            }
        }

        return false;
    }

    /** 'It's about the cake for the twelfth, we've had to move it' tells the old day, where the new one is wanted. */
    private function oldOne(Turn $turn, Field $field, Heard $heard, Reading $day): bool
    {
        $wanted = $field->title.' '.($turn->asking($field->key)?->prompt->variants[0] ?? '');
        $before = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->end <= $day->start));
        $led = array_slice(array_map(static fn (Token $token): string => $token->text, $before), -2);

        return preg_match('/\b(?:new|instead|now be|move it to|change it to)\b/i', $wanted) === 1
            && ! in_array('to', $led, true) && ! in_array('till', $led, true)
            && $this->understanding->words->phrases('acts', 'stands_already')->in($heard->tokens);
    }

    /** Nobody tells a day of birth unasked but with its year. */
    private function ofABirth(Turn $turn, Field $field, Reading $day): bool
    {
        $about = $field->title.' '.$field->key.' '.($turn->asking($field->key)?->prompt->variants[0] ?? '');

        return preg_match('/\b(?:birth|born|dob)\b/i', str_replace('_', ' ', $about)) === 1 && preg_match('/\d{4}|nineteen|twenty|[-\/. ]\d\d$/i', (string) $day->said) !== 1;
    }
}
