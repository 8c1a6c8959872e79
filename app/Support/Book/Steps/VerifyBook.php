<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Script;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Verify\VerifyStep;

final readonly class VerifyBook extends BookPage
{
    public const BY = [
        'postcode' => 'the postcode on file', 'pin' => 'the PIN', 'birth_date' => 'the date of birth', 'code' => 'a code sent to the number on file',
        'reference' => 'the reference on file', 'any_two' => 'any two facts on file',
    ];

    public const FACTS = ['postcode' => 'postcode', 'pin' => 'PIN', 'birth_date' => 'date of birth', 'reference' => 'reference', 'name' => 'full name', 'phone' => 'telephone number'];

    public function read(Form $form, ScriptDocument $document): array
    {
        $by = $form->text('by', 'postcode');

        return ['by' => $by] + ($by === 'any_two' ? ['facts' => $form->texts('facts')] : [])
            + ['prompt' => $form->variants('prompt')] + Form::filled(['second' => $form->variants('second')])
            + ['tries' => $form->number('tries', 3, 1, 5), 'next' => $form->text('next'), 'failed' => $form->text('failed'), 'locked' => $form->text('locked')];
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof VerifyStep) {
            return [];
        }
        $by = self::BY[$step->by].($step->by === 'any_two' ? ': '.implode(', ', array_map(static fn (string $fact): string => self::FACTS[$fact], $step->facts)) : '');

        return [Answer::said($by, $step->next), Answer::rule('nothing on file to check', $step->failed), Answer::rule("wrong {$step->tries} times", $step->locked)];
    }
}
