<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Language\Token;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** A length told by the day something begins and the day it ends: 'Friday to Monday', 'we come on the third and leave on the tenth'. It is read back. */
final readonly class BetweenDays
{
    private const RECKONED = 0.7;

    private const MOST_DAYS = 366;

    private const TILL = ['to', 'till', 'until', 'through'];

    /** Words behind an 'and' in which one must say that it ends. */
    private const NEAR = 3;

    public function __construct(private Understanding $understanding)
    {
    }

    public function length(Heard $heard, Context $context): ?Reading
    {
        foreach ($heard->tokens as $i => $token) {
            // 'In on the Thursday, out on the Sunday'
            $next = $token->afterBreak() && $this->ends($heard->tokens, $i);
            if ($i === 0 || ! $next && ! in_array($token->text, self::TILL, true) && ! ($token->text === 'and' && $this->ends($heard->tokens, $i + 1))) {
                continue;
            }
            $from = $this->day($heard->only(array_slice($heard->tokens, 0, $i)), $context);
            $to = $from === null ? null : $this->day($heard->only(array_slice($heard->tokens, $next ? $i : $i + 1)), $context->at($from[0]->setTime(12, 0)));
            $days = $from === null || $to === null ? 0 : (int) $from[0]->diff($to[0])->format('%r%a');
            if ($from !== null && $to !== null && $days > 0 && $days <= self::MOST_DAYS) {
                return Reading::of("P{$days}D", self::RECKONED, $heard->between($from[1]->start, $to[1]->end), $from[1]->start, $to[1]->end);
            }
        }

        return null;
    }

    /** @param list<Token> $t */
    private function ends(array $t, int $from): bool
    {
        $near = array_map(static fn (Token $token): string => $token->text, array_slice($t, $from, self::NEAR));

        return array_intersect($near, $this->understanding->words->section('units', 'ends_a_stay')) !== [];
    }

    /** @return array{\DateTimeImmutable, Reading}|null */
    private function day(Heard $heard, Context $context): ?array
    {
        $reading = $this->understanding->read(ValueType::Date, $heard, $context);

        return is_string($reading->value) ? [new \DateTimeImmutable($reading->value, $context->now->getTimezone()), $reading] : null;
    }
}
