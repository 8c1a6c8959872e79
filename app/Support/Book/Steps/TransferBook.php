<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Transfer\TransferStep;

final readonly class TransferBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        return Form::filled(['prompt' => $form->variants('prompt'), 'to' => $form->text('to')]) + ['otherwise' => $form->text('otherwise')] + Form::filled(['promised' => $form->text('promised')]);
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof TransferStep) {
            return [];
        }

        return [
            Answer::rule($step->to === null ? 'whoever the transfer rules say' : 'to '.str_replace(':', ' ', $step->to)),
            Answer::rule('nobody can take it', $step->otherwise),
            ...($step->promised === null ? [] : [Answer::rule('a call-back is promised', $step->promised)]),
        ];
    }
}
