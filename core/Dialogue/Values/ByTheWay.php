<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;

/** What is said by the way and fills nothing that nobody asked for: 'I've got the morning off', 'you have spoken to my mother before'. */
final readonly class ByTheWay
{
    public function __construct(private Vocabulary $words)
    {
    }

    public function without(Heard $heard): Heard
    {
        $kept = $this->words->phrases('talk', 'by_the_way')->without($heard->tokens);
        $theirs = $this->ofTheBusiness($heard->tokens);
        $kept = array_filter($kept, static fn (Token $token): bool => ! isset($theirs[$token->start]));

        return count($kept) === count($heard->tokens) ? $heard : $heard->only(array_values($kept));
    }

    /**
     * Clauses that tell what the business has done: 'you sent me a letter in March'.
     *
     * @param list<Token> $t
     *
     * @return array<int, true> places of their words
     */
    private function ofTheBusiness(array $t): array
    {
        $opens = $this->words->phrases('talk', 'of_the_business');
        $inside = false;
        $places = [];
        foreach ($t as $i => $token) {
            $inside = $inside && ! $token->afterBreak() || ($i === 0 || $token->afterBreak()) && $opens->at($t, $i) !== null;
            if ($inside) {
                $places[$token->start] = true;
            }
        }

        return $places;
    }
}
