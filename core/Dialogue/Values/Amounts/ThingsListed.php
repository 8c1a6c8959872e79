<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Amounts;

use Ringo\Language\Token;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;

/** How many, told by naming them: 'the lounge, the hall and two bedrooms' are four rooms. What is added up is read back. */
final readonly class ThingsListed
{
    private const ADDED_UP = 0.7;

    /** Words of one of them at most, with what counts it. */
    private const LONGEST = 4;

    /** Letters of the shortest noun. */
    private const TELLING = 3;

    private const ONE_OF_THEM = ['a', 'an', 'the', 'my', 'our', 'his', 'her', 'their', 'one'];

    private Numerals $numerals;

    public function __construct(private Understanding $understanding)
    {
        $this->numerals = new Numerals($understanding->words);
    }

    /** @param string $about the question and what the field is called: where one of its own words is counted, that is the number */
    public function of(string $about, Heard $heard): ?Reading
    {
        $sum = 0;
        $parts = $this->parts($heard->tokens);
        foreach ($parts as $part) {
            $one = in_array($part[0]->text, self::ONE_OF_THEM, true);
            $number = $one ? null : $this->numerals->cardinal($part, 0);
            if (! $one && $number?->isWhole() !== true || ! $this->isAThing(array_slice($part, $number->length ?? 1), $about)) {
                return null;
            }
            $sum += $number === null ? 1 : $number->whole();
        }
        if (count($parts) < 2) {
            return null;
        }
        $last = $heard->tokens[count($heard->tokens) - 1];

        return Reading::of($sum, self::ADDED_UP, $heard->between($heard->tokens[0]->start, $last->end), $heard->tokens[0]->start, $last->end);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<non-empty-list<Token>>
     */
    private function parts(array $t): array
    {
        $parts = [];
        $part = [];
        foreach ($t as $token) {
            $joins = in_array($token->text, ['and', 'plus'], true);
            if ($part !== [] && ($joins || $token->afterBreak())) {
                $parts[] = $part;
                $part = [];
            }
            if (! $joins) {
                $part[] = $token;
            }
        }

        return $part === [] ? $parts : [...$parts, $part];
    }

    /** @param list<Token> $of */
    private function isAThing(array $of, string $about): bool
    {
        $noun = $of === [] ? null : $of[count($of) - 1];
        $little = array_filter($of, fn (Token $token): bool => isset($this->understanding->words->set('function_words')[$token->text]) || $token->isDigits());
        $units = $this->understanding->words->section('units', 'durations');

        return $noun !== null && count($of) < self::LONGEST && $little === [] && mb_strlen($noun->text) >= self::TELLING && ! isset($units[$noun->text])
            && preg_match('/\b'.preg_quote(rtrim($noun->text, 's'), '/').'/iu', $about) !== 1;
    }
}
