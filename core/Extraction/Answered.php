<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Takes the caller's answers to what was asked. */
final readonly class Answered
{
    /** Below this a reading is no answer. */
    private const LEAST = 0.45;

    public function __construct(private Readings $readings, private Questions $questions, private Understanding $understanding, private Vocabulary $words, private Options $options, private YesNoAnswers $yesNo)
    {
    }

    /**
     * @param list<string> $settled fields that a read-back or a correction has already settled in this exchange
     *
     * @return list<string> fields filled or declined
     */
    public function read(Hearing $hearing, Exchange $exchange, ?bool $reaction, array $settled): array
    {
        $done = [];
        $number = $this->callerId($hearing, $exchange, $reaction);
        if ($number !== null) {
            $done[] = $number;
        }
        $spelled = $this->spelled($hearing, $exchange);
        if ($spelled !== null) {
            return [...$done, $spelled];
        }
        $rest = $this->readings->wanted($exchange->heard);
        $turnedDown = $rest->tokens === [] && $exchange->heard->tokens !== [];
        foreach ($hearing->open as $key => $question) {
            $field = $hearing->field($key);
            if ($field === null || in_array($key, $settled, true) || in_array($key, $done, true)) {
                continue;
            }
            $reading = match ($field->type) {
                ValueType::YesNo => $this->yesNo->read($field, $exchange->heard, $hearing, $question['flipped'], $question['sentence']),
                ValueType::Text => $this->text($field, $exchange, $hearing, $question['sentence']),
                ValueType::Choice => $this->choice($field, $rest, $hearing, $question['sentence'], $reaction),
                default => $this->typed($field, $rest, $exchange, $hearing, $question['sentence']),
            };
            if (! $reading->found() || $reading->confidence < self::LEAST) {
                if ($reading->doubt !== null && ! in_array($field->type, [ValueType::Text, ValueType::YesNo], true)) {
                    $hearing->ledger->doubt($key, $reading->doubt);
                }
                if ($question['last'] && ! ($turnedDown && in_array($field->type, [ValueType::Date, ValueType::Time, ValueType::DateTime], true)) && $this->readings->refuses($exchange->heard) && $done === []) {
                    $hearing->ledger->decline($key);
                    $done[] = $key;
                }

                continue;
            }
            $known = $hearing->ledger->of($key);
            if ($known !== null && $field->type === ValueType::PersonName && array_filter($hearing->open, static fn (array $one, string $other): bool => $other !== $key && $hearing->field($other)?->type === ValueType::PersonName && $hearing->ledger->of($other) === null && $one['score'] >= $question['score'] - 0.1, ARRAY_FILTER_USE_BOTH) !== []) {
                // Two names could be asked for: it is the one that is not known yet.
                continue;
            }
            if ($known !== null && ! $question['last'] && $known->origin !== Claim::WANTED) {
                continue;
            }
            // 'Twenty, is it, you can have?' asks rather than answers: a later word counts more.
            $asks = in_array($field->type, [ValueType::Number, ValueType::Money, ValueType::Duration], true) && preg_match('/\b(?:is it|can you|can i|could i|do you|would that|would it|is that)\b.*\?\s*$|\bminimum\b|\bmaximum\b/i', $exchange->heard->original) === 1;
            $hearing->take($field, $this->weighed($reading, $question['score']), $exchange, $asks ? Claim::WANTED : Claim::ANSWERED, $reading->end === 0);
            $hearing->answers[$key] = $exchange->heard->original;
            $done[] = $key;
            $hearing->consumed[] = $reading;
            if (! in_array($field->type, [ValueType::YesNo, ValueType::Text], true) && $field->namePart === null && $reading->end > 0 && ! $exchange->goesOn) {
                $rest = $rest->only(array_values(array_filter($rest->tokens, static fn (Token $token): bool => $token->end <= $reading->start || $token->start >= $reading->end)));
            }
        }

        return $done;
    }

    private function weighed(Reading $reading, float $score): Reading
    {
        return Reading::of($reading->value, $reading->confidence - ($score < 0.55 ? 0.08 : 0.0), $reading->said, $reading->start, $reading->end);
    }

    /** The number calling is meant: 'this one is fine', or yes to 'the number you are calling from?'. */
    private function callerId(Hearing $hearing, Exchange $exchange, ?bool $reaction): ?string
    {
        $from = $hearing->transcript->direction === 'outbound' ? $hearing->transcript->to : $hearing->transcript->from;
        if ($from === null || $from === '') {
            return null;
        }
        $asked = $this->words->phrases('extraction', 'own_number_ask')->in($this->readings->hear($exchange->asked)->all)
            && $this->questions->cue(ValueType::Phone, $this->readings->hear($exchange->asked)->all) > 0.2
            || preg_match('/\b(?:is|and) this (?:is )?(?:still )?(?:the |your |a )?(?:best |right |good |correct |main )?(?:contact )?(?:mobile|number|phone|cell|line)\b/i', $exchange->asked) === 1;
        $said = $this->readings->named('own_number', $exchange->heard) || preg_match("/\\b(?:one|number|phone|mobile|line|cell|this|same)\\b[^.?!]*\\b(?:i'?m|i am|i'?ve|we'?re) (?:just )?(?:calling|ringing|phoning|speaking|talking|using|called|rung|rang|phoned)\\b|\\bsame (?:number|one) (?:as|i)\\b/i", str_replace('’', "'", $exchange->heard->original)) === 1;
        $phones = array_values(array_filter($hearing->fields, static fn (FieldProfile $field): bool => $field->type === ValueType::Phone));
        if ($phones === [] || ! $asked && ! $said) {
            return null;
        }
        $open = array_values(array_filter($phones, static fn (FieldProfile $field): bool => isset($hearing->open[$field->key()])));
        $field = $open[0] ?? $phones[0];
        if ($this->readings->read($field, $exchange->heard, $hearing->now, $hearing->transcript->country, true)->found()) {
            return null;
        }
        if ($said && ! $asked && $open === [] && preg_match('/\b(number|reach|ring|call|get me|phone|mobile|cell|text)\b/i', $exchange->heard->original) !== 1) {
            return null;
        }
        $denied = $reaction === false || preg_match("/\b(not|isn't|don't|won't|never)\b/i", $exchange->heard->original) === 1;
        if ($asked && $reaction === true && ! ($denied && ! $said) || $said && ! $denied) {
            $hearing->claim($field, $from, 0.93, $exchange, '', Claim::CALLER_ID);

            return $field->key();
        }

        return null;
    }

    /** Letters that spell what was said before. */
    private function spelled(Hearing $hearing, Exchange $exchange): ?string
    {
        if (! $this->words->phrases('extraction', 'spelling_ask')->in($this->readings->hear($exchange->asked)->all)) {
            return null;
        }
        $spellable = array_values(array_filter(array_reverse($hearing->filled), static fn (string $key): bool => in_array($hearing->field($key)?->type, [ValueType::PersonName, ValueType::Email, ValueType::Reference, ValueType::PostalAddress, ValueType::Text], true)));
        $open = array_values(array_filter(array_keys($hearing->open), static fn (string $key): bool => in_array($hearing->field($key)?->type, [ValueType::PersonName, ValueType::Email, ValueType::Reference], true)));
        $key = array_values(array_intersect($open, $spellable))[0] ?? $open[0] ?? $spellable[0] ?? null;
        $field = $key === null ? null : $hearing->field($key);
        $claim = $key === null ? null : $hearing->ledger->of($key);
        if ($field === null || $claim === null || ! is_string($claim->value)) {
            return null;
        }
        if ($field->type === ValueType::PostalAddress) {
            return $this->spelledWord($hearing, $field, $claim->value, $exchange);
        }
        foreach ([$claim->value.", that's ".$exchange->heard->original, $exchange->heard->original] as $line) {
            $reading = $this->readings->read($field, $line, $hearing->now, $hearing->transcript->country, true);
            if ($reading->found() && $reading->value !== $claim->value) {
                $value = $reading->value;
                if ($field->type === ValueType::PersonName && is_string($value) && ! str_contains($value, ' ') && str_contains($claim->value, ' ')) {
                    // Of a whole name only one part was spelled: the likelier of the two.
                    [$first, $last] = explode(' ', $claim->value, 2);
                    $value = levenshtein(strtolower($value), strtolower($first)) < levenshtein(strtolower($value), strtolower($last)) ? $value.' '.$last : $first.' '.$value;
                }
                $hearing->claim($field, $value, 0.94, $exchange, $exchange->heard->original, Claim::CORRECTED);

                return $key;
            }
            if ($reading->found()) {
                $hearing->ledger->confirm((string) $key);

                return $key;
            }
        }

        return null;
    }

    /** One word of an address, letter by letter: it takes the place of the word most like it. */
    private function spelledWord(Hearing $hearing, FieldProfile $field, string $address, Exchange $exchange): ?string
    {
        $letters = '';
        foreach ($exchange->heard->tokens as $token) {
            $letters .= $token->isLetter() ? $token->text : '';
        }
        $words = explode(' ', $address);
        $best = null;
        foreach ($words as $i => $word) {
            $bare = strtolower(trim($word, ','));
            $far = levenshtein($bare, strtolower($letters));
            if (strlen($bare) > 2 && $far <= max(1, intdiv(strlen($bare), 3)) && ($best === null || $far < $best[1])) {
                $best = [$i, $far];
            }
        }
        if ($best === null || strlen($letters) < 3) {
            return null;
        }
        if ($best[1] === 0) {
            $hearing->ledger->confirm($field->key());
        } else {
            $words[$best[0]] = ucfirst(strtolower($letters)).(str_ends_with($words[$best[0]], ',') ? ',' : '');
            $hearing->claim($field, implode(' ', $words), 0.92, $exchange, $exchange->heard->original, Claim::CORRECTED);
        }

        return $field->key();
    }

    private function typed(FieldProfile $field, Heard $rest, Exchange $exchange, Hearing $hearing, string $sentence): Reading
    {
        $country = $hearing->transcript->country;
        $rest = $field->type === ValueType::PersonName ? $this->withoutHints($this->withoutRelation($rest)) : $rest;
        $firm = $this->settledOn($field, $rest, $hearing, '', true);
        $reading = $firm->found() ? $firm : $this->readings->inUnit($field, $rest, $hearing->now, $country) ?? $this->readings->read($field, $rest, $hearing->now, $country, true);
        if (! $reading->found() && $field->age && preg_match('/\b(?:weeks?|days?)\b/i', $rest->cleaned()) !== 1) {
            $reading = $this->readings->read($field, $rest->only(array_values(array_filter($rest->tokens, static fn (Token $token): bool => ! in_array($token->text, ['year', 'years', 'old', 'yrs', 'oh', 'about', 'roughly'], true)))), $hearing->now, $country, true);
        }
        if ($field->age && $reading->found() && preg_match('/\b(?:weeks?|months?|days?)\b/i', $rest->cleaned()) === 1 && ! isset($field->words['week']) && ! isset($field->words['month'])) {
            return Reading::none('the age was given in weeks or months');
        }
        if (! $reading->found() && $field->type === ValueType::Phone && preg_match("/\\bor (?:my|the) \\w+(?:'s)?\\b/i", $rest->original) === 1) {
            // '… or my wife's is …': the first is the caller's own.
            foreach ($this->readings->clauses($rest, true) as $tokens) {
                $first = $this->readings->read($field, $rest->only($tokens), $hearing->now, $country, true);
                if ($first->found()) {
                    $reading = $first;

                    break;
                }
            }
        }
        if ($field->type === ValueType::PersonName && $field->namePart === null && (! $reading->found() || is_string($reading->value) && ! str_contains($reading->value, ' ') && preg_match('/[.?!,]\s/', $rest->original) === 1)) {
            $reading = $this->nameAmong($field, $rest, $hearing, $reading);
        }
        if ($reading->found() && $field->type === ValueType::Number && $this->countsAnother($field, $rest, $reading, $hearing)) {
            return Reading::none();
        }
        $reading = $field->type === ValueType::Reference ? $this->clauseWithCode($field, $rest, $hearing, $reading) : $reading;
        $settled = $reading->found() ? $reading : $this->settledOn($field, $rest, $hearing, $sentence);
        $reading = $settled->found() ? $settled : $reading;
        if (! $reading->found() && in_array($field->type, [ValueType::DateTime, ValueType::Time], true) && preg_match('/\b(?:from|after|earliest|available|onwards)\b/', strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()))) === 1) {
            // 'Tomorrow after one' is available from one on.
            $reading = $this->readings->read($field, (string) preg_replace(['/\b(?:any ?time |some ?time )?(?:after|from|past)\b(?= (?:about |around )?(?:\d|half|quarter|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|noon|midday))/i', '/\b(?:onwards|or later|or after|on)\s*[.!]?$/i'], ['at', ''], $rest->original), $hearing->now, $country, true);
        }
        if (! $reading->found() && $field->type === ValueType::DateTime) {
            $reading = $this->apart($rest, $hearing, $field);
        }
        $reading = $hearing->dated($field, $reading);
        if ($exchange->goesOn && $hearing->pieces !== '') {
            $joined = $this->readings->read($field, $hearing->pieces.' '.$exchange->heard->original, $hearing->now, $country, true);
            if ($joined->found() && (! $reading->found() || in_array($field->type, [ValueType::Phone, ValueType::Email, ValueType::Reference, ValueType::PostalAddress], true))) {
                return Reading::of($joined->value, $joined->confidence, '', 0, 0);
            }
        }
        $known = $hearing->ledger->of($field->key());
        if ($field->type === ValueType::PersonName && $known !== null && is_string($known->value) && ! str_contains($known->value, ' ') && $field->namePart === null) {
            return $this->whole($reading, $known->value, $exchange, $sentence);
        }
        if ($field->type === ValueType::PostalAddress && $known !== null && is_string($known->value) && $reading->found() && is_string($reading->value) && preg_match('/^\d/', $known->value) === 1 && preg_match('/^\d+\s/', $reading->value) !== 1 && preg_match('/postcode|zip|town|city|street/i', $sentence) === 1) {
            return Reading::of($known->value.', '.$reading->value, $reading->confidence, $reading->said, $reading->start, $reading->end);
        }

        return $reading;
    }

    /** 'Her and three little ones' to a question for adults: the number stands before what another field counts. */
    private function countsAnother(FieldProfile $field, Heard $rest, Reading $reading, Hearing $hearing): bool
    {
        $next = array_slice(array_values(array_filter($rest->tokens, static fn (Token $token): bool => $token->start >= $reading->end)), 0, 2);
        foreach ($next as $token) {
            if ($token->afterBreak()) {
                return false;
            }
            foreach ($hearing->fields as $other) {
                if ($other->type === ValueType::Number && $other->key() !== $field->key() && $this->questions->counts($other, $token->text) && ! $this->questions->counts($field, $token->text)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** 'Just Alfie for now, Alfie Rourke': the clause that is a name, best a whole one. */
    private function nameAmong(FieldProfile $field, Heard $rest, Hearing $hearing, Reading $reading): Reading
    {
        $best = $reading;
        foreach ($this->readings->clauses($rest, true) as $tokens) {
            if (count($tokens) > 4 || preg_match('/^\p{Lu}/u', $tokens[0]->original) !== 1 && preg_match('/^\p{Lu}/u', ($tokens[1] ?? $tokens[0])->original) !== 1) {
                continue;
            }
            $one = $this->readings->read($field, $rest->only($tokens), $hearing->now, $hearing->transcript->country, true);
            if ($one->found() && is_string($one->value) && (! $best->found() || str_contains($one->value, ' '))) {
                $best = Reading::of($one->value, min(0.8, $one->confidence), $one->said, $one->start, $one->end);
            }
        }

        return $best;
    }

    /** 'The forklift one, F L 33': the clause that holds letters and digits, not the words before it. */
    private function clauseWithCode(FieldProfile $field, Heard $rest, Hearing $hearing, Reading $reading): Reading
    {
        $clauses = $this->readings->clauses($rest, true);
        if (count($clauses) !== 2 || ! $reading->found() || ! in_array($clauses[0][0]->text, ['the', 'its', "it's", 'that', 'a', 'for', 'about'], true)) {
            return $reading;
        }
        $alone = $this->readings->read($field, $rest->only($clauses[1]), $hearing->now, $hearing->transcript->country, true);

        return $alone->found() && is_string($alone->value) && preg_match('/\d/', $alone->value) === 1 && is_string($reading->value) && str_ends_with($reading->value, $alone->value) ? $alone : $reading;
    }

    /** A moment told in pieces: the day now and the hour later, or the hour of a day that was settled before. */
    private function apart(Heard $rest, Hearing $hearing, FieldProfile $field): Reading
    {
        $country = $hearing->transcript->country;
        $hour = $this->readings->plain(ValueType::Time, $rest, $hearing->now, $country, true);
        $day = $this->readings->plain(ValueType::Date, $rest, $hearing->now, $country, true);
        if (is_string($day->value) && ! $hour->found()) {
            $hearing->days[$field->key()] = $day->value;

            return Reading::none('the hour was not named');
        }
        $known = $hearing->days[$field->key()] ?? $hearing->lastDay;

        return is_string($hour->value) && $known !== null && ! $day->found() ? Reading::of($known.'T'.$hearing->hour($hour->value, (string) $hour->said), 0.8, $hour->said, $hour->start, $hour->end) : Reading::none();
    }

    /** What an answer comes to in the end: 'four or five, put five', 'I'm away on the thirteenth, so by the twelfth', 'two' of hours. */
    private function settledOn(FieldProfile $field, Heard $rest, Hearing $hearing, string $sentence, bool $firm = false): Reading
    {
        $country = $hearing->transcript->country;
        $t = $rest->tokens;
        $leads = $this->words->phrases('extraction', $firm ? 'settles_firmly' : 'settles_on');
        for ($i = count($t) - 1; $i > 0; $i--) {
            $hit = $leads->at($t, $i) ?? ($firm && $t[$i]->afterBreak() && ($t[$i]->text === 'say' || $t[$i]->text === 'make' && ($t[$i + 1]->text ?? '') === 'it') ? [$t[$i]->text, $t[$i]->text === 'make' ? 2 : 1] : null);
            if ($hit === null || ! isset($t[$i + $hit[1]]) || count($t) - $i > 9) {
                continue;
            }
            $reading = $this->readings->read($field, $rest->only(array_slice($t, $i + ($hit[0] === 'by' ? 0 : $hit[1]))), $hearing->now, $country, true);
            if ($reading->found()) {
                return Reading::of($reading->value, min(0.82, $reading->confidence), $reading->said, $reading->start, $reading->end);
            }
        }
        if ($field->type === ValueType::Duration && preg_match_all('/\b(minute|hour|day|night|week|fortnight|month|year)s?\b/i', $sentence, $m) >= 1) {
            // The question has named the unit already.
            $number = $this->readings->plain(ValueType::Number, $rest, $hearing->now, $country, true);
            if (is_int($number->value) && $number->value > 0) {
                $unit = strtolower((string) end($m[1]));
                $reading = $this->understanding->read(ValueType::Duration, $this->readings->hear($number->value.' '.$unit.'s'), new \Ringo\Understanding\Context($hearing->now, $country, [], true));

                return Reading::of($reading->value, 0.82, $number->said, $number->start, $number->end);
            }
        }

        if (! $firm && $field->type === ValueType::Number && preg_match('/\b(?:floor|level|storey|story)\b/i', $sentence.' '.$field->field->title) === 1) {
            // 'Which floor?' – 'the fourth'
            foreach ($t as $token) {
                $floor = ['ground' => 0, 'first' => 1, 'second' => 2, 'third' => 3, 'fourth' => 4, 'fifth' => 5, 'sixth' => 6, 'seventh' => 7, 'eighth' => 8, 'ninth' => 9, 'tenth' => 10][$token->text] ?? (preg_match('/^(\d{1,2})(?:st|nd|rd|th)$/', $token->text, $m) === 1 ? (int) $m[1] : null);
                if ($floor !== null) {
                    return Reading::of($floor, 0.85, $token->original, $token->start, $token->end);
                }
            }
        }
        $short = $this->readings->clauses($rest, true);
        if (! $firm && $field->type === ValueType::Number && count($short) > 1 && count($short[0]) <= 2 && in_array($short[1][0]->text, ['plus', 'and', 'not', 'with', 'though', 'if', 'but'], true)) {
            // 'Two, plus a downstairs loo'
            return $this->readings->read($field, $rest->only($short[0]), $hearing->now, $country, true);
        }
        $clauses = $this->readings->clauses($rest);
        if (! $firm && count($clauses) > 1 && preg_match('/\b(?:or|maybe|perhaps|either)\b/i', $rest->cleaned()) !== 1) {
            // 'End of June, I think. Yes, the thirtieth': the sentence that says it best is the last.
            $reading = $this->readings->read($field, $rest->only($clauses[count($clauses) - 1]), $hearing->now, $country, true);

            return $reading->found() ? Reading::of($reading->value, min(0.8, $reading->confidence), $reading->said, $reading->start, $reading->end) : Reading::none();
        }

        return Reading::none();
    }

    /** 'Gwen Tattersall, double T, double L': letters too few to spell the name only help to write it. */
    private function withoutHints(Heard $heard): Heard
    {
        $kept = [];
        $letters = 0;
        $dropped = false;
        foreach ($this->readings->clauses($heard, true) as $n => $tokens) {
            $hint = array_filter($tokens, static fn (Token $token): bool => ! $token->isLetter() && ! in_array($token->text, ['double', 'triple', 'single', 'with', 'a', 'an', 'one', 'two', 'and', 'then', 'not', "it's"], true)) === [] && array_filter($tokens, static fn (Token $token): bool => $token->isLetter() && strlen($token->text) === 1) !== [];
            $count = count(array_filter($tokens, static fn (Token $token): bool => $token->isLetter()));
            if ($n > 0 && $hint && $count <= 2 && array_filter($tokens, static fn (Token $token): bool => in_array($token->text, ['double', 'triple', 'with', 'one', 'two'], true)) !== []) {
                $letters += $count;
                $dropped = true;

                continue;
            }
            array_push($kept, ...$tokens);
        }
        $left = count(array_filter($kept, static fn (Token $token): bool => $token->isLetter() && strlen($token->text) === 1));

        return $dropped && $letters <= 4 && $left === 0 ? $heard->only($kept) : $heard;
    }

    /** 'Her dad, Imran Qureshi': whose dad is not part of the name. */
    private function withoutRelation(Heard $heard): Heard
    {
        $t = $heard->tokens;
        $relations = array_fill_keys($this->words->section('extraction', 'relations'), true);
        for ($i = 0; $i < 7 && isset($t[$i + 1]); $i++) {
            // 'A lady called Irena Petrov'
            if ($i > 0 && (in_array($t[$i]->text, ['called', 'named'], true) || $t[$i]->text === 'of' && $t[$i - 1]->text === 'name')) {
                return $heard->only(array_slice($t, $i + 1));
            }
        }
        for ($i = 0; $i < 4 && isset($t[$i + 2]); $i++) {
            if (in_array($t[$i]->text, ['her', 'his', 'their', 'my', 'the', 'our'], true) && isset($relations[$t[$i + 1]->text])) {
                return $heard->only(array_slice($t, $i + 2));
            }
        }

        return $heard;
    }

    /** 'And your surname?' completes a name. */
    private function whole(Reading $reading, string $known, Exchange $exchange, string $sentence): Reading
    {
        $last = preg_match('/\b(surname|last name|family name|second name)\b/i', $sentence) === 1;
        $first = preg_match('/\b(first name|forename|given name|christian name)\b/i', $sentence) === 1;
        if (! $last && ! $first) {
            return $reading;
        }
        if (! $reading->found() || ! is_string($reading->value)) {
            return $reading;
        }
        if (str_contains($reading->value, ' ')) {
            return $reading;
        }

        return Reading::of($last ? $known.' '.$reading->value : $reading->value.' '.$known, max(0.8, $reading->confidence), $reading->said, $reading->start, $reading->end);
    }

    private function choice(FieldProfile $field, Heard $rest, Hearing $hearing, string $sentence, ?bool $reaction): Reading
    {
        $reading = $this->readings->read($field, $rest, $hearing->now, $hearing->transcript->country, true);
        $said = $reading->found() ? $this->options->said($field, $rest) : null;
        if ($said !== null && str_word_count((string) $said->said) > max(1, str_word_count((string) $reading->said)) && $said->value !== $reading->value) {
            // 'Every other week' is no week.
            return $said;
        }
        if ($reading->found()) {
            return $reading;
        }
        // 'Is it a house?' – 'Yes': the one option that was named.
        $named = $this->readings->read($field, $sentence, $hearing->now, $hearing->transcript->country, false);
        if ($reaction === true && $named->found()) {
            $yes = $this->understanding->read(ValueType::YesNo, $rest->tokens === [] ? $this->readings->hear('yes') : $rest, new \Ringo\Understanding\Context($hearing->now));

            return Reading::of($named->value, 0.85, $yes->said, $yes->start, $yes->end);
        }

        // 'Weekdays; I've the grandchildren at weekends': what was said first answers, the rest explains.
        $clauses = $this->readings->clauses($rest, true);
        if (count($clauses) > 1 && count($clauses[0]) <= 3 && ! in_array($clauses[0][count($clauses[0]) - 1]->text, ['or', 'and'], true) && ! in_array($clauses[1][0]->text, ['or', 'and', 'no', 'actually', 'maybe', 'sorry'], true)) {
            $first = $this->readings->read($field, $rest->only($clauses[0]), $hearing->now, $hearing->transcript->country, true);
            if ($first->found()) {
                return Reading::of($first->value, min(0.85, $first->confidence), $first->said, $first->start, $first->end);
            }
        }

        return $this->options->banded($field, $this->readings->plain(ValueType::Number, $rest, $hearing->now, $hearing->transcript->country, true)) ?? $this->options->loose($field, $rest) ?? $this->options->said($field, $rest) ?? $reading;
    }

    private function text(FieldProfile $field, Exchange $exchange, Hearing $hearing, string $sentence): Reading
    {
        if ($field->narrative) {
            // Told in the caller's own words, when the whole call is known.
            return Reading::none();
        }
        $heard = $exchange->heard;
        $polar = preg_match('/^(?:and |so |ok |okay |right |now )?(?:do|does|did|is|are|was|were|have|has|had|can|could|will|would) /i', $sentence) === 1;
        if ($this->readings->refuses($heard) || $polar && ($this->readings->reaction($heard, $hearing->now) === false || $hearing->ledger->of($field->key()) !== null)) {
            return Reading::none();
        }
        $reading = $this->understanding->read(ValueType::Text, $this->trimmed($heard), new \Ringo\Understanding\Context($hearing->now));
        if (! $reading->found() || ! is_string($reading->value)) {
            return $reading;
        }
        $yes = $this->understanding->read(ValueType::YesNo, $heard, new \Ringo\Understanding\Context($hearing->now));
        if (($polar || $this->questions->opening($this->readings->hear($sentence)->all) === null) && $yes->found() && count($heard->tokens) <= 4 && strlen((string) $yes->said) > strlen($reading->value) * 0.5) {
            return Reading::none();
        }

        return mb_strlen($reading->value) > 90 ? Reading::none() : $reading;
    }

    /** Without 'yes', 'oh' and the like before the words that matter, and the question repeated. */
    private function trimmed(Heard $heard): Heard
    {
        $t = $heard->tokens;
        $greetings = $this->words->phrases('extraction', 'greetings');
        $leads = $this->words->phrases('extraction', 'attribute_leads');
        while ($t !== [] && (($hit = $greetings->at($t, 0)) !== null || ($hit = $leads->at($t, 0)) !== null) && isset($t[$hit[1]])) {
            $t = array_slice($t, $hit[1]);
        }
        $hedges = $this->words->phrases('extraction', 'hedges');
        for ($i = 1, $n = count($t); $i < $n; $i++) {
            if (($hit = $hedges->at($t, $i)) !== null && $i + $hit[1] === count($t)) {
                $t = array_slice($t, 0, $i);

                break;
            }
        }

        return $heard->only(array_values($t));
    }
}
