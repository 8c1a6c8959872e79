<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Amounts;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\PlainQuestion;
use Ringo\Language\Token;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;

/** The number an answer opens with, where what follows counts something else or some of them: 'eighty, and ten tables', 'four, two of them for children'. It is read back. */
final readonly class OpeningNumber
{
    private const READ_BACK = 0.7;

    /** The part of the opening words the number must be. */
    private const MOST_OF_IT = 0.7;

    /** Letters of the shortest noun. */
    private const TELLING = 3;

    private Numerals $numerals;

    public function __construct(private Understanding $understanding)
    {
        $this->numerals = new Numerals($understanding->words);
    }

    public function of(Turn $turn, Field $field, Heard $heard, Context $context): ?Reading
    {
        $pause = $this->firstPause($heard->tokens);
        $opening = $heard->only(array_slice($heard->tokens, 0, $pause));
        $number = $pause === 0 ? Reading::none() : $this->understanding->read($field->type, $opening, $context);
        if (! $number->found() || $opening->explained($number->start, $number->end, $this->understanding->words) < self::MOST_OF_IT) {
            return null;
        }
        $about = mb_strtolower(PlainQuestion::thatAsks($turn, $field).' '.$field->title);
        for ($i = $pause; isset($heard->tokens[$i]); $i++) {
            $further = $this->numerals->cardinal($heard->tokens, $i);
            if ($further !== null && ! $this->ofSomethingElse($heard->tokens, $i + $further->length, $about)) {
                return null;
            }
            $i += $further === null ? 0 : $further->length - 1;
        }

        return Reading::of($number->value, min($number->confidence, self::READ_BACK), (string) $number->said, $number->start, $number->end);
    }

    /** @param list<Token> $t */
    private function firstPause(array $t): int
    {
        for ($i = 1; isset($t[$i]); $i++) {
            if ($t[$i]->afterBreak()) {
                return $i;
            }
        }

        return 0;
    }

    /** @param list<Token> $t what stands behind the further number */
    private function ofSomethingElse(array $t, int $i, string $about): bool
    {
        $noun = $t[$i] ?? null;
        if ($noun === null || $noun->afterBreak()) {
            return false;
        }
        if ($noun->text === 'of') {
            return in_array($t[$i + 1]->text ?? '', ['them', 'us', 'which', 'those', 'these', 'whom'], true);
        }

        return mb_strlen($noun->text) >= self::TELLING && ! isset($this->understanding->words->set('function_words')[$noun->text])
            && preg_match('/\b'.preg_quote(rtrim($noun->text, 's'), '/').'/u', $about) !== 1;
    }
}
