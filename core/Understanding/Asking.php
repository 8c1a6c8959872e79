<?php

declare(strict_types=1);

namespace Ringo\Understanding;

use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;

/** What a question says of its answer: that it counts people, that it lies behind, in which unit it is wanted, that it is a limit. */
final class Asking
{
    /** @var array<string, array{bool, bool, ?string, bool, bool, bool, bool, bool}> by question */
    private array $known = [];

    private readonly Tokenizer $tokenizer;

    public function __construct(private readonly Vocabulary $words)
    {
        $this->tokenizer = new Tokenizer;
    }

    /** @param string $about what the field is called */
    public function in(Context $context, string $question, string $about): Context
    {
        $this->known[$question.'|'.$about] ??= [
            $this->people($question, $about),
            $this->past($question),
            $this->unit($question),
            $this->most($question.' '.$about),
            $this->thing($question.' '.$about),
            preg_match('/\b(?:which|what) (?:day|date|floor|storey|level|row|platform|lane|year|form|stage|class|grade|week|page|bay)\b/i', $question) === 1,
            preg_match('/\b(?:without|free (?:of|from)|avoid\w*|allerg\w*|intoleran\w*|(?:cannot|can\'t|can not|must not|mustn\'t|don\'t) (?:eat|have|take|drink))\b/i', $question.' '.$about) === 1,
            preg_match('/\b(?:earn|the (?:very )?least|at least|lowest|accept|settle for|asking price|pay wanted|wage|wages|salary)\b/i', $question.' '.$about) === 1,
        ];

        return $context->asking(...$this->known[$question.'|'.$about]);
    }

    /** 'How many of you will there be', not 'how many children'. */
    private function people(string $question, string $about): bool
    {
        $some = array_diff($this->words->section('numbers', 'people'), ['guest', 'guests', 'friend', 'friends']);
        $words = $this->tokenizer->words($question.' '.$about);
        if (array_intersect($words, $some) !== []) {
            return false;
        }

        return array_intersect($words, $this->words->section('questions', 'of_people')) !== []
            || preg_match('/\bhow many (?:of you|are you|will you|would you|in (?:your|the) (?:party|group)|will there be|are coming)\b|\bfor how many\b/i', $question) === 1;
    }

    /** 'When did it start' and 'when should it have come', not 'which day were you hoping for'. */
    private function past(string $question): bool
    {
        $words = $this->tokenizer->words($question);

        return $this->shouldHave($words) || array_intersect($words, $this->words->section('questions', 'behind')) !== []
            && array_intersect($words, $this->words->section('questions', 'ahead')) === [];
    }

    /**
     * 'Should it have been emptied', not 'would you have it delivered'.
     *
     * @param list<string> $words
     */
    private function shouldHave(array $words): bool
    {
        ['may' => $may, 'done' => $done, 'ends' => $ends] = $this->words->section('questions', 'should_have');
        foreach ($words as $i => $word) {
            $next = $words[$i + 1] ?? '';
            if ($word === 'have' && (in_array($next, $done, true) || str_ends_with($next, $ends)) && array_intersect(array_slice($words, 0, $i), $may) !== []) {
                return true;
            }
        }

        return false;
    }

    /** 'What is the most you would pay', 'have you a budget in mind'. */
    private function most(string $asked): bool
    {
        return preg_match('/\b(?:the most|maximum|budget|limit|at most|up to how|how much (?:would|do|can|could) you (?:want to |like to |hope to |be able to )?(?:spend|pay|afford)|to spend)\b/i', $asked) === 1;
    }

    /** 'What make is it', not 'what is wrong with it'. */
    private function thing(string $asked): bool
    {
        $words = ' '.implode(' ', $this->tokenizer->words(str_replace('_', ' ', $asked))).' ';

        return preg_match('/ (?:'.implode('|', array_map(preg_quote(...), $this->words->section('questions', 'of_a_thing'))).') /', $words) === 1;
    }

    /** 'How many nights': days. */
    private function unit(string $question): ?string
    {
        if (preg_match('/\bhow old\b/i', $question) === 1) {
            return 'Y';
        }
        $units = $this->words->section('units', 'durations');
        $asked = preg_match('/\bhow many (?:\pL+ )?(\pL+)/iu', $question, $m) === 1 ? mb_strtolower($m[1]) : '';
        $direct = preg_match('/\bhow many (\pL+)/iu', $question, $m) === 1 ? mb_strtolower($m[1]) : '';

        // 'Would you like one hour or two'
        $either = preg_match('/\b(?:one|an?|two|three|\d+) (\pL+) or (?:two|three|four|five|six|\d+)\b/iu', $question, $m) === 1 ? mb_strtolower($m[1]) : '';

        return $units[$direct] ?? $units[$asked] ?? $units[$either] ?? null;
    }
}
