<?php

declare(strict_types=1);

namespace Ringo\Extraction\Asking;

use Ringo\Extraction\FieldProfile;
use Ringo\Language\Phrases;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Value\ValueType;

/** How plainly a sentence wants what a field holds: by its name, by how it opens, and by what kind of answer it waits for. */
final class Wanting
{
    private const LEADS_IN = ['from', 'until', 'till', 'to', 'on', 'at', 'for', 'by', 'in', 'is', 'with', 'about'];

    private readonly Stemmer $stemmer;

    /** @var list<Token> the sentence that was looked at last: each field of a sheet is asked about it */
    private array $looked = [];

    private string $lookedText = '';

    public function __construct(private readonly Vocabulary $words, private readonly Naming $naming, private readonly Listed $lists)
    {
        $this->stemmer = new Stemmer;
    }

    /** @param list<Token> $tokens how plainly a sentence asks for a field, from 0 to about 1.5 */
    public function score(FieldProfile $field, array $tokens, int $fields = 2): float
    {
        $opening = $this->opening($tokens);
        if ($opening !== null && $this->cannot($opening, $field->type)) {
            return 0.0;
        }
        // 'Who am I speaking to?' asks for no place one goes to.
        if ($opening === 'person' && array_diff(array_map(strval(...), array_keys($field->names)), self::LEADS_IN) === []) {
            return 0.0;
        }
        $cue = $this->cue($field->type, $tokens);
        [$names, $words] = $this->naming->overlap($field, $tokens);
        if ($field->field->cues !== [] && ($hit = $this->lists->of($field->key().'.cues', $field->field->cues)->first($tokens)) !== null) {
            // 'From' and 'until' lead in what a caller says; in a question they say little of which day is meant.
            $names = max($names, in_array($hit[0], self::LEADS_IN, true) ? 0.15 : 0.7);
        }
        $role = $this->role($field, $tokens);
        // Who is named for what they are is meant, whoever else is spoken to.
        $role = $names >= 0.7 && $field->role === 'other' ? max(0.0, $role) : $role;
        $only = $fields === 1 ? 0.3 : 0.0;

        return match ($field->type) {
            ValueType::PersonName => $cue < 0.4 && $names < 0.6 ? 0.0 : 0.7 * $cue + 0.5 * $names + 0.2 * $words + $role + $this->part($field, $tokens),
            ValueType::Phone, ValueType::Email => 0.7 * $cue + 0.5 * $names + 0.2 * $words + $role - ($this->spare($field) && ! $this->spared($tokens) ? 0.4 : 0.0),
            ValueType::PostalAddress => 0.7 * $cue + 0.5 * $names + 0.2 * $words + $role + $this->way($field, $tokens) + ($opening === 'place' ? 0.3 : 0.0),
            ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::Duration => 0.62 * $cue + 0.6 * $names + 0.3 * $words + $this->tense($field, $tokens),
            ValueType::Number, ValueType::Money, ValueType::Reference => ($names < 0.7 && $this->polar($field, $tokens, $cue) ? 0.5 : 1.0) * (($field->type === ValueType::Number && $cue >= 0.9 ? 0.5 : 0.45) * $cue + 0.7 * $names + 0.5 * $words + $this->measure($field, $tokens) + ($field->people && $this->people($tokens) ? 0.4 : 0.0) + ($field->age && $this->line($tokens, ' old ') ? 0.6 : 0.0) + $only),
            ValueType::YesNo => $this->yesNo($field, $tokens, $names, $words),
            ValueType::Choice, ValueType::Several => 0.25 * $cue + 0.75 * $names + 0.4 * $words + $this->options($field, $tokens),
            ValueType::Items => 0.0,
            ValueType::Text => (isset($field->names['reason']) && ($tokens[0]->text === 'why' || $this->line($tokens, ' why ') || $this->line($tokens, ' what for ')) ? 0.8 : 0.0) + ($names >= 0.3 || $words >= 0.3 ? 0.9 * $names + 0.5 * $words : 0.0) + $this->called($field, $tokens) + $this->place($field, $tokens) + ($opening === 'place' && $field->span !== null ? 0.3 + $this->way($field, $tokens) : 0.0) + ($field->narrative && ! $field->extra() && ! in_array($opening, ['person', 'place', 'time', 'count', 'length', 'measure'], true) && $this->words->phrases('extraction', 'open_questions')->in($tokens) ? 0.6 : 0.0) + ($field->extra() && preg_match('/ (?:anything (?:else|more)|should know|need to know|any other|anything special|special requests?) /', $this->text($tokens)) === 1 ? 0.6 : 0.0),
        };
    }

