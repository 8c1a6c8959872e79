<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Finish\FinishStep;
use Ringo\Script\Steps\Step;

final readonly class FinishBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        return ['prompt' => $form->variants('prompt')] + Form::filled(['outcome' => $form->text('outcome')]);
    }

    public function answers(Step $step, Script $script): array
    {
        return $step instanceof FinishStep ? [Answer::rule('hangs up'.($step->outcome === null ? '' : '; outcome: '.$step->outcome))] : [];
    }
}
