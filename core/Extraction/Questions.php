<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Lexicon;
use Ringo\Language\Phrases;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Value\ValueType;

/** Tells which fields the other side asks for. */
final class Questions
{
    private const LEADS_IN = ['from', 'until', 'till', 'to', 'on', 'at', 'for', 'by', 'in', 'is', 'with', 'about'];

    /** From this score on a field is being asked for. */
    public const ASKED = 0.42;

    private const RELATED = 0.52;

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    /** @var array<string, list<array{text: string, tokens: list<Token>, question: bool}>> */
    private array $cut = [];

    /** @var array<string, array<string, array{score: float, flipped: bool, sentence: string, last: bool}>> */
    private array $asks = [];

    /** @var array<string, array{float, float}> */
    private array $overlaps = [];

    /** @var array<string, array<string, true>> */
    private array $opposed = [];

    /** @var array<string, Phrases<string>> */
    private array $listed = [];

    /** @var ?array<string, true> stems of words that tell nothing */
    private ?array $small = null;

    /** @var array<string, array<string, true>> other words for a thing, by stem */
    private array $aliases = [];

    public function __construct(private readonly Vocabulary $words, private readonly Lexicon $lexicon)
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
        foreach ($words->section('extraction', 'counted_as') as $name => $other) {
            foreach (explode(', ', (string) $other) as $one) {
                $this->aliases[$this->stemmer->stem((string) $name)][$this->stemmer->stem($one)] = true;
            }
        }
        foreach ($words->section('extraction', 'opposites') as [$a, $b]) {
            $this->opposed[$this->stemmer->stem($a)][$this->stemmer->stem($b)] = true;
            $this->opposed[$this->stemmer->stem($b)][$this->stemmer->stem($a)] = true;
        }
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
                $scores[$field->key()] = $sentence['question'] || $field->type === ValueType::Choice && $this->offers($field, $sentence['tokens']) ? $this->score($field, $sentence['tokens'], count($fields)) : 0.0;
                // 'Would you like one?' asks for what the sentence before speaks of.
                if ($field->type === ValueType::YesNo && $scores[$field->key()] < self::ASKED && $n === $last && preg_match('/\b(one|that|it|them|those|so)\s*\?/i', $sentence['text']) === 1) {
                    $earlier = array_merge($sentences[$n - 1]['tokens'] ?? [], $this->tokenizer->tokens($before));
                    $scores[$field->key()] = $earlier === [] ? 0.0 : 0.8 * $this->score($field, $earlier, count($fields));
                }
            }
            foreach ($fields as $field) {
                // Where the day of the week is a choice of its own, 'which day?' asks for it.
                if ($field->type === ValueType::Choice && $this->weekdays($field) && preg_match('/\b(?:what|which|any|best) days?\b|\bday (?:suits|is best|works|would)\b/i', $sentence['text']) === 1) {
                    $scores[$field->key()] = max($scores[$field->key()], 0.9);
                    foreach ($fields as $other) {
                        $scores[$other->key()] = in_array($other->type, [ValueType::Date, ValueType::DateTime], true) && $this->overlap($other, $sentence['tokens'])[0] < 0.5 ? 0.0 : $scores[$other->key()];
                    }
                }
            }
            foreach ($fields as $field) {
                // A hair's breadth between two of a kind that the question does not name is none: the first on the sheet comes first.
                if (in_array($field->type, [ValueType::PostalAddress, ValueType::Phone], true) && $scores[$field->key()] >= self::ASKED && $this->overlap($field, $sentence['tokens'])[0] < 0.5) {
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
                    $found[$key] = ['score' => $score, 'flipped' => $this->flipped($profile, $sentence['tokens']), 'sentence' => $sentence['text'], 'last' => $n === $last];
                }
            }
        }
        uasort($found, static fn (array $a, array $b): int => [$b['last'], $b['score']] <=> [$a['last'], $a['score']]);

        return $found;
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

    /** @param list<Token> $tokens how plainly a sentence asks for a field, from 0 to about 1.5 */
    public function score(FieldProfile $field, array $tokens, int $fields = 2): float
    {
        $opening = $this->opening($tokens);
        if ($opening !== null && $this->cannot($opening, $field->type)) {
            return 0.0;
        }
        $cue = $this->cue($field->type, $tokens);
        [$names, $words] = $this->overlap($field, $tokens);
        if ($field->field->cues !== [] && ($hit = $this->listed($field->key().'.cues', $field->field->cues)->first($tokens)) !== null) {
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
            ValueType::Text => (isset($field->names['reason']) && ($tokens[0]->text === 'why' || $this->line($tokens, ' why ') || $this->line($tokens, ' what for ')) ? 0.8 : 0.0) + ($names >= 0.3 || $words >= 0.3 ? 0.9 * $names + 0.5 * $words : 0.0) + $this->called($field, $tokens) + $this->place($field, $tokens) + ($field->narrative && ! $field->extra() && ! in_array($opening, ['person', 'place', 'time', 'count', 'length', 'measure'], true) && $this->words->phrases('extraction', 'open_questions')->in($tokens) ? 0.6 : 0.0) + ($field->extra() && preg_match('/ (?:anything (?:else|more)|should know|need to know|any other|anything special|special requests?) /', ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ') === 1 ? 0.6 : 0.0),
        };
    }

    /**
     * @param list<Token> $tokens
     *
     * @return array{float, float} how much of the field's name, and of its description, stands in the words
     */
    public function overlap(FieldProfile $field, array $tokens): array
    {
        $key = $field->key();
        foreach ($tokens as $token) {
            $key .= ' '.$token->text;
        }
        if (count($this->overlaps) > 20_000) {
            $this->overlaps = [];
        }

        return $this->overlaps[$key] ??= $this->overlapping($field, $tokens);
    }

    /**
     * @param list<Token> $tokens
     *
     * @return array{float, float}
     */
    private function overlapping(FieldProfile $field, array $tokens): array
    {
        $stems = [];
        foreach ($tokens as $token) {
            $stems[$this->stemmer->stem($token->text)] = true;
        }
        $share = function (array $terms, bool $kin) use ($stems): float {
            $sum = 0.0;
            $of = 0.0;
            foreach ($terms as $term => $weight) {
                $of += $weight;
                $term = (string) $term;
                if (isset($stems[$term])) {
                    $sum += $weight;
                } elseif ($kin && isset($this->aliases[$term]) && array_intersect_key($stems, $this->aliases[$term]) !== []) {
                    $sum += 0.9 * $weight;
                } elseif ($kin && $weight >= 0.5) {
                    $near = 0.0;
                    foreach ($stems as $stem => $true) {
                        $stem = (string) $stem;
                        if (strlen($stem) > 2) {
                            $near = max($near, $this->lexicon->likeness($term, $stem));
                        }
                    }
                    $sum += $near >= self::RELATED ? $weight * 0.6 * $near : 0.0;
                }
            }

            return $of > 0.0 ? $sum / max($of, 0.8) : 0.0;
        };
        $named = $share($field->names, true);
        // A word that belongs to no other field of the sheet points at this one by itself.
        if ($named < 0.72 && count($tokens) <= 16) {
            $hit = array_filter($field->own, fn (bool $true, string|int $stem): bool => isset($stems[$stem]) || array_intersect_key($stems, $this->aliases[$stem] ?? []) !== [], ARRAY_FILTER_USE_BOTH);
            if ($this->telling($hit) || $hit !== [] && $this->allOf($stems, $field)) {
                $named = count($tokens) <= 11 ? 0.72 : 0.6;
            }
        }
        if ($named < 0.9 && $this->phrased($field, array_map(strval(...), array_keys($stems)))) {
            $named = 0.9;
        }
        $words = $share($field->words, false);

        return [$named, min(1.0, 2.0 * $words)];
    }

    /**
     * Whether a question has no telling word but those of the field: 'do you drive?'.
     *
     * @param array<array-key, true> $stems
     */
    private function allOf(array $stems, FieldProfile $field): bool
    {
        $this->small ??= array_fill_keys(array_map($this->stemmer->stem(...), $this->words->section('routing', 'small')), true);
        foreach ($stems as $stem => $true) {
            if (! isset($this->small[$stem]) && ! isset($field->names[$stem]) && strlen((string) $stem) > 2 && ! in_array($stem, ['do', 'be', 'have', 'at', 'all'], true)) {
                return false;
            }
        }

        return true;
    }

    /** @param array<array-key, bool> $stems whether one of them is no word of every second sentence */
    private function telling(array $stems): bool
    {
        foreach ($stems as $stem => $true) {
            if ($this->lexicon->weight((string) $stem) >= 0.65) {
                return true;
            }
        }

        return false;
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

    /**
     * @param list<string> $phrases
     *
     * @return Phrases<string>
     */
    private function listed(string $name, array $phrases): Phrases
    {
        return $this->listed[$name] ??= Phrases::listed($phrases);
    }

    /**
     * Whether the words of the title stand in the sentence in their order, with little between: 'may we call you again' for “Call again”.
     *
     * @param list<string> $stems of the sentence, in order
     */
    private function phrased(FieldProfile $field, array $stems): bool
    {
        $title = $this->stemmer->stems($field->field->title);
        if (count($title) < 2) {
            return false;
        }
        $at = null;
        foreach ($title as $stem) {
            $place = array_search($stem, $stems, true);
            if ($place === false || $at !== null && ($place < $at || $place > $at + 3)) {
                return false;
            }
            $at = $place;
        }

        return true;
    }

    /** Whether a word is what a field counts, by its name or another word for it. */
    public function counts(FieldProfile $field, string $word): bool
    {
        $stem = $this->stemmer->stem($word);
        foreach ($field->own === [] ? $field->names : $field->own as $name => $true) {
            if ($stem === (string) $name || isset($this->aliases[$name][$stem])) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether a word is one of some stems or means the same.
     *
     * @param list<string> $stems
     */
    public function kindred(string $word, array $stems, bool $same = false): bool
    {
        $stem = $this->stemmer->stem($word);
        foreach ($stems as $one) {
            if ($one === $stem || $this->stemmer->stem($one) === $stem || ! $same && strlen($stem) > 2 && $this->lexicon->likeness($one, $stem) >= 0.62) {
                return true;
            }
        }

        return false;
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
                if ($fact[$side] !== [] && $this->listed($field->key().$n.$side, $fact[$side])->in($tokens)) {
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
        if ($field->type === ValueType::Number && array_intersect_key($field->names, ['pric' => 1, 'cost' => 1, 'rat' => 1, 'charg' => 1, 'per' => 1]) !== [] && preg_match('/ how (?:much|many) (?:would|do|will|did) /', ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ') === 1) {
            return -0.4;
        }
        if ($field->type === ValueType::Number && $field->unit !== null && ($this->opening($tokens) === 'length' || $this->line($tokens, ' how much time '))) {
            return 0.45;
        }
        if ($field->type === ValueType::Number && preg_match('/ how many (\w+) /', ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ', $m) === 1 && in_array($this->stemmer->stem($m[1]), $this->stemmer->stems($field->field->title.' '.str_replace('_', ' ', $field->key())), true)) {
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
    private function offers(FieldProfile $field, array $tokens): bool
    {
        return $this->options($field, $tokens) >= 0.25;
    }

    private function weekdays(FieldProfile $field): bool
    {
        return count(array_filter($field->field->options, static fn (array $option): bool => preg_match('/^(?:mon|tues|wednes|thurs|fri|satur|sun)days?$/i', $option['key']) === 1)) >= 3;
    }

    /** Whether the field holds a second number or address. */
    private function spare(FieldProfile $field): bool
    {
        return preg_match('/\b(alternative|alternate|second|secondary|other|backup|spare|emergency|work|landline|home|billing)\b/', strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()))) === 1;
    }

    /** @param list<Token> $tokens */
    private function spared(array $tokens): bool
    {
        return preg_match('/ (?:alternative|alternate|second|secondary|other|another|backup|spare|emergency|work|landline|home|else|billing) /', ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ') === 1;
    }

    /** @param list<Token> $tokens 'whereabouts are you?' asks for a town, a suburb, a venue */
    private function place(FieldProfile $field, array $tokens): float
    {
        if (preg_match('/\b(suburb|town|city|area|location|venue|district|village|county|region|neighbourhood|place)\b/', strtolower($field->field->title.' '.str_replace('_', ' ', $field->key()))) !== 1) {
            return 0.0;
        }

        return preg_match('/ (?:where|whereabouts|which part|what part|based|located) /', ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ') === 1 ? 0.5 : 0.0;
    }

    /** @param list<Token> $tokens 'where to?' asks for the end of a way, 'where shall we pick you up?' for its start */
    private function way(FieldProfile $field, array $tokens): float
    {
        if ($field->span === null) {
            return 0.0;
        }
        $line = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ';
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
        $line = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ';

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
        $text = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ';
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
        $line = ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ';
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
        return preg_match('/ (?:how many (?:of you|people|guests|in|will|are|is it|persons|adults|for|would|coming|covers|diners|heads|would you like)|party of|number of (?:people|guests|adults)|many is) /', ' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ') === 1
            || preg_match('/\bhow many\b/', implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens))) === 1 && count($tokens) < 5;
    }

    /** @param list<Token> $tokens */
    private function line(array $tokens, string $needle): bool
    {
        return str_contains(' '.implode(' ', array_map(static fn (Token $token): string => $token->text, $tokens)).' ', $needle);
    }

    /** @param list<Token> $tokens whether the question asks for the opposite of what the field states */
    private function flipped(FieldProfile $field, array $tokens): bool
    {
        if ($field->type !== ValueType::YesNo) {
            return false;
        }
        $stems = [];
        foreach ($tokens as $token) {
            $stems[$this->stemmer->stem($token->text)] = true;
        }
        foreach ($field->names as $term => $weight) {
            foreach ($this->opposed[(string) $term] ?? [] as $other => $true) {
                if (isset($stems[$other]) && ! isset($stems[$term])) {
                    return true;
                }
            }
        }
        // 'Is this your first time with us?' asks a returning customer for a no.
        foreach ($field->facts as $n => $fact) {
            if ($fact['false'] !== [] && $this->listed($field->key().$n.'false', $fact['false'])->in($tokens) && ! ($fact['true'] !== [] && $this->listed($field->key().$n.'true', $fact['true'])->in($tokens))) {
                return true;
            }
        }

        return false;
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
