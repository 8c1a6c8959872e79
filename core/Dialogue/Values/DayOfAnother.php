<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;

/** Days that were told and answer no question to come: of what does not happen, of what is wished for where the past is asked, of no day at all. */
final readonly class DayOfAnother
{
    /** Words before a day among which a 'not' denies it. */
    private const DENIES_WITHIN = 5;

    public function __construct(private Understanding $understanding, private DayMeant $days)
    {
    }

    public function is(Turn $turn, Field $field, Heard $heard, Reading $day, Context $context): bool
    {
        return $day->found() && (
            $this->denied($heard, $day)
            || $this->wished($turn, $field, $heard, $day, $context)
            || $this->days->isLoneOrdinal($heard, $day)
        );
    }

    /** 'She won't be in today', 'we can't make Friday'. */
    private function denied(Heard $heard, Reading $day): bool
    {
        $before = [];
        foreach ($heard->tokens as $token) {
            if ($token->start >= $day->start) {
                $before = $token->afterBreak() ? [] : $before;

                break;
            }
            $before = $token->afterBreak() ? [$token] : [...$before, $token];
        }

        return $this->understanding->words->phrases('acts', 'against')->in(array_slice($before, -self::DENIES_WITHIN));
    }

    /** 'Could somebody see her today' does not tell since when she is ill. */
    private function wished(Turn $turn, Field $field, Heard $heard, Reading $day, Context $context): bool
    {
        $behind = $context->past || $field->bounds?->when === 'past';
        if (! $behind || substr((string) $day->value, 0, 10) < $turn->scope()->now->format('Y-m-d')) {
            return false;
        }
        $before = array_filter($heard->tokens, static fn (Token $token): bool => $token->start < $day->start);

        return $this->understanding->words->phrases('questions', 'wishes_a_day')->in(array_values($before));
    }
}
