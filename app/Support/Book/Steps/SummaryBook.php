<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Summary\SummaryStep;

final readonly class SummaryBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        return ['fields' => $form->texts('fields')] + Form::filled(['prompt' => $form->variants('prompt')]) + $form->leaving() + ['next' => $form->text('next')];
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof SummaryStep) {
            return [];
        }
        $titles = array_map(static fn (string $field): string => mb_strtolower($script->sheet->field($field)->title ?? $field), $step->fields);

        return [Answer::said('yes', $step->next), Answer::rule('reads back '.implode(', ', $titles)), Answer::said('what should be different', null), ...$this->wayOut($step->wayOut, $step->tries, 'not settled')];
    }
}
