<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Questions;
use Ringo\Extraction\Readings;
use Ringo\Language\Stemmer;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** What else the words of a value may be: the number of a house, the hour of a day; and what stands right after them. */
final readonly class Surroundings
{
    /** Types whose words may hold a number that is none of its own. */
    private const HOLDERS = [ValueType::DateTime, ValueType::Date, ValueType::Time, ValueType::Phone, ValueType::PostalAddress, ValueType::Money, ValueType::Duration, ValueType::Reference];

    /** Words after a value that may say what it counts. */
    private const AFTER = 2;

    private Stemmer $stemmer;

    public function __construct(private Readings $readings, private Questions $questions, private Vocabulary $words)
    {
        $this->stemmer = new Stemmer;
    }

    /** @return array<string, float> */
    public function of(Scene $scene, FieldProfile $field, Heard $unit, Reading $reading): array
    {
        $signs = $this->limits($field) ? ['limit:field' => 1.0, 'limit:said' => $this->words->phrases('weighing', 'bounds')->in($unit->tokens) ? 1.0 : 0.0] : [];
        if (in_array($field->type, [ValueType::Number, ValueType::Money, ValueType::Duration, ValueType::Reference], true)) {
            if (preg_match('/^(one|both|half|a|an|couple|dozen|none|zero|oh|first|second|two|to|for)$/i', trim($reading->said), $m) === 1) {
                $signs['word:'.strtolower($m[1])] = 1.0;
            }
            foreach (self::HOLDERS as $type) {
                if ($type !== $field->type && $this->readings->plain($type, $unit, $scene->hearing->now, $scene->country(), false)->overlaps($reading)) {
                    $signs['also:'.$type->value] = 1.0;
                }
            }
            if (preg_match('/\b(?:half|quarter|past|o.clock)\b/i', $reading->said.' '.implode(' ', $this->after($unit, $reading))) === 1) {
                $signs['also:hour'] = 1.0;
            }
            if (preg_match('/\b(?:an?|per|each) (?:hour|head|person|day|night|week|month|year|box|bottle|meal|session)\b|\beach\b/i', $unit->cleaned()) === 1) {
                $signs['rate'] = 1.0;
            }
            foreach ($this->after($unit, $reading) as $n => $word) {
                if ($this->questions->naming->counts($field, $word)) {
                    $signs['counts'] = $n === 0 ? 1.0 : 0.7;

                    break;
                }
                if ($n === 0) {
                    $signs += $this->unit($word);
                    foreach ($scene->fields as $other) {
                        if ($other->key() !== $field->key() && $other->kin() === $field->kin() && $this->questions->naming->counts($other, $word)) {
                            $signs['counts:other'] = 1.0;
                        }
                    }
                }
            }
        }
        if (in_array($field->type, [ValueType::Date, ValueType::DateTime], true) && preg_match('/days\b/i', $reading->said) === 1) {
            // 'Saturdays' are every week.
            $signs['day:every'] = 1.0;
        }
        if ($field->type === ValueType::Choice && in_array($reading->value, ['yes', 'no'], true)) {
            $signs['option:polar'] = 1.0;
        }
        if ($field->span !== null) {
            $signs["span:{$field->span}"] = 1.0;
        }
        if ($field->type === ValueType::Money) {
            $signs[preg_match('/£|\$|€|pound|quid|dollar|buck|euro|pence|grand/iu', $reading->said) === 1 ? 'money:marked' : 'money:bare'] = 1.0;
        }
        if ($field->type === ValueType::Several) {
            $signs['named'] = is_array($reading->value) ? count($reading->value) / max(1, count($field->field->options)) : 0.0;
        }
        if ($field->type === ValueType::Choice) {
            $signs += $this->options($field, $unit) + [$this->named($field, $reading) ? 'by:name' : 'by:likeness' => 1.0];
        }

        return $signs;
    }

    /** Whether a field holds a limit: a budget, the latest day, the most of something. */
    public function limits(FieldProfile $field): bool
    {
        return in_array($field->type, [ValueType::Number, ValueType::Money, ValueType::Duration, ValueType::Date, ValueType::Time, ValueType::DateTime], true)
            && $this->words->phrases('weighing', 'limit_fields')->in($this->readings->hear($field->field->title.'. '.str_replace('_', ' ', $field->key()).'. '.$field->field->description)->all);
    }

    /** @return array<string, float> */
    private function unit(string $word): array
    {
        return match (true) {
            preg_match('/^(?:minute|hour|day|night|week|month|year|fortnight)s?$/', $word) === 1 => ['unit:time' => 1.0],
            preg_match('/^(?:pounds?|quid|dollars?|bucks|euros?|pence|p|percent)$/', $word) === 1 => ['unit:money' => 1.0],
            preg_match("/^(?:o'clock|am|pm|st|nd|rd|th)$/", $word) === 1 => ['unit:clock' => 1.0],
            preg_match('/s$/', $word) === 1 && strlen($word) > 3 => ['unit:things' => 1.0],
            default => [],
        };
    }

    /** @return list<string> */
    private function after(Heard $unit, Reading $reading): array
    {
        $words = [];
        foreach ($unit->tokens as $token) {
            if ($token->start >= $reading->end && count($words) < self::AFTER) {
                $words[] = $token->text;
            }
        }

        return $words;
    }

    /** Whether a word of the option was said, rather than its place among them or something that sounds alike. */
    private function named(FieldProfile $field, Reading $reading): bool
    {
        $said = $this->stemmer->stems($reading->said);
        foreach ($field->field->options as $option) {
            if ($option['key'] === $reading->value) {
                return array_intersect($said, $this->stemmer->stems(implode(' ', [$option['label'], str_replace('_', ' ', $option['key']), ...$option['phrases']]))) !== [];
            }
        }

        return false;
    }

    /** @return array<string, float> how many of the options the words name: several are a question, or a doubt */
    private function options(FieldProfile $field, Heard $unit): array
    {
        $stems = [];
        foreach ($unit->tokens as $token) {
            $stems[$this->stemmer->stem($token->text)] = true;
        }
        $named = 0;
        foreach ($field->field->options as $option) {
            foreach ([$option['label'], ...$option['phrases']] as $phrase) {
                $words = $this->stemmer->stems($phrase);
                if ($words !== [] && array_diff($words, array_map(strval(...), array_keys($stems))) === []) {
                    $named++;

                    break;
                }
            }
        }

        return $named > 1 ? ['names:several' => 1.0] : ($named === 1 ? ['names:one' => 1.0] : []);
    }
}
