<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Ask;

use Ringo\Script\Instead;
use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class AskKind implements StepKind
{
    public const NAME = 'ask';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'collects one field';
    }

    public function silent(): string
    {
        return 'asks nothing yet';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): AskStep
    {
        $one = $node->node;
        $field = $node->field($sheet);

        return new AskStep(
            key: $key,
            field: $one->string('field'),
            prompt: $node->words(),
            again: $node->wordsOrNone('again'),
            afterDetour: $node->wordsOrNone('after_detour'),
            secondVisit: $node->wordsOrNone('second_visit'),
            reprompts: $one->strings('reprompts'),
            help: $one->optional('help'),
            confirm: $one->has('confirm') ? $one->oneOf('confirm', AskStep::CONFIRM, 'unsure') : null,
            required: $one->flag('required', $field->required ?? false),
            known: $one->oneOf('known', AskStep::KNOWN, 'skip'),
            tries: $node->tries(),
            why: $one->optional('why'),
            instead: Instead::all($one),
            wayOut: $node->wayOut(),
            next: $node->next(),
            repeatKey: $node->digit('repeat_key'),
        );
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('field', Schema::text(), 'fills')
            ->saying('prompt', 'says')->saying('again', 'short form')->saying('after_detour', 'after a detour')->saying('second_visit', 'on a second visit')
            ->with('reprompts', Schema::texts(), 'reprompts')
            ->with('help', Schema::text(), 'help')
            ->with('why', Schema::text(), 'reason')
            ->with('confirm', Schema::oneOf(AskStep::CONFIRM), 'reading back')
            ->with('required', Schema::flag(), 'required')
            ->with('repeat_key', Schema::digit(), 'key that repeats')
            ->with('known', Schema::oneOf(AskStep::KNOWN), 'when known')
            ->with('if_any', Instead::schema(), 'when any will do')
            ->with('if_unknown', Instead::schema(), 'when the caller does not know')
            ->with('if_refused', Instead::schema(), 'when refused')
            ->leading('if_any.go', 'if_unknown.go', 'if_refused.go')
            ->wayOut()
            ->next()
            ->requiring('field', 'prompt', 'next')
            ->naming('field');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        $field = $blank->freeField('answer');

        return $blank->withField($field)->with(['field' => $field, 'prompt' => '{the question}', 'next' => $next]);
    }
}
