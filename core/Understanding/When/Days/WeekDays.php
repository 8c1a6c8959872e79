<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Days;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\When\Day;

/** Days by their weekday or their week: 'next Tuesday', 'Tuesday of next week', 'Tuesday week'. */
final readonly class WeekDays
{
    /** @var array<string, int> */
    private array $weekdays;

    public function __construct(private Vocabulary $words)
    {
        $this->weekdays = $words->section('calendar', 'weekdays');
    }

    /**
     * @param list<Token> $t 'Tuesday', 'next Tuesday', 'Tuesday week', 'Tuesday of next week', 'Tuesday the fourteenth'
     *
     * @return array{Day, int}|null
     */
    public function weekday(array $t, int $i): ?array
    {
        $j = $i;
        $which = '';
        if ($t[$j]->text === 'the') {
            $j++;
        }
        $word = $t[$j]->text ?? '';
        if (in_array($word, ['this', 'next', 'last', 'coming', 'following', 'past'], true)) {
            $which = in_array($word, ['coming', 'following'], true) ? 'this' : ($word === 'past' ? 'last' : $word);
            $j++;
            if (in_array($t[$j]->text ?? '', ['coming', 'past'], true)) {
                $which = $t[$j]->text === 'past' ? 'last' : 'this';
                $j++;
            }
        }
        $weekday = $this->weekdays[$t[$j]->text ?? ''] ?? null;
        if ($weekday === null) {
            return null;
        }
        // 'sat' and 'sun', 'mon', 'wed' as other words
        if ($which === '' && in_array($t[$j]->text, ['sat', 'sun'], true) && in_array($t[$j - 1]->text ?? '', ['i', 'he', 'she', 'the', 'was', "it's"], true)) {
            return null;
        }
        $j++;
        $weeks = null;
        $plus = 0;
        $next = $t[$j]->text ?? '';
        $tail = implode(' ', array_map(static fn (Token $token): string => $token->text, array_slice($t, $j, 5)));
        if (preg_match('/^(morning|afternoon|evening|night|lunchtime)\b/', $tail, $m) === 1 && $next !== 'night') {
            $tail = substr($tail, strlen($m[0]) + 1);
            $skipped = 1;
        } else {
            $skipped = 0;
        }
        if (preg_match('/^(?:of |in |on )?(?:the )?week after next\b/', $tail, $m) === 1) {
            [$weeks, $j] = [2, $j + $skipped + substr_count($m[0], ' ') + 1];
        } elseif (preg_match('/^(?:of |in |the )?(?:next|following) week\b/', $tail, $m) === 1) {
            [$weeks, $j] = [1, $j + $skipped + substr_count($m[0], ' ') + 1];
        } elseif (preg_match('/^(?:of |in )?this week\b/', $tail, $m) === 1) {
            [$weeks, $j] = [0, $j + $skipped + substr_count($m[0], ' ') + 1];
        } elseif (preg_match('/^(?:of )?last week\b/', $tail, $m) === 1) {
            [$weeks, $j] = [-1, $j + $skipped + substr_count($m[0], ' ') + 1];
        } elseif (preg_match('/^after next\b/', $tail) === 1) {
            [$plus, $j] = [7, $j + 2];
        } elseif ($next === 'week' && $which === '') {
            [$plus, $j] = [7, $j + 1];
        } elseif ($next === 'fortnight' && $which === '') {
            [$plus, $j] = [14, $j + 1];
        } elseif ($next === 'coming') {
            [$which, $j] = [$which === '' ? 'this' : $which, $j + 1];
        } elseif ($next === 'next' && ! isset($t[$j + 1])) {
            [$which, $j] = ['next', $j + 1];
        } elseif (in_array($next, ['gone', 'just'], true) && ($next === 'gone' || ($t[$j + 1]->text ?? '') === 'gone')) {
            [$which, $j] = ['last', $j + ($next === 'gone' ? 1 : 2)];
        }

        return [new Day(weekday: $weekday, which: $which, weeks: $weeks, plus: $plus), $j - $i];
    }

    /**
     * @param list<Token> $t 'next week Tuesday', 'the week after next on Tuesday'
     *
     * @return array{Day, int}|null
     */
    public function week(array $t, int $i): ?array
    {
        $line = implode(' ', array_map(static fn (Token $token): string => $token->text, array_slice($t, $i, 7)));
        if (preg_match('/^(?:the )?(week after next|next week|this week|following week|last week)\b(?: on)?(?: the)?/', $line, $m) !== 1) {
            return null;
        }
        $length = substr_count($m[0], ' ') + 1;
        $weeks = ['week after next' => 2, 'next week' => 1, 'following week' => 1, 'this week' => 0, 'last week' => -1][$m[1]];
        $weekday = $this->weekdays[$t[$i + $length]->text ?? ''] ?? null;
        if ($weekday === null) {
            // Alone it is no day, but it corrects one: 'Tuesday, no, next week'.
            return ! isset($t[$i + $length]) && $length === count($t) ? [new Day(weeks: $weeks), $length] : null;
        }

        return [new Day(weekday: $weekday, weeks: $weeks), $length + 1];
    }
}
