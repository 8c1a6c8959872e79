<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Reach\ReachStep;
use Ringo\Script\Steps\Step;

final readonly class ReachBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        return ['prompt' => $form->variants('prompt')]
            + Form::filled(['somebody_else' => $form->text('somebody_else'), 'wrong_number' => $form->text('wrong_number'), 'ring_again' => $form->text('ring_again'), 'voicemail' => $form->variants('voicemail')])
            + ['next' => $form->text('next')];
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof ReachStep) {
            return [];
        }

        return [
            Answer::said('yes, speaking', $step->next),
            Answer::said('“hold on, I’ll get her”', null, null, 'waits'),
            Answer::said('not here, try later', $step->somebodyElse, null, $step->ringAgain === null ? 'ends: not reached' : "when goes into {$step->ringAgain}"),
            Answer::said('wrong number', $step->wrongNumber),
            Answer::rule($step->voicemail === null ? 'a voicemail: hangs up' : 'a voicemail: leaves its message'),
        ];
    }
}
