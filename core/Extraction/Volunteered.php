<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Takes what the caller tells unasked, only where the words themselves point at the field. */
final class Volunteered
{
    /** A value nobody asked for is taken from this confidence on. */
    private const LEAST = 0.65;

    private const SPEAKS_BACK = ['last', 'ago', 'since', 'yesterday', 'was', 'were', 'had', 'been', 'happened', 'started', 'bought', 'rang', 'called', 'came', 'broke', 'stopped', 'ordered', 'born', 'got', 'went', 'noticed', 'arrived', 'said', 'did', 'spoke', 'moved', 'began', 'fell', 'hit', 'crashed', 'lost', 'left', 'paid', 'received', 'stayed', 'packed', 'died'];

    /** What the other side said right before. */
    private string $asked = '';

    public function __construct(private readonly Readings $readings, private readonly Questions $questions, private readonly Vocabulary $words, private readonly YesNoAnswers $yesNo, private readonly Options $options)
    {
    }

    /** @param list<string> $settled fields this exchange has settled already */
    public function read(Hearing $hearing, Exchange $exchange, array $settled): void
    {
        $this->asked = $exchange->asked;
        $heard = $this->readings->wanted($exchange->heard);
        $strong = $this->words->phrases('extraction', 'strong_takes_back')->in($heard->tokens);
        $this->options($hearing, $exchange, $settled, $strong);
        foreach ($this->readings->clauses($heard) as $tokens) {
            $sentence = $heard->only($tokens);
            $question = $this->asks($sentence);
            $taken = [];
            $candidates = [];
            foreach ($hearing->fields as $field) {
                $key = $field->key();
                if ($field->type === ValueType::Choice || in_array($key, $settled, true)) {
                    continue;
                }
                $known = $hearing->ledger->of($key);
                if ($known !== null && $known->origin !== Claim::WANTED) {
                    continue;
                }
                [$reading, $rank] = $this->unasked($hearing, $field, $sentence, $question);
                if ($reading !== null && $reading->found() && $reading->confidence >= self::LEAST && ! $this->used($hearing, $field, $reading)) {
                    $reading = $hearing->dated($field, $reading);
                    $candidates[] = [$field, $reading, $rank];
                }
            }
            usort($candidates, static fn (array $a, array $b): int => [$b[2], $b[1]->end - $b[1]->start] <=> [$a[2], $a[1]->end - $a[1]->start]);
            foreach ($candidates as [$field, $reading]) {
                foreach ($taken as [$other, $rival]) {
                    if ($rival->overlaps($reading) && ! $this->shares($field, $other)) {
                        continue 2;
                    }
                }
                $when = in_array($field->type, [ValueType::Date, ValueType::Time, ValueType::DateTime], true) && $field->tense !== 'past';
                $hearing->take($field, $reading, $exchange, $when && $question ? Claim::WANTED : Claim::VOLUNTEERED);
                $taken[] = [$field, $reading];
            }
        }
    }

    /**
     * Options named in passing, in a question as well: 'do you do whitening?'.
     *
     * @param list<string> $settled
     */
    private function options(Hearing $hearing, Exchange $exchange, array $settled, bool $strong): void
    {
        foreach ($hearing->fields as $field) {
            $known = $hearing->ledger->of($field->key());
            if ($field->type !== ValueType::Choice || in_array($field->key(), $settled, true) || $known !== null && ! ($known->origin === Claim::VOLUNTEERED && ($strong || $this->words->phrases('extraction', 'prefers')->in($exchange->heard->all)))) {
                continue;
            }
            foreach ($this->readings->clauses($exchange->heard) as $tokens) {
                $reading = $this->option($hearing, $field, $exchange->heard->only($tokens));
                if ($reading !== null && $reading->found() && $reading->confidence >= self::LEAST) {
                    $hearing->take($field, $reading, $exchange, $known === null ? Claim::VOLUNTEERED : Claim::CORRECTED);

                    break;
                }
            }
        }
    }

    /** Whether the words have already answered another question of this exchange. */
    private function used(Hearing $hearing, FieldProfile $field, Reading $reading): bool
    {
        if (in_array($field->type, [ValueType::YesNo, ValueType::Choice], true)) {
            return false;
        }
        foreach ($hearing->consumed as $other) {
            if ($other->overlaps($reading) && ! ($field->namePart !== null || $field->type === ValueType::Reference && $reading->end - $reading->start < $other->end - $other->start || is_string($other->value) && $field->type === ValueType::Time && preg_match('/^\d{4}-\d\d-\d\d$/', $other->value) === 1)) {
                return true;
            }
        }

        return false;
    }

    /** Two fields that may both be told by the same words: what is wrong, and that it is urgent. */
    private function shares(FieldProfile $a, FieldProfile $b): bool
    {
        $free = [ValueType::YesNo, ValueType::Choice];

        return in_array($a->type, $free, true) || in_array($b->type, $free, true) || $a->type === ValueType::PersonName && $a->namePart !== $b->namePart
            || in_array($a->type, [ValueType::Reference, ValueType::Text], true) && $b->type === ValueType::PostalAddress || $a->type === ValueType::PostalAddress && $b->type === ValueType::Reference;
    }

