<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Value\ValueType;

/** Whether words can hold a value of a field at all, told at a glance: most cannot, and reading costs. */
final class Gate
{
    /** @var \WeakMap<FieldProfile, array<string, true>> stems of the words of a field's options */
    private \WeakMap $options;

    /** @var array<string, true> */
    private readonly array $numbers;

    private readonly Stemmer $stemmer;

    public function __construct(Vocabulary $words)
    {
        $this->options = new \WeakMap;
        $this->stemmer = new Stemmer;
        $this->numbers = array_fill_keys(array_map(strval(...), [
            ...array_keys($words->section('numbers', 'zero')), ...array_keys($words->section('numbers', 'units')), ...array_keys($words->section('numbers', 'teens')), ...array_keys($words->section('numbers', 'tens')),
            ...$words->section('weighing', 'amounts'),
        ]), true);
    }

    /** @param bool $open whether a question may have asked for the field: then an option may be meant by its place or its sound */
    public function lets(FieldProfile $field, Heard $heard, bool $open): bool
    {
        return match ($field->type) {
            ValueType::Choice, ValueType::Several => $open || $this->names($field, $heard),
            ValueType::Number, ValueType::Money, ValueType::Duration => array_filter($heard->tokens, $this->amount(...)) !== [],
            default => true,
        };
    }

    private function amount(Token $token): bool
    {
        return isset($this->numbers[$token->text]) || strpbrk($token->text, '0123456789') !== false || str_contains($token->text, '-') || isset($this->numbers[(string) strstr($token->text, "'", true)]);
    }

    private function names(FieldProfile $field, Heard $heard): bool
    {
        $stems = $this->options[$field] ??= $this->stems($field);
        foreach ($heard->tokens as $token) {
            if (isset($stems[$this->stemmer->stem($token->text)])) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, true> */
    private function stems(FieldProfile $field): array
    {
        $stems = [];
        foreach ($field->field->options as $option) {
            foreach ([$option['label'], str_replace('_', ' ', $option['key']), ...$option['phrases']] as $phrase) {
                $stems += array_fill_keys($this->stemmer->stems($phrase), true);
            }
        }

        return $stems;
    }
}
