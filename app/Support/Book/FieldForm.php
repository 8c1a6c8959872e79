<?php

declare(strict_types=1);

namespace App\Support\Book;

use App\Support\Choices;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Steps\Blank;
use Ringo\Sheet\FieldFormats;
use Ringo\Value\ValueType;

/** The field of a question, as a property of the record sheet. */
final readonly class FieldForm
{
    /** Parts of a property that the form of a step decides. */
    private const WRITTEN = ['type', 'format', 'enum', 'items', 'x-labels', 'x-phrases', 'x-facts', 'title', 'examples', 'pattern', 'description', 'x-cues'];

    public function __construct(private ScriptDocument $document)
    {
    }

    public static function key(Form $form): string
    {
        return $form->trimmed('field') === '+new' ? FieldType::key($form->text('new_field')) : $form->trimmed('field');
    }

    /** A field that a new step made for itself goes again where the step takes another and nothing else names it. */
    public static function withoutOrphan(ScriptDocument $document, string $field): ScriptDocument
    {
        $data = $document->toArray();
        $property = $data['sheet']['properties'][$field] ?? null;
        if ($property !== Blank::property($field)) {
            return $document;
        }
        $rest = $data;
        unset($rest['sheet']['properties'][$field]);
        $json = (string) json_encode($rest);
        if (preg_match('/"'.preg_quote($field, '/').'"|\[(?:[an]:|count:)?'.preg_quote($field, '/').'[\]|.]/', $json) === 1) {
            return $document;
        }

        return $document->with('sheet', $rest['sheet']);
    }

    /** @return array{string, array<string, mixed>, bool}|null key, property, whether it is required; null where the form does not change it */
    public function property(Form $form): ?array
    {
        $key = self::key($form);
        if ($key === '' || ! $form->has('sheet')) {
            return null;
        }
        $new = $form->trimmed('field') === '+new';
        $sheet = $new ? new Form([]) : $form->part('sheet');
        $old = $this->document->toArray()['sheet']['properties'][$key] ?? [];
        // The rest of the form belongs to the field it was filled in for.
        if ($sheet->text('of', $key) !== $key && $old !== [] || $new && $old !== []) {
            return null;
        }
        $type = ValueType::tryFrom($sheet->text('type')) ?? ValueType::Text;
        $title = $sheet->trimmed('title') ?: ($new ? ucfirst($form->trimmed('new_field')) : ucfirst(str_replace('_', ' ', $key)));
        $property = FieldFormats::schema($type)
            + Form::filled(['title' => $title, 'description' => $sheet->text('description')])
            + array_diff_key($old, array_flip(self::WRITTEN))
            + Form::filled(['examples' => $sheet->trimmed('example') !== '' ? [$sheet->trimmed('example')] : [], 'pattern' => $sheet->text('pattern'), 'x-cues' => $sheet->words('cues')]);
        if ($type === ValueType::Choice) {
            $property = array_diff_key($property, ['type' => 1]) + ['type' => 'string'] + Choices::read($sheet->rows('choices'), $old);
            if ($property['enum'] === []) {
                $property['enum'] = ['first'];
                $property['x-labels'] = ['first' => '{first option}'];
            }
        } elseif ($type === ValueType::Several) {
            $choices = Choices::read($sheet->rows('choices'), $old);
            $property['items'] = ['enum' => $choices['enum'] === [] ? ['first'] : $choices['enum']];
            $property += array_diff_key($choices, ['enum' => 1]);
        } elseif (isset($old['x-phrases']) && $type === ValueType::YesNo) {
            $property['x-phrases'] = $old['x-phrases'];
        }

        // In the order it was written in, so that two versions compare well.
        $property = array_intersect_key(array_replace(array_intersect_key($old, $property), $property), $property);

        return [$key, $property, $sheet->flag('required')];
    }
}
