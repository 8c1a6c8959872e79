<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Way;

final readonly class SayBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        return ['prompt' => $form->variants('prompt'), 'next' => $form->text('next')];
    }

    public function answers(Step $step, Script $script): array
    {
        return array_map(static fn (Way $way): Answer => Answer::rule($way->label, $way->to), $step->exits());
    }
}
