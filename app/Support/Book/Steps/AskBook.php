<?php

declare(strict_types=1);

namespace App\Support\Book\Steps;

use App\Support\Book\Answer;
use App\Support\Book\FieldForm;
use App\Support\Book\Form;
use Ringo\Design\ScriptDocument;
use Ringo\Script\Instead;
use Ringo\Script\Script;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Step;
use Ringo\Sheet\Field;

final readonly class AskBook extends BookPage
{
    private const READ_BACK = ['never' => 'not read back', 'unsure' => 'read back when unsure', 'always' => 'always read back', 'spelled' => 'spelled back', 'digits' => 'read back in groups'];

    /** How many options of a field are shown as examples. */
    private const OPTIONS_SHOWN = 3;

    public function read(Form $form, ScriptDocument $document): array
    {
        $field = FieldForm::key($form);
        $required = $form->part('sheet')->flag('required', $document->script->sheet->field($field)->required ?? false);
        $mustAnswer = $form->flag('required');
        $known = $form->text('known', 'skip');

        return ['field' => $field, 'prompt' => $form->variants('prompt')]
            + Form::filled([
                'again' => $form->variants('again'), 'after_detour' => $form->variants('after_detour'), 'second_visit' => $form->variants('second_visit'),
                'reprompts' => $form->texts('reprompts'), 'help' => $form->text('help'), 'why' => $form->text('why'), 'confirm' => $form->text('confirm'),
            ])
            + ($mustAnswer === $required ? [] : ['required' => $mustAnswer])
            + ($known === 'skip' ? [] : ['known' => $known])
            + $this->instead($form, $document, $field)
            + $form->leaving()
            + ['next' => $form->text('next')];
    }

    public function answers(Step $step, Script $script): array
    {
        if (! $step instanceof AskStep) {
            return [];
        }
        $field = $script->sheet->field($step->field);
        $rules = [self::READ_BACK[$step->confirm ?? $field->confirm ?? 'unsure']];
        if ($step->known === 'check') {
            $rules[] = '“is it still …?” when known';
        }
        if ($step->required) {
            $rules[] = 'required';
        }
        $instead = array_map(static fn (Instead $one): Answer => Answer::rule(Instead::CALLED[$one->where].($one->value === null ? '' : ': '.(is_scalar($one->value) ? (string) $one->value : 'a value of its own')), $one->step), array_values($step->instead));

        return [Answer::said($this->example($field), $step->next), Answer::rule(implode(', ', $rules)), ...$instead, ...$this->wayOut($step->wayOut, $step->tries, 'cannot say')];
    }

    private function example(?Field $field): string
    {
        if ($field === null) {
            return '';
        }
        if ($field->options !== []) {
            return implode(', ', array_slice(array_column($field->options, 'label'), 0, self::OPTIONS_SHOWN)).(count($field->options) > self::OPTIONS_SHOWN ? ' …' : '');
        }

        return $field->example ?? ['yes_no' => 'yes, no'][$field->type->value] ?? 'their own words';
    }

    /** @return array<string, array<string, mixed>> */
    private function instead(Form $form, ScriptDocument $document, string $field): array
    {
        $instead = [];
        foreach (array_keys(Instead::CALLED) as $where) {
            $one = $form->part('if_'.$where);
            $take = $one->trimmed('take');
            $go = $one->trimmed('go');
            $given = ($take === '' ? [] : ['take' => (new \App\Support\Book\ConditionForm($document->script))->typed($field, $take)]) + ($go === '' ? [] : ['go' => $go]);
            if ($given !== []) {
                $instead['if_'.$where] = $given;
            }
        }

        return $instead;
    }
}
