<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Language\Lexicon;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Numerals;
use Ringo\Understanding\Readers\OptionNames;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/**
 * Whether an option that nobody has asked about yet is told indeed, and is no everyday word of a story: 'the house feels empty' tells of no
 * kind of home, 'I've had a ticket' sends us no ticket, 'nothing else' is none of them.
 */
final readonly class OptionTold
{
    /** A word up to this weight stands in every second story. */
    private const EVERYDAY = 0.65;

    /** Telling words beside which an everyday word is part of a story. */
    private const A_STORY = 3;

    private Lexicon $lexicon;

    private Stemmer $stemmer;

    private Numerals $numerals;

    public function __construct(private Understanding $understanding)
    {
        $this->lexicon = new Lexicon($understanding->words);
        $this->stemmer = new Stemmer;
        $this->numerals = new Numerals($understanding->words);
    }

    public function tells(Turn $turn, Field $field, Heard $heard, Reading $reading): bool
    {
        if (! in_array($field->type, [ValueType::Choice, ValueType::Several], true)) {
            return true;
        }
        foreach ($field->options as $option) {
            if (in_array($option['key'], (array) $reading->value, true) && OptionNames::isNone($option, $this->understanding->words)) {
                return false;
            }
        }
        $said = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->start >= $reading->start && $token->end <= $reading->end));
        if ($this->isAnHour($heard, $said)) {
            return false;
        }
        $stems = $this->telling($said);
        // What the matter is called is no answer to what else there is: the lesson of 'she won't be in for her lesson' is no 'lesson by lesson'.
        if (array_diff($stems, $this->ofTheTopic($turn)) === [] && ($field->type === ValueType::Several || ! $this->isWhole($field, $reading, $stems))) {
            return false;
        }

        return count($said) !== 1
            || $this->lexicon->weight($stems[0] ?? '') > self::EVERYDAY
            || $this->beside($heard, $said[0]) < self::A_STORY;
    }

    /**
     * The nine of 'Friday at nine' is no nine holes.
     *
     * @param list<Token> $said
     */
    private function isAnHour(Heard $heard, array $said): bool
    {
        $one = count($said) === 1 ? $said[0] : null;
        if ($one === null || $this->numerals->cardinal($said, 0) === null) {
            return false;
        }
        $before = $after = '';
        foreach ($heard->tokens as $token) {
            $before = $token->end <= $one->start ? $token->text : $before;
            $after = $after === '' && $token->start >= $one->end ? $token->text : $after;
        }
        $numbers = $this->understanding->words->section('numbers', 'behind_an_hour');

        return in_array($after, $numbers, true) || in_array($before, [...$this->understanding->words->section('numbers', 'before_an_hour'), 'at', 'past', 'half'], true);
    }

    /**
     * Whether the words are all that an option is called, but for an article: 'drums' of 'the drums', and not 'lesson' of 'lesson by lesson'.
     *
     * @param list<string> $said
     */
    private function isWhole(Field $field, Reading $reading, array $said): bool
    {
        foreach ($field->options as $option) {
            foreach ($option['key'] === $reading->value ? [$option['label'], ...$option['phrases']] : [] as $name) {
                if ($this->telling($this->understanding->hear($name)->all) === $said) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * @param list<Token> $tokens
     *
     * @return list<string> stems of the words that tell something
     */
    private function telling(array $tokens): array
    {
        $little = $this->understanding->words->set('function_words');
        $telling = array_filter($tokens, static fn (Token $token): bool => ! isset($little[$token->text]));

        return array_map(fn (Token $token): string => $this->stemmer->stem($token->text), array_values($telling));
    }

    /** @return list<string> stems of the words that tell what the matter at hand is about, or what any may be where none is chosen yet */
    private function ofTheTopic(Turn $turn): array
    {
        $about = '';
        foreach ($turn->script->steps as $step) {
            foreach ($step instanceof ListenStep ? $step->topics : [] as $topic) {
                if ($turn->state->topic === null || $topic['key'] === $turn->state->topic) {
                    $about .= ' '.$topic['label'].' '.$topic['description'].' '.implode(' ', $topic['phrases']);
                }
            }
        }

        return $this->stemmer->stems($about);
    }

    /** Telling words beside one. */
    private function beside(Heard $heard, Token $said): int
    {
        return count($this->telling(array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token !== $said && ! $token->isDigits()))));
    }
}
