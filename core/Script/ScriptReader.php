<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\InvalidDocument;
use Ringo\Document\JsonFault;
use Ringo\Document\Node;
use Ringo\Script\Steps\AskStep;
use Ringo\Script\Steps\BranchStep;
use Ringo\Script\Steps\ChooseStep;
use Ringo\Script\Steps\FinishStep;
use Ringo\Script\Steps\ListenStep;
use Ringo\Script\Steps\NoteStep;
use Ringo\Script\Steps\SayStep;
use Ringo\Script\Steps\SendStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\TransferStep;
use Ringo\Script\Steps\VerifyStep;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Prompt;
use Ringo\Value\ValueType;

/**
 * Reads a script from its JSON document (schema: docs/formats/script.schema.json).
 *
 * Unknown keys, wrong types and steps that do not exist are all reported, each with its path.
 */
final class ScriptReader
{
    private const KINDS = ['say', 'ask', 'choose', 'listen', 'branch', 'note', 'send', 'verify', 'transfer', 'finish'];

    /** @throws InvalidDocument */
    public function fromJson(string $json): Script
    {
        if (strlen($json) > 5_000_000) {
            throw new InvalidDocument([['path' => '', 'message' => 'the document is larger than 5 MB']]);
        }
        $data = json_decode($json, true, 64);
        if (json_last_error() !== JSON_ERROR_NONE) {
            [$line, $column] = $this->place($json);

            throw new InvalidDocument([['path' => "line {$line}, column {$column}", 'message' => 'this is not JSON: '.lcfirst(json_last_error_msg())]]);
        }
        if (! is_array($data) || array_is_list($data) && $data !== []) {
            throw new InvalidDocument([['path' => '', 'message' => 'a script is a JSON object']]);
        }

        return $this->fromArray($data);
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @throws InvalidDocument
     */
    public function fromArray(array $data): Script
    {
        $node = Node::root($data);
        if ($node->string('format', Script::FORMAT) !== Script::FORMAT) {
            $node->problem('format', 'must be “'.Script::FORMAT.'”');
        }
        if ($node->has('$schema')) {
            $node->string('$schema');
        }
        $agent = Agent::read($node->child('agent'));
        $sheet = RecordSheet::read($node->child('sheet'));
        [$steps, $scenes] = $this->steps($node, $sheet);
        $first = $node->string('first');
        $standing = Standing::read($node->child('standing'));
        $script = new Script(
            agent: $agent,
            steps: $steps,
            first: $first,
            sheet: $sheet,
            standing: $standing,
            hours: Hours::read($node->child('hours')),
            limits: Limits::read($node->child('limits')),
            facts: $this->facts($node),
            scenes: $scenes,
            transfers: TransferRules::read($node->child('transfers')),
            recognition: Recognition::read($node->child('recognition')),
        );
        $this->checkReferences($node, $script);
        $node->noMore();
        $node->settle();

        return $script;
    }

    /** @return array<string, scalar> */
    private function facts(Node $node): array
    {
        $facts = [];
        foreach ($node->child('facts')->all() as $key => $value) {
            if (! is_scalar($value)) {
                $node->problem("facts.{$key}", 'must be a text, number, or true or false');

                continue;
            }
            $facts[(string) $key] = $value;
        }

        return $facts;
    }

    /** @return array{array<string, Step>, array<string, string>} the steps, and the scenes that begin at some of them */
    private function steps(Node $node, RecordSheet $sheet): array
    {
        $steps = [];
        $scenes = [];
        foreach ($node->children('steps') as $one) {
            $key = $one->string('key');
            if (preg_match('/^[a-z][a-z0-9_]*$/', $key) !== 1) {
                $one->problem('key', "“{$key}” is no step name; use lower-case letters, digits and underscores, beginning with a letter");
            }
            if (isset($steps[$key])) {
                $one->problem('key', "there is another step “{$key}”");
            }
            $kind = $one->oneOf('kind', self::KINDS, 'say');
            $steps[$key] = match ($kind) {
                'ask' => $this->ask($key, $one, $sheet),
                'choose' => $this->choose($key, $one, $sheet),
                'listen' => $this->listen($key, $one),
                'branch' => $this->branch($key, $one),
                'note' => $this->note($key, $one, $sheet),
                'send' => $this->send($key, $one),
                'verify' => new VerifyStep($key, $this->prompt($one), $one->oneOf('by', VerifyStep::BY, 'postcode'), (int) $one->number('tries', 3, 1, 5), $one->string('next'), $one->string('failed'), $one->string('locked')),
                'transfer' => new TransferStep($key, $one->has('prompt') ? Prompt::of($one->text('prompt')) : null, $one->optional('to'), $one->string('otherwise'), $one->optional('promised')),
                'finish' => new FinishStep($key, Prompt::of($one->text('prompt')), $one->optional('outcome')),
                default => new SayStep($key, $this->prompt($one), $one->string('next')),
            };
            $scene = trim($one->optional('scene') ?? '');
            if ($scene !== '') {
                $scenes[$key] = $scene;
            }
            $one->noMore();
        }
        if ($steps === []) {
            $node->problem('steps', 'a script needs at least one step');
        }

        return [$steps, $scenes];
    }

    private function ask(string $key, Node $node, RecordSheet $sheet): AskStep
    {
        $field = $node->string('field');
        if ($sheet->field($field) === null) {
            $node->problem('field', "the record sheet has no field “{$field}”".($sheet->fields === [] ? '' : '; it has '.implode(', ', array_keys($sheet->fields))));
        }

        return new AskStep(
            key: $key,
            field: $field,
            prompt: $this->prompt($node),
            again: $node->has('again') ? Prompt::of($node->text('again')) : null,
            reprompts: $node->strings('reprompts'),
            help: $node->optional('help'),
            confirm: $node->oneOf('confirm', ['never', 'unsure', 'always', 'spelled', 'digits'], 'unsure'),
            required: $node->flag('required', $sheet->field($field)->required ?? false),
            known: $node->oneOf('known', ['skip', 'check', 'ask'], 'skip'),
            tries: (int) $node->number('tries', 3, 1, 9),
            why: $node->optional('why'),
            wayOut: WayOut::read($node),
            next: $node->string('next'),
        );
    }

    private function choose(string $key, Node $node, RecordSheet $sheet): ChooseStep
    {
        $options = [];
        foreach ($node->children('options') as $i => $one) {
            $digit = $one->optional('digit') ?? (string) ($i + 1);
            if (preg_match('/^[0-9*#]$/', $digit) !== 1) {
                $one->problem('digit', "“{$digit}” is no key of a telephone");
            }
            $options[] = ['key' => $one->string('key'), 'label' => $one->string('label'), 'phrases' => $one->strings('phrases'), 'digit' => $digit, 'next' => $one->string('next')];
            $one->noMore();
        }
        if (count($options) < 2 || count($options) > 9) {
            $node->problem('options', 'a menu has 2 to 9 options, not '.count($options));
        }
        $field = $node->optional('field');
        if ($field !== null && $sheet->field($field) === null) {
            $node->problem('field', "the record sheet has no field “{$field}”");
        } elseif ($field !== null && $sheet->field($field)?->type === ValueType::Choice) {
            foreach ($options as $i => $option) {
                if (! in_array($option['key'], array_column($sheet->field($field)->options, 'key'), true)) {
                    $node->problem("options[{$i}].key", "the field “{$field}” has no value “{$option['key']}”");
                }
            }
        }
        $reprompts = $node->child('reprompts');
        $repeat = $node->optional('repeat_key');
        if ($repeat !== null && preg_match('/^[0-9*#]$/', $repeat) !== 1) {
            $node->problem('repeat_key', "“{$repeat}” is no key of a telephone");
        }
        $step = new ChooseStep(
            key: $key,
            prompt: $this->prompt($node),
            again: $node->has('again') ? Prompt::of($node->text('again')) : null,
            options: $options,
            field: $field,
            repeatKey: $repeat,
            silence: $reprompts->strings('silence'),
            nonsense: $reprompts->strings('nonsense'),
            wrongKey: $reprompts->strings('wrong_key'),
            tries: (int) $node->number('tries', 3, 1, 9),
            wayOut: WayOut::read($node),
        );
        $reprompts->noMore();

        return $step;
    }

    private function listen(string $key, Node $node): ListenStep
    {
        $topics = [];
        foreach ($node->children('topics') as $one) {
            $urgent = $one->flag('urgent', false);
            $topics[] = [
                'key' => $one->string('key'), 'label' => $one->string('label'), 'description' => $one->string('description', ''),
                'phrases' => $one->strings('phrases'), 'anywhere' => $one->flag('anywhere', false) || $urgent, 'urgent' => $urgent, 'next' => $one->string('next'),
            ];
            $one->noMore();
        }

        return new ListenStep(
            key: $key,
            prompt: $this->prompt($node),
            again: $node->has('again') ? Prompt::of($node->text('again')) : null,
            topics: $topics,
            nothing: $node->optional('nothing'),
            reprompts: $node->strings('reprompts'),
            tries: (int) $node->number('tries', 3, 1, 9),
            wayOut: WayOut::read($node),
        );
    }

    private function branch(string $key, Node $node): BranchStep
    {
        $ways = [];
        foreach ($node->children('ways') as $one) {
            $ways[] = ['when' => Condition::read($one->child('when')), 'next' => $one->string('next')];
            $one->noMore();
        }

        return new BranchStep($key, $ways, $node->string('otherwise'));
    }

    private function note(string $key, Node $node, RecordSheet $sheet): NoteStep
    {
        $set = [];
        foreach ($node->child('set')->all() as $field => $value) {
            if ($sheet->field((string) $field) === null) {
                $node->problem("set.{$field}", "the record sheet has no field “{$field}”");
            }
            $set[(string) $field] = $value;
        }

        return new NoteStep($key, $set, $node->strings('forget'), $node->optional('tag'), $node->optional('outcome'), $node->string('next'));
    }

    private function send(string $key, Node $node): SendStep
    {
        $by = $node->oneOf('by', SendStep::BY, 'text');
        $to = trim($node->string('to'));
        if ($to === '') {
            $node->problem('to', 'names nobody to send to; write a field, caller.number, caller.email or an address');
        }
        $words = Prompt::of($node->text('words'));
        if ($words->isEmpty()) {
            $node->problem('words', 'says nothing');
        }

        return new SendStep($key, $by, $to, $node->optional('subject'), $words, $node->optional('file'), $node->optional('otherwise'), $node->string('next'));
    }

    private function prompt(Node $node): Prompt
    {
        $prompt = Prompt::of($node->text('prompt'));
        if ($prompt->isEmpty()) {
            $node->problem('prompt', 'says nothing');
        }

        return $prompt;
    }

    private function checkReferences(Node $node, Script $script): void
    {
        if (! isset($script->steps[$script->first])) {
            $node->problem('first', "there is no step “{$script->first}”");
        }
        $i = 0;
        foreach ($script->steps as $step) {
            foreach ($step->exits() as $exit) {
                if ($exit['to'] !== 'return' && ! isset($script->steps[$exit['to']])) {
                    $node->problem("steps[{$i}]", "step “{$step->key()}” leads to “{$exit['to']}” ({$exit['label']}), and there is no such step".$this->near($exit['to'], array_keys($script->steps)));
                }
            }
            $i++;
        }
        if ($script->standing->person !== null && ! isset($script->steps[$script->standing->person])) {
            $node->problem('standing.person', "there is no step “{$script->standing->person}”");
        }
        foreach ($script->transfers->steps() as $step) {
            if (! isset($script->steps[$step])) {
                $node->problem('transfers', "there is no step “{$step}”");
            }
        }
        foreach ($script->standing->replies as $n => $reply) {
            if ($reply['to'] !== null && ! isset($script->steps[$reply['to']])) {
                $node->problem("standing.replies[{$n}].to", "there is no step “{$reply['to']}”");
            }
            if ($reply['about'] !== null && $script->sheet->field($reply['about']) === null) {
                $node->problem("standing.replies[{$n}].about", "the record sheet has no field “{$reply['about']}”");
            }
        }
    }

    /** @param list<string> $known */
    private function near(string $word, array $known): string
    {
        foreach ($known as $one) {
            if (levenshtein(substr($word, 0, 60), substr($one, 0, 60)) <= 2) {
                return "; did you mean “{$one}”?";
            }
        }

        return '';
    }

    /**
     * Where the first error of a JSON text stands.
     *
     * @return array{int, int} line and column, from 1
     */
    private function place(string $json): array
    {
        $offset = (new JsonFault)->offset($json);
        $before = substr($json, 0, $offset);
        $line = substr_count($before, "\n") + 1;
        $column = $offset - (int) strrpos("\n".$before, "\n") + 1;

        return [$line, $column];
    }
}
