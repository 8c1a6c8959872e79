<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Phrasebook;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Language\WordVectors;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/**
 * The option that stands for all the rest, 'something else', where an answer names none of the others: 'I'm his nan' to 'are you the mother,
 * the father or somebody else?'. It is a guess, and is read back.
 */
final readonly class RestOfOptions
{
    /** How sure it is: every second such answer means an option that has another name for it. */
    private const GUESS = 0.5;

    /** Share of the words that must be words of the language: a noise is no answer. */
    private const WORDS_KNOWN = 0.75;

    private const SOMETHING = ['something', 'somebody', 'someone', 'somewhere'];

    private Tokenizer $tokenizer;

    public function __construct(private Vocabulary $words, private Phrasebook $phrases)
    {
        $this->tokenizer = new Tokenizer;
    }

    public function reading(Field $field, Heard $heard): Reading
    {
        $rest = $field->type === ValueType::Choice ? $this->of($field) : null;
        // 'Since last night' tells when, and is no 'something else'.
        if ($rest === null || $this->phrases->table('calendar', 'tells_when')->in($heard->tokens) || $this->phrases->content($heard->tokens) === 0 || ! $this->plain($heard)) {
            return Reading::none();
        }

        return Reading::of($rest, self::GUESS, $heard->original, 0, strlen($heard->original));
    }

    /** The one option called 'other' or the like. */
    private function of(Field $field): ?string
    {
        $called = $this->words->section('options', 'rest');
        $found = [];
        foreach ($field->options as $option) {
            foreach ([$option['label'], $option['key'], ...$option['phrases']] as $name) {
                $words = $this->tokenizer->words($name);
                // 'Something smaller' is what is left where a dog, a cat and a rabbit are named.
                if (in_array(implode(' ', $words), $called, true) || count($words) === 2 && in_array($words[0], self::SOMETHING, true)) {
                    $found[$option['key']] = true;
                }
            }
        }

        return count($found) === 1 ? (string) array_key_first($found) : null;
    }

    private function plain(Heard $heard): bool
    {
        $little = $this->words->set('function_words');
        $vectors = WordVectors::english();
        $known = array_filter($heard->tokens, static fn (Token $token): bool => isset($little[$token->text]) || $vectors->kinds($token->text) !== null);

        return count($known) >= self::WORDS_KNOWN * count($heard->tokens);
    }
}
