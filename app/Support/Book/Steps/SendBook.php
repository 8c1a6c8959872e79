<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Illuminate\Support\Str;
use Ringo\Delivery\Means;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Send\SendStep;
use Ringo\Script\Steps\Step;

final readonly class SendBook extends BookPage
{
    private const SHOWN = 90;

    public function read(Form $form, ScriptDocument $document): array
    {
        return ['by' => $form->text('by', 'text'), 'to' => $form->text('to')]
            + Form::filled(['subject' => $form->text('subject'), 'file' => $form->text('file'), 'otherwise' => $form->text('otherwise')])
            + ['words' => $form->text('words'), 'next' => $form->text('next')];
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof SendStep) {
            return [];
        }

        return [
            Answer::rule(Means::from($step->by)->called().' to '.$step->to, $step->next, null, '“'.Str::limit($step->words->variants[0], self::SHOWN).'”'),
            ...($step->otherwise === null ? [] : [Answer::rule('nobody to send to', $step->otherwise)]),
        ];
    }
}
