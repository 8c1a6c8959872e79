<?php

declare(strict_types=1);

namespace Ringo\Extraction\Asking;

use Ringo\Extraction\FieldProfile;
use Ringo\Language\Lexicon;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Value\ValueType;

/** How much of what a field is called, and of what it is described as, stands in words. */
final class Naming
{
    private const RELATED = 0.52;

    private readonly Stemmer $stemmer;

    /** @var array<string, array{float, float}> */
    private array $overlaps = [];

    /** @var array<string, array<string, true>> */
    private array $opposed = [];

    /** @var ?array<string, true> stems of words that tell nothing */
    private ?array $small = null;

    /** @var array<string, array<string, true>> other words for a thing, by stem */
    private array $aliases = [];

    public function __construct(private readonly Vocabulary $words, private readonly Lexicon $lexicon, private readonly Listed $lists)
    {
        $this->stemmer = new Stemmer;
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

    /** @param list<Token> $tokens whether the question asks for the opposite of what the field states */
    public function flipped(FieldProfile $field, array $tokens): bool
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
            if ($fact['false'] !== [] && $this->lists->of($field->key().$n.'false', $fact['false'])->in($tokens) && ! ($fact['true'] !== [] && $this->lists->of($field->key().$n.'true', $fact['true'])->in($tokens))) {
                return true;
            }
        }

        return false;
    }
}
