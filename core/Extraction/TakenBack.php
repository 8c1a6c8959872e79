<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Value\ValueType;

/** Notices what the caller takes back: 'no, it's forty-one', 'actually make it Friday', 'that's with a K'. */
final readonly class TakenBack
{
    public function __construct(private Readings $readings, private Questions $questions, private Vocabulary $words)
    {
    }

    /**
     * @param list<string> $settled
     *
     * @return list<string> fields changed
     */
    public function mend(Hearing $hearing, Exchange $exchange, ?bool $reaction, array $settled): array
    {
        if ($hearing->filled === [] || $exchange->goesOn) {
            return [];
        }
        $heard = $exchange->heard;
        $hit = $this->words->phrases('extraction', 'takes_back')->first($heard->tokens);
        // Of several such words the plainest counts: in 'no sorry, make it three' that is 'make it'.
        $hits = $this->words->phrases('extraction', 'strong_takes_back')->all($heard->tokens);
        usort($hits, static fn (array $x, array $y): int => [in_array($x[0], ['no', 'sorry', 'wait'], true), $x[1]] <=> [in_array($y[0], ['no', 'sorry', 'wait'], true), $y[1]]);
        $strong = $hits[0] ?? null;
        $opens = $hit !== null && $hit[1] <= 2;
        if (! $opens && $strong === null && $reaction !== false) {
            return $reaction === null ? $this->instead($hearing, $exchange, $settled) : [];
        }
        $stated = new Stated($this->readings, $this->questions, $this->words);
        $back = $stated->readBack($hearing, $exchange->asked);
        $checked = $back !== [] && ($stated->checks($exchange->asked) || $reaction === false);
        $named = $this->named($hearing, $heard);
        $asked = null;
        foreach ($hearing->open as $key => $question) {
            if ($question['last'] && ! $checked) {
                $asked = $hearing->field($key);

                break;
            }
        }
        $candidates = array_values(array_unique([...$named, ...($checked ? $back : []), ...($strong !== null && ($strong[2] > 1 || ! in_array($strong[0], ['no', 'sorry', 'wait'], true) || $checked) ? array_reverse($hearing->filled) : [])]));
        if (preg_match('/\d{3}|(?:\b(?:oh|zero|one|two|three|four|five|six|seven|eight|nine|double)\b\W*){3}/i', $heard->original) === 1) {
            // A run of digits mends a number before anything else.
            usort($candidates, static fn (string $a, string $b): int => (int) in_array($hearing->field($b)?->type, [ValueType::Phone, ValueType::Reference], true) <=> (int) in_array($hearing->field($a)?->type, [ValueType::Phone, ValueType::Reference], true));
        }
        $found = [];
        foreach ($candidates as $key) {
            $field = $hearing->field($key);
            $claim = $hearing->ledger->of($key);
            if ($field === null || $claim === null || in_array($key, $settled, true) || in_array($field->type, [ValueType::Text, ValueType::YesNo], true)) {
                continue;
            }
            // The answer to the question at hand is no correction of another value of its kind.
            if ($asked !== null && ! in_array($key, $named, true) && $asked->kin() === $field->kin()) {
                continue;
            }
            if ($field->tense === 'past' && ! in_array($key, $named, true) && ! ($checked && in_array($key, $back, true))) {
                continue;
            }
            $reading = $this->reading($hearing, $field, $claim, $heard, in_array($key, $named, true), $checked && in_array($key, $back, true));
            if ($reading !== null) {
                foreach ($found as [$other, $rival]) {
                    if ($rival->overlaps($reading) || $hearing->field($other)?->kin() === $field->kin()) {
                        continue 2;
                    }
                }
                $found[] = [$key, $reading];
            }
        }
        $changed = [];
        foreach ($found as [$key, $reading]) {
            $field = $hearing->field($key);
            if ($field !== null) {
                $hearing->take($field, $reading, $exchange, Claim::CORRECTED);
                $changed[] = $key;
            }
        }
        // What was read back and not touched by the correction stands.
        if ($changed !== [] && $checked) {
            foreach (array_diff($back, $changed) as $key) {
                $hearing->ledger->confirm($key);
            }
        }

        return $changed;
    }

    /**
     * 'That is 8 Weir Court, is that right?' – '3 Weir Court, Oldmere': no yes and no no, but another value of that kind and nothing else.
     *
     * @param list<string> $settled
     *
     * @return list<string> fields changed
     */
    private function instead(Hearing $hearing, Exchange $exchange, array $settled): array
    {
        $stated = new Stated($this->readings, $this->questions, $this->words);
        if ($exchange->keys || ! $stated->checks($exchange->asked)) {
            return [];
        }
        $length = strlen($exchange->heard->cleaned());
        foreach ($stated->readBack($hearing, $exchange->asked) as $key) {
            $field = $hearing->field($key);
            $claim = $hearing->ledger->of($key);
            if ($field === null || $claim === null || in_array($key, $settled, true) || in_array($field->type, [ValueType::Text, ValueType::YesNo], true)) {
                continue;
            }
            $reading = $this->reading($hearing, $field, $claim, $exchange->heard, false, true);
            if ($reading !== null && strlen((string) $reading->said) >= 0.6 * $length) {
                $hearing->take($field, $reading, $exchange, Claim::CORRECTED);

                return [$key];
            }
        }

        return [];
    }

    private function reading(Hearing $hearing, FieldProfile $field, Claim $claim, Heard $heard, bool $named, bool $readBack): ?\Ringo\Understanding\Reading
    {
        $country = $hearing->transcript->country;
        $stripped = $this->stripped($this->readings->wanted($heard));
        $asked = $readBack || $named || ! in_array($field->type, [ValueType::PersonName, ValueType::Number, ValueType::PostalAddress, ValueType::Reference, ValueType::Choice, ValueType::Money], true);
        $alone = $this->readings->read($field, $stripped, $hearing->now, $country, $asked);
        if ($alone->found() && $field->type === ValueType::Number && ! $named && preg_match('/\b(am|pm|o\'?clock|monday|tuesday|wednesday|thursday|friday|saturday|sunday|st|th|nd|rd)\b/i', $heard->original) === 1) {
            return null;
        }
        if ($alone->found() && $field->type === ValueType::Number && ! $named && preg_match('/\b(?:unit|flat|number|suite|apartment|plot|house|room|road|street|lane|court|close|avenue)\b/i', $heard->original) === 1) {
            return null;
        }
        if ($alone->found() && $field->type === ValueType::Number && ! $readBack && preg_match('/^(?:the )?(?:one|first|second|third|last|next|\d+(?:st|nd|rd|th))$/i', trim((string) $alone->said)) === 1) {
            // 'I haven't got one, it's my first order' counts nothing.
            return null;
        }
        if ($alone->found() && $field->type === ValueType::Number && ! $named && ! $readBack && is_numeric($claim->value) && is_numeric($alone->value) && $claim->value > 0 && $alone->value > 0 && max($claim->value / $alone->value, $alone->value / $claim->value) > 20) {
            // 'Make it eleven' mends no mileage.
            return null;
        }
        if ($field->type === ValueType::PostalAddress && preg_match('/\b(?:at|in) the (?:end|beginning|start|middle)\b/i', $heard->original) === 1) {
            return null;
        }
        $mends = is_string($claim->value) && in_array($field->type, [ValueType::PersonName, ValueType::Email, ValueType::Phone, ValueType::Date, ValueType::DateTime, ValueType::Reference, ValueType::PostalAddress], true);
        if ($mends && ($alone->found() || $readBack || $named)) {
            $joined = $this->readings->read($field, $claim->value.', no, '.$this->line($stripped), $hearing->now, $country, true);
            if ($joined->found() && $joined->value !== $claim->value && (! $alone->found() || $this->fuller($field, $joined->value, $alone->value))) {
                return \Ringo\Understanding\Reading::of($joined->value, max(0.82, $joined->confidence), $heard->original, $heard->tokens[0]->start ?? 0, ($heard->tokens[0]->start ?? 0) + 1);
            }
        }
        if (! $alone->found() || $alone->value === $claim->value || $alone->confidence < 0.5) {
            return null;
        }

        return \Ringo\Understanding\Reading::of($alone->value, max(0.85, $alone->confidence), $alone->said, $alone->start, $alone->end);
    }

    /** Whether a mended value says more than the correction alone. */
    private function fuller(FieldProfile $field, mixed $joined, mixed $alone): bool
    {
        return match ($field->type) {
            ValueType::PersonName => is_string($joined) && is_string($alone) && ! str_contains($alone, ' ') && str_contains($joined, ' '),
            ValueType::PostalAddress => is_string($joined) && is_string($alone) && strlen($joined) > strlen($alone),
            ValueType::Date, ValueType::DateTime => false,
            default => is_string($joined) && is_string($alone) && strlen($joined) > strlen($alone),
        };
    }

    /** @return list<string> filled fields that the caller names: 'the date should be', 'my surname is' */
    private function named(Hearing $hearing, Heard $heard): array
    {
        $named = [];
        foreach (array_reverse($hearing->filled) as $key) {
            $field = $hearing->field($key);
            if ($field === null) {
                continue;
            }
            [$names] = $this->questions->overlap($field, $heard->tokens);
            $cue = $this->questions->cue($field->type, $heard->tokens);
            if ($names >= 0.6 || $cue >= 0.7 && ! in_array($field->type, [ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::Number, ValueType::Choice, ValueType::Money, ValueType::Duration, ValueType::Text, ValueType::YesNo], true)) {
                $named[] = $key;
            }
        }

        return $named;
    }

    private function stripped(Heard $heard): Heard
    {
        $tokens = $heard->tokens;
        $openers = $this->words->phrases('extraction', 'takes_back');
        for ($i = 0; $i < 4 && ($hit = $openers->at($tokens, 0)) !== null && isset($tokens[$hit[1]]) && ! in_array($hit[0], ['not', "it's not"], true); $i++) {
            $tokens = array_slice($tokens, $hit[1]);
        }

        return $heard->only(array_values($tokens));
    }

    private function line(Heard $heard): string
    {
        return trim(implode('', array_map(static fn ($token): string => ($token->gap === '' ? '' : (trim($token->gap) === '' ? ' ' : $token->gap)).$token->original, $heard->tokens)), ' ,.;');
    }
}
