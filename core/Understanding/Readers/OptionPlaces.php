<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reading;

/** Options picked by their place in the list: 'the second one', 'number two', 'the last'. */
final readonly class OptionPlaces
{
    /** How sure an option is that is picked so. */
    private const SURE = 0.9;

    /** Nobody counts further down a list to pick one: 'the twelfth' is a day. */
    private const PICKED_BY_PLACE = 6;

    /** What may stand beside a number that picks an option. */
    private const BESIDE_A_PLACE = ['please', 'then', 'the', 'thanks', 'option', 'number', 'choice', 'um', 'er', 'ok', 'yes'];

    private Numerals $numerals;

    private Tokenizer $tokenizer;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->tokenizer = new Tokenizer;
    }

    /** @param list<Token> $t 'the second one', 'number two', 'the last', 'option three', 'two' */
    public function in(array $t, Context $context, Heard $heard): Reading|string|null
    {
        $count = count($context->options);
        $found = [];
        foreach ($t as $i => $token) {
            $word = $token->text;
            $next = $t[$i + 1]->text ?? '';
            $nth = $this->numerals->ordinal($t, $i);
            $index = null;
            $length = 1;
            // In a longer sentence 'last' and the like name an option only as 'the last one': not in 'used you last year'.
            $somewhere = in_array($t[$i - 2]->text ?? '', ['at', 'on', 'to', 'from', 'in', 'off', 'near'], true);
            if (in_array($word, ['last', 'final', 'latter', 'bottom', 'former', 'top', 'middle'], true) && count($t) > 3 && ($somewhere || ! (in_array($t[$i - 1]->text ?? '', ['the', 'that'], true) && in_array($next, ['', 'one', 'option', 'choice', 'please', 'of'], true)))) {
                continue;
            }
            // 'A first look' and 'my second child' count things, and pick nothing.
            $counts = in_array($t[$i - 1]->text ?? '', ['a', 'an', 'my', 'our', 'his', 'her', 'their', 'your'], true);
            if (
                $nth !== null
                && ! $counts
                && ! $this->ofADay($t, $i, $nth->whole(), $next)
                && ! isset($this->words->section('calendar', 'weekdays')[$next])
                && ! in_array($next, ['floor', 'time', 'name', 'thing', 'week', 'hand'], true)
                && ($next !== 'of' || in_array($t[$i + 2]->text ?? '', ['those', 'these', 'them', 'that', 'the'], true))
            ) {
                $index = $nth->whole() - 1;
                $length = $nth->length;
                if (in_array($t[$i + $length]->text ?? '', ['last', 'from'], true)) {
                    $index = $t[$i + $length]->text === 'last' ? $count - $nth->whole() : null;
                }
            } elseif (in_array($word, ['last', 'final', 'latter', 'bottom'], true) && ! $this->isATime($next)) {
                $index = $count - 1;
            } elseif (in_array($word, ['former', 'top'], true)) {
                $index = 0;
            } elseif ($word === 'middle' && $count % 2 === 1) {
                $index = intdiv($count, 2);
            } else {
                $number = $this->numerals->cardinal($t, $i);
                $led = in_array($t[$i - 1]->text ?? '', ['number', 'option', 'choice', 'press', 'key', 'line', 'item', 'answer'], true);
                $hour = in_array(
                    $t[$i - 1]->text ?? '',
                    ['about', 'around', 'roughly', 'at', 'past', 'to', 'after', 'before', 'half', 'by', 'nearly', 'for'],
                    true,
                );
                $alone = ! $this->numbered($context) && array_filter($t, static fn (Token $other, int $place): bool => $place !== $i && ! in_array($other->text, self::BESIDE_A_PLACE, true), ARRAY_FILTER_USE_BOTH) === [];
                if ($number !== null && ! $hour && $number->isWhole() && ($led || $alone && count($t) <= 2) && ! ($word === 'one' && ! $led && $i > 0)) {
                    $index = $number->whole() - 1;
                }
            }
            if ($index !== null) {
                if ($index < 0 || $index >= $count) {
                    return 'there is no such option';
                }
                $found[$index] = [$i, $length];
            }
        }
        if (count($found) !== 1) {
            return $found === [] ? null : 'more than one was named';
        }
        $index = array_key_first($found);

        [$i, $length] = $found[$index];
        [$from, $to] = [$t[$i]->start, $t[$i + $length - 1]->end];

        return Reading::of($context->options[$index]['key'], self::SURE, $heard->between($from, $to), $from, $to);
    }

    /** Whether options are called by numbers, so that 'four' is a name and no place: 'year four'. */
    private function numbered(Context $context): bool
    {
        foreach ($context->options as $option) {
            foreach ($this->tokenizer->words($option['label']) as $word) {
                if (preg_match('/\d/', $word) === 1 || isset($this->words->section('numbers', 'units')[$word])) {
                    return true;
                }
            }
        }

        return false;
    }

    /** 'Last night', 'last Tuesday' */
    private function isATime(string $word): bool
    {
        return in_array($word, ['night', 'time', 'weekend'], true) || isset($this->words->section('calendar', 'counted')[$word]) || isset($this->words->section('calendar', 'weekdays')[$word]) || isset($this->words->section('calendar', 'months')[$word]);
    }

    /**
     * 'The weekend of the twelfth', 'on the third': a day, and no place in a list.
     *
     * @param list<Token> $t
     */
    private function ofADay(array $t, int $i, int $nth, string $next): bool
    {
        $before = ($t[$i - 1]->text ?? '') === 'the' ? $i - 2 : $i - 1;
        $picks = in_array($next, ['one', 'option', 'choice'], true);

        return ! $picks
            && ($nth > self::PICKED_BY_PLACE || in_array($t[$before]->text ?? '', ['on', 'of', 'by', 'from', 'until', 'till', 'before', 'after', 'since', 'for'], true));
    }
}
