<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Repeat\RepeatStep;
use Ringo\Script\Steps\Step;

final readonly class RepeatBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        $most = $form->number('most', 5, 2, 20);

        return ['list' => $form->text('list'), 'fields' => $form->texts('fields'), 'prompt' => $form->variants('prompt'), 'first' => $form->text('first')] + ($most === 5 ? [] : ['most' => $most]) + ['next' => $form->text('next')];
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof RepeatStep) {
            return [];
        }

        return [Answer::said('yes, another', $step->first), Answer::said('no', $step->next), Answer::rule("keeps them in {$step->list}, {$step->most} at most")];
    }
}
