<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\ValueType;

/** Works out what each field of a sheet is about. */
final readonly class Profiler
{
    /** Words that say of what type a field is rather than which one. */
    private const GENERIC = ['name', 'number', 'date', 'time', 'day', 'address', 'caller', 'customer', 'client', 'contact', 'preferred', 'requested', 'phone', 'telephone', 'email', 'mobile', 'full', 'type', 'kind', 'of', 'value', 'best', 'callback', 'call', 'back', 'code', 'reference', 'amount', 'total', 'whether', 'person', 'new', 'main', 'wanted', 'desired', 'is', 'has', 'needs', 'need', 'needed', 'given', 'held', 'made', 'info', 'information', 'details', 'ok', 'agreed'];

    private const POSTCODES = ['GB' => '^[A-Z]{1,2}[0-9][A-Z0-9]?[0-9][A-Z]{2}$', 'US' => '^[0-9]{5}(-?[0-9]{4})?$', 'CA' => '^[A-Z][0-9][A-Z][0-9][A-Z][0-9]$', 'AU' => '^[0-9]{4}$', 'IE' => '^[A-Z][0-9]{2}[A-Z0-9]{4}$', 'NZ' => '^[0-9]{4}$'];

    private Stemmer $stemmer;

    private Tokenizer $tokenizer;

    public function __construct(private Vocabulary $words)
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
    }

    /** @return list<FieldProfile> */
    public function profiles(RecordSheet $sheet, string $country): array
    {
        $profiles = array_values(array_map(fn (Field $field): FieldProfile => $this->profile($field, $country), array_filter($sheet->fields, static fn (Field $field): bool => $field->type !== ValueType::Items)));
        $used = array_count_values(array_merge(...array_map(static fn (FieldProfile $one): array => array_map(strval(...), array_keys($one->names)), $profiles) ?: [[]]));
        foreach ($profiles as $i => $one) {
            $profiles[$i] = $one->withOwn(array_map(static fn (): bool => true, array_filter($one->names, static fn (float $weight, string|int $stem): bool => $weight >= 1.0 && $used[$stem] === 1, ARRAY_FILTER_USE_BOTH)) ?: array_map(static fn (): bool => true, array_filter($one->names, static fn (string|int $stem): bool => $used[$stem] === 1, ARRAY_FILTER_USE_KEY)));
        }
        $names = array_filter($profiles, static fn (FieldProfile $one): bool => $one->type === ValueType::PersonName && $one->namePart === null);
        $returns = array_filter($profiles, static fn (FieldProfile $one): bool => isset($one->names['return']));
        $own = array_filter($names, static fn (FieldProfile $one): bool => $one->role !== 'other');
        $first = $own === [] ? array_key_first($names) : null;
        foreach ($profiles as $i => $one) {
            // Where no field is for the caller's own name, whoever the sheet names may be the one who rings.
            if ($one->type === ValueType::PersonName && $one->role === 'other' && $own === [] && $i === $first && preg_match('/\b(?:asked for|wanted|requested|engineer|staff|technician|stylist|therapist|doctor|dentist|recipient|addressee|referr)/i', $one->field->title.' '.$one->field->description) !== 1) {
                $profiles[$i] = $one->with('any', $one->span);
            }
            // A departure with a way back is where a journey starts; without, where a stay ends.
            if ($returns !== [] && $one->span === 'end' && isset($one->names['departure'])) {
                $profiles[$i] = $one->with($one->role, 'start');
            }
        }

        return $profiles;
    }

    public function profile(Field $field, string $country): FieldProfile
    {
        $title = $this->tokenizer->words($field->title.' '.str_replace('_', ' ', $field->key));
        $description = $this->tokenizer->words($field->description);
        $small = array_fill_keys($this->words->section('routing', 'small'), true);
        $names = [];
        foreach ($title as $word) {
            if (strlen($word) > 1 && ! (isset($small[$word]) && $word !== 'right' && ! in_array($word, self::GENERIC, true))) {
                $names[$this->stemmer->stem($word)] = in_array($word, self::GENERIC, true) ? 0.25 : 1.0;
            }
        }
        if ($names === []) {
            // A title of small words, such as “Show”, has nothing else to be known by.
            foreach ($title as $word) {
                $names[$this->stemmer->stem($word)] = in_array($word, self::GENERIC, true) ? 0.25 : 1.0;
            }
        }
        foreach ($field->cues as $cue) {
            foreach ($this->tokenizer->words($cue) as $word) {
                if (strlen($word) > 2 && ! isset($small[$word])) {
                    $names[$this->stemmer->stem($word)] ??= 0.6;
                }
            }
        }
        $words = [];
        foreach ($description as $word) {
            $stem = $this->stemmer->stem($word);
            if (strlen($word) > 2 && ! isset($small[$word]) && ! isset($names[$stem])) {
                $words[$stem] = in_array($word, self::GENERIC, true) ? 0.1 : 0.5;
            }
        }
        $type = $field->type;
        $pattern = $field->pattern;
        $head = ' '.implode(' ', $title).' ';
        if ($type === ValueType::Text && $pattern === null && preg_match('/\b(post ?code|zip)\b/', $head) === 1) {
            $pattern = self::POSTCODES[$country] ?? null;
        }
        if ($pattern !== null) {
            // What is said has no spaces that count; the reading is set right afterwards.
            $pattern = str_replace([' ', '\s'], [' ?', '\s?'], str_replace([' ?', '\s?', '\s*'], [' ', '\s', '\s'], $pattern));
        }
        if ($type === ValueType::Text && $pattern !== null) {
            $type = ValueType::Reference;
        }
        if ($type === ValueType::Text && preg_match('/\b(full name|(?:caller|customer|client|contact|patient|guest|your) name|(?:first|last|middle|given|family|second) name|surname|forename)\b/', $head) === 1) {
            $type = ValueType::PersonName;
        }
        $all = $head.implode(' ', $description).' ';

        return new FieldProfile(
            $field,
            $type,
            $names,
            $words,
            $this->role($title, $description),
            $this->tense($title, $description),
            $this->span($title),
            $type === ValueType::Text && preg_match('/ (?:dietary|diet|access|mobility|medicine|medication|location) /', $head) !== 1 && $this->has($all, $this->words->section('extraction', 'narrative')),
            $this->part($field, $head),
            $type === ValueType::YesNo ? $this->facts($field, $head, $all) : [],
            $pattern,
            preg_match('/\b(people|guests?|party|persons?|covers|adults|passengers|attendees|heads?|headcount|group|diners|occupants|seats)\b/', $all) === 1,
            preg_match('/\bage\b/', $head) === 1,
            $type === ValueType::Number && preg_match('/\b(guests?|people|persons?|covers|adults|passengers|attendees|heads|staff|employees|children|delegates)\b/', $head) !== 1 && preg_match('/\b(minute|hour|day|night|week|month|year)s?\b/', preg_match('/\b(minute|hour|day|night|week|month|year)s?\b/', $head) === 1 ? $head : (preg_match('/\b(?:in|of|many) (?:minute|hour|day|night|week|month|year)s\b/', $all) === 1 ? $all : ''), $m) === 1 && preg_match('/\b(?:per|a|each) (?:minute|hour|day|night|week|month|year)\b/', $head) !== 1 ? $m[1] : null,
        );
    }

    /** First or last name only; what the title calls a name is one, whatever its key. */
    private function part(Field $field, string $head): ?string
    {
        $title = ' '.implode(' ', $this->tokenizer->words($field->title)).' ';
        $line = str_contains($title, ' name ') ? $title : $head;

        return $this->has($line, $this->words->section('extraction', 'name_first')) ? 'first' : ($this->has($line, $this->words->section('extraction', 'name_last')) ? 'last' : null);
    }

    /**
     * @param list<string> $title
     * @param list<string> $description
     *
     * @return 'caller'|'other'|'any'
     */
    private function role(array $title, array $description): string
    {
        $caller = array_fill_keys($this->words->section('extraction', 'caller_roles'), true);
        $other = array_fill_keys($this->words->section('extraction', 'other_roles'), true);
        if (array_intersect($title, ['second', 'joint', 'additional', 'co']) !== [] && array_intersect($title, ['name', 'phone', 'number', 'email', 'applicant', 'driver', 'person', 'guest', 'owner', 'parent', 'holder', 'buyer', 'contact']) !== []) {
            return 'other';
        }
        foreach ([$title, $description] as $words) {
            foreach ($words as $i => $word) {
                $word = rtrim((string) preg_replace("/'s$/", '', $word), "'");
                if ($word === 'contact' && ($words[$i + 1] ?? '') !== 'on') {
                    continue;
                }
                if ($words === $description && $word === 'person') {
                    continue;
                }
                if (isset($caller[$word])) {
                    return 'caller';
                }
                if (isset($other[$word])) {
                    return 'other';
                }
            }
        }

        return 'any';
    }

    /**
     * @param list<string> $title
     * @param list<string> $description
     *
     * @return 'past'|'future'|'any'
     */
    private function tense(array $title, array $description): string
    {
        if (preg_match('/\b(?:order(?:ed)?|purchase|bought|invoice|issue|sale) date\b|\bdate (?:ordered|purchased|bought|issued|of purchase|of order|of sale)\b/', implode(' ', $title)) === 1) {
            return 'past';
        }
        foreach ([$title, $description] as $words) {
            // 'Last day' is the end of a stay, 'last visit' lies behind.
            $ends = preg_match('/\blast (?:day|night|date|time)\b/', implode(' ', $words)) === 1;
            $past = count(array_intersect($ends ? array_diff($words, ['last']) : $words, $this->words->section('extraction', 'past')));
            $future = count(array_intersect($words, $this->words->section('extraction', 'future')));
            if ($past !== $future) {
                return $past > $future ? 'past' : 'future';
            }
        }

        return 'any';
    }

    /**
     * @param list<string> $title
     *
     * @return 'start'|'end'|null
     */
    private function span(array $title): ?string
    {
        $start = array_intersect($title, $this->words->section('extraction', 'start_roles')) !== [];
        $end = array_intersect($title, $this->words->section('extraction', 'end_roles')) !== [];
        if (in_array('check', $title, true)) {
            return in_array('out', $title, true) ? 'end' : 'start';
        }

        return $start === $end ? null : ($start ? 'start' : 'end');
    }

    /** @return list<array{true: list<string>, false: list<string>, terms: list<string>}> */
    private function facts(Field $field, string $head, string $all): array
    {
        $facts = [];
        // One kind of fact is meant: the first that the title names, else the first the description tells of in so many words.
        foreach ([$head, $all] as $n => $line) {
            $most = 0;
            foreach ($facts === [] ? $this->words->section('extraction', 'facts') : [] as $fact) {
                // The fact with the longest term that stands there: 'access seat' before 'access'.
                $terms = $this->listed($fact['terms']);
                $hits = array_filter($n === 0 ? $terms : array_filter($terms, static fn (string $term): bool => str_contains($term, ' ')), fn (string $term): bool => $this->has($line, [$term]));
                $long = $hits === [] ? 0 : max(array_map(strlen(...), $hits));
                if ($long > $most) {
                    $most = $long;
                    $facts = [['true' => $this->listed($fact['true']), 'false' => $this->listed($fact['false']), 'terms' => $terms]];
                }
            }
        }
        if ($field->phrases !== []) {
            $facts[] = ['true' => $field->phrases['true'] ?? [], 'false' => $field->phrases['false'] ?? [], 'terms' => []];
        }

        return $facts;
    }

    /** @return list<string> */
    private function listed(string $line): array
    {
        return array_map(trim(...), explode(',', $line));
    }

    /** @param array<array-key, string> $phrases */
    private function has(string $line, array $phrases): bool
    {
        $line = str_replace('_', ' ', $line);
        foreach ($phrases as $phrase) {
            if (str_contains($line, ' '.$phrase.' ')) {
                return true;
            }
        }

        return false;
    }
}
