<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Language\Token;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Readers\PostalCode;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** What is said to an address that was read back: a part of it put right ('no, forty'), or what it still lacks ('yes, in Harwick', 'and the postcode is …'). */
final readonly class AddressMended
{
    /** How sure an address is that was completed in the caller's own words. */
    private const COMPLETED = 0.85;

    /** Words of a street told anew, with what leads up to it. */
    private const STREET = 5;

    /** Words and letters of a town. */
    private const TOWN = 3;

    private const LETTERS = 3;

    private Numerals $numerals;

    private PostalCode $codes;

    public function __construct(private Understanding $understanding)
    {
        $this->numerals = new Numerals($understanding->words);
        $this->codes = new PostalCode($understanding->words);
    }

    /** Whether words without their 'no' may be a part of an address: a number, a street, a postcode. */
    public function isPart(Heard $heard, Context $context): bool
    {
        $words = $this->understanding->words;
        $t = $words->phrases('address', 'leads_to_a_part')->without($heard->tokens);
        $number = $t === [] ? null : $this->numerals->cardinal($t, 0);

        return $number !== null && count($t) - $number->length <= 1
            || $this->codes->in($t, $context)[0] !== ''
            || count($heard->tokens) <= self::STREET && count($t) > 1 && ! isset($words->set('function_words')[$t[0]->text]) && $words->phrases('address', 'streets')->at($t, count($t) - 1) !== null;
    }

    /** The address with what it lacked; null where nothing is added. */
    public function completed(string $address, Heard $heard, Context $context): ?Reading
    {
        $words = $this->understanding->words;
        $t = $words->phrases('address', 'leads_to_the_rest')->without($heard->tokens);
        if (! $this->isATown($t) && $this->codes->in($t, $context)[0] === '') {
            return null;
        }
        $rest = implode(' ', array_map(static fn (Token $token): string => ($token->afterBreak() ? ', ' : '').$token->original, $t));
        $whole = $this->understanding->read(ValueType::PostalAddress, $address.', '.$rest, $context);
        $adds = is_string($whole->value) && str_starts_with($whole->value, $address.', ');

        return $adds ? Reading::of($whole->value, self::COMPLETED, $heard->original, $heard->tokens[0]->start, $heard->tokens[count($heard->tokens) - 1]->end) : null;
    }

    /** @param list<Token> $t a few words that are none of every day */
    private function isATown(array $t): bool
    {
        $words = $this->understanding->words;
        foreach ($t as $token) {
            $plain = mb_strlen($token->text) >= self::LETTERS && ctype_alpha($token->text);
            if (! $plain || isset($words->set('everyday_words')[$token->text]) || isset($words->set('function_words')[$token->text])) {
                return false;
            }
        }

        return $t !== [] && count($t) <= self::TOWN;
    }
}
