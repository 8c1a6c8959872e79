<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\OptionKinds;
use Ringo\Understanding\Reading;

/**
 * Options that are named in other words than the sheet's: their words in another order or form ('the locks want changing'), and
 * what people say for common kinds of options ('my sister used you' for a recommendation).
 */
final class Options
{
    /** @var array<string, list<list<string>>> the telling stems of each way to name an option, by field and option */
    private array $stems = [];

    private readonly Stemmer $stemmer;

    private readonly OptionKinds $kinds;

    public function __construct(private readonly Vocabulary $words)
    {
        $this->stemmer = new Stemmer;
        $this->kinds = new OptionKinds($words);
    }

    /** All the words of one option, in any order and form, close together; null where none or several. */
    public function loose(FieldProfile $field, Heard $heard): ?Reading
    {
        $places = [];
        foreach ($heard->tokens as $i => $token) {
            $places[$this->stemmer->stem($token->text)] ??= $i;
        }
        $best = null;
        $rival = 0.0;
        foreach ($field->field->options as $option) {
            foreach ($this->ways($field, $option) as $stems) {
                $found = array_intersect_key($places, array_flip($stems));
                if ($found === [] || count($found) < count($stems) || max($found) - min($found) > 7) {
                    continue;
                }
                // More words tell more, and words that stand together more than words apart.
                $score = count($stems) - 0.12 * (max($found) - min($found) - count($stems) + 1);
                if ($best === null || $score > $best[1]) {
                    $rival = $best !== null && $best[0] !== $option['key'] ? $best[1] : $rival;
                    $best = [$option['key'], $score, min($found), max($found)];
                } elseif ($best[0] !== $option['key']) {
                    $rival = max($rival, $score);
                }
            }
        }
        if ($best === null || $rival > $best[1] - 0.2) {
            return $this->numbered($field, $heard);
        }

        return $this->reading($best[0], 0.78, $heard, $best[2], $best[3]);
    }

    /** Options that are told apart by a number, named by it alone: 'an eight yarder', 'go on then, a six'. */
    private function numbered(FieldProfile $field, Heard $heard): ?Reading
    {
        $numbers = [];
        $rests = [];
        foreach ($field->field->options as $option) {
            if (preg_match('/^(\d{1,3})[ _-]/', $option['key'].' ', $m) !== 1 && preg_match('/^(\d{1,3})\b/', $option['label'], $m) !== 1) {
                return null;
            }
            $numbers[(int) $m[1]] = $option['key'];
            $rests[(string) preg_replace('/^\d+[ _-]*/', '', $option['key'])] = true;
        }
        // Four, six and eight yards; not eight to twelve and twelve to five.
        if (count($rests) !== 1 || count($numbers) < 2 || count($numbers) !== count($field->field->options)) {
            return null;
        }
        $words = $this->words->section('numbers', 'units') + $this->words->section('numbers', 'teens');
        $found = [];
        foreach ($heard->tokens as $i => $token) {
            $number = $token->isDigits() ? (int) $token->text : ($words[$token->text] ?? null);
            if (is_int($number) && isset($numbers[$number]) && in_array($heard->tokens[$i - 1]->text ?? '', ['a', 'an', 'the', 'say', 'it', 'just', 'have', 'be'], true)) {
                $found[$number] = $i;
            }
        }

        return count($found) === 1 ? $this->reading($numbers[(int) array_key_first($found)], 0.78, $heard, (int) reset($found), (int) reset($found)) : null;
    }

    /** The band a number lies in, where the options are bands: 'under thirty', '30 to 49', '65+'. */
    public function banded(FieldProfile $field, Reading $number): ?Reading
    {
        if (! is_int($number->value) && ! is_float($number->value)) {
            return null;
        }
        $bands = 0;
        $found = [];
        foreach ($field->field->options as $option) {
            $name = strtolower(str_replace('_', ' ', $option['key']));
            $name = preg_match('/\d/', $name) === 1 ? $name : strtolower($option['label']);
            $range = match (true) {
                preg_match('/(\d+)\s*(?:to|-|–|and)\s*(\d+)/u', $name, $m) === 1 => [(float) $m[1], (float) $m[2]],
                preg_match('/(?:under|less than|below|up to|fewer than)\s*(\d+)/', $name, $m) === 1 => [-INF, (float) $m[1] - (str_contains($name, 'up to') ? 0.0 : 0.001)],
                preg_match('/(?:over|more than|above)\s*(\d+)/', $name, $m) === 1 => [(float) $m[1] + 0.001, INF],
                preg_match('/(\d+)\s*(?:\+|plus|or more|and over|or over|and above)/', $name, $m) === 1 => [(float) $m[1], INF],
                default => null,
            };
            $bands += $range === null ? 0 : 1;
            if ($range !== null && $number->value >= $range[0] && $number->value <= $range[1]) {
                $found[] = $option['key'];
            }
        }

        return $bands >= 2 && count($found) === 1 ? Reading::of($found[0], 0.85, $number->said, $number->start, $number->end) : null;
    }

    /** What people say for an option of a common kind: where the field was asked for, or how a call opens. */
    public function said(FieldProfile $field, Heard $heard, bool $opening = false): ?Reading
    {
        return $this->kinds->said($field->field->options, $heard, $opening);
    }

    private function reading(string $key, float $confidence, Heard $heard, int $from, int $to): Reading
    {
        $first = $heard->tokens[$from];
        $before = array_map(static fn (Token $token): string => $token->text, array_slice($heard->tokens, max(0, $from - 5), min(5, $from)));
        if (! in_array($first->text, ['no', 'not', "don't", "isn't", "can't"], true) && array_intersect($before, ['not', "don't", "isn't", 'never', 'without', 'no', "didn't", "wasn't", "aren't"]) !== []) {
            return Reading::none();
        }
        $start = $heard->tokens[$from]->start;
        $end = $heard->tokens[$to]->end;

        return Reading::of($key, $confidence, $heard->between($start, $end), $start, $end);
    }

    /**
     * @param array{key: string, label: string, phrases: list<string>} $option
     *
     * @return list<list<string>>
     */
    private function ways(FieldProfile $field, array $option): array
    {
        $name = $field->key().'.'.$option['key'];
        if (isset($this->stems[$name])) {
            return $this->stems[$name];
        }
        $small = array_fill_keys($this->words->section('routing', 'small'), true);
        $ways = [];
        foreach ([$option['label'], str_replace('_', ' ', $option['key']), ...$option['phrases']] as $phrase) {
            $stems = [];
            foreach (preg_split('/[^\p{L}\p{N}\']+/u', mb_strtolower($phrase), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $word) {
                if (! isset($small[$word]) && strlen($word) > 2 || in_array($word, ['up', 'off', 'out', 'down', 'in', 'on'], true)) {
                    $stems[] = $this->stemmer->stem($word);
                }
            }
            $stems = array_values(array_unique($stems));
            if (count($stems) >= 2) {
                $ways[] = $stems;
            }
        }

        return $this->stems[$name] = $ways;
    }
}
