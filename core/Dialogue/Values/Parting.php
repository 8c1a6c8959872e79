<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Acts\ActKind;
use Ringo\Dialogue\Acts\Hearing;
use Ringo\Dialogue\Acts\Wanting;
use Ringo\Dialogue\Phrasebook;
use Ringo\Dialogue\Replies\Replies;
use Ringo\Dialogue\Turn;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Parts an answer from the questions in the same breath. A question that is itself the answer ('can you make it Tuesday?') stays whole. */
final readonly class Parting
{
    /** Words of substance in what only leads up to a question. */
    private const LEAD = 2;

    /** Words that say only that it is one of several. */
    private const SOME = ['any', 'one', 'ones', 'some', 'those', 'these', 'your', 'still', 'spare', 'more', 'such', 'a', 'an', 'the', 'of'];

    /** Words by which it is told for when, whom or how many. */
    private const GOES_ON = ['for', 'on', 'from', 'at', 'to', 'until', 'till', 'please', 'tomorrow', 'today', 'this', 'next', 'available', 'left', 'going', 'free', 'spare', 'in', 'by'];

    /** How words begin that only pass the time. */
    private const CHATS = '/^(?:and |so |oh |well )*(?:did you (?:see|hear|watch)|have you (?:seen|heard)|what do you think of|is it (?:raining|sunny|cold|hot|snowing))\b/i';

    /** How surely an option is named for a question to want it. */
    private const NAMED = 0.7;

    public function __construct(private Collector $collector, private Replies $replies, private Phrasebook $phrases, private Wanting $wanting)
    {
    }

    public function of(Turn $turn, Field $field, Hearing $hearing): Parted
    {
        // 'Did you see the match last night' names no day.
        if ($field->type !== ValueType::Text && $hearing->act(ActKind::OffTopic) !== null && preg_match(self::CHATS, $hearing->heard->cleaned()) === 1) {
            return new Parted($hearing->heard->only([]), $hearing->questions);
        }
        if (! $hearing->asks()) {
            return new Parted($hearing->heard, []);
        }
        // 'What day is it today' names today, and means to know.
        if ($hearing->statement->isEmpty() && $this->phrases->contains($hearing->heard, 'what_day') && $this->phrases->content($this->phrases->phrases('what_day')->without($hearing->heard->tokens)) === 0) {
            return new Parted($hearing->statement, $hearing->questions);
        }
        $stated = $hearing->statement->isEmpty() ? Reading::none() : $this->collector->asked($turn, $field, $hearing->statement);
        if ($stated->found() && $field->type === ValueType::Text && $this->isLead($hearing)) {
            return new Parted($hearing->heard, []);
        }
        if ($stated->found() && $field->type === ValueType::Text && $this->isMessage($turn, $field, $hearing)) {
            return new Parted($hearing->heard, []);
        }
        if ($stated->found()) {
            return $this->wishes($turn, $field, $hearing, $stated) ? new Parted($hearing->heard, []) : new Parted($hearing->statement, $hearing->questions);
        }
        // 'Have you got a mini digger', where which machine was asked, wants it.
        if ($field->type === ValueType::Choice && $hearing->statement->isEmpty() && $this->asksFor($hearing, $this->collector->asked($turn, $field, $hearing->heard))) {
            return new Parted($hearing->heard, []);
        }
        // 'What do you think of the new road' names no road bike, and 'are you open on Saturdays' no Saturday.
        if ($hearing->statement->isEmpty() && $this->onlyWonders($hearing, $field)) {
            return new Parted($hearing->statement, $hearing->questions);
        }
        // A question the business has an answer to is one; so is any where words alone could be taken for the value.
        $answered = array_filter($hearing->questions, fn ($question): bool => $this->replies->answer($turn, $question) !== null) !== [];
        $loose = [ValueType::Text, ValueType::YesNo, ValueType::PersonName, ValueType::Choice, ValueType::Number, ValueType::Money];
        if ($answered && in_array($field->type, $loose, true)) {
            return new Parted($hearing->statement, $hearing->questions);
        }

        return new Parted($hearing->heard, $answered ? $hearing->questions : []);
    }

    private function onlyWonders(Hearing $hearing, Field $field): bool
    {
        return preg_match('/^(?:and |so |but |oh |er )*(?:is there|are|do|does|did|what|where|who|why|how|which)\b(?! about\b)/i', $hearing->heard->cleaned()) === 1
            && ($field->type === ValueType::Choice || $this->phrases->table('acts', 'asks_for')->first($hearing->heard->tokens) === null)
            && $this->wanting->toKnow($hearing);
    }

    /**
     * Whether a question wants the option it names: nothing else stands between the two, as in 'do you do weekend rates on the mini
     * digger', and nothing is asked of it, as in 'do you do the carrot cake vegan'.
     */
    private function asksFor(Hearing $hearing, Reading $named): bool
    {
        $tokens = $hearing->heard->tokens;
        $asks = $this->phrases->table('acts', 'asks_for')->first($tokens);
        if ($asks === null || $named->confidence < self::NAMED || $this->phrases->content(array_slice($tokens, 0, $asks[1])) > 0) {
            return false;
        }
        $says = static fn (Token $token): bool => $token->end <= $named->start && ! in_array($token->text, self::SOME, true);
        $between = array_filter(array_slice($tokens, $asks[1] + $asks[2]), $says);
        $behind = array_values(array_filter($tokens, static fn (Token $token): bool => $token->start >= $named->end));

        return $this->phrases->content(array_values($between)) === 0
            && ($this->phrases->content($behind) === 0 || in_array($behind[0]->text, self::GOES_ON, true));
    }

    /** 'The tip, what time it shuts on Sundays', to what somebody would like to know: all of it is passed on, where nothing is written that answers. */
    private function isMessage(Turn $turn, Field $field, Hearing $hearing): bool
    {
        $question = (new Tokenizer)->tokens(PlainQuestion::thatAsks($turn, $field));

        return $this->phrases->table('questions', 'of_a_message')->in($question)
            && array_filter($hearing->questions, fn (Heard $question): bool => $this->replies->answer($turn, $question) !== null) === [];
    }

    /** 'I want to know what's on on Monday': what is told only leads up to what is asked, and the message is the whole. */
    private function isLead(Hearing $hearing): bool
    {
        return $this->phrases->content($hearing->statement->tokens) <= self::LEAD && $this->phrases->table('acts', 'leads_up')->in($hearing->statement->tokens);
    }

    /** 'The party's on the Saturday, so could I pick it up Friday': what is wished stands in the question. */
    private function wishes(Turn $turn, Field $field, Hearing $hearing, Reading $stated): bool
    {
        if (! in_array($field->type, [ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::Number], true)) {
            return false;
        }
        foreach ($hearing->questions as $question) {
            $asked = $this->collector->asked($turn, $field, $question);
            if (preg_match('/\b(?:could|can|may|might) (?:i|we|you)\b/i', $question->cleaned()) === 1 && $asked->found() && $asked->value !== $stated->value) {
                return $this->collector->asked($turn, $field, $hearing->heard)->value === $asked->value;
            }
        }

        return false;
    }
}
