<?php

declare(strict_types=1);

namespace App\Support;

use App\Support\Book\Form;

/** An errand's form as its design, and the other way round for the parts that are written as lines. */
final readonly class ErrandForm
{
    /** @return array<string, mixed> docs/formats/errands.md */
    public static function design(Form $form): array
    {
        $reach = $form->text('reach', 'request');
        $body = trim($form->text('body'));
        $decoded = $body === '' ? null : json_decode($body, true);
        $secret = $form->text('secret_how');

        return ['key' => $form->trimmed('key'), 'label' => $form->trimmed('label'), 'about' => $form->trimmed('about'), 'system' => $form->trimmed('system') ?: 'the other system', 'reach' => $reach]
            + ($reach === 'request'
                ? ['request' => ['method' => $form->text('method', 'GET'), 'url' => $form->trimmed('url')] + array_filter(['headers' => self::lines($form->text('headers')), 'query' => self::lines($form->text('query'))]) + ($body === '' ? [] : ['body' => is_array($decoded) ? $decoded : $body]) + ($form->flag('form') ? ['form' => true] : [])]
                : ['table' => ['name' => $reach === 'callers' ? 'callers' : $form->trimmed('table'), 'by' => self::by($form)]])
            + ['parameters' => self::parameters($form)]
            + ['answer' => Form::filled(['list' => $form->trimmed('list')]) + self::found($form) + ['values' => self::values($form)] + Form::filled(['apart' => $form->words('apart')])]
            + ['seconds' => (float) ($form->text('seconds') ?: 4)]
            + ($form->flag('changes') ? ['changes' => true] : [])
            + ($form->has('keeps_asked') && ! $form->flag('changes') && ! $form->flag('keeps') ? ['keeps' => false] : [])
            + ($secret === '' || $reach !== 'request' ? [] : ['secret' => ['how' => $secret] + ($secret === 'header' ? ['header' => $form->trimmed('secret_header')] : [])]);
    }

    /** @return array<string, string> `Name: value` a line */
    public static function lines(string $text): array
    {
        $lines = [];
        foreach (preg_split('/\R/', $text) ?: [] as $line) {
            [$name, $value] = [...explode(':', $line, 2), ''];
            if (trim($name) !== '') {
                $lines[trim($name)] = trim($value);
            }
        }

        return $lines;
    }

    /** @param array<string, string> $lines */
    public static function written(array $lines): string
    {
        return implode("\n", array_map(static fn (string $name, string $value): string => "{$name}: {$value}", array_keys($lines), $lines));
    }

    /** @return list<array<string, mixed>> */
    private static function parameters(Form $form): array
    {
        $all = [];
        foreach ($form->rows('parameters') as $row) {
            if ($row->trimmed('key') !== '') {
                $all[] = ['key' => $row->trimmed('key')] + Form::filled(['label' => $row->trimmed('label')]) + ['type' => $row->text('type', 'text')]
                    + (str_starts_with($row->trimmed('from'), '=') ? ['value' => trim(substr($row->trimmed('from'), 1))] : Form::filled(['from' => $row->trimmed('from')]))
                    + ($row->flag('optional') ? ['required' => false] : []);
            }
        }

        return $all;
    }

    /** @return list<array<string, mixed>> */
    private static function values(Form $form): array
    {
        $all = [];
        foreach ($form->rows('values') as $row) {
            if ($row->trimmed('key') !== '') {
                $all[] = ['key' => $row->trimmed('key')] + Form::filled(['label' => $row->trimmed('label')]) + ['type' => $row->text('type', 'text'), 'path' => $row->trimmed('path') ?: $row->trimmed('key')] + ($row->flag('required') ? ['required' => true] : []);
            }
        }

        return $all;
    }

    /** @return list<array<string, mixed>> */
    private static function by(Form $form): array
    {
        $all = [];
        foreach ($form->rows('by') as $row) {
            if ($row->trimmed('column') !== '') {
                $all[] = ['column' => $row->trimmed('column'), 'parameter' => $row->trimmed('parameter') ?: $row->trimmed('column'), 'match' => $row->text('match', 'exact')];
            }
        }

        return $all;
    }

    /** @return array<string, mixed> */
    private static function found(Form $form): array
    {
        $path = $form->trimmed('found_path');
        $is = $form->words('found_is');

        return $path === '' ? [] : ['found' => ['path' => $path] + ($is === [] ? [] : ['is' => $is])];
    }
}
