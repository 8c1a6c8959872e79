<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Days;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\When\Day;
use Ringo\Understanding\When\DayFinder;

/** The day after one that was just named, even if only to rule it out: 'not tomorrow, the day after', 'Friday or the next day'. */
final readonly class BesideDay
{
    /** Telling words before it in a clause by which the clause is about something else. */
    private const SAYS_SOMETHING = 2;

    public function __construct(private Vocabulary $words, private DayFinder $days)
    {
    }

    /**
     * @param list<Token> $t
     * @param ?Day $before the day that was named before these words
     *
     * @return list<Token> with the day itself in the place of such words
     */
    public function named(array $t, ?Day $before, Context $context): array
    {
        foreach ($this->words->phrases('calendar', 'next_to')->all($t) as [$steps, $place, $length]) {
            // 'The day after Christmas' and 'the day before we leave' name their own.
            $next = $t[$place + $length] ?? null;
            if ($next !== null && ! $next->afterBreak() && ! in_array($next->text, ['please', 'then', 'would', 'is', "that's", 'or', 'and', 'if', 'at', 'in', 'will', 'suits', 'works'], true)) {
                continue;
            }
            if ($this->ofSomethingElse($t, $place)) {
                continue;
            }
            $told = $this->days->find(array_values(array_filter(array_slice($t, 0, $place), static fn (Token $token): bool => $token->text !== 'not')), $context);
            $anchor = $told === [] ? $before : end($told)->what;
            $day = $anchor instanceof Day ? $anchor->resolve($context->now, $context->past) : null;
            if ($day !== null) {
                $said = array_slice($t, $place, $length);
                $words = implode(' ', array_map(static fn (Token $token): string => $token->original, $said));
                $iso = new Token($day->modify("{$steps} days")->format('Y-m-d'), $words, $said[0]->start, $said[count($said) - 1]->end, $said[0]->gap);

                return [...array_slice($t, 0, $place), $iso, ...array_slice($t, $place + $length)];
            }
        }

        return $t;
    }

    /**
     * 'The tenth, my husband gets back the night before' says when something else happens.
     *
     * @param list<Token> $t
     */
    private function ofSomethingElse(array $t, int $place): bool
    {
        $little = $this->words->set('function_words');
        $content = 0;
        for ($i = $place - 1; $i >= 0; $i--) {
            $content += isset($little[$t[$i]->text]) ? 0 : 1;
            if ($t[$i]->afterBreak()) {
                return $i > 0 && $content >= self::SAYS_SOMETHING;
            }
        }

        return false;
    }
}
