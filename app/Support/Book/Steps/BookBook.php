<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Script\Steps\Step;

final readonly class BookBook extends BookPage
{
    public const DOES = ['book' => 'books a free time', 'change' => 'moves a booking of the caller', 'cancel' => 'cancels a booking of the caller'];

    public const FIND = ['number' => 'the number the caller rings from', 'reference' => 'its reference', 'name' => 'the name and the day it is booked for'];

    public function read(Form $form, ScriptDocument $document): array
    {
        $does = $form->text('does', 'book');

        return ['does' => $does]
            + Form::filled(['service' => $form->text('service'), 'service_field' => $form->text('service_field'), 'area_field' => $form->text('area_field'), 'field' => $form->text('field'), 'reference_field' => $form->text('reference_field')])
            + ['prompt' => $form->variants('prompt'), 'tries' => $form->number('tries', 4, 1, 9)]
            + array_filter(['notice_hours' => $form->number('notice_hours', 0, 0, 720), 'series' => $does === 'book' ? $form->number('series', 0, 0, 52) : 0], static fn (int $one): bool => $one > 0)
            + ($does === 'book' || $form->texts('find') === [] ? [] : ['find' => $form->texts('find')])
            + ['none' => $form->text('none')] + Form::filled($does === 'book' ? ['waiting' => $form->text('waiting')] : ['missing' => $form->text('missing')]) + ['next' => $form->text('next')];
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof BookStep) {
            return [];
        }
        $what = ['book' => 'a time is agreed and booked', 'change' => 'another time is agreed', 'cancel' => 'yes, cancel it'][$step->does];

        return [Answer::said($what, $step->next), Answer::rule('nothing agreed', $step->none), ...($step->missing === null ? [] : [Answer::rule('no booking of the caller', $step->missing)]), ...($step->waiting === null ? [] : [Answer::said('waits for a time', $step->waiting)])];
    }
}
