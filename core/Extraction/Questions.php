<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Extraction\Asking\Listed;
use Ringo\Extraction\Asking\Naming;
use Ringo\Extraction\Asking\Wanting;
use Ringo\Language\Lexicon;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Value\ValueType;

/** Tells which fields the other side asks for. */
final class Questions
{
    /** From this score on a field is being asked for. */
    public const ASKED = 0.42;

    private readonly Tokenizer $tokenizer;

    public readonly Naming $naming;

    public readonly Wanting $wanting;

    /** @var array<string, list<array{text: string, tokens: list<Token>, question: bool}>> */
    private array $cut = [];

    /** @var array<string, array<string, array{score: float, flipped: bool, sentence: string, last: bool}>> */
    private array $asks = [];

    public function __construct(private readonly Vocabulary $words, Lexicon $lexicon)
    {
        $this->tokenizer = new Tokenizer;
        $lists = new Listed;
        $this->naming = new Naming($words, $lexicon, $lists);
        $this->wanting = new Wanting($words, $this->naming, $lists);
    }

    /**
     * @param list<FieldProfile> $fields
     * @param string $before what the caller said before the question
     *
     * @return array<string, array{score: float, flipped: bool, sentence: string, last: bool}> by field, the likeliest first
     */
    public function asked(string $text, array $fields, string $before = ''): array
    {
        // An agent asks the same words in call after call.
        $key = count($fields).'|'.$text.'|'.$before;
        if (! isset($this->asks[$key]) && count($this->asks) > 2000) {
            $this->asks = [];
        }

        return $this->asks[$key] ??= $this->asking($text, $fields, $before);
    }

    /**
     * @param list<FieldProfile> $fields
     *
     * @return array<string, array{score: float, flipped: bool, sentence: string, last: bool}>
     */
    private function asking(string $text, array $fields, string $before): array
    {
        $found = [];
        $sentences = $this->sentences($text);
        $questions = array_keys(array_filter($sentences, static fn (array $sentence): bool => $sentence['question']));
        $last = $questions === [] ? -1 : max($questions);
        foreach ($sentences as $n => $sentence) {
            if (! $sentence['question'] && ! ($n === count($sentences) - 1 && preg_match('/\bor\b/i', $sentence['text']) === 1)) {
                continue;
            }
            $scores = [];
            foreach ($fields as $field) {
                // 'I can refund you or send another' asks which, without a question mark.
                $scores[$field->key()] = $sentence['question'] || $field->type === ValueType::Choice && $this->wanting->offers($field, $sentence['tokens']) ? $this->wanting->score($field, $sentence['tokens'], count($fields)) : 0.0;
                // 'Would you like one?' asks for what the sentence before speaks of.
                if ($field->type === ValueType::YesNo && $scores[$field->key()] < self::ASKED && $n === $last && preg_match('/\b(one|that|it|them|those|so)\s*\?/i', $sentence['text']) === 1) {
                    $earlier = array_merge($sentences[$n - 1]['tokens'] ?? [], $this->tokenizer->tokens($before));
                    $scores[$field->key()] = $earlier === [] ? 0.0 : 0.8 * $this->wanting->score($field, $earlier, count($fields));
                }
            }
            foreach ($fields as $field) {
                // Where the day of the week is a choice of its own, 'which day?' asks for it.
                if ($field->type === ValueType::Choice && $this->weekdays($field) && preg_match('/\b(?:what|which|any|best) days?\b|\bday (?:suits|is best|works|would)\b/i', $sentence['text']) === 1) {
                    $scores[$field->key()] = max($scores[$field->key()], 0.9);
                    foreach ($fields as $other) {
                        $scores[$other->key()] = in_array($other->type, [ValueType::Date, ValueType::DateTime], true) && $this->naming->overlap($other, $sentence['tokens'])[0] < 0.5 ? 0.0 : $scores[$other->key()];
                    }
                }
            }
            foreach ($fields as $field) {
                // A hair's breadth between two of a kind that the question does not name is none: the first on the sheet comes first.
                if (in_array($field->type, [ValueType::PostalAddress, ValueType::Phone], true) && $scores[$field->key()] >= self::ASKED && $this->naming->overlap($field, $sentence['tokens'])[0] < 0.5) {
                    $scores[$field->key()] = max(self::ASKED, round($scores[$field->key()], 1));
                }
            }
            arsort($scores);
            $taken = [];
            foreach ($scores as $key => $score) {
                $key = (string) $key;
                $profile = $this->named($fields, $key);
                // Of two of a kind only the likelier is asked; two kinds may be asked in one breath.
                if ($score < self::ASKED || isset($taken[$profile->kin()]) && $score < $taken[$profile->kin()] - 0.001) {
                    continue;
                }
                if ($taken !== [] && in_array($profile->type, [ValueType::Text, ValueType::YesNo, ValueType::Choice, ValueType::Number], true) && $score < max($taken) - 0.25) {
                    continue;
                }
                $taken[$profile->kin()] ??= $score;
                if (! isset($found[$key]) || $found[$key]['score'] <= $score || $n === $last) {
                    $found[$key] = ['score' => $score, 'flipped' => $this->naming->flipped($profile, $sentence['tokens']), 'sentence' => $sentence['text'], 'last' => $n === $last];
                }
            }
        }
        uasort($found, static fn (array $a, array $b): int => [$b['last'], $b['score']] <=> [$a['last'], $a['score']]);

        return $found;
    }

    /** Whether a question asks no more than whether what was said is right: 'is that correct?' */
    public function onlyChecks(string $question): bool
    {
        $tokens = $this->tokenizer->tokens($question);
        $hit = $this->words->phrases('extraction', 'checks')->first($tokens);

        return $hit !== null && $hit[1] === 0 && $hit[2] === count($tokens);
    }

    /** @return list<array{text: string, tokens: list<Token>, question: bool}> */
    public function sentences(string $text): array
    {
        if (isset($this->cut[$text])) {
            return $this->cut[$text];
        }
        if (count($this->cut) > 500) {
            $this->cut = [];
        }
        $parts = preg_split('/(?<=[?!])\s+|(?<=[a-z0-9)]{2}\.)\s+(?=["\']?[A-Z])/u', $text, -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $sentences = [];
        $marked = str_contains($text, '?');
        foreach ($parts as $i => $part) {
            $tokens = $this->tokenizer->tokens($part);
            if ($tokens === []) {
                continue;
            }
            $requests = $this->words->phrases('extraction', 'requests');
            $question = str_contains($part, '?') || $requests->at($tokens, 0) !== null
                || $this->words->phrases('extraction', 'open_questions')->in($tokens)
                || ($hit = $requests->first($tokens)) !== null && $hit[2] >= 2
                || ! $marked && $i === count($parts) - 1 && ($requests->in($tokens) || in_array($tokens[0]->text, $this->words->section('extraction', 'polar'), true));
            $sentences[] = ['text' => $part, 'tokens' => $tokens, 'question' => $question];
        }

        return $this->cut[$text] = $sentences;
    }

    private function weekdays(FieldProfile $field): bool
    {
        return count(array_filter($field->field->options, static fn (array $option): bool => preg_match('/^(?:mon|tues|wednes|thurs|fri|satur|sun)days?$/i', $option['key']) === 1)) >= 3;
    }

    /** @param list<FieldProfile> $fields */
    private function named(array $fields, string $key): FieldProfile
    {
        foreach ($fields as $field) {
            if ($field->key() === $key) {
                return $field;
            }
        }

        throw new \OutOfBoundsException("There is no field {$key}.");
    }
}
