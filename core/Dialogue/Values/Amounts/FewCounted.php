<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Amounts;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Values\PlainQuestion;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Sheet\Field;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** None and one, where no number is said: 'no' and 'no kids' to 'and children?', 'just the back door' to 'and doors?'. */
final readonly class FewCounted
{
    /** How sure none is after a question of a few words. */
    private const NONE = 0.85;

    /** How sure none is after a whole question, and one that is only meant: read back. */
    private const MEANT = 0.7;

    /** Words of a question that goes on from the one before: 'and children?' */
    private const SHORT_QUESTION = 4;

    /** Words of a reply that names the only one. */
    private const SHORT_REPLY = 6;

    private const ONLY = ['just', 'only'];

    private const ITS = ['the', 'my', 'our', 'his', 'her', 'their', 'this', 'that', 'him', 'himself', 'herself', 'me', 'myself'];

    private Tokenizer $tokenizer;

    public function __construct(private Understanding $understanding)
    {
        $this->tokenizer = new Tokenizer;
    }

    public function of(Turn $turn, Field $field, Heard $heard, Context $context): ?Reading
    {
        $asked = $this->tokenizer->words(PlainQuestion::thatAsks($turn, $field));
        $short = count($asked) <= self::SHORT_QUESTION;
        if (! $short && array_intersect($asked, ['many', 'any']) === []) {
            return null;
        }

        return $this->none($heard, $context, $short ? self::NONE : self::MEANT) ?? $this->one($heard);
    }

    /** 'None yet, one on the way' */
    public function noneFirst(Heard $heard): ?Reading
    {
        $hit = $this->understanding->words->phrases('numbers', 'none_first')->at($heard->tokens, 0);
        $next = $hit === null ? null : ($heard->tokens[$hit[1]] ?? null);
        $last = $hit === null ? null : $heard->tokens[$hit[1] - 1];

        return $last !== null && $next?->afterBreak() === true ? Reading::of(0, self::MEANT, $heard->between($heard->tokens[0]->start, $last->end), $heard->tokens[0]->start, $last->end) : null;
    }

    private function none(Heard $heard, Context $context, float $sure): ?Reading
    {
        $no = $this->understanding->read(ValueType::YesNo, $heard, $context);
        $opens = in_array($heard->tokens[0]->text ?? '', ['no', 'nope', 'nah', 'not', "don't", "haven't"], true) || preg_match('/\b(?:haven\'t|don\'t have|not) (?:got )?any\b/i', $heard->original) === 1;

        return ($no->value === false || preg_match('/^no \pL+$/iu', trim($heard->original)) === 1) && $opens ? Reading::of(0, $sure, $heard->original, 0, strlen($heard->original)) : null;
    }

    /** 'Only the front one' */
    private function one(Heard $heard): ?Reading
    {
        $t = $heard->tokens;
        $texts = array_map(static fn (Token $token): string => $token->text, $t);
        $last = (string) end($texts);
        $single = in_array($texts[0] ?? '', self::ONLY, true) && in_array($texts[1] ?? '', self::ITS, true)
            && count($t) <= self::SHORT_REPLY && array_intersect($texts, ['and', 'or', 'both', 'few', 'all']) === [] && (! str_ends_with($last, 's') || str_ends_with($last, 'ss') || str_ends_with($last, "'s"));

        return $single ? Reading::of(1, self::MEANT, $heard->original, 0, strlen($heard->original)) : null;
    }
}
