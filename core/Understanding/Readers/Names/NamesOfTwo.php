<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers\Names;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;

/** Two people told as one answer: 'Owen and Carys Pugh', 'Ella and Noah', and the Hartley of 'Mr and Mrs Hartley'. */
final readonly class NamesOfTwo
{
    private const SURE = 0.82;

    /** A surname nobody knows is read back. */
    private const RARE = 0.7;

    /** Letters of the shortest surname. */
    private const SURNAME = 3;

    public function __construct(private Vocabulary $words, private NameWords $word)
    {
    }

    public function reading(Heard $heard): ?Reading
    {
        $t = $heard->tokens;
        foreach ($t as $i => $token) {
            if (! in_array($token->text, ['and', '&', 'n'], true) || ! isset($t[$i - 1], $t[$i + 1]) || $token->afterBreak() || $t[$i + 1]->afterBreak()) {
                continue;
            }
            $titles = $this->words->section('names', 'titles');
            $surname = $this->surname($t[$i + 2] ?? null);
            if (in_array($t[$i - 1]->text, $titles, true) && in_array($t[$i + 1]->text, $titles, true)) {
                return $surname === null ? null : $this->of($surname, $heard, $t[$i + 2], $t[$i + 2], $surname);
            }
            if ($this->given($t[$i - 1]) && $this->given($t[$i + 1]) && $this->leadsUp(array_slice($t, 0, $i - 1))) {
                $both = $this->word->cased($t[$i - 1]->text).' and '.$this->word->cased($t[$i + 1]->text);

                return $this->of($surname === null ? $both : "{$both} {$surname}", $heard, $t[$i - 1], $surname === null ? $t[$i + 1] : $t[$i + 2], $surname);
            }
        }

        return null;
    }

    /**
     * 'It's', 'for', 'yes, we're'; 'three of them, Amy and Tom' tells who comes, not who speaks.
     *
     * @param list<Token> $before
     */
    private function leadsUp(array $before): bool
    {
        $numbers = $this->words->section('numbers', 'units');

        return array_filter($before, fn (Token $token): bool => isset($numbers[$token->text]) || ! isset($this->words->set('function_words')[$token->text])) === [];
    }

    private function of(string $value, Heard $heard, Token $from, Token $to, ?string $surname): Reading
    {
        $known = $surname === null || isset($this->words->set('surnames')[mb_strtolower($surname)]);

        return Reading::of($value, $known ? self::SURE : self::RARE, $heard->between($from->start, $to->end), $from->start, $to->end);
    }

    private function given(Token $token): bool
    {
        return isset($this->words->set('given_names')[$token->text]);
    }

    /** The word behind the second, where it may be a surname. */
    private function surname(?Token $token): ?string
    {
        if ($token === null || $token->afterBreak() || $token->isDigits() || mb_strlen($token->text) < self::SURNAME || isset($this->words->set('function_words')[$token->text])) {
            return null;
        }
        $everyday = isset($this->words->set('everyday_words')[$token->text]);

        return isset($this->words->set('surnames')[$token->text]) || ! $everyday || preg_match('/^\p{Lu}/u', $token->original) === 1 ? $this->word->cased($token->text) : null;
    }
}
