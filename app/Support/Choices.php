<?php

declare(strict_types=1);

namespace App\Support;

use App\Support\Book\FieldType;
use App\Support\Book\Form;

/**
 * What may be chosen in a field, as rows of a form: key, what it is called, other words for it, and facts of it that prompts can say
 * (`[machine.day_rate]`), written `day_rate: £45; deposit: £100`.
 *
 * @phpstan-type Row array{key: string, label: string, phrases: string, facts: string}
 */
final readonly class Choices
{
    /** What a fact is called that was written without a name. */
    private const NOTE = 'note';

    /**
     * @param array<array-key, mixed> $property of a record sheet
     *
     * @return list<Row>
     */
    public static function rows(array $property): array
    {
        $listed = $property['enum'] ?? $property['items']['enum'] ?? null;
        $of = static fn (string $part, string $key): mixed => is_array($property[$part] ?? null) ? $property[$part][$key] ?? null : null;
        $rows = [];
        foreach (is_array($listed) ? array_filter($listed, is_scalar(...)) : [] as $value) {
            $key = (string) $value;
            $label = $of('x-labels', $key);
            $rows[] = ['key' => $key, 'label' => is_string($label) ? $label : '', 'phrases' => implode(', ', array_filter((array) $of('x-phrases', $key), is_string(...))), 'facts' => self::written(is_array($facts = $of('x-facts', $key)) ? $facts : [])];
        }

        return $rows;
    }

    /**
     * @param list<Form> $rows
     * @param array<array-key, mixed> $old the property as it was
     *
     * @return array{enum: list<string>, x-labels?: array<string, string>, x-phrases?: array<string, list<string>>, x-facts?: array<string, array<string, mixed>>}
     */
    public static function read(array $rows, array $old = []): array
    {
        $said = ['x-labels' => [], 'x-phrases' => [], 'x-facts' => []];
        $stood = array_column(self::rows($old), 'key');
        $keys = [];
        foreach ($rows as $row) {
            $label = $row->trimmed('label');
            // A key that stands already is kept as it is, whatever its letters.
            $key = in_array($row->trimmed('key'), $stood, true) ? $row->trimmed('key') : (FieldType::key($row->text('key')) ?: FieldType::key($label));
            if ($key === '') {
                continue;
            }
            // Two of one name are two choices.
            for ($base = $key, $n = 2; in_array($key, $keys, true); $n++) {
                $key = "{$base}_{$n}";
            }
            $keys[] = $key;
            $facts = self::facts($row->text('facts'), (array) ($old['x-facts'][$key] ?? []));
            $said['x-labels'] += $label === '' ? [] : [$key => $label];
            $said['x-phrases'] += $row->words('phrases') === [] ? [] : [$key => $row->words('phrases')];
            $said['x-facts'] += $facts === [] ? [] : [$key => $facts];
        }

        return ['enum' => $keys, ...array_filter($said)];
    }

    /** @param array<array-key, mixed> $facts */
    private static function written(array $facts): string
    {
        return implode('; ', array_map(static fn (string|int $name, mixed $value): string => "{$name}: ".(is_bool($value) ? ($value ? 'yes' : 'no') : (is_scalar($value) ? $value : '')), array_keys($facts), $facts));
    }

    /**
     * @param array<array-key, mixed> $old what was written so before keeps its kind: a number stays one
     *
     * @return array<string, mixed>
     */
    private static function facts(string $text, array $old): array
    {
        if (trim($text) === self::written($old)) {
            return array_combine(array_map(strval(...), array_keys($old)), $old);
        }
        $facts = [];
        foreach (explode(';', $text) as $one) {
            [$name, $value] = self::named($one);
            if ($value !== '') {
                for ($base = $name, $n = 2; array_key_exists($name, $facts); $n++) {
                    $name = "{$base}_{$n}";
                }
                $facts[$name] = array_key_exists($name, $old) && self::written([$name => $old[$name]]) === "{$name}: {$value}" ? $old[$name] : $value;
            }
        }

        return $facts;
    }

    /**
     * 'day_rate: £45', or without a colon what stands before the figure; what has no name at all is kept as a note, so that nothing that was
     * written is lost and the form shows how it was taken.
     *
     * @return array{string, string} name and value
     */
    private static function named(string $fact): array
    {
        $fact = trim($fact);
        $parts = str_contains($fact, ':') ? explode(':', $fact, 2) : (preg_split('/\s+(?=[£$€]?\d)/u', $fact, 2) ?: [$fact]);
        $name = count($parts) === 2 ? FieldType::key(trim($parts[0])) : '';

        return $name === '' ? [self::NOTE, ltrim($fact, ': ')] : [$name, trim($parts[1])];
    }
}