    /**
     * What kind of thing a question wants, by the word it opens with; null where it opens with none.
     *
     * @param list<Token> $tokens
     */
    public function opening(array $tokens): ?string
    {
        foreach (array_slice($tokens, 0, 4) as $i => $token) {
            $next = $tokens[$i + 1]->text ?? '';
            $word = rtrim((string) preg_replace("/'(?:s|re|d|ll|ve)$/", '', $token->text));
            if ($word === 'how') {
                return match (true) {
                    in_array($next, ['many', 'much'], true) => 'count', $next === 'long' => 'length', in_array($next, ['old', 'big', 'far', 'tall', 'heavy', 'wide', 'high', 'large', 'deep', 'often'], true) => 'measure', in_array($next, ['about', 'soon', 'early', 'late'], true) => null, default => 'manner',
                };
            }
            if (in_array($word, ['where', 'whereabouts'], true)) {
                return 'place';
            }
            if (in_array($word, ['when', 'who', 'whose'], true)) {
                return $word === 'when' ? 'time' : 'person';
            }
            if (in_array($word, ['what', 'which'], true)) {
                return in_array($next, ['about', 'if'], true) ? null : 'thing';
            }
            if (! in_array($word, ['and', 'so', 'ok', 'okay', 'right', 'well', 'then', 'now', 'lovely', 'great', 'thanks', 'but', 'from', 'until', 'by', 'for', 'about', 'roughly', 'on', 'at', 'to'], true)) {
                return null;
            }
        }

        return null;
    }

    /** What a question of that kind cannot ask for. */
    private function cannot(string $opening, ValueType $type): bool
    {
        return match ($opening) {
            'place' => in_array($type, [ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::Duration, ValueType::Number, ValueType::Money, ValueType::YesNo, ValueType::Reference, ValueType::PersonName], true),
            'time' => in_array($type, [ValueType::PostalAddress, ValueType::Number, ValueType::Money, ValueType::Email, ValueType::PersonName, ValueType::Reference, ValueType::YesNo], true),
            'person' => in_array($type, [ValueType::Date, ValueType::Time, ValueType::DateTime, ValueType::Duration, ValueType::Number, ValueType::Money, ValueType::PostalAddress, ValueType::YesNo, ValueType::Reference], true),
            'count', 'length', 'measure' => in_array($type, [ValueType::PostalAddress, ValueType::PersonName, ValueType::Phone, ValueType::Email, ValueType::YesNo, ValueType::Reference], true),
            'thing', 'manner' => $type === ValueType::YesNo,
            default => false,
        };
    }

    /** @param list<Token> $tokens */
    public function cue(ValueType $type, array $tokens): float
    {
        $best = 0.0;
        $all = [];
        foreach ($this->asks($type)->all($tokens) as [$weight]) {
            $best = max($best, (float) $weight);
            $all[] = (float) $weight;
        }

        return $best;
    }

    /** @return Phrases<mixed> */
    private function asks(ValueType $type): Phrases
    {
        return $this->words->phrases('extraction', 'ask_'.$type->value);
    }

    /** @param list<Token> $tokens */
    private function yesNo(FieldProfile $field, array $tokens, float $names, float $words): float
    {
        $score = 0.8 * $names + 0.6 * $words;
        foreach ($field->facts as $n => $fact) {
            foreach (['terms', 'true', 'false'] as $side) {
                if ($fact[$side] !== [] && $this->lists->of($field->key().$n.$side, $fact[$side])->in($tokens)) {
                    $score = max($score, $side === 'terms' ? 0.6 : 0.59);
                }
            }
        }

        return $score;
    }

    /** @param list<Token> $tokens whether 'how heavy' and the like ask for this very measure */
    private function measure(FieldProfile $field, array $tokens): float
    {
        $hit = $this->words->phrases('extraction', 'measures')->first($tokens);
        if ($field->type === ValueType::Number && array_intersect_key($field->names, ['pric' => 1, 'cost' => 1, 'rat' => 1, 'charg' => 1, 'per' => 1]) !== [] && preg_match('/ how (?:much|many) (?:would|do|will|did) /', $this->text($tokens)) === 1) {
            return -0.4;
        }
        if ($field->type === ValueType::Number && $field->unit !== null && ($this->opening($tokens) === 'length' || $this->line($tokens, ' how much time '))) {
            return 0.45;
        }
        if ($field->type === ValueType::Number && preg_match('/ how many (\w+) /', $this->text($tokens), $m) === 1 && in_array($this->stemmer->stem($m[1]), $this->stemmer->stems($field->field->title.' '.str_replace('_', ' ', $field->key())), true)) {
            return 0.45;
        }
        if ($hit === null) {
            return 0.0;
        }
        $stem = $this->stemmer->stem((string) $hit[0]);

        return isset($field->names[$stem]) || isset($field->words[$stem]) ? 0.5 : 0.0;
    }

