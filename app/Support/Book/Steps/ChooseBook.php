<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Step;

final readonly class ChooseBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        $options = [];
        foreach ($form->rows('options') as $i => $row) {
            $label = $row->trimmed('label');
            $options[] = ['key' => $row->itemKey($label, array_column($options, 'key'), 'option_'.($i + 1)), 'label' => $label === '' ? '{option}' : $label]
                + Form::filled(['phrases' => $row->words('phrases')])
                + ['digit' => $row->trimmed('digit') ?: (string) ($i + 1), 'next' => $row->text('next')];
        }
        $reprompts = Form::filled(array_map(static fn (string $name): array => $form->part('reprompts')->texts($name), ['silence' => 'silence', 'nonsense' => 'nonsense', 'wrong_key' => 'wrong_key']));

        return Form::filled(['field' => $form->text('field')]) + ['prompt' => $form->variants('prompt')] + Form::filled(['again' => $form->variants('again'), 'reprompts' => $reprompts])
            + ['options' => $options] + Form::filled(['repeat_key' => $form->text('repeat_key')]) + $form->leaving();
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof ChooseStep) {
            return [];
        }

        return [
            ...array_map(static fn (array $option): Answer => Answer::said(implode(', ', array_unique([$option['label'], ...$option['phrases']])), $option['next'], $option['digit']), $step->options),
            ...($step->repeatKey === null ? [] : [Answer::rule('says it again', null, $step->repeatKey)]),
            ...$this->wayOut($step->wayOut, $step->tries, 'nothing chosen'),
        ];
    }
}
