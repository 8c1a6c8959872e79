<?php

declare(strict_types=1);

namespace Ringo\Script;

use Ringo\Document\InvalidDocument;
use Ringo\Document\JsonFault;
use Ringo\Document\Node;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\StepKinds;
use Ringo\Script\Steps\StepNode;
use Ringo\Script\Steps\Way;
use Ringo\Sheet\RecordSheet;

/**
 * Reads a script from its JSON document (schema: docs/formats/script.schema.json).
 *
 * Unknown keys, wrong types and steps that do not exist are all reported, each with its path.
 */
final readonly class ScriptReader
{
    private const MOST_BYTES = 5_000_000;

    private StepKinds $kinds;

    public function __construct()
    {
        $this->kinds = new StepKinds;
    }

    /** @throws InvalidDocument */
    public function fromJson(string $json): Script
    {
        if (strlen($json) > self::MOST_BYTES) {
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
            errands: OwnErrands::read($node, 'errands'),
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
            $kind = $this->kinds->kind($one->oneOf('kind', $this->kinds->names(), Steps\Say\SayKind::NAME));
            if ($kind === null) {
                continue;
            }
            $steps[$key] = $kind->read($key, new StepNode($one), $sheet);
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

    private function checkReferences(Node $node, Script $script): void
    {
        if (! isset($script->steps[$script->first])) {
            $node->problem('first', "there is no step “{$script->first}”");
        }
        $i = 0;
        foreach ($script->steps as $step) {
            foreach ($step->exits() as $exit) {
                if ($exit->to !== Way::BACK && ! isset($script->steps[$exit->to])) {
                    $node->problem("steps[{$i}]", "step “{$step->key()}” leads to “{$exit->to}” ({$exit->label}), and there is no such step".$this->near($exit->to, array_keys($script->steps)));
                }
            }
            $i++;
        }
        if ($script->standing->person !== null && ! isset($script->steps[$script->standing->person])) {
            $node->problem('standing.person', "there is no step “{$script->standing->person}”");
        }
        if ($script->standing->letGo !== null && ! isset($script->steps[$script->standing->letGo])) {
            $node->problem('standing.let_go', "there is no step “{$script->standing->letGo}”");
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

    /** @param list<array-key> $known a name of digits only is a number as the key of an array */
    private function near(string $word, array $known): string
    {
        foreach (array_map(strval(...), $known) as $one) {
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
