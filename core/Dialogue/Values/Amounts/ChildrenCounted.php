<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Amounts;

use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reading;

/** How many children, told by what they are: 'a boy and two girls' are three, 'twins' are two. What is added up is read back. */
final readonly class ChildrenCounted
{
    private const ADDED_UP = 0.75;

    private Numerals $numerals;

    private Tokenizer $tokenizer;

    public function __construct(private Vocabulary $words)
    {
        $this->numerals = new Numerals($words);
        $this->tokenizer = new Tokenizer;
    }

    /** @param string $question with what the field is called */
    public function of(string $question, Heard $heard, Reading $reading): Reading
    {
        ['asked' => $asked, 'each' => $each, 'others' => $others, 'born_together' => $together] = $this->words->section('numbers', 'children');
        if (array_intersect($this->tokenizer->words($question), $asked) === []) {
            return $reading;
        }
        $t = $heard->tokens;
        $sum = 0;
        $parts = [];
        $further = [];
        $twins = false;
        for ($i = 0; $i < count($t); $i++) {
            $number = $this->number($t, $i);
            $of = $number === null ? $i : $i + $number[1];
            $word = $t[$of]->text ?? '';
            if (isset($together[$word])) {
                $twins = true;
                $sum += (int) $together[$word] * max(1, $number[0] ?? 1);
            } elseif ($number !== null && in_array($word, $each, true)) {
                $sum += max(1, $number[0]);
            } else {
                $further = $number !== null && $number[0] > 0 && ! in_array($word, $others, true) ? [...$further, $number[0]] : $further;

                continue;
            }
            $parts = [...$parts, $t[$i], $t[$of]];
            $i = $of;
        }
        // 'Two boys, seven and nine' and 'twins, they're five' tell ages; 'four, two boys and two girls' tells the whole.
        $ages = count($further) === $sum || $twins && count($further) === 1;
        $plain = count($parts) <= 2 && $reading->found() && $further === [];
        if ($parts === [] || $plain || $further !== [] && ! $ages && $further !== [$sum]) {
            return $reading;
        }
        $last = $parts[count($parts) - 1];

        return Reading::of($sum, self::ADDED_UP, $heard->between($parts[0]->start, $last->end), $parts[0]->start, $last->end);
    }

    /**
     * @param list<Token> $t
     *
     * @return array{int, int}|null how many, none for 'a', and how many words say it
     */
    private function number(array $t, int $i): ?array
    {
        if (in_array($t[$i]->text, ['a', 'an'], true)) {
            return [0, 1];
        }
        $number = $this->numerals->cardinal($t, $i);

        return $number !== null && $number->isWhole() ? [$number->whole(), $number->length] : null;
    }
}
