<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\LookUp\LookUpStep;
use Ringo\Script\Steps\Step;

final readonly class LookUpBook extends BookPage
{
    public function read(Form $form, ScriptDocument $document): array
    {
        $keep = [];
        foreach ($form->rows('keep') as $row) {
            if ($row->trimmed('field') !== '' && $row->trimmed('value') !== '') {
                $keep[$row->trimmed('field')] = $row->trimmed('value');
            }
        }

        return ['errand' => $form->text('errand')] + Form::filled(['keep' => $keep, 'waiting' => $form->variants('waiting')])
            + ['not_found' => $form->text('not_found')]
            + Form::filled(['several' => $form->text('several')])
            + ['failed' => $form->text('failed')]
            + Form::filled(['slow' => $form->text('slow')])
            + ['next' => $form->text('next')];
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof LookUpStep) {
            return [];
        }
        $kept = array_map(static fn (string $value, string $field): string => "{$field} from {$value}", $step->keep, array_map(strval(...), array_keys($step->keep)));

        return [
            Answer::rule("{$step->errand}: found", $step->next, null, $kept === [] ? '' : 'keeps '.implode(', ', $kept)),
            Answer::rule('not found', $step->notFound),
            ...($step->several === null ? [] : [Answer::rule('several, and none chosen', $step->several)]),
            Answer::rule($step->slow === null ? 'failed or too slow' : 'failed', $step->failed),
            ...($step->slow === null ? [] : [Answer::rule('too slow', $step->slow)]),
        ];
    }
}
