<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Names;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;

/** 'Siobhan with a fada, Siobhan Kearns': what was begun, and remarked upon, is said whole behind the last pause. */
final readonly class NameSaidWhole
{
    /** How sure such a name is; one whose beginning was said otherwise is read back. */
    private const SURE = 0.85;

    private const BEGUN_OTHERWISE = 0.7;

    /** Letters by which the beginning said before is known again: Mark and Marc, Tommo and Tom. */
    private const LETTERS = 2;

    /** Words of a whole name. */
    private const SHORTEST = 2;

    private const LONGEST = 3;

    public function __construct(private Vocabulary $words, private NameWords $word)
    {
    }

    /** @param bool $same whether its first word must have been said before as it is */
    public function reading(Heard $heard, bool $same = false): ?Reading
    {
        $from = $this->lastPause($heard->tokens);
        $name = array_slice($heard->tokens, $from);
        $before = array_slice($heard->tokens, 0, $from);
        if ($before === [] || count($name) < self::SHORTEST || count($name) > self::LONGEST || ! $this->named($name)) {
            return null;
        }
        $begun = array_filter($before, static fn (Token $token): bool => strncmp($token->text, $name[0]->text, self::LETTERS) === 0 && mb_strlen($token->text) > self::LETTERS);
        if ($begun === []) {
            return null;
        }
        $again = array_filter($begun, static fn (Token $token): bool => $token->text === $name[0]->text) !== [];
        if ($same && ! $again) {
            return null;
        }
        $value = implode(' ', array_map(fn (Token $token): string => $this->word->cased($token->text), $name));
        $last = $name[count($name) - 1];

        return Reading::of($value, $again ? self::SURE : self::BEGUN_OTHERWISE, $heard->between($name[0]->start, $last->end), $name[0]->start, $last->end);
    }

    /** @param list<Token> $tokens */
    private function lastPause(array $tokens): int
    {
        for ($i = count($tokens) - 1; $i > 0; $i--) {
            if ($tokens[$i]->afterBreak()) {
                return $i;
            }
        }

        return 0;
    }

    /** @param list<Token> $name */
    private function named(array $name): bool
    {
        $none = $this->words->section('names', 'not_names');

        foreach ($name as $token) {
            if (isset($this->words->set('function_words')[$token->text]) || in_array($token->text, $none, true) || $token->isDigits() || $token->isLetter()) {
                return false;
            }
        }

        return true;
    }
}
