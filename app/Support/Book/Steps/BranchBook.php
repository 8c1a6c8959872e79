<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\ConditionForm;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Branch\BranchStep;
use Ringo\Script\Steps\Step;

final readonly class BranchBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        return ['ways' => (new ConditionForm($document->script))->ways($form), 'otherwise' => $form->text('otherwise')];
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof BranchStep) {
            return [];
        }

        return [...array_map(static fn (array $way): Answer => Answer::rule('if '.$way['when']->inWords(), $way['next']), $step->ways), Answer::rule('otherwise', $step->otherwise)];
    }
}
