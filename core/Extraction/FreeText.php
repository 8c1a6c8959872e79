<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Value\ValueType;

/** Short extracts in the caller's own words for fields that tell a story: reason, problem, message, notes. */
final readonly class FreeText
{
    private const WORDS = 32;

    public function __construct(private Readings $readings, private Questions $questions, private Vocabulary $words)
    {
    }

    /** @param list<Exchange> $exchanges */
    public function fill(Hearing $hearing, array $exchanges): void
    {
        $main = null;
        foreach ($hearing->fields as $field) {
            if ($field->type !== ValueType::Text || ! $field->narrative || $hearing->ledger->of($field->key()) !== null) {
                continue;
            }
            $answer = $this->asked($hearing, $field, $exchanges);
            if ($answer === null && $main === null && ! $field->extra()) {
                $answer = $this->opening($exchanges);
            }
            if ($answer === null) {
                continue;
            }
            [$exchange, $text, $sure] = $answer;
            if (! $field->extra()) {
                $main ??= $field;
            }
            $hearing->claim($field, $text, $sure, $exchange, '', Claim::ANSWERED);
        }
    }

    /**
     * What the caller wanted, in their own words; '' where they did not say.
     *
     * @param list<Exchange> $exchanges
     */
    public function gist(array $exchanges): string
    {
        return $this->opening($exchanges)[1] ?? '';
    }

    /**
     * @param list<Exchange> $exchanges
     *
     * @return array{Exchange, string, float}|null
     */
    private function asked(Hearing $hearing, FieldProfile $field, array $exchanges): ?array
    {
        $best = null;
        foreach ($exchanges as $exchange) {
            if ($exchange->asked === '' || $exchange->heard->all === []) {
                continue;
            }
            $question = $this->questions->asked($exchange->asked, $hearing->fields)[$field->key()] ?? null;
            if ($question === null || $best !== null && $question['score'] < $best[2]) {
                continue;
            }
            $yes = $this->readings->reaction($exchange->heard, $hearing->now);
            $text = $this->cleaned($exchange->heard);
            if ($text === '' || $yes === false && str_word_count($text) <= 4 || $this->nothing($exchange->heard)) {
                continue;
            }
            if (str_word_count($text) < 2 && $field->extra()) {
                continue;
            }
            // Asked twice alike, what says more counts; 'can I speak to Mrs Hale' says least.
            if ($best !== null && $question['score'] <= $best[2] && ! (preg_match('/\b(?:speak|talk) (?:to|with)\b|\bput me through\b/i', $best[1]) === 1 || str_word_count($best[1]) < 5 && str_word_count($text) > 6)) {
                continue;
            }
            $best = [$exchange, $text, $question['score']];
        }

        return $best === null ? null : [$best[0], $best[1], min(0.9, 0.6 + 0.3 * $best[2])];
    }

    private function nothing(Heard $heard): bool
    {
        return $this->words->phrases('talk', 'nothing_more')->without($this->words->phrases('talk', 'soft')->without($heard->tokens)) === []
            || $this->words->phrases('talk', 'nothing_to_add')->without($heard->tokens) === []
            || $this->words->phrases('talk', 'refusals')->in($heard->tokens) && count($heard->tokens) < 8;
    }

    /**
     * The first thing of substance the caller said.
     *
     * @param list<Exchange> $exchanges
     *
     * @return array{Exchange, string, float}|null
     */
    private function opening(array $exchanges): ?array
    {
        foreach (array_slice($exchanges, 0, 6) as $exchange) {
            $text = $this->cleaned($exchange->heard);
            if (str_word_count($text) >= 4 && ! $exchange->keys) {
                return [$exchange, $text, 0.78];
            }
        }

        return null;
    }

    /** Without greeting, filler, introduction and lead-in; whole sentences, not too many. */
    public function cleaned(Heard $heard): string
    {
        $kept = [];
        foreach ($this->readings->clauses($heard) as $tokens) {
            $tokens = $this->stripped($tokens);
            if ($tokens === [] || $this->introduces($heard->only($tokens)) || count($tokens) < 2 && $kept !== []) {
                continue;
            }
            if (count($kept) + count($tokens) > self::WORDS && $kept !== []) {
                break;
            }
            array_push($kept, ...array_slice($tokens, 0, self::WORDS));
            if (count($kept) > 14) {
                break;
            }
        }
        $text = '';
        foreach ($kept as $token) {
            $gap = $text === '' ? '' : (preg_match('/[.?!]/', $token->gap) === 1 ? '. ' : (str_contains($token->gap, ',') ? ', ' : ($token->gap === '' || $token->gap === '-' ? $token->gap : ' ')));
            $text .= $gap.$token->original;
        }

        return $text === '' ? '' : mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }

    /**
     * @param list<Token> $t
     *
     * @return list<Token>
     */
    private function stripped(array $t): array
    {
        $greetings = $this->words->phrases('extraction', 'greetings');
        $leads = $this->words->phrases('extraction', 'lead_ins');
        $given = $this->words->set('given_names');
        while ($t !== [] && (($hit = $greetings->at($t, 0)) !== null || ($hit = $leads->at($t, 0)) !== null)) {
            $t = array_slice($t, $hit[1]);
            // 'Hi Nick, …'
            if (isset($t[1]) && isset($given[$t[0]->text]) && $t[1]->afterBreak()) {
                $t = array_slice($t, 1);
            }
        }
        // 'My name is Dan Hughes and I need …': what comes behind the name.
        $intro = $this->words->phrases('extraction', 'introductions')->at($t, 0);
        if ($intro !== null) {
            for ($i = $intro[1]; isset($t[$i]) && $i < $intro[1] + 9; $i++) {
                if (in_array($t[$i]->text, ['and', 'i', "i'm", "i've", 'we', "we've", "we're", "i'd", 'calling', 'ringing', 'just', 'about'], true) && $i > $intro[1]) {
                    return $this->stripped(array_slice($t, $t[$i]->text === 'and' ? $i + 1 : $i));
                }
            }
        }

        return array_values($t);
    }

    private function introduces(Heard $heard): bool
    {
        return $this->words->phrases('extraction', 'introductions')->at($heard->tokens, 0) !== null && count($heard->tokens) < 12;
    }
}