    /** @return array{?Reading, int} the reading and how plainly the words point at the field */
    private function unasked(Hearing $hearing, FieldProfile $field, Heard $sentence, bool $question): array
    {
        $country = $hearing->transcript->country;
        $read = fn (Heard $heard, bool $asked): Reading => $this->readings->read($field, $heard, $hearing->now, $country, $asked);
        switch ($field->type) {
            case ValueType::PersonName:
                $third = $this->third($field, $sentence, $hearing);
                $others = array_filter($hearing->fields, static fn (FieldProfile $one): bool => $one->type === ValueType::PersonName && $one->role === 'other');
                if ($field->role === 'other' || $field->role === 'any' && $third !== null && $others === []) {
                    return [$third, 2];
                }
                $reading = $read($sentence, false);
                $reading = $reading->found() ? $reading : ($this->introduced($field, $sentence, $hearing) ?? $reading);
                $ofAnother = $third !== null && $reading->found() && $third->overlaps($reading);

                return [$ofAnother ? null : $reading, 1];
            case ValueType::Phone:
            case ValueType::Email:
                return $this->amongKin($hearing, $field, $sentence, $read($sentence, false));
            case ValueType::Date:
            case ValueType::DateTime:
            case ValueType::Time:
                return $this->when($hearing, $field, $sentence, $question);
            case ValueType::Number:
                return [$this->counted($hearing, $field, $sentence), 1];
            case ValueType::Money:
                $reading = $this->budget($hearing, $field, $sentence) ?? $read($sentence, false);
                if ($reading->confidence > 0.8 && $reading->found() && $reading->confidence !== 0.85) {
                    return [$reading, 1];
                }
                [$names, $words] = $reading->found() ? $this->questions->overlap($field, $sentence->tokens) : [0.0, 0.0];

                return [$names >= 0.4 || $names + $words >= 0.5 ? $reading : null, 1];
            case ValueType::Items:
            case ValueType::Several:
                return [null, 0];
            case ValueType::Duration:
                return [$this->duration($hearing, $field, $sentence), 1];
            case ValueType::Reference:
                return $this->reference($hearing, $field, $sentence);
            case ValueType::PostalAddress:
                return $question && preg_match('/\b(?:are you|is that you|your (?:shop|office|branch|depot))\b/i', $sentence->cleaned()) === 1 ? [null, 0] : $this->amongKin($hearing, $field, $sentence, $read($sentence, false));
            case ValueType::YesNo:
                return [$this->yesNo->fact($field, $sentence) ?? $this->mentioned($field, $sentence, $question), 1];
            case ValueType::Choice:
                return [null, 0];
            case ValueType::Text:
                return [$this->attribute($hearing, $field, $sentence), 1];
        }
    }

    private function asks(Heard $sentence): bool
    {
        $tokens = $sentence->tokens;
        $last = end($tokens);

        return $last !== false && (substr($sentence->original, $last->end, 1) === '?' || in_array($sentence->tokens[0]->text, ['can', 'could', 'do', 'have', 'is', 'are', 'would', 'any', 'will', 'what', 'when'], true));
    }

    /** Two numbers in one breath: the first is the caller's, the second goes to the second field there is. */
    private function severally(Hearing $hearing, FieldProfile $field, Heard $sentence): ?Reading
    {
        $found = [];
        foreach ($this->readings->clauses($sentence, true) as $tokens) {
            $reading = $this->readings->read($field, $sentence->only($tokens), $hearing->now, $hearing->transcript->country, true);
            if ($reading->found()) {
                $found[] = $reading;
            }
        }
        $kin = array_values(array_map(static fn (FieldProfile $one): string => $one->key(), array_filter($hearing->fields, static fn (FieldProfile $one): bool => $one->type === $field->type)));
        $place = array_search($field->key(), $kin, true);

        return count($found) === 2 && is_int($place) && count($kin) > 1 ? ($found[$place] ?? null) : null;
    }

    /**
     * Of several fields of a kind the one that the words name; else the first that is no special one.
     *
     * @return array{?Reading, int}
     */
    private function amongKin(Hearing $hearing, FieldProfile $field, Heard $sentence, Reading $reading): array
    {
        $two = $reading->found() || $field->type !== ValueType::Phone ? null : $this->severally($hearing, $field, $sentence);
        if ($two !== null) {
            return [$two, 2];
        }
        $kin = array_values(array_filter($hearing->fields, static fn (FieldProfile $other): bool => $other->type === $field->type));
        if (count($kin) === 1 && ! $reading->found()) {
            return [null, 0];
        }
        if (count($kin) === 1) {
            return [$field->role === 'other' && $field->type === ValueType::Phone && preg_match('/\b(my|me)\b/', $sentence->cleaned()) === 1 && $this->questions->overlap($field, $sentence->tokens)[0] < 0.4 ? null : $reading, 1];
        }
        if ($field->span !== null && $field->type === ValueType::PostalAddress && ($part = $this->span($sentence, $field->span, false)) !== null) {
            $own = $this->readings->read($field, $part, $hearing->now, $hearing->transcript->country, true);
            $ownDigits = is_string($own->value) && preg_match('/\d|station|airport|hospital|hotel|road|street|lane/i', $own->value) === 1;
            if ($own->found() && $ownDigits) {
                return [$own, 3];
            }
        }
        if (! $reading->found()) {
            return [null, 0];
        }
        $near = $this->around($sentence, $reading);
        $scores = [];
        foreach ($kin as $other) {
            [$names, $words] = $this->questions->overlap($other, $near);
            $scores[$other->key()] = $names + 0.3 * $words;
        }
        arsort($scores);
        $keys = array_keys($scores);
        $lead = $scores[$keys[0]] - $scores[$keys[1]];
        if ($lead > 0.1) {
            return [$keys[0] === $field->key() ? $reading : null, 2];
        }
        if (preg_match("/\\b(?:she's|he's|they're|her|his|their) (?:on|at|number|mobile|phone|cell|email|is)\\b/", $sentence->cleaned()) === 1) {
            foreach ($kin as $other) {
                if ($other->role === 'other' && $hearing->ledger->of($other->key()) === null) {
                    return [$other->key() === $field->key() ? $reading : null, 2];
                }
            }
        }
        foreach ($kin as $other) {
            if ($hearing->ledger->of($other->key()) === null && $other->role !== 'other') {
                return [$other->key() === $field->key() ? $reading : null, 1];
            }
        }

        return [null, 0];
    }

    /** @return list<Token> the words of the clause in which a value stands */
    private function around(Heard $sentence, Reading $reading): array
    {
        $kept = [];
        foreach ($this->readings->clauses($sentence, true) as $tokens) {
            $kept = [...$kept, ...$tokens];
            if ($tokens[count($tokens) - 1]->end >= $reading->end) {
                return array_slice($kept, -14);
            }
        }

        return $kept;
    }

