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

    /** How plainly a question for a message asks for the field that holds one. */
    private const A_MESSAGE = 0.7;

    public function __construct(private Readings $readings, private Questions $questions, private Vocabulary $words)
    {
    }

    /** @param list<Exchange> $exchanges */
    public function fill(Hearing $hearing, array $exchanges): void
    {
        $main = null;
        $used = [];
        $stories = count(array_filter($hearing->fields, static fn (FieldProfile $field): bool => $field->type === ValueType::Text && $field->narrative && ! $field->extra()));
        foreach ($hearing->fields as $field) {
            if ($field->type !== ValueType::Text || ! $field->narrative || $hearing->ledger->of($field->key()) !== null) {
                continue;
            }
            $answer = $this->asked($hearing, $field, $exchanges);
            if ($answer === null && $main === null && ! $field->extra()) {
                $answer = $this->opening($exchanges, $hearing->transcript->direction === 'outbound' ? $hearing->fields : []);
            }
            if ($answer === null) {
                continue;
            }
            [$exchange, $text, $sure] = $answer;
            if (! $field->extra() && $stories > 1 && $this->unasked($exchange) && ! $this->fits($field, $exchange->heard, $main !== null)) {
                continue;
            }
            // One answer tells one story.
            if ($stories > 1 && in_array($exchange, $used, true)) {
                continue;
            }
            $used[] = $exchange;
            if (! $field->extra()) {
                $main ??= $field;
            }
            $hearing->ledger->take($field->key(), new Claim($text, round($sure, 2), $exchange->turn, $hearing->evidence($exchange->turn, ''), Claim::ANSWERED));
        }
    }

    /** Whether the words opened the call, or answered no more than 'how can I help?'. */
    private function unasked(Exchange $exchange): bool
    {
        $asked = $exchange->asked === '' ? [] : Heard::of($exchange->asked, $this->words)->tokens;

        return $asked === [] || preg_match('/\byou (?:can|could|might) say\b/i', $exchange->asked) === 1 || $this->words->phrases('extraction', 'open_questions')->in($asked) && ! $this->words->phrases('extraction', 'trouble_fields')->in($asked);
    }

    /** Where a sheet tells several stories, what opened the call belongs to a trouble only if it tells of one, and to a message only if it is one. */
    private function fits(FieldProfile $field, Heard $said, bool $told): bool
    {
        if ($this->named($field, 'trouble_fields')) {
            return $this->words->phrases('extraction', 'trouble')->in($said->tokens);
        }
        if ($this->named($field, 'message_fields')) {
            return $this->words->phrases('extraction', 'message_words')->in($said->tokens) && ! $this->onlyAPerson($said);
        }

        return ! $told;
    }

    /** 'Can I speak to a real person please': nothing that could be passed on. */
    private function onlyAPerson(Heard $said): bool
    {
        $tokens = $said->tokens;
        foreach (['person', 'person_alone'] as $section) {
            foreach ($this->words->phrases('talk', $section)->all($said->tokens) as [, $start, $length]) {
                for ($i = $start; $i < $start + $length; $i++) {
                    unset($tokens[$i]);
                }
            }
        }
        $small = $this->words->section('routing', 'small');

        return array_filter($tokens, static fn (Token $token): bool => ! in_array($token->text, $small, true)) === [];
    }

    private function named(FieldProfile $field, string $words): bool
    {
        return $this->words->phrases('extraction', $words)->in(Heard::of(str_replace('_', ' ', $field->key()).' '.$field->field->title.' '.$field->field->description, $this->words)->tokens);
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
            $scores = $this->questions->asked($exchange->asked, $hearing->fields);
            $question = $scores[$field->key()] ?? null;
            if ($this->asksForAMessage($field, $exchange)) {
                $question = ['score' => max(self::A_MESSAGE, $question['score'] ?? 0.0)];
            }
            // Of several stories the answer belongs to the one that was asked for.
            $least = ($question['score'] ?? INF) + 0.05;
            foreach ($this->unasked($exchange) ? [] : $hearing->fields as $other) {
                if ($other->narrative && $other->type === ValueType::Text && ($scores[$other->key()]['score'] ?? 0.0) > $least) {
                    $question = null;

                    break;
                }
            }
            // What was asked for by name counts more than what opened the call.
            if ($question !== null && $this->unasked($exchange) && ($this->named($field, 'trouble_fields') || $this->named($field, 'message_fields'))) {
                $question['score'] *= 0.4;
            }
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

    /** 'What shall I tell the office?' asks for the message, whatever it is called. */
    private function asksForAMessage(FieldProfile $field, Exchange $exchange): bool
    {
        $asked = Heard::of($exchange->asked, $this->words)->tokens;

        return ! $this->unasked($exchange) && $this->named($field, 'message_fields') && $this->words->phrases('questions', 'of_a_message')->in($asked);
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
     * @param list<FieldProfile> $fields those that may be asked for before there is a story
     *
     * @return array{Exchange, string, float}|null
     */
    private function opening(array $exchanges, array $fields = []): ?array
    {
        foreach (array_slice($exchanges, 0, 6) as $exchange) {
            $text = $this->cleaned($exchange->heard);
            // Whoever is rung may open with an answer: 'it's an end terrace' tells no story.
            $answers = array_filter($this->questions->asked($exchange->asked, $fields), static fn (array $asked, string $key): bool => $asked['last'] && self::isPlain($fields, $key), ARRAY_FILTER_USE_BOTH);
            if ($answers === [] && str_word_count($text) >= 4 && ! $exchange->keys) {
                return [$exchange, $text, 0.78];
            }
        }

        return null;
    }

    /** @param list<FieldProfile> $fields whether a field holds neither free words nor a yes or no */
    private static function isPlain(array $fields, string $key): bool
    {
        return array_filter($fields, static fn (FieldProfile $field): bool => $field->key() === $key && ! in_array($field->type, [ValueType::Text, ValueType::YesNo], true)) !== [];
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
            if (count($t) === 1 && preg_match('/^\p{Lu}/u', $t[0]->original) === 1) {
                // 'Morning Gus.'
                return [];
            }
            // 'Hi Nick, …'
            if (isset($t[1]) && isset($given[$t[0]->text]) && $t[1]->afterBreak()) {
                $t = array_slice($t, 1);
            }
        }
        // 'My name is Dan Hughes and I need …': what comes behind the name.
        $intro = $this->introduction($t);
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
        return $this->introduction($heard->tokens) !== null && count($heard->tokens) < 12;
    }

    /**
     * 'My name is', 'it's Dan'; but 'it's the hose' and 'it's leaking' introduce nobody.
     *
     * @param list<Token> $t
     *
     * @return array{mixed, int}|null
     */
    private function introduction(array $t): ?array
    {
        $hit = $this->words->phrases('extraction', 'introductions')->at($t, 0);
        $next = $hit === null ? '' : ($t[$hit[1]]->text ?? '');

        return $hit === null || in_array($next, ['the', 'a', 'an', 'my', 'our', 'about', 'for', 'not', 'been', 'got', 'still', 'just', 'too', 'very', 'really', 'all', 'no', 'in', 'on', 'at', 'one', 'that', 'this'], true) || preg_match('/ing$/', $next) === 1 ? null : $hit;
    }
}
