<?php

declare(strict_types=1);

namespace App\Support;

use App\Support\Book\FieldType;
use App\Support\Book\Form;
use Ringo\Document\InvalidDocument;
use Ringo\Sheet\FieldFormats;

/** Turns the page of fields into a JSON Schema and back; what the page does not show is kept. */
final readonly class SheetForm
{
    /** @var array<string, array{title: string, kind: string, example: string, description: string}> */
    public const SUGGESTIONS = [
        'caller_name' => ['title' => 'Caller name', 'kind' => 'person-name', 'example' => 'Dara Whitcombe', 'description' => 'Who is calling'],
        'phone' => ['title' => 'Phone', 'kind' => 'phone', 'example' => '07700 900123', 'description' => 'Number to call back'],
        'email' => ['title' => 'E-mail', 'kind' => 'email', 'example' => 'dara@example.com', 'description' => ''],
        'reason' => ['title' => 'Reason', 'kind' => 'text', 'example' => 'hose has burst', 'description' => 'What the caller wants, in their words'],
        'urgent' => ['title' => 'Urgent', 'kind' => 'yes-no', 'example' => '', 'description' => 'Whether it cannot wait'],
        'address' => ['title' => 'Address', 'kind' => 'postal-address', 'example' => '14 Mill Lane, Oldmere', 'description' => 'Where it is about'],
        'preferred_date' => ['title' => 'Preferred date', 'kind' => 'date', 'example' => 'next Tuesday', 'description' => 'Day that was asked for'],
        'existing_customer' => ['title' => 'Existing customer', 'kind' => 'yes-no', 'example' => '', 'description' => 'Whether they have dealt with us before'],
        'reference' => ['title' => 'Reference', 'kind' => 'reference', 'example' => 'PB 4471', 'description' => 'Order or account number'],
        'callback_time' => ['title' => 'Call-back time', 'kind' => 'date-time', 'example' => 'tomorrow at ten', 'description' => 'When to call back'],
        'budget' => ['title' => 'Budget', 'kind' => 'money', 'example' => 'four hundred pounds', 'description' => 'Most they want to spend'],
        'notes' => ['title' => 'Notes', 'kind' => 'text', 'example' => '', 'description' => 'Anything else to know'],
    ];

    /**
     * @param array<array-key, mixed> $schema
     *
     * @return list<array{key: string, title: string, kind: string, description: string, example: string, choices: list<array{key: string, label: string, phrases: string, facts: string}>, pattern: string, required: bool, sees: string, keep: string}>
     */
    public function rows(array $schema): array
    {
        $rows = [];
        $required = is_array($schema['required'] ?? null) ? $schema['required'] : [];
        foreach ((array) ($schema['properties'] ?? []) as $key => $field) {
            $field = (array) $field;
            $rows[] = [
                'key' => (string) $key, 'title' => (string) ($field['title'] ?? ucfirst(str_replace('_', ' ', (string) $key))), 'kind' => $this->kind($field), 'description' => (string) ($field['description'] ?? ''), 'example' => is_scalar($field['examples'][0] ?? null) ? (string) $field['examples'][0] : '',
                'choices' => Choices::rows($field), 'pattern' => (string) ($field['pattern'] ?? ''), 'required' => in_array($key, $required, true), 'sees' => (string) ($field['x-sees'] ?? 'staff'), 'keep' => isset($field['x-keep-days']) ? (string) $field['x-keep-days'] : '',
            ];
        }

        return $rows;
    }

    /**
     * @param array<array-key, mixed> $base the sheet as it was
     * @param array<array-key, mixed> $rows of the page
     *
     * @return array<string, mixed>
     *
     * @throws InvalidDocument
     */
    public function schema(array $base, array $rows): array
    {
        $properties = [];
        $required = [];
        $problems = [];
        $old = (array) ($base['properties'] ?? []);
        foreach (array_values($rows) as $n => $row) {
            $title = trim(is_array($row) ? (string) ($row['title'] ?? '') : '');
            if (! is_array($row) || $title === '') {
                continue;
            }
            $key = FieldType::key((string) ($row['key'] ?? '')) ?: FieldType::key($title);
            if ($key === '' || isset($properties[$key])) {
                $problems[] = ['path' => 'field '.($n + 1), 'message' => $key === '' ? "“{$title}” gives no key; write letters" : "the key “{$key}” is used twice"];

                continue;
            }
            $kind = (string) ($row['kind'] ?? 'text');
            $field = array_diff_key((array) ($old[$key] ?? []), array_flip(['type', 'format', 'title', 'description', 'examples', 'enum', 'pattern', 'x-sees', 'x-keep-days']));
            // What a list holds is not shown here; it stays as it is written.
            $field = ['type' => match ($kind) {
                'items', 'several' => 'array', 'yes-no' => 'boolean', 'number' => (($old[$key]['type'] ?? '') === 'integer' ? 'integer' : 'number'), 'money' => 'object', default => 'string'
            }, 'title' => $title] + $field;
            if (! in_array($kind, ['text', 'yes-no', 'number', 'choice', 'items', 'several'], true)) {
                $field['format'] = $kind;
            }
            foreach (['description' => 'description', 'pattern' => 'pattern'] as $name => $to) {
                if (trim((string) ($row[$name] ?? '')) !== '') {
                    $field[$to] = trim((string) $row[$name]);
                }
            }
            if (trim((string) ($row['example'] ?? '')) !== '') {
                $field['examples'] = [trim((string) $row['example'])];
            }
            if ($kind === 'choice' || $kind === 'several') {
                $field = $this->options($field, (array) ($old[$key] ?? []), new Form($row), $title, $problems);
            }
            if ($kind === 'several') {
                // The options are those of its items; what they go by and are called stays beside them.
                $field = ['items' => ['enum' => $field['enum']]] + array_diff_key($field, ['enum' => 1]);
            }
            if (($row['sees'] ?? 'staff') !== 'staff') {
                $field['x-sees'] = 'owner';
            }
            if (is_numeric($row['keep'] ?? null) && (int) $row['keep'] > 0) {
                $field['x-keep-days'] = (int) $row['keep'];
            }
            $properties[$key] = $field;
            if (($row['required'] ?? '') === '1') {
                $required[] = $key;
            }
        }
        if ($problems !== []) {
            throw new InvalidDocument($problems);
        }

        return array_merge(['type' => 'object'], $base, ['properties' => $properties === [] ? new \stdClass : $properties, 'required' => $required]);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidDocument
     */
    public function fromJson(string $json): array
    {
        if (strlen($json) > 500_000) {
            throw new InvalidDocument([['path' => '', 'message' => 'a record sheet is smaller than 500 kB']]);
        }
        $data = json_decode($json, true);

        return is_array($data) && ! array_is_list($data) ? $data : throw new InvalidDocument([['path' => '', 'message' => 'this is not a JSON Schema: '.(json_last_error() === JSON_ERROR_NONE ? 'an object is expected' : json_last_error_msg())]]);
    }

    /** @param array<array-key, mixed> $field */
    private function kind(array $field): string
    {
        return match (true) {
            isset($field['enum']) => 'choice',
            isset($field['items']['enum']) => 'several',
            is_string($field['format'] ?? null) && FieldFormats::ofFormat($field['format']) !== null => $field['format'],
            ($field['type'] ?? '') === 'boolean' => 'yes-no',
            ($field['type'] ?? '') === 'array' => 'items',
            in_array($field['type'] ?? '', ['number', 'integer'], true) => 'number',
            default => 'text',
        };
    }

    /**
     * @param array<string, mixed> $field
     * @param array<array-key, mixed> $old as it was
     * @param list<array{path: string, message: string}> $problems
     *
     * @return array<string, mixed>
     */
    private function options(array $field, array $old, Form $row, string $title, array &$problems): array
    {
        $choices = Choices::read($row->rows('choices'), $old);
        if ($choices['enum'] === []) {
            $problems[] = ['path' => $title, 'message' => 'one of several needs choices: add one, what it is called and other words for it'];
        }

        return $choices + array_diff_key($field, ['x-labels' => 1, 'x-phrases' => 1, 'x-facts' => 1]);
    }
}