    /** @return array{?Reading, int} */
    private function when(Hearing $hearing, FieldProfile $field, Heard $sentence, bool $question): array
    {
        $country = $hearing->transcript->country;
        $kin = array_values(array_filter($hearing->fields, static fn (FieldProfile $other): bool => $other->kin() === $field->kin()));
        if ($field->span !== null && count($kin) > 1) {
            $part = $this->span($sentence, $field->span);
            $reading = $part === null ? Reading::none() : $this->readings->read($field, $part, $hearing->now, $country, $field->type !== ValueType::Date);
            if ($reading->found()) {
                return [$reading, 2];
            }
        }
        $reading = $this->readings->read($field, $sentence, $hearing->now, $country, false);
        if (! $reading->found() && $field->type === ValueType::DateTime && isset($hearing->days[$field->key()])) {
            // The day was settled before; this is its hour.
            $hour = $this->readings->plain(ValueType::Time, $sentence, $hearing->now, $country, false);
            if (is_string($hour->value) && preg_match("/[ap]\\.?m\\b|\\d[:.]\\d\\d|o'?clock|half|quarter|noon|midday|first thing|past|sharp|\\bat \\w+/i", $sentence->cleaned()) === 1) {
                return [Reading::of($hearing->days[$field->key()].'T'.$hearing->hour($hour->value, (string) $hour->said), 0.78, $hour->said, $hour->start, $hour->end), 2];
            }
        }
        if (! $reading->found()) {
            // Days in two clauses: the one that speaks of what is to come, or of what has been.
            foreach ($this->readings->clauses($sentence, true) as $tokens) {
                $clause = $sentence->only($tokens);
                $part = $this->readings->read($field, $clause, $hearing->now, $country, false);
                if ($part->found() && $this->fits($field, $clause)) {
                    return [$part, 1];
                }
            }

            return [null, 0];
        }
        // 'Tuesdays' are no day.
        if (preg_match('/\b(?:mon|tues|wednes|thurs|fri|satur|sun)days\s*$/i', (string) $reading->said) === 1 && preg_match('/\d|next|this/i', (string) $reading->said) !== 1) {
            return [null, 0];
        }
        $near = $sentence->only($this->clauseOf($sentence, $reading));
        $ahead = $field->tense !== 'past' && is_string($reading->value) && substr($reading->value, 0, 10) > $hearing->now->format('Y-m-d') && preg_match('/\b(?:jan|feb|mar|apr|may|june?|july?|aug|sept?|oct|nov|dec)\w*|next\b/i', (string) $reading->said) === 1;
        if (! $ahead && ! $this->fits($field, $near) && ! ($field->tense === 'future' && is_string($reading->value) && substr($reading->value, 0, 10) > $hearing->now->format('Y-m-d') && preg_match('/\b(book|appointment|come|visit|slot|table|room|need|like|want)\b/', $near->cleaned()) === 1)) {
            return [null, 0];
        }
        if ($field->type === ValueType::Date && $field->tense !== 'past' && preg_match('/\b(?:when|how soon|what (?:date|day)|which (?:date|day))\b/i', $this->asked) !== 1 && $this->questions->overlap($field, $near->tokens)[0] < 0.3 && ($meeting = $this->meeting($hearing, $kin, $field)) !== null && is_string($reading->value)) {
            // A bare day is of the visit that is talked about, its hour still to come.
            $hearing->days[$meeting->key()] = $reading->value;

            return [null, 0];
        }
        if (count($kin) > 1) {
            $scores = [];
            // The day itself says nothing of whose day it is.
            $around = array_values(array_filter($near->tokens, static fn (Token $token): bool => $token->end <= $reading->start || $token->start >= $reading->end));
            foreach ($kin as $other) {
                [$names, $words] = $this->questions->overlap($other, $around);
                [$before] = $this->questions->overlap($other, $this->readings->hear($this->asked)->all);
                $scores[$other->key()] = $names + 0.4 * $words + 0.5 * $before + ($this->fits($other, $near) ? 0.3 : -0.3) + ($other->tense === 'past' ? -0.1 : 0.0) - ($other->span === 'end' ? 0.15 : 0.0);
            }
            arsort($scores);
            $best = (string) array_key_first($scores);

            // A hair's breadth decides nothing: then it is the first that is not known yet.
            $first = $this->first($hearing, $kin);
            if ($first !== null && $scores[$first] >= $scores[$best] - 0.09) {
                $best = $first;
            }

            return [$best === $field->key() ? $reading : null, 1];
        }
        if ($field->tense === 'past' && preg_match('/\b(birth|born|dob)\b/', strtolower($field->field->title.' '.$field->key())) === 1 && preg_match('/\b(born|birth|birthday)\b/', $near->cleaned()) !== 1) {
            return [null, 0];
        }

        return [$reading, 1];
    }

    /** @param list<FieldProfile> $kin the appointment that has no moment yet, where the other field is none itself */
    private function meeting(Hearing $hearing, array $kin, FieldProfile $field): ?FieldProfile
    {
        $is = static fn (FieldProfile $one): bool => preg_match('/\b(?:view(?:ing)?|appointment|visit|consultation|slot|meeting|interview|session|survey|booking|tour|inspection)\b/i', $one->field->title.' '.str_replace('_', ' ', $one->key())) === 1;
        foreach ($is($field) ? [] : $kin as $one) {
            if ($one->type === ValueType::DateTime && $one->tense !== 'past' && $is($one) && $hearing->unanswered($one->key())) {
                return $one;
            }
        }

        return null;
    }

    /** @param list<FieldProfile> $kin */
    private function first(Hearing $hearing, array $kin): ?string
    {
        foreach ($kin as $field) {
            if ($hearing->ledger->of($field->key()) === null && $field->tense !== 'past') {
                return $field->key();
            }
        }

        return null;
    }

