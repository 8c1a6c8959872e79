<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Language\Token;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** The hour that is named at last, behind a limit: 'not before ten, half ten say', 'any time after six, so seven'. */
final readonly class HourAtLast
{
    /** The part of its words the hour must be. */
    private const MOST_OF_IT = 0.7;

    public function __construct(private Understanding $understanding)
    {
    }

    public function reading(Heard $heard, Context $context): ?Reading
    {
        $from = 0;
        foreach ($heard->tokens as $i => $token) {
            $from = $i > 0 && $token->afterBreak() ? $i : $from;
        }
        $before = array_slice($heard->tokens, 0, $from);
        if ($from === 0 || ! $this->limits($before)) {
            return null;
        }
        $last = $heard->only(array_slice($heard->tokens, $from));
        $hour = $this->understanding->read(ValueType::Time, $last, $context);

        return $hour->found() && $last->explained($hour->start, $hour->end, $this->understanding->words) >= self::MOST_OF_IT ? $hour : null;
    }

    /** @param list<Token> $t */
    private function limits(array $t): bool
    {
        $words = $this->understanding->words;

        return array_filter(['from', 'before', 'after', 'by'], static fn (string $cue): bool => $words->phrases('wishes', $cue)->in($t)) !== [];
    }
}
