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

/** Whether a number that nobody asked for tells of a field: by what it counts, and by what was asked. */
final readonly class WhatCounts
{
    /** The part of a reply a number must be to answer what was asked and nothing else. */
    private const WHOLE = 0.9;

    /** What a unit of a length is near to: hours and minutes, days and weeks, months and years. */
    private const SCALE = ['TH' => 'hours', 'TM' => 'hours', 'TS' => 'hours', 'D' => 'days', 'W' => 'days', 'F' => 'days', 'M' => 'years', 'Q' => 'years', 'Y' => 'years', 'X' => 'years'];

    /** Words of 'just the one, please'. */
    private const JUST_THE_ONE = 4;

    /** Letters of the shortest noun that tells what is counted. */
    private const TELLING = 3;

    /** Words before a noun among which its number stands: 'a one bed flat', 'two small dogs'. */
    private const BEFORE_ITS_NOUN = 2;

    /** Words before an age, alone and behind whom it is of. */
    private const AGED = ['turned', 'turning', 'aged', "he's", "she's"];

    private const IS = ['was', 'is'];

    private const SOMEBODY = ['he', 'she', 'who'];

    /** Words between 'from' and its hour. */
    private const ABOUT = ['about', 'around', 'roughly', 'say'];

    /** Kinds of answers that are a figure: a bare number beside such a question belongs to it. */
    private const FIGURES = [ValueType::Money, ValueType::Number, ValueType::Duration, ValueType::Time, ValueType::DateTime];

    public function __construct(private Understanding $understanding)
    {
    }

    /** Whether what a number counts is what the field is about: 'two tyres' tells of no mileage. */
    public function tells(Turn $turn, Field $field, Heard $heard, Reading $number, ?Field $asked, Context $context): bool
    {
        if ($asked !== null && $this->answers($asked, $heard, $number)) {
            return false;
        }
        $after = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->start >= $number->end));
        $noun = $after[0] ?? null;
        // The five of 'it's on the V5'
        if (preg_match('/\pL$/u', substr($heard->original, 0, $number->start)) === 1) {
            return false;
        }
        $words = $this->understanding->words;
        if ($context->unit === 'Y') {
            return $this->isAnAge($heard, $number);
        }
        $bare = $noun === null || $noun->afterBreak() || isset($words->set('function_words')[$noun->text]);
        $before = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->end <= $number->start));
        $leads = $before[count($before) - 1]->text ?? '';
        // The four of 'L T four oh seven' is one of its letters and figures, and 'nothing much' counts nothing.
        if (strlen($leads) === 1 && ctype_alpha($leads) && ! in_array($leads, ['a', 'i'], true) || $bare && (float) $number->value === 0.0) {
            return false;
        }
        // 'The one after lunch' picks one, and 'every four hours' tells how often.
        if (in_array($leads, $words->section('numbers', 'counts_nothing'), true) && ($leads === 'every' || mb_strtolower((string) $number->said) === 'one')) {
            return false;
        }
        // 'From about six' tells an hour.
        $aside = $this->lastBut($before, self::ABOUT);
        if (in_array($aside, $words->section('numbers', 'before_an_hour'), true) && ($noun === null || isset($words->set('function_words')[$noun->text]))) {
            return false;
        }
        // 'He was two on the ninth' tells an age.
        if (in_array($leads, self::AGED, true) || in_array($leads, self::IS, true) && in_array($before[count($before) - 2]->text ?? '', self::SOMEBODY, true)) {
            return false;
        }
        // 'There's eight of us'
        if (($noun->text ?? '') === 'of' && in_array($after[1]->text ?? '', ['us', 'them'], true)) {
            return $this->ofPeople($turn, $field);
        }
        // 'We had one from you last year' counts nothing, and the twenty eight of a day is a day's.
        if ($bare && mb_strtolower((string) $number->said) === 'one' && count($heard->tokens) > self::JUST_THE_ONE || $this->ofADay($heard, $number, $context)) {
            return false;
        }
        // 'Fifteen an hour at least' tells of the pay that was asked for, however vaguely.
        if ($bare && in_array($asked?->type, self::FIGURES, true)) {
            return false;
        }
        if ($bare || $this->understanding->read(ValueType::Date, $noun->text, $context)->found()) {
            return true;
        }
        $people = [...$words->section('questions', 'of_people'), ...$words->section('numbers', 'people')];
        if (in_array($noun->text, $people, true)) {
            return true;
        }
        $question = $turn->asking($field->key)->prompt->variants[0] ?? '';
        // 'How many would be staying' counts what was told before: 'two cats'.
        $open = preg_match('/\bhow many (?:would|will|of|are|do|does|is|have|should|can|shall|were|did)\b/i', $question) === 1;
        $options = ! $open ? [] : array_merge(...array_map(static fn (Field $one): array => [...array_column($one->options, 'label'), ...array_merge(...array_column($one->options, 'phrases'))], array_values($turn->script->sheet->fields)));
        $about = mb_strtolower(implode(' ', [$field->key, $field->title, $field->description, $question, ...$options]));
        $stem = rtrim($noun->text, 's');

        return preg_match('/\b'.preg_quote($stem, '/').'/u', str_replace('_', ' ', $about)) === 1;
    }

    /** 'About ten o'clock' counts nothing. */
    public function isAnHour(Heard $heard, Reading $number): bool
    {
        $behind = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->start >= $number->end))[0]->text ?? '';

        return $number->found() && in_array($behind, $this->understanding->words->section('numbers', 'behind_an_hour'), true);
    }

    /**
     * The last word but for some; empty where there is none.
     *
     * @param list<Token> $before
     * @param list<string> $passed
     */
    private function lastBut(array $before, array $passed): string
    {
        $left = array_values(array_filter($before, static fn (Token $token): bool => ! in_array($token->text, $passed, true)));

        return $left[count($left) - 1]->text ?? '';
    }

    /** Whether a field counts people. */
    private function ofPeople(Turn $turn, Field $field): bool
    {
        $question = $turn->asking($field->key)->prompt->variants[0] ?? '';
        $people = [...$this->understanding->words->section('questions', 'of_people'), ...$this->understanding->words->section('numbers', 'people')];

        return array_intersect((new Tokenizer)->words("{$field->title} {$question}"), $people) !== [] || preg_match('/\bhow many (?:of you|are you|will you)\b/i', $question) === 1;
    }

    /** 'She's seven', 'both turned six', 'aged four', 'seven years old'; not 'lessons for my two'. */
    private function isAnAge(Heard $heard, Reading $number): bool
    {
        ['before' => $before, 'behind' => $behind] = $this->understanding->words->section('numbers', 'age');
        $left = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->end <= $number->start));
        $right = array_values(array_filter($heard->tokens, static fn (Token $token): bool => $token->start >= $number->end));
        $is = in_array($left[count($left) - 1]->text ?? '', $before, true);

        return in_array($right[0]->text ?? '', $behind, true) || $is && (! isset($right[0]) || $right[0]->afterBreak() || isset($this->understanding->words->set('function_words')[$right[0]->text]));
    }

    private function ofADay(Heard $heard, Reading $number, Context $context): bool
    {
        foreach ([new Context($context->now, $context->country), new Context($context->now->modify('-1 year'), $context->country)] as $when) {
            $day = $this->understanding->read(ValueType::Date, $heard, $when);
            if ($day->found() && $day->overlaps($number)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Of several numbers the one whose noun the field is about: the one of 'a one bed flat going three miles', where bedrooms are asked for.
     */
    public function counted(Turn $turn, Field $field, Heard $heard, Context $context): Reading
    {
        $question = $turn->asking($field->key)->prompt->variants[0] ?? '';
        $about = ' '.str_replace('_', ' ', mb_strtolower("{$field->title} {$question}"));
        $little = $this->understanding->words->set('function_words');
        foreach ($heard->tokens as $i => $noun) {
            $stem = rtrim($noun->text, 's');
            if ($i === 0 || mb_strlen($stem) < self::TELLING || isset($little[$noun->text]) || preg_match('/ '.preg_quote($stem, '/').'/u', $about) !== 1) {
                continue;
            }
            $before = array_slice($heard->tokens, max(0, $i - self::BEFORE_ITS_NOUN), min(self::BEFORE_ITS_NOUN, $i));
            $reading = $this->understanding->read($field->type, $heard->only([...$before, $noun]), $context);
            if ($reading->found()) {
                return $reading;
            }
        }

        return Reading::none();
    }

    /** 'I've had it two years' tells of no lesson of one hour or two: the question names what its lengths are counted in. */
    public function ofAnotherLength(Turn $turn, Field $field, Reading $length): bool
    {
        $units = $this->understanding->words->section('units', 'durations');
        $question = PlainQuestion::thatAsks($turn, $field);
        $named = [];
        foreach ((new Tokenizer)->words($question.' '.$field->title) as $word) {
            $named[] = isset($units[$word]) ? self::SCALE[$units[$word]] ?? null : null;
        }
        $named = array_filter($named, static fn (?string $scale): bool => $scale !== null);
        $told = preg_match('/^P(T)?.*([A-Z])$/', is_string($length->value) ? $length->value : '', $m) === 1 ? ($m[1] === 'T' ? 'hours' : self::SCALE[$m[2]] ?? null) : null;

        return $named !== [] && $told !== null && ! in_array($told, $named, true);
    }

    /** 'Two, but they will be shut in' counts what was asked about, and a bare 'nine' is an hour where one was asked for. */
    private function answers(Field $asked, Heard $heard, Reading $number): bool
    {
        return $asked->type === ValueType::YesNo && $number->start <= ($heard->tokens[0]->start ?? 0)
            || $heard->explained($number->start, $number->end, $this->understanding->words) >= self::WHOLE;
    }
}