    /** Whether a clause speaks of the time the field is about: what has been, or what is to come. */
    private function fits(FieldProfile $field, Heard $clause): bool
    {
        $words = array_map(static fn (Token $token): string => $token->text, $clause->tokens);
        $line = ' '.implode(' ', $words).' ';
        if (preg_match('/\b(?:birth|born|dob)\b/', strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()))) === 1 && preg_match('/ (?:birth|born|dob|d o b) /', $line) === 1) {
            return true;
        }
        $back = array_intersect($words, self::SPEAKS_BACK) !== [];
        $on = preg_match("/ (?:can|could|would|will|'ll|i'll|we'll|need|want|like|book|hoping|looking|available|free|going to|shall|arrange|next|tomorrow|coming|appointment|if you|prefer|have you got|do you have|any chance|please|for) /", $line) === 1;

        return match ($field->tense) {
            'past' => $back && preg_match('/ (?:tomorrow|next) /', $line) !== 1,
            'future' => ! $back || $on,
            default => ! $back || preg_match('/ (?:booked|booking|appointment) /', $line) === 1,
        };
    }

    /** @return list<Token> */
    private function clauseOf(Heard $sentence, Reading $reading): array
    {
        foreach ($this->readings->clauses($sentence, true) as $tokens) {
            if ($tokens[count($tokens) - 1]->end >= $reading->end) {
                return $tokens[0]->start <= $reading->start ? $tokens : $sentence->tokens;
            }
        }

        return $sentence->tokens;
    }

    /** The words behind 'from', or behind 'until'. */
    private function span(Heard $sentence, string $which, bool $when = true): ?Heard
    {
        $own = $this->words->phrases('extraction', 'span_'.$which)->all($sentence->tokens);
        $other = array_column($this->words->phrases('extraction', $which === 'start' ? 'span_end' : 'span_start')->all($sentence->tokens), 1);
        foreach ($own as [, $place, $length]) {
            $part = [];
            for ($i = $place + $length; isset($sentence->tokens[$i]) && count($part) < 9; $i++) {
                if (in_array($i, $other, true) && count($part) > 0) {
                    break;
                }
                $part[] = $sentence->tokens[$i];
            }
            $heard = $sentence->only($part);
            while ($part !== [] && in_array(end($part)->text, ['over', 'and', 'then', 'please', 'across', 'up', 'down', 'out', 'straight'], true)) {
                array_pop($part);
            }
            $heard = $sentence->only($part);
            if ($part !== [] && ! $when && count($part) > 1) {
                return $heard;
            }
            if ($part !== [] && $when && preg_match('/\d|\b(?:mon|tues|wednes|thurs|fri|satur|sun)day|tomorrow|today|tonight|first|second|third|\w+th\b|week|noon|midday|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve/', implode(' ', array_map(static fn (Token $token): string => $token->text, array_slice($part, 0, 5)))) === 1) {
                return $heard;
            }
        }

        return $when ? $this->between($sentence, $which) : null;
    }

    /** 'Friday to Monday', 'the eighth till the twelfth': a stretch without its 'from'. */
    private function between(Heard $sentence, string $which): ?Heard
    {
        $t = $sentence->tokens;
        $day = '/^(?:(?:mon|tues|wednes|thurs|fri|satur|sun)day|tomorrow|today|tonight|\\d{1,2}(?:st|nd|rd|th)?|first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|\\w+teenth|\\w*(?:twelfth|eleventh|twentieth|thirtieth)|(?:jan|febr)uary|march|april|may|june|july|august|\\w+(?:tem|o|vem|cem)ber|noon|midday)$/';
        foreach ($t as $i => $token) {
            if (! in_array($token->text, ['to', 'till', 'until', 'through', 'thru'], true) || $i === 0 || ! isset($t[$i + 1])) {
                continue;
            }
            $next = in_array($t[$i + 1]->text, ['the', 'about'], true) ? ($t[$i + 2]->text ?? '') : $t[$i + 1]->text;
            if (preg_match($day, $t[$i - 1]->text) !== 1 || preg_match($day, $next) !== 1) {
                continue;
            }
            if ($which === 'end') {
                return $sentence->only(array_slice($t, $i + 1, 5));
            }
            $from = $i - 1;
            while ($from > 0 && $i - $from < 4 && ! $t[$from]->afterBreak() && (preg_match($day, $t[$from - 1]->text) === 1 || in_array($t[$from - 1]->text, ['the', 'of', 'next', 'this'], true))) {
                $from--;
            }

            return $sentence->only(array_slice($t, $from, $i - $from));
        }

        return null;
    }

    /** What a yes/no field is named after, wished for or there: 'no packing needed', 'he's running a fever', 'with breakfast'. */
    private function mentioned(FieldProfile $field, Heard $sentence, bool $question): ?Reading
    {
        $stems = array_map(strval(...), array_keys(array_filter($field->names, static fn (float $weight): bool => $weight >= 0.9)));
        if ($stems === [] || count($stems) > 2) {
            return null;
        }
        $places = [];
        foreach ($stems as $stem) {
            foreach ($sentence->tokens as $i => $token) {
                if ($this->questions->kindred($token->text, [$stem], true)) {
                    $places[] = $i;

                    continue 2;
                }
            }

            return null;
        }
        $at = min($places);
        $end = max($places);
        if ($end - $at > 2) {
            return null;
        }
        $before = array_map(static fn (Token $token): string => $token->text, array_slice($sentence->tokens, max(0, $at - 4), min(4, $at)));
        $first = $sentence->tokens[$at];
        $last = $sentence->tokens[$end];
        $of = fn (bool $value): Reading => Reading::of($value, 0.76, $sentence->between($first->start, $last->end), $first->start, $last->end);
        if (array_intersect($before, ['no', 'not', 'without', "don't", "doesn't", "didn't", "haven't", "hasn't", "isn't", "won't", 'never', 'dont', 'skip', 'forget', 'drop', 'leave']) !== []) {
            return $of(false);
        }
        if ($question && preg_match('/(?:could|can|would|will) you (?:please |just |also )?$/', implode(' ', $before).' ') === 1) {
            return $of(true);
        }
        if (array_intersect($before, ['want', 'need', 'needs', 'with', 'have', 'has', 'got', "there's", "he's", "she's", "it's", "i've", "we've", 'like', 'running', 'include', 'including', 'add', 'plus', 'is', 'are', 'was', 'had', 'wants', 'take']) !== [] && (! $question || array_intersect($before, ['with', 'want', 'need', 'include', 'including', 'add', 'plus', 'like']) !== [])) {
            return $of(true);
        }

        return null;
    }

    /** A number that stands before what the field counts: 'four bedrooms', 'a table for six'. */
    private function counted(Hearing $hearing, FieldProfile $field, Heard $sentence): ?Reading
    {
        $country = $hearing->transcript->country;
        $t = $sentence->tokens;
        $line = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $t)).' ';
        if ($field->age) {
            return preg_match("/ (?:years? old|year-old|yrs|aged|turned|turning|'m|i'm|he's|she's|is|months? old) /", $line) === 1 && preg_match('/ (?:years? old|aged|turned|turning) /', $line) === 1 ? $this->readings->read($field, $sentence, $hearing->now, $country, false) : null;
        }
        if ($field->people) {
            foreach ([['for'], ['party', 'of'], ['group', 'of'], ['be', 'about'], ['there', 'are'], ['there', 'will', 'be'], ["there's"], ["there'll", 'be'], ["we're"], ['just']] as $lead) {
                foreach ($this->places($t, $lead) as $place) {
                    $after = array_slice($t, $place, 4);
                    $words = array_map(static fn (Token $token): string => $token->text, $after);
                    // 'for two nights', 'for four o'clock' and 'for the sixth' count something else.
                    if ($after === [] || in_array($words[1] ?? '', ['nights', 'night', 'days', 'day', 'weeks', 'week', 'hours', 'hour', "o'clock", 'oclock', 'am', 'pm', 'months', 'minutes', 'thirty', 'years', 'th', 'fifteen', 'forty', 'bed', 'bedroom', 'or', 'pounds', 'reasons', 'things'], true)
                        || preg_match('/^\d+(?:st|nd|rd|th)$|:/', $words[0]) === 1 || in_array($words[1] ?? '', ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'], true)) {
                        continue;
                    }
                    $one = $this->readings->read($field, $sentence->only(array_slice($after, 0, in_array($words[1] ?? '', ['and', 'plus'], true) ? 1 : 2)), $hearing->now, $country, true);
                    if ($one->found() && (in_array($lead, [['for'], ['party', 'of'], ['group', 'of']], true) || preg_match('/^(?:of|people|adults|guests|persons|us|altogether|in)$/', $words[1] ?? '') === 1)) {
                        return Reading::of($one->value, 0.84, $one->said, $one->start, $one->end);
                    }
                }
            }
            $of = $this->before($hearing, $field, $sentence, ['of us', 'people', 'guests', 'adults', 'persons', 'passengers', 'covers', 'attendees', 'heads', 'of them']);
            if ($of !== null) {
                return $of;
            }
        }
        if (array_intersect_key($field->names, ['quantit' => 1, 'quantiti' => 1, 'item' => 1]) !== [] && ($of = $this->beforeOption($hearing, $field, $sentence)) !== null) {
            return $of;
        }
        $spoken = $this->readings->inUnit($field, $sentence, $hearing->now, $country);
        if ($spoken !== null) {
            return Reading::of($spoken->value, 0.82, $spoken->said, $spoken->start, $spoken->end);
        }
        $nouns = [];
        $also = $this->words->section('extraction', 'counted_as');
        foreach ($field->names as $stem => $weight) {
            foreach ($also as $name => $other) {
                if ($this->questions->kindred((string) $name, [(string) $stem], true)) {
                    array_push($nouns, ...explode(', ', (string) $other));
                }
            }
            if ($weight >= 0.9) {
                $nouns[] = (string) $stem;
            }
        }

        // Of two counts of the same thing the word that tells them apart goes first: 'eighty in the day and sixty for the evening'.
        $apart = array_map(strval(...), array_keys($field->own));
        $one = $apart === [] || array_diff($apart, $nouns) === [] ? null : $this->beforeStems($hearing, $field, $sentence, $apart);

        return $one ?? $this->beforeStems($hearing, $field, $sentence, $nouns);
    }

    /** 'Six dining chairs': a quantity stands before the thing that is an option of another field. */
    private function beforeOption(Hearing $hearing, FieldProfile $field, Heard $sentence): ?Reading
    {
        foreach ($hearing->fields as $other) {
            $option = $other->type === ValueType::Choice ? $this->readings->read($other, $sentence, $hearing->now, $hearing->transcript->country, false) : Reading::none();
            if (! $option->found()) {
                continue;
            }
            $before = array_slice(array_values(array_filter($sentence->tokens, static fn (Token $token): bool => $token->end <= $option->start)), -2);
            $one = $before === [] ? Reading::none() : $this->readings->read($field, $sentence->only($before), $hearing->now, $hearing->transcript->country, true);
            if ($one->found() && ! in_array($one->said, ['a', 'an', 'one'], true)) {
                return Reading::of($one->value, 0.8, $one->said, $one->start, $one->end);
            }
        }

        return null;
    }

    /**
     * @param list<Token> $t
     * @param list<string> $words
     *
     * @return list<int> places right behind the words
     */
    private function places(array $t, array $words): array
    {
        $places = [];
        for ($i = 0, $n = count($t) - count($words); $i < $n; $i++) {
            foreach ($words as $k => $word) {
                if ($t[$i + $k]->text !== $word) {
                    continue 2;
                }
            }
            $places[] = $i + count($words);
        }

        return $places;
    }

    /** @param list<string> $units */
    private function before(Hearing $hearing, FieldProfile $field, Heard $sentence, array $units): ?Reading
    {
        foreach ($this->readings->phrases('units.'.implode(',', $units), $units)->all($sentence->tokens) as $hit) {
            $one = $this->readings->read($field, $sentence->only(array_slice($sentence->tokens, max(0, $hit[1] - 2), min(2, $hit[1]))), $hearing->now, $hearing->transcript->country, true);
            if ($one->found()) {
                return Reading::of($one->value, 0.84, $one->said, $one->start, $one->end);
            }
        }

        return null;
    }

    /** @param list<string> $stems */
    private function beforeStems(Hearing $hearing, FieldProfile $field, Heard $sentence, array $stems): ?Reading
    {
        if ($stems === []) {
            return null;
        }
        foreach ($sentence->tokens as $i => $token) {
            if (! $this->questions->kindred($token->text, $stems, $this->measure($token->text))) {
                continue;
            }
            if (in_array($sentence->tokens[$i - 1]->text ?? '', ['in', 'for', 'at', 'during', 'the'], true)) {
                // 'Eighty in the day and another sixty for the evening'
                $k = $i - 1;
                while ($k > 0 && in_array($sentence->tokens[$k]->text, ['in', 'for', 'at', 'during', 'the', 'of', 'guests', 'people'], true)) {
                    $k--;
                }
                for ($length = min(4, $k + 1); $length >= 1; $length--) {
                    $one = $this->readings->read($field, $sentence->only(array_slice($sentence->tokens, $k - $length + 1, $length)), $hearing->now, $hearing->transcript->country, true);
                    if ($one->found() && $one->end >= $sentence->tokens[$k]->start && ! in_array($sentence->tokens[$k]->text, ['one', 'another'], true)) {
                        return Reading::of($one->value, 0.8, $one->said, $one->start, $one->end);
                    }
                }
            }
            $window = array_values(array_filter(array_slice($sentence->tokens, max(0, $i - 3), min(3, $i)), static fn (Token $one): bool => ! in_array($one->text, ['more', 'other', 'of', 'a', 'an', 'good', 'big', 'large', 'small', 'the'], true)));
            $one = $window === [] ? Reading::none() : $this->readings->read($field, $sentence->only($window), $hearing->now, $hearing->transcript->country, true);
            if (! $one->found() && $window !== []) {
                $one = $this->readings->read($field, $sentence->only(array_slice($window, -1)), $hearing->now, $hearing->transcript->country, true);
            }
            if (! $one->found()) {
                // 'The mileage is forty thousand', 'quantity six'.
                $after = array_slice($sentence->tokens, $i + 1, 5);
                $words = array_map(static fn (Token $one): string => $one->text, array_slice($after, 0, 2));
                $one = array_intersect($words, ['is', 'are', 'was', 'of', "it's", 'about', 'reads', 'at', 'around']) === [] ? Reading::none() : $this->readings->read($field, $sentence->only($after), $hearing->now, $hearing->transcript->country, true);
            }
            if ($one->found()) {
                return Reading::of($one->value, 0.82, $one->said, $one->start, $one->end);
            }
        }

        return null;
    }

    /** Inches are no litres, however alike: a unit counts for itself alone. */
    private function measure(string $word): bool
    {
        return in_array(rtrim($word, 's'), $this->words->section('extraction', 'measure_units'), true);
    }

    private function duration(Hearing $hearing, FieldProfile $field, Heard $sentence): ?Reading
    {
        foreach ($this->readings->clauses($sentence, true) as $tokens) {
            $clause = $sentence->only($tokens);
            $reading = $this->readings->read($field, $clause, $hearing->now, $hearing->transcript->country, false);
            if (! $reading->found()) {
                continue;
            }
            $line = ' '.$clause->cleaned().' ';
            $back = preg_match("/ (?:been|had|having|ago|last|past|since|old|now|waiting|tried|rang|called|have|i've|started|took|was|were) /", $line) === 1;
            $past = $field->tense === 'past' || array_intersect(array_map(strval(...), array_keys($field->names + $field->words)), ['symptom', 'problem', 'long', 'suffer', 'present', 'notice']) !== [];
            [$names, $words] = $this->questions->overlap($field, $clause->tokens);
            if (preg_match('/ (?:ago|every|each|old) | (?:in|within) (?:about |around |a |an |the next )*(?:\d+|one|two|three|four|five|six|seven|eight|nine|ten|few|couple|half|hour|day|week|month|year)/', $line) === 1 && $names < 0.4) {
                continue;
            }
            // 'Thirteen fifty an hour' is a rate.
            if (preg_match('/(?:\d|pounds?|quid|pence|dollars?|cents?|euros?|hundred|thousand|ty|teen|one|two|three|four|five|six|seven|eight|nine|ten) (?:a|an|per) (?:hour|day|week|month|year) /', $line) === 1) {
                continue;
            }
            if ($past === $back || $names + $words > 0.4) {
                return $reading;
            }
        }

        return null;
    }

    /** 'Up to nine hundred a month' names a sum without its unit. */
    private function budget(Hearing $hearing, FieldProfile $field, Heard $sentence): ?Reading
    {
        if (preg_match('/\b(budget|rent|maximum|max|most|limit|spend|price|pay|offer|salary)\b/', strtolower($field->field->title.' '.$field->field->description)) !== 1) {
            return null;
        }
        foreach ($this->readings->phrases('budget', ['up to', 'budget is', 'budget of', 'budget would be', "budget's", 'maximum of', 'max of', 'no more than', 'not more than', 'at most', 'spend about', 'spend around', 'spend', 'go to', 'stretch to', 'afford', 'looking at about', 'pay up to', 'pay about', 'pay', 'offer', 'anything under', 'under', 'below'])->all($sentence->tokens) as $hit) {
            $reading = $this->readings->read($field, $sentence->only(array_slice($sentence->tokens, $hit[1] + $hit[2], 6)), $hearing->now, $hearing->transcript->country, true);
            if ($reading->found() && is_array($reading->value) && ($reading->value['amount'] ?? 0) >= 20) {
                return Reading::of($reading->value, 0.82, $reading->said, $reading->start, $reading->end);
            }
        }

        return null;
    }

    /** @return array{?Reading, int} */
    private function reference(Hearing $hearing, FieldProfile $field, Heard $sentence): array
    {
        $country = $hearing->transcript->country;
        $specific = [];
        foreach ($field->names as $stem => $weight) {
            if ($weight >= 0.5) {
                $specific[] = (string) $stem;
            }
        }
        $cues = $field->field->cues;
        foreach ($sentence->tokens as $i => $token) {
            if (! $this->questions->kindred($token->text, $specific === [] ? ['reference', 'ref'] : [...$specific, ...(count(array_filter($hearing->fields, static fn (FieldProfile $one): bool => $one->type === ValueType::Reference)) === 1 ? ['reference', 'ref'] : [])], true)) {
                continue;
            }
            $after = array_slice($sentence->tokens, $i + 1, 14);
            while ($after !== [] && in_array($after[0]->text, ['number', 'no', 'code', 'is', "it's", 'its', 'reference', 'ref', 'was', 'of', 'plate', 'and', 'id', "number's", 'that', "that's"], true)) {
                array_shift($after);
            }
            $reading = $after === [] ? Reading::none() : $this->readings->read($field, $sentence->only($after), $hearing->now, $country, true);
            if ($reading->found() && is_string($reading->value) && preg_match('/\d/', $reading->value) === 1 && $reading->start <= ($after[2]->start ?? PHP_INT_MAX)) {
                return [Reading::of($reading->value, max(0.8, $reading->confidence), $reading->said, $reading->start, $reading->end), 2];
            }
        }
        if ($field->pattern === null) {
            return [null, 0];
        }
        $reading = $this->readings->read($field, $sentence, $hearing->now, $country, false);
        // Bare digits fit many patterns; letters among them make it plain.
        if ($reading->found() && is_string($reading->value) && preg_match('/[A-Z]/', $reading->value) === 1) {
            return [$reading, 1];
        }

        return [null, 0];
    }

    private function option(Hearing $hearing, FieldProfile $field, Heard $sentence): ?Reading
    {
        $reading = $this->readings->read($field, $sentence, $hearing->now, $hearing->transcript->country, false);
        $reading = $reading->found() ? $reading : ($this->options->loose($field, $sentence) ?? $reading);
        if (! $reading->found() || in_array($reading->value, ['other', 'none', 'unknown', 'yes', 'no', 'unsure', 'not_sure', 'na', 'any'], true)) {
            return null;
        }
        $clause = $this->clauseOf($sentence, $reading);
        $before = array_map(static fn (Token $token): string => $token->text, array_slice(array_values(array_filter($clause, static fn (Token $token): bool => $token->end <= $reading->start)), -4));
        if (array_intersect($before, ['not', "don't", "isn't", "wasn't", 'never', 'without', 'no', "didn't"]) !== []) {
            return null;
        }
        if (preg_match('/(?:speak|talk|through|spoke|somebody|someone|anybody|anyone) (?:to|with|in|from)(?: the)?$/', implode(' ', $before)) === 1 && preg_match('/\b(?:team|department|for|to|with|who|contact)\b/i', $field->field->title.' '.$field->field->description) !== 1) {
            // 'I need to talk to accounts' names a department, no way to pay.
            return null;
        }

        return Reading::of($reading->value, min(0.86, $reading->confidence), $reading->said, $reading->start, $reading->end);
    }

    /** 'The make is …', 'I'm calling from … Ltd', 'the company's called …'. */
    private function attribute(Hearing $hearing, FieldProfile $field, Heard $sentence): ?Reading
    {
        if ($field->narrative) {
            return null;
        }
        $name = strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()));
        $firm = preg_match('/\b(company|business|organisation|organization|firm|employer|agency|charity|school|practice)\b/', $name) === 1;
        $t = $sentence->tokens;
        if (preg_match('/\bcolou?r\b/', $name) === 1 && ! str_contains($name, 'make')) {
            return $this->colour($sentence);
        }
        if (preg_match('/\b(?:dentist|doctor|vet|consultant|surgeon|therapist|stylist)\b/', $name) === 1 && ($who = $this->practitioner($sentence)) !== null) {
            return $who;
        }
        foreach ($t as $i => $token) {
            $at = null;
            if ($firm && in_array($token->text, ['from', 'with', 'for', 'at'], true) && in_array($t[$i - 1]->text ?? '', ['calling', 'ringing', 'phoning', "i'm", 'am', 'here', 'speaking', 'work', 'manager', 'director', 'owner', 'secretary', 'assistant', 'receptionist', 'buyer', 'engineer', 'administrator', 'supervisor', 'bookkeeper', 'accountant'], true)
                || $firm && $token->text === 'from' && $i <= 7 && preg_match('/^\p{Lu}/u', ($t[$i + 1]->text ?? '') === 'the' ? $t[$i + 2]->original ?? '' : $t[$i + 1]->original ?? '') === 1 && preg_match('/^\p{Lu}/u', $t[$i - 1]->original ?? '') === 1) {
                $at = ($t[$i + 1]->text ?? '') === 'the' ? $i + 2 : $i + 1;
            } elseif (str_ends_with($token->text, "'s") && isset($t[$i + 1]) && $this->questions->kindred(substr($token->text, 0, -2), array_map(strval(...), array_keys($field->own)), true)) {
                // 'The tank's round the back'
                $at = $i + 1;
            } elseif (preg_match('/\b(?:supplier|provider|insurer|contractor|company|firm)\b/', $name) === 1 && $token->text === 'called' && in_array($t[$i - 1]->text ?? '', ['firm', 'company', 'outfit', 'lot', 'place', 'supplier', 'provider', 'people'], true)) {
                $at = $i + 1;
            } elseif ($this->questions->kindred($token->text, array_map(strval(...), array_keys(array_filter($field->names, static fn (float $weight): bool => $weight >= 0.9))), true) && in_array($t[$i + 1]->text ?? '', ['is', "it's", 'was', 'called', 'name'], true)) {
                $at = $i + 2;
                while (isset($t[$at]) && in_array($t[$at]->text, ['is', 'called', 'a', 'an', 'the', "it's"], true)) {
                    $at++;
                }
            }
            if ($at === null || ! isset($t[$at])) {
                continue;
            }
            $part = [];
            for ($k = $at; isset($t[$k]) && count($part) < 6; $k++) {
                if ($k > $at && ($t[$k]->afterBreak() || in_array($t[$k]->text, ['and', 'i', 'in', 'on', 'about', 'who', 'we', 'calling', 'ringing', 'here', 'but', 'my', "i'm", "we're", "i've", 'to', 'for'], true))) {
                    break;
                }
                $part[] = $t[$k];
            }
            if ($part === [] || $firm && preg_match('/^\p{Lu}/u', $part[0]->original) !== 1) {
                continue;
            }
            $said = $sentence->between($part[0]->start, end($part)->end);

            return Reading::of($said, 0.76, $said, $part[0]->start, end($part)->end);
        }

        return null;
    }

    /** A colour with the words that shade it: 'dark green'. */
    private function colour(Heard $sentence): ?Reading
    {
        $colours = array_fill_keys($this->words->section('extraction', 'colours'), true);
        $t = $sentence->tokens;
        foreach ($t as $i => $token) {
            if (! isset($colours[$token->text])) {
                continue;
            }
            $from = in_array($t[$i - 1]->text ?? '', ['dark', 'light', 'pale', 'bright', 'navy', 'royal', 'bottle', 'olive', 'deep', 'metallic', 'off'], true) ? $i - 1 : $i;
            $to = in_array($t[$i + 1]->text ?? '', ['and'], true) && isset($colours[$t[$i + 2]->text ?? '']) ? $i + 2 : $i;
            $said = $sentence->between($t[$from]->start, $t[$to]->end);

            return Reading::of($said, 0.76, $said, $t[$from]->start, $t[$to]->end);
        }

        return null;
    }

    /** 'Is there nothing with Dr Mir?' */
    private function practitioner(Heard $sentence): ?Reading
    {
        $t = $sentence->tokens;
        foreach ($t as $i => $token) {
            $next = $t[$i + 1] ?? null;
            if (in_array($token->text, ['dr', 'doctor', 'mr', 'mrs', 'miss', 'ms'], true) && $next !== null && preg_match('/^\p{Lu}/u', $next->original) === 1 && in_array($t[$i - 1]->text ?? '', ['with', 'see', 'saw', 'seeing', 'for', 'under', 'by'], true)) {
                $said = $sentence->between($token->start, $next->end);

                return Reading::of($said, 0.76, $said, $token->start, $next->end);
            }
        }

        return null;
    }

    /** 'Hi, it's Paul Renshaw', 'I'm Jo Marsh and …': names that words of little weight bring. */
    private function introduced(FieldProfile $field, Heard $sentence, Hearing $hearing): ?Reading
    {
        $given = $this->words->set('given_names');
        $t = $sentence->tokens;
        // 'Hi Mo, Jess Alder from Northgate'
        for ($i = 0; $i < min(5, count($t) - 2); $i++) {
            if (($i === 0 || $t[$i]->afterBreak() || in_array($t[$i - 1]->text, ['hi', 'hello', 'hey', 'morning', 'afternoon', 'yes', 'yeah', 'evening'], true)) && preg_match('/^\p{Lu}\p{Ll}/u', $t[$i]->original) === 1 && (isset($given[$t[$i]->text]) || $i > 0 && $t[$i]->afterBreak() && in_array($t[$i + 2]->text, ['from', 'here', 'calling', 'ringing'], true) && preg_match('/day$/', $t[$i]->text) !== 1) && preg_match('/^\p{Lu}\p{Ll}/u', $t[$i + 1]->original) === 1 && ! $t[$i + 1]->afterBreak() && in_array($t[$i + 2]->text, ['from', 'here', 'at', 'calling', 'speaking', 'ringing', 'again', 'of'], true) && ! $t[$i + 2]->afterBreak()) {
                $reading = $this->readings->read($field, $sentence->only(array_slice($t, $i, 2)), $hearing->now, $hearing->transcript->country, true);
                if ($reading->found()) {
                    return Reading::of($reading->value, 0.86, $reading->said, $reading->start, $reading->end);
                }
            }
        }
        foreach ($t as $i => $token) {
            if ($i > 6 && ! in_array($token->text, ['name', 'under'], true) || ! in_array($token->text, ["it's", 'its', "i'm", 'im', 'am', 'is', 'mr', 'mrs', 'miss', 'ms', 'dr', 'under', 'name'], true) || in_array($token->text, ['am', 'is'], true) && ! in_array($t[$i - 1]->text ?? '', ['i', 'it', 'this', 'name'], true)) {
                continue;
            }
            $words = [];
            foreach (array_slice($t, $i + 1, 4) as $k => $word) {
                if ($k > 0 && ($word->afterBreak() || ! (preg_match('/^\p{Lu}/u', $word->original) === 1 && $word->text !== 'i' && ! str_starts_with($word->text, "i'") || isset($this->words->set('surnames')[$word->text]) && ctype_lower($words[0]->original)))) {
                    break;
                }
                $words[] = $word;
            }
            // 'It's Vic from Harlow Heating'
            $next = $t[$i + 1 + count($words)] ?? null;
            $place = $t[$i + 2 + count($words)] ?? null;
            $firm = count($words) === 1 && in_array($next?->text, ['from', 'at', 'of'], true) && $place !== null && preg_match('/^(?:\p{Lu}|the$)/u', $place->original) === 1 && in_array($token->text, ["it's", 'is', 'its'], true);
            if ($words === [] || ! $firm && ! isset($given[$words[0]->text]) && count($words) < 2 && ! in_array($token->text, ['mr', 'mrs', 'miss', 'ms', 'dr'], true) || preg_match('/^\p{Lu}/u', $words[0]->original) !== 1 && (! isset($given[$words[0]->text]) || isset($this->words->set('everyday_words')[$words[0]->text]))) {
                continue;
            }
            $reading = $this->readings->read($field, $sentence->only($words), $hearing->now, $hearing->transcript->country, true);
            if ($reading->found()) {
                return Reading::of($reading->value, 0.8, $reading->said, $reading->start, $reading->end);
            }
        }

        return null;
    }

    /** A name that is somebody else's: 'my son Jack', 'for a Mrs Hale', 'on behalf of Tom Briggs'. */
    private function third(FieldProfile $field, Heard $sentence, Hearing $hearing): ?Reading
    {
        $given = $this->words->set('given_names');
        $t = $sentence->tokens;
        // 'I'm Robbie Hale's mum'
        $relations = array_fill_keys($this->words->section('extraction', 'relations'), true);
        foreach ($t as $i => $token) {
            if (isset($relations[$token->text]) && $i > 0 && preg_match("/^(.+)'s$/", $t[$i - 1]->text, $m) === 1 && preg_match('/^\p{Lu}/u', $t[$i - 1]->original) === 1 && ! isset($relations[$m[1]])) {
                $name = substr($t[$i - 1]->original, 0, -2);
                $start = $i - 1;
                if (isset($t[$i - 2]) && preg_match('/^\p{Lu}\p{Ll}/u', $t[$i - 2]->original) === 1 && ! $t[$i - 1]->afterBreak() && ! str_contains($t[$i - 2]->text, "'")) {
                    $name = $t[$i - 2]->original.' '.$name;
                    $start = $i - 2;
                }

                return Reading::of($name, 0.84, $name, $t[$start]->start, $t[$i - 1]->end);
            }
        }
        $leads = array_map(static fn (array $hit): array => [$hit[1], $hit[2]], $this->words->phrases('extraction', 'third_leads')->all($t));
        foreach ($t as $i => $token) {
            // 'The landlord's Mr Petros': the role is the field's own.
            $base = (string) preg_replace("/'s$/", '', $token->text);
            if ($i > 0 && in_array($t[$i - 1]->text, ['the', 'my', 'our', 'his', 'her', 'their'], true) && $this->questions->kindred($base, array_map(strval(...), array_keys(array_filter($field->names, static fn (float $weight): bool => $weight >= 0.9))), true)) {
                array_unshift($leads, [$i, 1]);
            }
        }
        foreach ($leads as [$place, $length]) {
            $i = $place + $length;
            while (isset($t[$i]) && in_array($t[$i]->text, ['is', 'called', 'name', "name's", 'a', 'mr', 'mrs', 'miss', 'ms', 'dr', 'old', 'the', "who's", 'and', 'his', 'her', "he's", "she's", 'called', 'it', "it's", 'named', 'patient', 'doctor', 'please'], true) && $i < $place + $length + 5) {
                $i++;
            }
            $first = $t[$i] ?? null;
            if ($first === null || ! (isset($given[$first->text]) && (preg_match('/^\p{Lu}/u', $first->original) === 1 || ctype_lower($sentence->original[0] ?? 'A')) || preg_match('/^\p{Lu}/u', $first->original) === 1 && ! in_array($first->text, ['i', "i'm", 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'], true))) {
                continue;
            }
            $words = [];
            foreach (array_slice($t, $i, 3) as $k => $token) {
                if ($k > 0 && ($token->afterBreak() || preg_match('/^\p{Lu}/u', $token->original) !== 1 && ! (ctype_lower($first->original[0]) && isset($this->words->set('surnames')[$token->text])))) {
                    break;
                }
                $words[] = $token;
            }
            $reading = $this->readings->read($field, $sentence->only($words), $hearing->now, $hearing->transcript->country, true);
            if ($reading->found()) {
                return Reading::of($reading->value, 0.82, $reading->said, $reading->start, $reading->end);
            }
        }

        return null;
    }
}
