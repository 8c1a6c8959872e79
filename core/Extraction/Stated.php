<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/**
 * What the other side stated: read back, offered, or told.
 *
 * It becomes a value only where the caller agrees to it; what is merely told (the shop's number, a price) is nobody's.
 */
final readonly class Stated
{
    public function __construct(private Readings $readings, private Questions $questions, private Vocabulary $words)
    {
    }

    /** Takes back what the caller wished for where the other side cannot give it. */
    public function deny(Hearing $hearing, Exchange $exchange): void
    {
        if ($exchange->asked === '' || ! $this->words->phrases('extraction', 'denials')->in($this->readings->hear($exchange->asked)->all)) {
            return;
        }
        foreach ($hearing->ledger->claims() as $key => $claim) {
            $type = $hearing->field($key)?->type;
            if ($claim->turn !== null && $claim->turn >= $exchange->turn - 2 && ! $claim->confirmed && $claim->origin !== Claim::AGREED
                && in_array($type, [ValueType::Date, ValueType::Time, ValueType::DateTime], true) && $hearing->field($key)?->tense !== 'past'
                && ! $this->stillOffered($hearing, $exchange, $key)) {
                $hearing->ledger->drop($key);
            }
        }
    }

    /**
     * @return list<string> fields settled by the caller's yes, or by the choice between what was offered
     */
    public function settle(Hearing $hearing, Exchange $exchange, ?bool $reaction): array
    {
        if ($exchange->asked === '' || $exchange->goesOn) {
            return [];
        }
        $town = $this->town($hearing, $exchange, $reaction);
        if ($town !== null) {
            return [$town];
        }
        $chosen = $this->chosen($hearing, $exchange);
        if ($chosen !== []) {
            return $chosen;
        }
        $picked = $this->picked($hearing, $exchange, $reaction);
        if ($picked !== []) {
            return $picked;
        }
        $countered = $this->counter($hearing, $exchange);
        $taken = $reaction !== false && $this->words->phrases('extraction', 'takes_offer')->in($exchange->heard->all);
        if ($countered !== [] || $reaction !== true && ! $taken) {
            return $countered;
        }
        $settled = [];
        $targets = $this->targets($exchange->asked, $taken);
        foreach ($targets as $sentence) {
            foreach ($hearing->fields as $field) {
                // What the question itself names goes before what was said on the way to it: 'we close at half five; would ten past do?'
                if (! $sentence['asks'] && in_array($field->type, [ValueType::Date, ValueType::Time, ValueType::DateTime], true) && $this->askedItself($hearing, $field, $targets)) {
                    continue;
                }
                $reading = $this->stated($hearing, $field, $sentence['text'], $sentence['check'] || $sentence['offer']);
                if ($reading === null || ! $reading->found()) {
                    continue;
                }
                // 'I can do fifty on Friday': a counter-offer, not a yes.
                if ($this->countered($hearing, $exchange, $field, $reading)) {
                    continue;
                }
                // 'Is that Mr Pemberton?' – 'Mrs Gillian Pemberton, yes': the caller's own words say it better.
                $own = match ($field->type) {
                    ValueType::PersonName => $this->ownName($hearing, $field, $exchange, $reading),
                    ValueType::PostalAddress => $this->fullerAddress($hearing, $field, $exchange, $reading),
                    default => null,
                };
                if ($own !== null) {
                    $hearing->take($field, $own, $exchange, Claim::ANSWERED);
                    $settled[] = $field->key();

                    continue;
                }
                if ($this->agreed($hearing, $exchange, $field, $reading, $sentence)) {
                    $settled[] = $field->key();
                }
            }
        }

        return array_values(array_unique($settled));
    }

    /** @param list<array{text: string, check: bool, offer: bool, sure: bool, asks: bool}> $targets */
    private function askedItself(Hearing $hearing, FieldProfile $field, array $targets): bool
    {
        foreach ($targets as $sentence) {
            if ($sentence['asks'] && $this->stated($hearing, $field, $sentence['text'], true)?->found() === true) {
                return true;
            }
        }

        return false;
    }

    private function ownName(Hearing $hearing, FieldProfile $field, Exchange $exchange, Reading $stated): ?Reading
    {
        $capitals = array_values(array_filter($exchange->heard->tokens, static fn (Token $token): bool => preg_match('/^\p{Lu}\p{Ll}/u', $token->original) === 1));
        if (count($capitals) < 2 || ! is_string($stated->value)) {
            return null;
        }
        foreach ([$exchange->heard->tokens, ...$this->readings->clauses($exchange->heard, true)] as $tokens) {
            $own = $this->readings->read($field, $exchange->heard->only($tokens), $hearing->now, $hearing->transcript->country, true);
            if ($own->found() && is_string($own->value) && str_contains($own->value, ' ')) {
                break;
            }
        }
        if (! $own->found() || ! is_string($own->value) || ! str_contains($own->value, ' ')) {
            return null;
        }

        return array_intersect(explode(' ', mb_strtolower($own->value)), explode(' ', mb_strtolower($stated->value))) !== [] && $own->value !== $stated->value ? $own : null;
    }

    /**
     * 'We have tomorrow, eight to noon or noon to five' – 'let's do morning': who picks a part of a day that was offered takes the day.
     *
     * @return list<string>
     */
    private function picked(Hearing $hearing, Exchange $exchange, ?bool $reaction): array
    {
        if (preg_match('/\b(?:or)\b/i', $exchange->asked) !== 1 || str_contains($exchange->heard->original, '?') || $this->readings->turnedDown($exchange->heard) || $this->day($exchange->heard, $hearing, false) !== null) {
            return [];
        }
        $days = [];
        foreach ($this->questions->sentences($exchange->asked) as $sentence) {
            $day = preg_match('/\bor\b/i', $sentence['text']) === 1 ? $this->day($this->readings->hear($sentence['text']), $hearing, false) : null;
            $days += $day === null ? [] : [$day => $sentence['text']];
        }
        $picks = array_filter($hearing->fields, fn (FieldProfile $field): bool => $field->type === ValueType::Choice && $this->readings->read($field, $exchange->heard, $hearing->now, $hearing->transcript->country, true)->found() && $this->readings->phrases('half.'.$field->key(), array_merge(...array_map(static fn (array $option): array => [$option['label'], ...$option['phrases']], $field->field->options)))->in($this->readings->hear($exchange->asked)->all));
        $field = count($days) === 1 && $picks !== [] ? $this->likeliest($hearing, $exchange, 'day', (string) reset($days)) : null;
        if ($field === null || $field->type !== ValueType::Date || ($hearing->ledger->of($field->key())->origin ?? Claim::WANTED) !== Claim::WANTED) {
            return [];
        }
        $hearing->claim($field, (string) array_key_first($days), 0.82, $exchange, '', Claim::AGREED);

        return [$field->key()];
    }

    /** What the caller wished for and the other side grants: 'could we do Friday?' – 'Friday at two, no problem'. */
    public function grant(Hearing $hearing, Exchange $exchange): void
    {
        $wished = $hearing->lastSaid === '' ? null : $this->day($this->readings->wanted($this->readings->hear($hearing->lastSaid)), $hearing, false);
        if ($hearing->lastSaid !== '' && $exchange->asked !== '' && ! $this->words->phrases('extraction', 'denials')->in($this->readings->hear($exchange->asked)->all)) {
            $this->granted($hearing, $exchange);
        }
        if ($wished === null && $hearing->days === [] || $exchange->asked === '' || $this->words->phrases('extraction', 'denials')->in($this->readings->hear($exchange->asked)->all)) {
            return;
        }
        foreach ($hearing->days as $key => $day) {
            // The other side names the hour of a day the caller has named: 'the matinee is at half past two'.
            foreach ($hearing->unanswered($key) ? $this->questions->sentences($exchange->asked) : [] as $sentence) {
                $hour = str_contains($sentence['text'], '?') || preg_match('/\b(?:open|close|shut)/i', $sentence['text']) === 1 || preg_match('/\\bat (?:about )?(?:\\d|half|quarter|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|noon)/i', $sentence['text']) !== 1 ? null : $this->hour($this->readings->hear($sentence['text']), $hearing, true);
                $field = $hour === null ? null : $hearing->field($key);
                if ($field !== null && ! $this->questionsDay($sentence['text'], $hearing, $day)) {
                    $hearing->claim($field, $day.'T'.$hour, 0.76, $exchange, '', Claim::AGREED);

                    return;
                }
            }
        }
        foreach ($wished === null ? [] : $this->questions->sentences($exchange->asked) as $sentence) {
            if (str_contains($sentence['text'], '?')) {
                return;
            }
            $field = $this->likeliest($hearing, $exchange, 'day', $sentence['text']);
            if ($field === null || $field->type !== ValueType::DateTime || ! $hearing->unanswered($field->key())) {
                continue;
            }
            $reading = $this->stated($hearing, $field, $sentence['text'], true);
            if ($reading?->found() === true && is_string($reading->value) && substr($reading->value, 0, 10) === $wished) {
                $hearing->claim($field, $reading->value, 0.84, $exchange, '', Claim::AGREED);

                return;
            }
        }
    }

    /** What the caller asked for and the other side says back with a yes of its own: a sum, a day, an hour. */
    private function granted(Hearing $hearing, Exchange $exchange): void
    {
        $last = $this->readings->hear($hearing->lastSaid);
        foreach ($this->questions->sentences($exchange->asked) as $sentence) {
            // Who was asked for a day and says that day again grants it, whatever the words.
            if (str_contains($sentence['text'], '?') || ! str_contains($hearing->lastSaid, '?') && ! $this->words->phrases('extraction', 'grants')->in($sentence['tokens'])) {
                continue;
            }
            foreach ($hearing->fields as $field) {
                $known = $hearing->ledger->of($field->key());
                $kin = array_filter($hearing->fields, static fn (FieldProfile $one): bool => $one->type === $field->type && $one->tense !== 'past');
                if (! in_array($field->type, [ValueType::Money, ValueType::Date, ValueType::Time], true) || $field->tense === 'past' || count($kin) !== 1 || $known !== null && ! in_array($known->origin, [Claim::WANTED, Claim::VOLUNTEERED], true)) {
                    continue;
                }
                if ($field->type === ValueType::Date && $this->several($hearing, $exchange, $field, $sentence['text'])) {
                    continue;
                }
                $granted = $this->stated($hearing, $field, $sentence['text'], true);
                $own = Reading::none();
                // What was said last counts: 'ten's a bit much; could I do five?'
                foreach ([$last->tokens, ...array_reverse($this->readings->clauses($last, true))] as $tokens) {
                    $part = $last->only($tokens);
                    $own = $own->found() ? $own : $hearing->dated($field, $this->readings->read($field, $field->type === ValueType::Money ? $part : $this->readings->wanted($part), $hearing->now, $hearing->transcript->country, true));
                }
                // A day that was offered before counts once the hour has been agreed on.
                if ($granted?->found() === true && ($own->value === $granted->value || $field->type === ValueType::Date && ! $own->found() && $known === null) && $granted->value !== $known?->value && preg_match('/\b(?:open|close|shut)/i', $sentence['text']) !== 1) {
                    $hearing->claim($field, $granted->value, 0.82, $exchange, '', Claim::AGREED);
                }
            }
        }
    }

    /** 'Denver?' – 'Denver, yeah': a town that completes the address just given. */
    private function town(Hearing $hearing, Exchange $exchange, ?bool $reaction): ?string
    {
        if ($reaction !== true || preg_match('/^(?:(?:is )?(?:that(?:\'s)? )?in |and that\'s |so )?(\p{Lu}\p{L}+(?: \p{Lu}\p{L}+)?)\?$/u', trim($exchange->asked), $m) !== 1) {
            return null;
        }
        $key = end($hearing->filled);
        $field = $key === false ? null : $hearing->field($key);
        $claim = $key === false ? null : $hearing->ledger->of($key);
        if ($field === null || $field->type !== ValueType::PostalAddress || ! is_string($claim?->value) || str_contains($claim->value, $m[1])) {
            return null;
        }
        $hearing->claim($field, $claim->value.', '.$m[1], 0.86, $exchange, '', Claim::AGREED);

        return $field->key();
    }

    /** Whether anybody has spoken of changing something so far. */
    private function changes(Hearing $hearing, Exchange $exchange): bool
    {
        foreach ($hearing->transcript->turns as $i => $turn) {
            if ($i <= $exchange->turn && $turn->by === 'caller' && preg_match("/\\b(?:mov(?:e|ing)|chang(?:e|ing)|reschedul\\w*|rearrang\\w*|instead|different|another (?:day|date|time)|put (?:it|that) back|postpone|bring (?:it|that) forward|can't make|cannot make|can't do|won't be|later|earlier|swap)\\b/i", $turn->text) === 1) {
                return true;
            }
        }

        return false;
    }

    /** Whether a sentence speaks of another day than the one that waits for its hour. */
    private function questionsDay(string $sentence, Hearing $hearing, string $day): bool
    {
        $other = $this->day($this->readings->hear($sentence), $hearing, false);

        return $other !== null && $other !== $day;
    }

    /** Whether a sentence names a price that the field is about, its unit left out: 'it's sixty-five to the airport'. */
    private function priced(FieldProfile $field, string $sentence): bool
    {
        return preg_match('/\b(?:agree[sd]?|accept(?:s|ed)?|quoted|fare|fee)\b/i', $field->field->title.' '.str_replace('_', ' ', $field->key()).' '.$field->field->description) === 1
            && preg_match("/\\b(?:it's|that's|it'll be|that'll be|they're|it is|that is|comes to|fare is|fee is|price is|charge is|cost is|offer|offer you|do it for|go to|make it|let you have it for)\\s+(?:about |around |just |only |roughly )?(?:\\d|an? hundred|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)/i", $sentence) === 1
            && preg_match("/o'?clock|minutes|hours|days|weeks|miles\\b/i", $sentence) !== 1;
    }

    /** 'Same address, 77 Maple Drive?' – '77 Maple Drive in Plano'. */
    private function fullerAddress(Hearing $hearing, FieldProfile $field, Exchange $exchange, Reading $stated): ?Reading
    {
        $own = $this->readings->read($field, $exchange->heard, $hearing->now, $hearing->transcript->country, true);

        return $own->found() && is_string($own->value) && is_string($stated->value) && strlen($own->value) > strlen($stated->value) && stripos($own->value, $stated->value) === 0 ? $own : null;
    }

    private function countered(Hearing $hearing, Exchange $exchange, FieldProfile $field, Reading $stated): bool
    {
        if (! in_array($field->type, [ValueType::Money, ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::Number, ValueType::Duration], true)) {
            return false;
        }
        $said = $this->readings->wanted($exchange->heard);
        $own = $hearing->dated($field, $this->readings->read($field, $said, $hearing->now, $hearing->transcript->country, true));

        if ($own->found() && $own->value !== $stated->value && $field->type === ValueType::Money && preg_match('/\?|\b(?:agree|pay|offer|could|would|can)\b/i', $exchange->asked) === 1 && ($hearing->ledger->of($field->key()) === null) && $this->questions->overlap($field, $this->readings->hear($exchange->asked)->all)[0] >= 0.3) {
            $hearing->take($field, $own, $exchange, Claim::ANSWERED);
        }

        return $own->found() && $own->value !== $stated->value && ! ($field->type === ValueType::DateTime && is_string($own->value) && is_string($stated->value) && substr($own->value, 0, 10) === substr($stated->value, 0, 10));
    }

    /**
     * Fields whose held value stands in what the other side just said.
     *
     * @return list<string>
     */
    public function readBack(Hearing $hearing, string $asked): array
    {
        $fields = [];
        foreach ($hearing->fields as $field) {
            $held = $hearing->ledger->of($field->key());
            if ($held === null) {
                continue;
            }
            if (is_string($held->value) && strlen($held->value) > 4 && str_contains($this->bare($asked), $this->bare($held->value))) {
                $fields[] = $field->key();

                continue;
            }
            foreach ($this->questions->sentences($asked) as $sentence) {
                $reading = $this->stated($hearing, $field, $sentence['text'], true);
                if ($reading !== null && $reading->found() && ($field->tense !== 'past' || $reading->value === $held->value || $this->questions->overlap($field, $sentence['tokens'])[0] >= 0.5)) {
                    $fields[] = $field->key();

                    continue 2;
                }
            }
        }

        return $fields;
    }

    private function bare(string $text): string
    {
        return trim((string) preg_replace('/[^\p{L}\p{N}]+/u', ' ', mb_strtolower($text)));
    }

    /** Whether the words ask for a yes to what they say. */
    public function checks(string $asked): bool
    {
        $sentences = $this->questions->sentences($asked);
        $last = end($sentences);

        return $last !== false && ($this->words->phrases('extraction', 'checks')->in($last['tokens']) && ($last['question'] || count($sentences) === 1) || count($sentences) > 1 && $this->words->phrases('extraction', 'checks')->in($sentences[0]['tokens']) && ! $last['question']);
    }

    /**
     * The sentences that a yes would be about.
     *
     * @param bool $taken whether the caller takes what was told, offered or not: 'let's go with that'
     *
     * @return list<array{text: string, check: bool, offer: bool, sure: bool, asks: bool}>
     */
    private function targets(string $asked, bool $taken = false): array
    {
        $sentences = $this->questions->sentences($asked);
        $marked = array_map(fn (array $sentence): array => [
            'text' => $sentence['text'],
            'check' => $this->words->phrases('extraction', 'checks')->in($sentence['tokens']),
            'offer' => $this->words->phrases('extraction', 'offers')->in($sentence['tokens']),
            'question' => str_contains($sentence['text'], '?'),
        ], $sentences);
        $questions = array_keys(array_filter($marked, static fn (array $one): bool => $one['question']));
        $last = $questions === [] ? null : end($questions);
        $targets = [];
        foreach ($marked as $i => $one) {
            // A question of its own between a statement and the answer takes the yes for itself.
            $for = $last === null || $i === $last || ($marked[$last]['check'] || $marked[$last]['offer']) && ! $one['question'];
            if ($for) {
                // A bare value with a question mark is offered: 'Friday at nine?'.
                $bare = $one['question'] && preg_match('/^(?:and |so )?(?:what|when|where|who|which|how|why|can i|could i|may i)\b/i', $one['text']) !== 1;
                $targets[] = ['text' => $one['text'], 'check' => $one['check'] || $last !== null && $marked[$last]['check'] || $bare && str_word_count($one['text']) <= 6, 'offer' => $taken || $bare || $one['offer'] || $last !== null && $marked[$last]['offer'], 'sure' => $last !== null, 'asks' => $i === $last];
            }
        }

        return $targets;
    }

    /** @param array{text: string, check: bool, offer: bool, sure: bool, asks: bool} $sentence */
    private function agreed(Hearing $hearing, Exchange $exchange, FieldProfile $field, Reading $reading, array $sentence): bool
    {
        $key = $field->key();
        $known = $hearing->ledger->of($key);
        if ($known?->origin === Claim::WANTED && $known->value !== $reading->value && in_array($field->type, [ValueType::Number, ValueType::Money, ValueType::Duration], true)) {
            // What was only asked after gives way to what is agreed on.
            $hearing->ledger->drop($key);
            $known = null;
        }
        if ($known !== null && $known->value === $reading->value) {
            $hearing->ledger->confirm($key);

            return true;
        }
        $when = in_array($field->type, [ValueType::Date, ValueType::Time, ValueType::DateTime], true);
        if ($known !== null) {
            $near = is_string($known->value) && is_string($reading->value) && levenshtein(substr(strtolower($known->value), 0, 250), substr(strtolower($reading->value), 0, 250)) <= 4 && abs(strlen($known->value) - strlen($reading->value)) <= 2;
            $may = $when ? $field->tense !== 'past' && ($sentence['check'] || $sentence['offer'] || ! $sentence['sure']) && ! $this->several($hearing, $exchange, $field, $sentence['text'])
                : ($field->type === ValueType::PersonName ? $near && ! str_contains($exchange->asked, 'speaking') : ($near && $sentence['check']));
            if (! $may) {
                return false;
            }
            $hearing->claim($field, $reading->value, 0.86, $exchange, '', Claim::AGREED);
            if (! $when) {
                $hearing->ledger->replace($key, ($hearing->ledger->of($key) ?? throw new \LogicException('just taken'))->doubted('read back differently from what was said; please check'));
            }

            return true;
        }
        if ($when && preg_match('/\b(?:new|changed|moved|rescheduled|alternative|rearranged)\b/i', $field->field->title.' '.str_replace('_', ' ', $key)) === 1 && ! $this->changes($hearing, $exchange)) {
            // 'We come on Wednesday, is that still fine?' – 'yes': nothing is new.
            return false;
        }
        foreach ($hearing->fields as $other) {
            // The same day is not taken for a second field as well.
            if ($when && $other->key() !== $key && $other->kin() === $field->kin() && $hearing->ledger->of($other->key())?->value === $reading->value) {
                return false;
            }
        }
        $tokens = $this->readings->hear($sentence['text'])->all;
        [$names, $more] = $this->questions->overlap($field, $tokens);
        $may = match ($field->type) {
            ValueType::Date, ValueType::DateTime, ValueType::Time => $field->tense !== 'past' && ($sentence['check'] || $sentence['offer']) && ! $this->several($hearing, $exchange, $field, $sentence['text']) || $names >= 0.6 && $sentence['check'],
            ValueType::Phone => ($sentence['check'] || $sentence['sure']) && preg_match('/\b(?:your (?:number|mobile|phone|telephone|cell|contact|landline|daytime)|as your (?:tele)?phone|you on|reach you|call you|ring you|contact you|number (?:is|as|ending)|number for you|good number|best number|right number|number still)\b/i', $sentence['text']) === 1 && preg_match('/\b(our|my|call us|ring us)\b/i', $sentence['text']) !== 1,
            ValueType::Email => preg_match('/\b(our|my|email us)\b/i', $sentence['text']) !== 1 && ($sentence['check'] || $sentence['sure']),
            ValueType::PersonName => $sentence['sure'] && $field->role !== 'other' || $names >= 0.7 && $sentence['check'],
            ValueType::PostalAddress => preg_match("/\b(our|we're at|we are at|find us)\b/i", $sentence['text']) !== 1 && ($sentence['check'] || $sentence['sure']),
            ValueType::Choice => $sentence['check'] || $sentence['offer'] || $sentence['sure'] && $names + $more >= 0.3,
            ValueType::Reference => $sentence['check'] && ($names >= 0.5 || $field->pattern !== null) && preg_match('/\b(?:our|my|your reference is|reference for this|here is your|will be)\b/i', $sentence['text']) !== 1,
            ValueType::Number, ValueType::Duration => ($sentence['check'] || $sentence['offer'] && $names >= 0.5) && $names + $more >= 0.5 || $field->people && $this->readings->hear($sentence['text'])->tokens !== [] && $sentence['check'],
            ValueType::Money => (preg_match('/\b(?:budget|limit|maximum|max|most|top|up to)\b/i', $field->field->title.' '.str_replace('_', ' ', $key)) !== 1 || $sentence['check'] && str_word_count($sentence['text']) <= 7) && (($sentence['check'] || $sentence['offer']) && $names >= 0.7 || preg_match('/\b(?:agree[sd]?|accept(?:s|ed)?|pays?|paid|quoted)\b/i', $field->field->title.' '.str_replace('_', ' ', $key).' '.$field->field->description) === 1),
            default => false,
        };
        if (! $may) {
            return false;
        }
        $hearing->claim($field, $reading->value, $sentence['check'] || $when ? 0.86 : 0.8, $exchange, '', Claim::AGREED);

        return true;
    }

    /** The last words of the other side: 'we'll see you tomorrow at two'. */
    public function close(Hearing $hearing, Exchange $exchange): void
    {
        $closings = $this->words->phrases('extraction', 'closings');
        foreach ($this->questions->sentences($exchange->asked) as $sentence) {
            if (! $closings->in($sentence['tokens'])) {
                continue;
            }
            foreach ($hearing->fields as $field) {
                $known = $hearing->ledger->of($field->key());
                if (! in_array($field->type, [ValueType::Date, ValueType::Time, ValueType::DateTime], true) || $field->tense === 'past' || $known !== null && ! in_array($known->origin, [Claim::WANTED, Claim::AGREED], true)) {
                    continue;
                }
                $reading = $this->stated($hearing, $field, $sentence['text'], true);
                $elsewhere = array_filter($hearing->fields, static fn (FieldProfile $one): bool => $one->kin() === $field->kin() && $one->key() !== $field->key() && is_string($hearing->ledger->of($one->key())?->value) && is_string($reading?->value) && str_starts_with($hearing->ledger->of($one->key())->value, substr($reading->value, 0, 10)));
                if ($reading?->found() === true && $elsewhere === [] && ! $this->several($hearing, $exchange, $field, $sentence['text']) && $reading->value !== $known?->value) {
                    $hearing->claim($field, $reading->value, 0.8, $exchange, '', Claim::AGREED);
                }
            }
        }
    }

    /**
     * A day or an hour set against the one that was offered: 'could we say two?'.
     *
     * @return list<string> fields filled
     */
    private function counter(Hearing $hearing, Exchange $exchange): array
    {
        foreach ($hearing->open as $key => $question) {
            if ($question['last'] && ! in_array($hearing->field($key)?->type, [ValueType::DateTime, ValueType::Date, ValueType::Time], true)) {
                // 'How many?' – 'five' is no hour.
                return [];
            }
        }
        if (array_filter($hearing->fields, static fn (FieldProfile $field): bool => $field->type === ValueType::DateTime) === []) {
            return $this->counterApart($hearing, $exchange);
        }
        $said = $this->readings->wanted($exchange->heard);
        $hour = $this->hour($said, $hearing, true);
        if ($hour === null || $this->day($said, $hearing, true) !== null) {
            return [];
        }
        foreach ($this->targets($exchange->asked) as $sentence) {
            $field = $sentence['offer'] || $sentence['check'] ? $this->likeliest($hearing, $exchange, 'day', $sentence['text']) : null;
            $stated = $field === null || $field->type !== ValueType::DateTime ? null : $this->stated($hearing, $field, $sentence['text'], true);
            if ($field !== null && $stated?->found() === true && is_string($stated->value) && substr($stated->value, 11) !== $hour) {
                $hearing->claim($field, substr($stated->value, 0, 11).$hour, 0.8, $exchange, '', Claim::WANTED);

                return [$field->key()];
            }
        }

        return [];
    }

    /**
     * The same where day and hour are fields of their own: 'Monday at eight?' – 'bit early; half nine?' keeps the Monday.
     *
     * @return list<string> fields filled
     */
    private function counterApart(Hearing $hearing, Exchange $exchange): array
    {
        $hour = $this->hour($exchange->heard, $hearing, true);
        if ($hour === null || $this->day($exchange->heard, $hearing, true) !== null) {
            return [];
        }
        foreach ($this->targets($exchange->asked) as $sentence) {
            $offered = $this->hour($this->readings->hear($sentence['text']), $hearing, true);
            $day = ($sentence['offer'] || $sentence['check']) && $offered !== null && $offered !== $hour ? $this->day($this->readings->hear($sentence['text']), $hearing, true) : null;
            $date = $day === null ? null : $this->kind($hearing, ValueType::Date);
            $time = $day === null ? null : $this->kind($hearing, ValueType::Time);
            if ($date !== null && $time !== null && $hearing->unanswered($date->key())) {
                $hearing->claim($date, $day, 0.8, $exchange, '', Claim::AGREED);
                $hearing->claim($time, $hour, 0.8, $exchange, '', Claim::WANTED);

                return [$date->key(), $time->key()];
            }
        }

        return [];
    }

    /** Whether more than one field could be meant by a day or an hour. */
    private function several(Hearing $hearing, Exchange $exchange, FieldProfile $field, string $sentence): bool
    {
        return $this->likeliest($hearing, $exchange, $field->kin(), $sentence)?->key() !== $field->key();
    }

    /** Of several fields that a day or an hour could belong to, the one the talk is about. */
    private function likeliest(Hearing $hearing, Exchange $exchange, string $kin, string $sentence): ?FieldProfile
    {
        $tokens = $this->readings->hear($exchange->asked.' '.$this->before($hearing, $exchange))->all;
        $hour = $this->hour($this->readings->hear($sentence), $hearing, true) !== null || preg_match("/\\bat (?:\\d|half|quarter|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)|\\d[:.]\\d\\d|o'?clock|\\d ?[ap]m/i", $sentence) === 1;
        $best = null;
        $most = -INF;
        foreach ($hearing->fields as $field) {
            if ($field->kin() !== $kin || $field->tense === 'past') {
                continue;
            }
            $known = $hearing->ledger->of($field->key());
            $score = $this->questions->overlap($field, $tokens)[0] + 0.4 * $this->questions->overlap($field, $tokens)[1] + (isset($hearing->open[$field->key()]) ? 0.4 : 0.0)
                + ($field->type === ValueType::DateTime ? ($hour ? 0.3 : -0.3) : 0.0) - ($field->span === 'end' ? 0.1 : 0.0) - ($known !== null && $known->origin !== Claim::WANTED ? 0.25 : 0.0)
                + ($field->span === 'end' && $this->words->phrases('extraction', 'span_back')->in($tokens) ? 0.4 : 0.0);
            if ($score > $most + 0.001) {
                [$best, $most] = [$field, $score];
            }
        }

        return $best;
    }

    /** What the caller said last before this. */
    private function before(Hearing $hearing, Exchange $exchange): string
    {
        for ($i = $exchange->turn - 1; $i >= 0; $i--) {
            if ($hearing->transcript->turns[$i]->by === 'caller') {
                return $hearing->transcript->turns[$i]->text;
            }
        }

        return '';
    }

    private function stated(Hearing $hearing, FieldProfile $field, string $sentence, bool $asking): ?Reading
    {
        if (in_array($field->type, [ValueType::Text, ValueType::YesNo], true) || preg_match('/\bnow (?:still )?(?:a )?(?:good|convenient|bad)\b|\bgood time\b|\bconvenient time\b/i', $sentence) === 1) {
            return null;
        }
        $country = $hearing->transcript->country;
        if ($field->type === ValueType::PersonName) {
            return $this->name($hearing, $field, $sentence, $asking);
        }
        $asked = match ($field->type) {
            ValueType::Time, ValueType::DateTime => str_contains($sentence, '?') && str_word_count($sentence) <= 3 || preg_match('/\b(?:past|to)\s+(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\d)/i', $sentence) === 1 || preg_match('/\b(?:at|by|around|say|for)\s+(?:a quarter|half|quarter|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|noon|midday|\d)|\b\d{1,2}(?::\d\d|\s?[ap]\.?m)|o\'?clock|first thing/i', $sentence) === 1,
            ValueType::Money => $this->priced($field, $sentence) || preg_match("/\\b(?:that's|that'll be|it's|it'll be|it is|that is|that would be|that'd be|it'd be|are|is|comes to|works out|charge|costs?|for|at|around|about)\\b.*\\b(?:a|an|per|each) (?:month|week|night|day|year|hour|head|person|visit|session|lesson|item|piece)\\b|^(?:so |ok |right )?(?:that's|that'll be|that will be|it's|it'll be|that comes to|it comes to|that would be|it would be)\\b.*\\b(?:all in|all told|altogether|in total|plus|including|delivered|fitted|inclusive)\\b/i", $sentence) === 1,
            ValueType::PostalAddress => $asking && preg_match('/\baddress\b|\bat \d|\bto \d/i', $sentence) === 1,
            ValueType::Number => $field->people && preg_match('/\b(?:for|of)\s+(?:\d+|two|three|four|five|six|seven|eight|nine|ten|twelve)\b/i', $sentence) === 1 && ! preg_match('/o\'?clock/', $sentence),
            default => false,
        };
        if ($field->type === ValueType::Number) {
            return $this->amount($hearing, $field, $sentence, $asked);
        }
        $reading = $hearing->dated($field, $this->readings->read($field, $sentence, $hearing->now, $country, $asked));
        if ($field->kin() === 'day' && preg_match('/\b(?:help|assist|calling|ringing|happy|satisfied|was|were|did|do for)\b.*\b(?:today|now)\b/i', $sentence) === 1) {
            return null;
        }
        if ($field->kin() === 'day' && in_array(strtolower((string) $reading->said), ['now', 'right now', 'today', 'straight away'], true) && preg_match('/\b(?:do|does|did|are|is|have|has) (?:you|it|they|he|she|that|this)\b.*\b(?:now|today)\b/i', $sentence) === 1) {
            // 'Do you have one now?' offers no day.
            return null;
        }
        if (! $reading->found() && $field->type === ValueType::DateTime && preg_match('/\b(?:straight away|right away|today|right now|now|this (?:morning|afternoon|evening)|tonight)\b/i', $sentence) === 1) {
            $hour = $this->hour($this->readings->hear($sentence), $hearing, true);
            $reading = $hour === null ? $reading : Reading::of($hearing->now->format('Y-m-d').'T'.$hour, 0.8, '', 0, 0);
        }
        if (! $reading->found() && $field->type === ValueType::DateTime && $hearing->lastDay !== null && $asked) {
            // 'Would ten past five be all right?' is of the day the talk is about.
            $hour = $this->hour($this->readings->hear($sentence), $hearing, true);
            $reading = $hour === null ? $reading : Reading::of($hearing->lastDay.'T'.$hour, 0.78, '', 0, 0);
        }
        if (! $reading->found() && $field->type === ValueType::DateTime && $hearing->lastDay === null && $asked && $asking && preg_match('/\b(?:tomorrow|next|(?:mon|tues|wednes|thurs|fri|satur|sun)day)\b/i', $sentence) !== 1) {
            // 'A car can be there at half past nine' is of today, or of tonight.
            $hour = $this->hour($this->readings->hear($sentence), $hearing, true);
            $hour = $hour !== null && $hour < $hearing->now->format('H:i') && (int) $hour < 12 ? sprintf('%02d%s', (int) $hour + 12, substr($hour, 2)) : $hour;
            $reading = $hour === null || $hour < $hearing->now->format('H:i') ? $reading : Reading::of($hearing->now->format('Y-m-d').'T'.$hour, 0.72, '', 0, 0);
        }
        if (! $reading->found() && $field->type === ValueType::Reference && $asking) {
            $reading = $this->readings->read($field, $sentence, $hearing->now, $country, $this->questions->overlap($field, $this->readings->hear($sentence)->all)[0] >= 0.5);
        }

        return $reading;
    }

    private function amount(Hearing $hearing, FieldProfile $field, string $sentence, bool $people): Reading
    {
        $heard = $this->readings->hear($sentence);
        if ($people && preg_match('/\b(?:for|of)\s+(\d+|two|three|four|five|six|seven|eight|nine|ten|twelve)\b(?!\s*(?:o|am|pm|:|thirty|fifteen|st|nd|th))/i', $sentence, $m) === 1) {
            return $this->readings->read($field, $m[1], $hearing->now, $hearing->transcript->country, true);
        }
        $beside = $this->readings->before($field, $heard, $this->questions, $hearing->now, $hearing->transcript->country);
        if ($beside->found()) {
            return $beside;
        }
        if ($this->questions->overlap($field, $heard->all)[0] < 0.5) {
            return Reading::none();
        }

        return $this->readings->read($field, $heard, $hearing->now, $hearing->transcript->country, false);
    }

    /** A name the other side says: 'am I speaking with Dana Cole?', 'so that is Dana Cole'. */
    private function name(Hearing $hearing, FieldProfile $field, string $sentence, bool $asking): ?Reading
    {
        $tokens = $this->readings->hear($sentence)->tokens;
        $hit = null;
        foreach ($this->words->phrases('extraction', 'name_stated')->all($tokens) as $one) {
            // 'A brass table lamp for Mrs Yates': the word that brings a name stands right before it.
            $next = $tokens[$one[1] + $one[2]] ?? null;
            $hit ??= $next !== null ? $one : null;
            if ($next !== null && preg_match('/^\p{Lu}/u', $next->original) === 1) {
                $hit = $one;

                break;
            }
        }
        if ($hit === null) {
            return null;
        }
        $after = [];
        foreach (array_slice($tokens, $hit[1] + $hit[2], 4) as $i => $token) {
            if ($i > 0 && ($token->afterBreak() || in_array($token->text, ['at', 'on', 'for', 'and', 'from', 'is', 'of', 'who', 'calling', 'speaking', 'please', 'there'], true))) {
                break;
            }
            $after[] = $token;
        }
        $words = implode(' ', array_map(static fn (Token $token): string => $token->original, $after));
        if (preg_match('/^\p{Lu}/u', $words) !== 1) {
            return null;
        }

        return $this->readings->read($field, $words, $hearing->now, $hearing->transcript->country, true);
    }

    private function stillOffered(Hearing $hearing, Exchange $exchange, string $key): bool
    {
        $field = $hearing->field($key);
        $claim = $hearing->ledger->of($key);
        if ($field === null || $claim === null) {
            return true;
        }
        $denials = $this->words->phrases('extraction', 'denials');
        foreach ($this->questions->sentences($exchange->asked) as $sentence) {
            if (! $denials->in($sentence['tokens'])) {
                $reading = $this->stated($hearing, $field, $sentence['text'], true);
                if ($reading?->value === $claim->value) {
                    return true;
                }
            }
        }

        return false;
    }

    /**
     * Two or more times were offered and the caller takes one: 'Thursday's good', 'the later one'.
     *
     * @return list<string>
     */
    private function chosen(Hearing $hearing, Exchange $exchange): array
    {
        $day = $this->likeliest($hearing, $exchange, 'day', $exchange->asked);
        $time = $this->kind($hearing, ValueType::Time);
        $date = $day?->type === ValueType::Date ? $day : null;
        $both = $day?->type === ValueType::DateTime ? $day : null;
        if ($date === null && $time === null && $both === null) {
            return [];
        }
        $offers = $this->alternatives($hearing, $exchange->asked);
        if (count($offers) < 2) {
            return [];
        }
        // 'The Tuesday one' names no hour.
        $said = $this->readings->wanted($exchange->heard);
        $said = $said->only(array_values(array_filter($said->tokens, static fn (Token $token, int $i): bool => ! ($token->text === 'one' && preg_match('/day$|^(?:first|second|third|last|later|latter|earlier|other|early|late)$/', $said->tokens[$i - 1]->text ?? '') === 1), ARRAY_FILTER_USE_BOTH)));
        $day = $this->day($said, $hearing, true);
        $hour = $this->hour($said, $hearing, true);
        $picked = array_values(array_filter($offers, static fn (array $offer): bool => ($day === null || $offer['date'] === $day) && ($hour === null || $offer['time'] === $hour)));
        if ($day === null && $hour === null) {
            $place = $this->place($said, count($offers));
            $picked = $place === null ? [] : [$offers[$place]];
        }
        if (count($picked) !== 1) {
            return [];
        }
        $settled = [];
        $offer = $picked[0];
        foreach ([[$date, $offer['date']], [$time, $offer['time']], [$both, $offer['date'] === null || $offer['time'] === null ? null : $offer['date'].'T'.$offer['time']]] as [$field, $value]) {
            if ($field !== null && $value !== null) {
                $hearing->claim($field, $value, 0.88, $exchange, '', Claim::AGREED);
                $settled[] = $field->key();
            }
        }

        return $settled;
    }

    /** @return list<array{date: ?string, time: ?string}> */
    private function alternatives(Hearing $hearing, string $asked): array
    {
        $offers = [];
        foreach ($this->questions->sentences($asked) as $sentence) {
            if (preg_match('/\bor\b/i', $sentence['text']) !== 1) {
                continue;
            }
            $day = null;
            foreach (preg_split('/\s*,?\s*\bor\b\s*|,\s*/i', $sentence['text']) ?: [] as $part) {
                $heard = $this->readings->hear($part);
                $own = $this->day($heard, $hearing, false);
                $hour = $this->hour($heard, $hearing, preg_match('/\b(?:at|say)\s+(?:a quarter|half|quarter|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\d)|^\s*(?:at\s+)?(?:half|quarter)?\s*(?:past\s+)?(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|\d{1,2})\b/i', $part) === 1);
                if ($own === null && $hour === null) {
                    continue;
                }
                if ($hour !== null && $offers !== [] && $hearing->lastTime === null) {
                    // Hours are offered one after another.
                    $last = end($offers)['time'];
                    $hour = $last !== null && $own === null && $hour < $last && (int) $hour < 12 ? sprintf('%02d%s', (int) $hour + 12, substr($hour, 2)) : $hour;
                }
                $day = $own ?? $day;
                $offers[] = ['date' => $day, 'time' => $hour];
            }
        }

        return $offers;
    }

    private function day(Heard $heard, Hearing $hearing, bool $asked): ?string
    {
        $value = $this->readings->plain(ValueType::Date, $heard, $hearing->now, $hearing->transcript->country, $asked)->value;

        if (is_string($value) && $hearing->nextWeek && preg_match('/\d|next|this|tomorrow|today|week/i', $heard->cleaned()) !== 1 && $value < $hearing->now->modify('monday next week')->format('Y-m-d')) {
            return (new \DateTimeImmutable($value))->modify('+7 days')->format('Y-m-d');
        }

        return is_string($value) ? $hearing->inTalk($value, $heard->cleaned()) : null;
    }

    private function hour(Heard $heard, Hearing $hearing, bool $asked): ?string
    {
        $value = $this->readings->plain(ValueType::Time, $heard, $hearing->now, $hearing->transcript->country, $asked)->value;

        return is_string($value) ? $hearing->hour($value, $heard->cleaned()) : null;
    }

    private function place(Heard $heard, int $of): ?int
    {
        $line = ' '.$heard->cleaned().' ';

        return match (true) {
            preg_match('/ (?:first|former|earlier|earliest|sooner|soonest) /', $line) === 1 => 0,
            preg_match('/ (?:second|latter|later) /', $line) === 1 => min(1, $of - 1),
            preg_match('/ (?:third) /', $line) === 1 && $of > 2 => 2,
            preg_match('/ (?:last|latest) /', $line) === 1 => $of - 1,
            default => null,
        };
    }

    /** The field a time that is agreed on belongs to. */
    private function kind(Hearing $hearing, ValueType $type): ?FieldProfile
    {
        $open = null;
        foreach ($hearing->fields as $field) {
            if ($field->type === $type && $field->tense !== 'past') {
                if (isset($hearing->open[$field->key()])) {
                    return $field;
                }
                $open ??= $field;
            }
        }

        return $open;
    }
}
