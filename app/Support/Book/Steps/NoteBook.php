<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\ConditionForm;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Note\NoteStep;
use Ringo\Script\Steps\Step;

final readonly class NoteBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        $values = new ConditionForm($document->script);
        $set = [];
        foreach ($form->rows('set') as $row) {
            $field = $row->trimmed('field');
            if ($field !== '') {
                $set[$field] = $values->typed($field, $row->trimmed('value'));
            }
        }

        return Form::filled(['set' => $set, 'work_out' => $this->workOut($form), 'forget' => $form->words('forget'), 'tag' => $form->text('tag'), 'outcome' => $form->text('outcome')]) + ['next' => $form->text('next')];
    }

    public function answers(Step $step, Script $script): array
    {
        return $step instanceof NoteStep ? [Answer::rule($this->noted($step), $step->next)] : [];
    }

    /** @return array<string, array<string, mixed>> surcharges with conditions are kept as they were written */
    private function workOut(Form $form): array
    {
        $all = [];
        foreach ($form->rows('work_out') as $row) {
            $field = $row->trimmed('field');
            $base = $row->trimmed('base');
            if ($field === '' || $base === '') {
                continue;
            }
            $number = static fn (string $text): string|float => is_numeric($text) ? (float) $text : $text;
            $kept = json_decode($row->text('add', '[]'), true);
            $all[$field] = ['base' => $number($base)] + ($row->trimmed('times') === '' ? [] : ['times' => $number($row->trimmed('times'))]) + (is_array($kept) && $kept !== [] ? ['add' => $kept] : []);
        }

        return $all;
    }

    private function noted(NoteStep $step): string
    {
        $parts = [];
        if ($step->outcome !== null) {
            $parts[] = 'outcome: '.$step->outcome;
        }
        if ($step->tag !== null) {
            $parts[] = 'tag: '.$step->tag;
        }
        foreach ($step->set as $field => $value) {
            $parts[] = "{$field} becomes ".(is_scalar($value) ? (string) $value : 'set');
        }
        foreach (array_keys($step->workOut) as $field) {
            $parts[] = "works out {$field}";
        }
        if ($step->forget !== []) {
            $parts[] = 'forgets '.implode(', ', $step->forget);
        }

        return implode('; ', $parts);
    }
}
