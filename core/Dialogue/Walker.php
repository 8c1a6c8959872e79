<?php

declare(strict_types=1);

namespace Ringo\Dialogue;

use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Branch\BranchStep;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Finish\FinishStep;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Note\NoteStep;
use Ringo\Script\Steps\Say\SayStep;
use Ringo\Script\Steps\Send\SendStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Transfer\TransferStep;
use Ringo\Script\Steps\Verify\VerifyStep;
use Ringo\Script\WayOut;
use Ringo\Sheet\Field;
use Ringo\Speech\Prompt;
use Ringo\Transfer\Switchboard;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Moves through the steps: speaks, branches and notes until the caller is wanted or the call ends. */
final readonly class Walker
{
    /** Moves without a word from the caller before a script is held to run in circles. */
    private const MOVES = 200;

    public function __construct(private Understanding $understanding, private Switchboard $switchboard)
    {
    }

    public function go(Turn $turn, string $key): void
    {
        $state = $turn->state;
        $state->mode = 'answer';
        $state->resume = null;
        for ($moves = 0; $moves < self::MOVES && ! $state->ended; $moves++) {
            if ($key === 'return') {
                $key = $this->back($turn);
            }
            $step = $turn->script->step($key);
            $turn->trace->steps[] = $key;
            $next = match (true) {
                $step instanceof SayStep => $this->say($turn, $step),
                $step instanceof NoteStep => $this->note($turn, $step),
                $step instanceof BranchStep => $this->branch($turn, $step),
                $step instanceof SendStep => $this->send($turn, $step),
                $step instanceof FinishStep => $this->finish($turn, $step),
                $step instanceof VerifyStep => $this->identity()->ask($turn, $step),
                $step instanceof TransferStep => $this->transfer($turn, $step),
                default => $this->put($turn, $step),
            };
            if ($next === null) {
                return;
            }
            $key = $next;
        }
        if (! $state->ended) {
            $turn->trace->rule('the steps run in a circle without the caller');
            $turn->standing('limit');
            $turn->end('script runs in circles');
        }
    }

    private function identity(): Identity
    {
        return new Identity($this->understanding, $this);
    }

    private function transfer(Turn $turn, TransferStep $step): null
    {
        $phrases = new Phrasebook($this->understanding->words, $turn->script->agent);
        (new Transfers($this->switchboard, $this, new CallBacks($this->understanding, $phrases, $this->switchboard, $this)))->begin($turn, $step);

        return null;
    }

    /** Goes on after an answer: first what needs a yes, then the next step. */
    public function proceed(Turn $turn, string $next): void
    {
        if ($turn->state->pending !== []) {
            $turn->state->resume = $next;
            $this->confirm($turn);

            return;
        }
        $this->go($turn, $next);
    }

    /** Reads back what waits for a yes. One confirmation may cover several values. */
    public function confirm(Turn $turn): void
    {
        $state = $turn->state;
        $state->mode = 'confirm';
        $parts = [];
        foreach ($state->pending as $key) {
            $field = $turn->script->sheet->field($key);
            $held = $state->values[$key] ?? null;
            if ($field === null || $held === null) {
                continue;
            }
            $parts[] = (count($state->pending) > 1 ? mb_strtolower($field->title).' ' : '').$this->readBack($turn, $field, $held);
        }
        if ($parts === []) {
            $state->pending = [];
            $this->go($turn, $state->resume ?? $turn->script->first);

            return;
        }
        $last = array_pop($parts);
        $it = $parts === [] ? $last : implode(', ', $parts).' and '.$last;
        $turn->trace->rule('reads back: '.implode(', ', $state->pending));
        $turn->standing('confirm', ['it' => $it], true);
    }

    /** Puts the open question again in a short form. */
    public function askAgain(Turn $turn): void
    {
        $state = $turn->state;
        if ($state->mode === 'confirm') {
            $this->confirm($turn);

            return;
        }
        $step = $state->step === null ? null : $turn->script->step($state->step);
        if ($step === null) {
            $this->go($turn, $turn->script->first);

            return;
        }
        if ($state->mode === 'clarify' && $state->lastQuestion !== '') {
            $turn->speak($state->lastQuestion, $state->step, true);

            return;
        }
        $turn->prompt($this->short($step), $step->key().'.again', true);
    }

    /** Says the last words again, whole. */
    public function repeat(Turn $turn): void
    {
        $lead = $turn->phrase('repeat_lead');
        $turn->speak(trim($lead.' '.($turn->state->lastSpoken !== '' ? $turn->state->lastSpoken : $turn->state->lastQuestion)), $turn->state->step);
    }

    /** After silence: a shorter prompt, then help with an example, then the way out. */
    public function silent(Turn $turn): void
    {
        $state = $turn->state;
        $step = $state->step === null ? null : $turn->script->step($state->step);
        if ($step === null) {
            $turn->trace->rule('silence at the start: the agent speaks');
            $this->go($turn, $turn->script->first);

            return;
        }
        if ($state->silences === 1) {
            $turn->trace->rule('silence, first time: shorter prompt');
            $own = $step instanceof ChooseStep ? ($step->silence[0] ?? null) : null;
            if ($own !== null) {
                $turn->prompt(Prompt::of($own), $step->key().'.silence0', true);
            } else {
                $turn->standing('silent');
                $this->askAgain($turn);
            }

            return;
        }
        if ($state->silences === 2) {
            $turn->trace->rule('silence, second time: help with an example');
            $own = $step instanceof ChooseStep ? ($step->silence[1] ?? null) : null;
            $own !== null ? $turn->prompt(Prompt::of($own), $step->key().'.silence1', true) : $this->help($turn, $step);

            return;
        }
        $turn->trace->rule('silence, third time: the way out');
        $this->leave($turn, $step);
    }

    /** Help: the step's own words, else an example of what would be understood. */
    public function help(Turn $turn, Step $step): void
    {
        $before = count($turn->actions);
        if ($step instanceof AskStep) {
            $field = $turn->script->sheet->field($step->field);
            if ($step->help !== null) {
                $turn->prompt(Prompt::of($step->help), $step->key().'.help');
            } elseif (($example = $this->example($turn, $field)) !== null) {
                $turn->standing('example', ['it' => $example]);
            }
        } elseif ($step instanceof ChooseStep) {
            $turn->speak($this->menu($step), $step->key());
        } elseif ($step instanceof ListenStep && $step->topics !== []) {
            $labels = array_map(static fn (array $topic): string => $topic['label'], array_slice($step->topics, 0, 4));
            $turn->standing('example', ['it' => $this->listed($labels)]);
        }
        if (count($turn->actions) === $before) {
            $turn->standing('apologise');
        }
        $this->askAgain($turn);
    }

    /** The step's way out, when a question cannot be answered. */
    public function leave(Turn $turn, Step $step): void
    {
        $state = $turn->state;
        $state->failures = 0;
        $state->silences = 0;
        $way = match (true) {
            $step instanceof AskStep, $step instanceof ChooseStep, $step instanceof ListenStep => $step->wayOut,
            default => WayOut::leave(),
        };
        $turn->trace->rule('way out of '.$step->key().': '.$way->then.($way->step === null ? '' : ' to '.$way->step));
        if ($way->then === 'go' && $way->step !== null) {
            $this->go($turn, $way->step);

            return;
        }
        if ($way->then === 'leave' && $step instanceof AskStep) {
            $state->declined[] = $step->field;
            $this->proceed($turn, $step->next);

            return;
        }
        $turn->standing('limit');
        $turn->end($way->outcome ?? 'gave up');
    }

    public function listen(Turn $turn): Listen
    {
        $state = $turn->state;
        $step = $state->step === null ? null : $turn->script->step($state->step);
        $field = $step instanceof AskStep ? $turn->script->sheet->field($step->field) : null;
        $for = match (true) {
            $state->mode === 'confirm' => 'yes_no',
            $state->mode === 'call_back' => ValueType::DateTime->value,
            $state->mode === 'clarify' => 'topic',
            $field !== null => $field->type->value,
            $step instanceof ChooseStep => 'choice',
            default => 'topic',
        };
        $long = in_array($field?->type, [ValueType::Phone, ValueType::Email, ValueType::PostalAddress, ValueType::Reference, ValueType::Text], true);
        $keys = match (true) {
            $step instanceof ChooseStep => implode('', array_filter(array_column($step->options, 'digit'))).($step->repeatKey ?? ''),
            in_array($field?->type, [ValueType::Phone, ValueType::Number, ValueType::Reference, ValueType::Date], true) => '0123456789#',
            in_array($field?->type, [ValueType::YesNo], true), $state->mode === 'confirm' => '12',
            default => '',
        };

        return new Listen($for, $state->holding ? 20.0 : ($long ? 8.0 : 6.0), $keys.'*'.($turn->script->standing->personKey ?? ''), $state->step);
    }

    /** Goes back to the question before this one and forgets its answer. */
    public function goBack(Turn $turn): void
    {
        $state = $turn->state;
        $path = $state->path;
        while ($path !== [] && end($path) === $state->step) {
            array_pop($path);
        }
        $key = array_pop($path);
        if ($key === null) {
            $turn->trace->rule('go back: nothing to go back to');
            $turn->standing('nothing_back');
            $this->askAgain($turn);

            return;
        }
        $turn->trace->rule('go back to '.$key);
        $step = $turn->script->step($key);
        $state->path = $path;
        $state->pending = [];
        if ($step instanceof AskStep) {
            $turn->forget($step->field);
        } elseif ($step instanceof ChooseStep && $step->field !== null) {
            $turn->forget($step->field);
        }
        $turn->standing('went_back');
        $this->go($turn, $key);
    }

    public function menu(ChooseStep $step): string
    {
        return implode(' ', array_map(static fn (array $option): string => mb_strtoupper(mb_substr($option['label'], 0, 1)).mb_substr($option['label'], 1).', press '.['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', '*' => 'star', '#' => 'hash'][$option['digit'] ?? '0'].'.', $step->options));
    }

    /** @param list<string> $items */
    public function listed(array $items, string $or = 'or'): string
    {
        $last = array_pop($items);

        return $items === [] ? (string) $last : implode(', ', $items).' '.$or.' '.$last;
    }

    public function example(Turn $turn, ?Field $field): ?string
    {
        if ($field === null) {
            return null;
        }
        if ($field->type === ValueType::Choice) {
            return $this->listed(array_map(static fn (array $option): string => $option['label'], array_slice($field->options, 0, 3)));
        }

        return $field->example;
    }

    private function say(Turn $turn, SayStep $step): string
    {
        $turn->prompt($step->prompt, $step->key());

        return $step->next;
    }

    private function note(Turn $turn, NoteStep $step): string
    {
        foreach ($step->forget as $field) {
            $turn->forget($field);
            $turn->state->declined = array_values(array_diff($turn->state->declined, [$field]));
        }
        foreach ($step->set as $key => $value) {
            $field = $turn->script->sheet->field($key);
            if ($field !== null) {
                $turn->hold($field, new Held($value, 1.0, Origin::Set, null, ''));
            }
        }
        if ($step->tag !== null && ! in_array($step->tag, $turn->state->tags, true)) {
            $turn->state->tags[] = $step->tag;
        }
        if ($step->outcome !== null) {
            $turn->state->outcome = $step->outcome;
            $turn->trace->rule('outcome so far: '.$step->outcome);
        }

        return $step->next;
    }

    private function send(Turn $turn, SendStep $step): string
    {
        $scope = $turn->scope();
        $to = $scope->value($step->to);
        $to = is_string($to) && trim($to) !== '' ? trim($to) : (preg_match('/[@+:]|^\d/', $step->to) === 1 ? $step->to : null);
        if ($to === null) {
            $turn->trace->rule("send {$step->key()}: {$step->to} is not known, so nothing is sent");

            return $step->otherwise ?? $step->next;
        }
        $fill = $scope->written(...);
        $text = $step->words->filled(0, $fill);
        $subject = $step->subject === null ? null : Prompt::of($step->subject)->filled(0, $fill);
        $turn->send(new Send($step->by, $to, $subject, $text, $step->file, $step->key()));

        return $step->next;
    }

    private function branch(Turn $turn, BranchStep $step): string
    {
        $scope = $turn->scope();
        foreach ($step->ways as $way) {
            if ($way['when']->holds($scope->value(...))) {
                $turn->trace->rule("branch {$step->key()}: {$way['when']->inWords()}");

                return $way['next'];
            }
        }
        $turn->trace->rule("branch {$step->key()}: otherwise");

        return $step->otherwise;
    }

    private function finish(Turn $turn, FinishStep $step): null
    {
        $turn->state->step = $step->key();
        $before = count($turn->actions);
        $turn->prompt($step->prompt, $step->key());
        if (count($turn->actions) === $before) {
            $turn->standing('goodbye');
        }
        $turn->end($step->outcome ?? $turn->state->outcome ?? 'finished');

        return null;
    }

    /** Puts a question to the caller, or passes it by where its answer is there already. */
    private function put(Turn $turn, Step $step): ?string
    {
        $state = $turn->state;
        $passed = $this->passed($turn, $step);
        if ($passed !== null) {
            return $passed;
        }
        $state->visits[$step->key()] = ($state->visits[$step->key()] ?? 0) + 1;
        if ($state->visits[$step->key()] > $turn->script->limits->repeats) {
            $turn->trace->rule("limit of the call: {$step->key()} was put more than {$turn->script->limits->repeats} times");
            $turn->standing('limit_step');
            $turn->end($state->outcome ?? 'step limit reached');

            return null;
        }
        $state->step = $step->key();
        $state->path[] = $step->key();
        $state->failures = 0;
        $state->silences = 0;
        if ($step instanceof AskStep && $this->stillKnown($turn, $step)) {
            return null;
        }
        $prompt = $step->prompt();
        $again = $step instanceof ListenStep && $state->visits[$step->key()] > 1 ? $step->again : null;
        $turn->prompt($again ?? $prompt ?? Prompt::of(''), $step->key(), true);

        return null;
    }

    private function passed(Turn $turn, Step $step): ?string
    {
        $state = $turn->state;
        if ($step instanceof AskStep) {
            $held = $state->values[$step->field] ?? null;
            if ($held !== null && ($held->origin !== Origin::Recognised || $step->known === 'skip' && $held->confidence >= 0.7)) {
                $turn->trace->rule("{$step->field} is known ({$held->origin->value}): {$step->key()} is passed by");

                return $step->next;
            }
            if (in_array($step->field, $state->declined, true)) {
                $turn->trace->rule("{$step->field} was declined: {$step->key()} is passed by");

                return $step->next;
            }
        }
        if ($step instanceof ChooseStep && $step->field !== null && isset($state->values[$step->field])) {
            $option = $step->option((string) (is_scalar($state->values[$step->field]->value) ? $state->values[$step->field]->value : ''));
            if ($option !== null) {
                $turn->trace->rule("{$step->field} is known: {$step->key()} is passed by");

                return $option['next'];
            }
        }

        return null;
    }

    /** A value known from before the call is asked back rather than asked. */
    private function stillKnown(Turn $turn, AskStep $step): bool
    {
        $state = $turn->state;
        $held = $state->values[$step->field] ?? null;
        $field = $turn->script->sheet->field($step->field);
        if ($held === null || $field === null || $held->origin !== Origin::Recognised || $step->known !== 'check' && ! ($step->known === 'skip' && $held->confidence < 0.7)) {
            return false;
        }
        $state->mode = 'confirm';
        $state->pending = [$step->field];
        $state->resume = $step->next;
        $turn->trace->rule("{$step->field} is known from before: asks whether it still holds");
        $turn->standing('still', ['title' => mb_strtolower($field->title), 'it' => $turn->spoken($field, $held->value)], true);

        return true;
    }

    private function readBack(Turn $turn, Field $field, Held $held): string
    {
        $policy = $turn->script->asking($field->key)->confirm ?? 'unsure';
        $said = $turn->spoken($field, $held->value);
        if ($policy === 'spelled' || ($turn->state->unconfirmed[$field->key] ?? 0) > 0 && in_array($field->type, [ValueType::PersonName, ValueType::Email], true)) {
            return $said.', spelled '.$turn->spelled($field, $held->value);
        }
        if ($policy === 'digits' && $field->type === ValueType::Number) {
            return implode(', ', str_split((string) (is_scalar($held->value) ? $held->value : '')));
        }

        return $said;
    }

    private function short(Step $step): Prompt
    {
        if (($step instanceof AskStep || $step instanceof ChooseStep || $step instanceof ListenStep) && $step->again !== null) {
            return $step->again;
        }
        $texts = array_map(static function (string $text): string {
            $sentences = preg_split('/(?<=[.!?…])\s+(?![^\[]*\])/u', $text) ?: [$text];
            $questions = array_values(array_filter($sentences, static fn (string $sentence): bool => str_ends_with(trim($sentence), '?')));

            return $questions === [] ? (string) end($sentences) : (string) end($questions);
        }, $step->prompt()->variants ?? ['']);

        return Prompt::of($texts);
    }

    private function back(Turn $turn): string
    {
        $to = array_pop($turn->state->returns);
        if ($to !== null && isset($turn->script->steps[$to])) {
            $turn->trace->rule('back to where the caller was: '.$to);

            return $to;
        }
        foreach ($turn->script->steps as $step) {
            if ($step instanceof ListenStep) {
                return $step->key();
            }
        }

        return $turn->script->first;
    }
}
