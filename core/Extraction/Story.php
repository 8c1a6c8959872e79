<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Language\Vocabulary;
use Ringo\Sheet\RecordSheet;
use Ringo\Transcript\Transcript;
use Ringo\Value\ValueType;

/**
 * Tells a call in two to four sentences, from its record and outcome, and what has to be done next.
 *
 * @phpstan-import-type Cell from Record
 */
final readonly class Story
{
    public function __construct(private RecordSheet $sheet, private Vocabulary $words)
    {
    }

    /**
     * @param array<string, Cell> $cells
     * @param list<string> $declined
     */
    public function summary(Transcript $transcript, array $cells, array $declined, string $outcome, string $gist, ?string $known = null): string
    {
        $who = $this->named($cells) ?? $known ?? 'The caller';
        $verb = $transcript->direction === 'outbound' ? 'was called' : 'called';
        $sentences = [];
        $sentences[] = $gist === '' ? "{$who} {$verb}." : "{$who} {$verb}: “{$this->short($gist)}”.";
        $facts = [];
        $words = [];
        foreach ($cells as $key => $cell) {
            $field = $this->sheet->field($key);
            if ($field === null || $cell['display'] === '' || $cell['display'] === $who || in_array($field->type, [ValueType::Phone, ValueType::Email], true)) {
                continue;
            }
            if ($field->type === ValueType::Text && mb_strlen($cell['display']) > 30) {
                if ($gist === '' || ! str_contains($cell['display'], mb_substr($gist, 0, 20))) {
                    $words[] = $field->title.': “'.$this->short($cell['display']).'”.';
                }

                continue;
            }
            $title = $this->small($field->title);
            $facts[] = $field->type === ValueType::YesNo ? ($cell['value'] === true ? $title : 'not '.$title) : $title.' '.$cell['display'];
        }
        if ($facts !== []) {
            $sentences[] = mb_strtoupper(mb_substr($facts[0], 0, 1)).mb_substr(implode(', ', array_slice($facts, 0, 8)), 1).'.';
        }
        $sentences = [...$sentences, ...array_slice($words, 0, 1)];
        $contact = array_values(array_filter($cells, fn (array $cell, string $key): bool => in_array($this->sheet->field($key)?->type, [ValueType::Phone, ValueType::Email], true), ARRAY_FILTER_USE_BOTH));
        $end = $contact === [] ? '' : 'Can be reached at '.implode(' or ', array_unique(array_column($contact, 'display'))).'.';
        if ($declined !== []) {
            $end = trim($end.' Would not give '.implode(', ', array_map(fn (string $key): string => $this->small($this->sheet->field($key)->title ?? $key), $declined)).'.');
        }
        if ($outcome !== '' && $outcome !== 'not told') {
            $end = trim('Outcome: '.$outcome.'. '.$end);
        }
        if ($end !== '') {
            $sentences[] = $end;
        } elseif (count($sentences) < 2) {
            $sentences[] = 'Nothing else was noted.';
        }

        return implode(' ', $sentences);
    }

    /**
     * @param array<string, Cell> $cells
     * @param list<string> $missing
     *
     * @return list<string>
     */
    public function nextActions(Transcript $transcript, array $cells, array $missing): array
    {
        $said = '';
        foreach ($transcript->turns as $turn) {
            $said .= ' '.mb_strtolower(str_replace('’', "'", $turn->text));
        }
        $who = $this->named($cells) ?? 'the caller';
        $phone = $this->first($cells, ValueType::Phone);
        $email = $this->first($cells, ValueType::Email);
        $actions = [];
        if ($this->told($said, 'next_call_back')) {
            $actions[] = 'Call '.$who.' back'.($phone === null ? '' : ' on '.$phone).'.';
        }
        if ($this->told($said, 'next_send')) {
            $actions[] = 'Send '.$who.' what was promised'.($email === null ? '' : ', to '.$email).'.';
        }
        if ($this->told($said, 'next_visit')) {
            $day = $this->first($cells, ValueType::Date) ?? $this->first($cells, ValueType::DateTime);
            $address = $this->first($cells, ValueType::PostalAddress);
            $actions[] = 'Send somebody out'.($address === null ? '' : ' to '.$address).($day === null ? '' : ', '.$day).'.';
        }
        if ($missing !== []) {
            $actions[] = 'Find out: '.implode(', ', array_map(fn (string $key): string => $this->small($this->sheet->field($key)->title ?? $key), $missing)).'.';
        }
        foreach ($cells as $key => $cell) {
            if ($cell['doubt'] !== null) {
                $actions[] = 'Check '.$this->small($this->sheet->field($key)->title ?? $key).': '.$cell['doubt'].'.';
            }
        }

        return $actions;
    }

    private function told(string $said, string $section): bool
    {
        foreach ($this->words->section('extraction', $section) as $phrase) {
            if (str_contains($said, (string) $phrase)) {
                return true;
            }
        }

        return false;
    }

    /** @param array<string, Cell> $cells */
    private function named(array $cells): ?string
    {
        return $this->first($cells, ValueType::PersonName);
    }

    /** @param array<string, Cell> $cells */
    private function first(array $cells, ValueType $type): ?string
    {
        foreach ($cells as $key => $cell) {
            if ($this->sheet->field($key)?->type === $type && $cell['display'] !== '') {
                return $cell['display'];
            }
        }

        return null;
    }

    private function short(string $text): string
    {
        return mb_strlen($text) <= 160 ? rtrim($text, '. ') : mb_substr($text, 0, (int) (mb_strrpos(mb_substr($text, 0, 158), ' ') ?: 158)).' …';
    }

    private function small(string $title): string
    {
        return preg_match('/^\p{Lu}{2}/u', $title) === 1 ? $title : mb_strtolower(mb_substr($title, 0, 1)).mb_substr($title, 1);
    }
}