    /** @param list<Token> $tokens 'any babies?' asks for a yes or no, not for how many */
    private function polar(FieldProfile $field, array $tokens, float $cue): bool
    {
        return $field->type === ValueType::Number && $cue < 0.3 && in_array($tokens[0]->text ?? '', ['any', 'is', 'are', 'do', 'does', 'did', 'have', 'has', 'will', 'would', 'anyone', 'anybody'], true);
    }

    /** @param list<Token> $tokens whether a sentence names one of a field's options at least, among others */
    public function offers(FieldProfile $field, array $tokens): bool
    {
        return $this->options($field, $tokens) >= 0.25;
    }

    /** Whether the field holds a second number or address. */
    private function spare(FieldProfile $field): bool
    {
        return preg_match('/\b(alternative|alternate|second|secondary|other|backup|spare|emergency|work|landline|home|billing)\b/', strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()))) === 1;
    }

    /** @param list<Token> $tokens */
    private function spared(array $tokens): bool
    {
        return preg_match('/ (?:alternative|alternate|second|secondary|other|another|backup|spare|emergency|work|landline|home|else|billing) /', $this->text($tokens)) === 1;
    }

    /** @param list<Token> $tokens 'whereabouts are you?' asks for a town, a suburb, a venue */
    private function place(FieldProfile $field, array $tokens): float
    {
        if (preg_match('/\b(suburb|town|city|area|location|venue|district|village|county|region|neighbourhood|place)\b/', strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()))) !== 1) {
            return 0.0;
        }

        return preg_match('/ (?:where|whereabouts|which part|what part|based|located) /', $this->text($tokens)) === 1 ? 0.5 : 0.0;
    }

    /** @param list<Token> $tokens 'where to?' asks for the end of a way, 'where shall we pick you up?' for its start */
    private function way(FieldProfile $field, array $tokens): float
    {
        if ($field->span === null) {
            return 0.0;
        }
        $line = $this->text($tokens);
        $end = preg_match('/ (?:where to|off to|going to|going|moving to|heading|headed|destination|drop|deliver|delivered|new address|take you to|to where|send it) /', $line) === 1;
        $start = preg_match('/ (?:where from|moving from|from|pick|collect|collecting|collected|picked|now|current|currently|starting) /', $line) === 1;
        if ($start === $end) {
            return 0.0;
        }

        return ($field->span === 'start') === $start ? 0.35 : -0.3;
    }

    /** @param list<Token> $tokens first and last names are asked for apart */
    private function part(FieldProfile $field, array $tokens): float
    {
        if ($field->namePart === null) {
            return 0.0;
        }
        $first = $this->words->phrases('extraction', 'name_first')->in($tokens);
        $last = $this->words->phrases('extraction', 'name_last')->in($tokens);

        return $first === $last ? 0.0 : (($field->namePart === 'first') === $first ? 0.2 : -0.8);
    }

    /** @param list<Token> $tokens 'what is she called?' asks for the name of an animal, a child, a thing */
    private function called(FieldProfile $field, array $tokens): float
    {
        if (! isset($field->names[$this->stemmer->stem('name')])) {
            return 0.0;
        }
        $line = $this->text($tokens);

        return preg_match("/ (?:(?:his|her|its|their|animal's|dog's|cat's|pet's|horse's|puppy's|kitten's|child's|baby's) name|(?:he|she|it|they) called|name of (?:the|your) \w+|(?:he's|she's|it's) called|name is (?:he|she|it)) /", $line) === 1 ? 0.6 : 0.0;
    }

    /** @param list<Token> $tokens share of the options that the question names */
    private function options(FieldProfile $field, array $tokens): float
    {
        $stems = array_map(fn (Token $token): string => $this->stemmer->stem($token->text), $tokens);
        $line = ' '.implode(' ', $stems).' ';
        $named = 0;
        foreach ($field->field->options as $option) {
            foreach ([$option['label'], str_replace('_', ' ', $option['key']), ...$option['phrases']] as $phrase) {
                if (str_contains($line, ' '.implode(' ', $this->stemmer->stems($phrase)).' ')) {
                    $named++;

                    continue 2;
                }
            }
        }

        // 'How did you hear about us?' asks for how they found us, by whatever name.
        $text = $this->text($tokens);
        if (preg_match('/ (?:hear|heard|find|found|come across|came across|know|get to know|learn) (?:about |of |out about )?us /', $text) === 1 && preg_match('/\b(?:found us|find us|heard|hear about|source|referral|came across|how did|introduced|marketing)\b/', strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()).' '.$field->field->description)) === 1) {
            return 0.9;
        }
        if (preg_match('/ how (?:would|should|shall|can|do|will) .*(?:contact|contacted|reach|get in touch|get back|hear from|reply|let you know|confirm)/', $text) === 1 && preg_match('/\b(?:contact method|method of contact|preferred contact|contact preference|contact by|reply by|preferred method|how to (?:contact|reach|reply))\b/', strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()).' '.$field->field->description)) === 1) {
            return 0.9;
        }

        return $named >= 2 ? 0.6 : ($named === 1 ? 0.25 : 0.0);
    }

    /** @param list<Token> $tokens 'your name' asks for the caller's, 'the patient's name' for somebody else's */
    private function role(FieldProfile $field, array $tokens): float
    {
        $line = $this->text($tokens);
        $theirs = preg_match('/ (?:his|her|their|mum\'?s|mother\'?s|mom\'?s|dad\'?s|father\'?s|wife\'?s|husband\'?s|partner\'?s|brother\'?s|sister\'?s|friend\'?s|gran\'?s|nan\'?s|grandma\'?s|grandad\'?s|grandson\'?s|granddaughter\'?s|boy\'?s|girl\'?s|baby\'?s|neighbour\'?s|colleague\'?s|boss\'?s|manager\'?s|customer\'s|client\'s|patient\'?s?|child\'?s?|son\'?s|daughter\'?s|pupil\'?s?|guest\'?s?|recipient\'?s?|tenant\'?s?|driver\'?s?|deceased|policyholder\'?s?|employee\'?s?|resident\'?s?|student\'?s?|witness(?:\'s)?|owner\'?s?|emergency contact|next of kin|other (?:driver|person|party)(?:\'s)?|somebody else|someone else|business|company|firm) /', $line) === 1;
        // 'Your child's name' is the child's.
        $line = $theirs ? (string) preg_replace("/ your (?=\\w+'s )/", ' the ', $line) : $line;
        $theirs = $theirs || preg_match("/ who(?:'s| is| would| are) (?:it|this|that|the \\w+|they|you \\w+) (?:for|about) /", $line) === 1;
        $yours = preg_match('/ (?:your|yours|you|yourself|calling|speaking|ringing) /', $line) === 1;

        return match (true) {
            $field->role === 'caller' && $theirs && ! $yours => -0.6,
            $field->role === 'other' && $theirs => 0.15,
            $field->role === 'other' && $yours && ! $theirs => $field->type === ValueType::PersonName ? -0.3 : -0.15,
            $field->role === 'caller' && $yours => 0.15,
            default => 0.0,
        };
    }

    /** @param list<Token> $tokens */
    private function tense(FieldProfile $field, array $tokens): float
    {
        $words = array_map(static fn (Token $token): string => $token->text, $tokens);
        $past = array_intersect($words, ['did', 'was', 'were', 'happened', 'born', 'birth', 'since', 'started', 'last', 'bought', 'occur', 'notice', 'noticed', 'birthday']) !== [];
        $future = array_intersect($words, ['would', 'will', 'like', 'want', 'need', 'can', 'could', 'suit', 'suits', 'prefer', 'shall', 'looking', 'arriving', 'should']) !== [];
        if ($past === $future) {
            return 0.0;
        }

        return match (true) {
            $field->tense === 'past' && $past, $field->tense === 'future' && $future => 0.12,
            $field->tense === 'past' && $future, $field->tense === 'future' && $past => -0.3,
            default => 0.0,
        };
    }

    /** @param list<Token> $tokens */
    private function people(array $tokens): bool
    {
        return preg_match('/ (?:how many (?:of you|people|guests|in|will|are|is it|persons|adults|for|would|coming|covers|diners|heads|would you like)|party of|number of (?:people|guests|adults)|many is) /', $this->text($tokens)) === 1
            || preg_match('/\bhow many\b/', implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens))) === 1 && count($tokens) < 5;
    }

    /** @param list<Token> $tokens the words of a sentence, with a space before and behind each */
    private function text(array $tokens): string
    {
        if ($tokens !== $this->looked) {
            $this->looked = $tokens;
            $this->lookedText = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ';
        }

        return $this->lookedText;
    }

    /** @param list<Token> $tokens */
    private function line(array $tokens, string $needle): bool
    {
        return str_contains($this->text($tokens), $needle);
    }
}
