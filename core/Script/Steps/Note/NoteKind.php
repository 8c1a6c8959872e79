<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Note;

use Ringo\Script\Computation;
use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class NoteKind implements StepKind
{
    public const NAME = 'note';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'sets values, a tag or the outcome';
    }

    public function silent(): string
    {
        return 'writes down without a word';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): NoteStep
    {
        $set = [];
        foreach ($node->node->child('set')->all() as $field => $value) {
            if ($sheet->field((string) $field) === null) {
                $node->unknownField($sheet, "set.{$field}", (string) $field);
            }
            $set[(string) $field] = $value;
        }
        $workOut = [];
        foreach ($node->node->map('work_out') as $field => $one) {
            if ($sheet->field($field) === null) {
                $node->unknownField($sheet, "work_out.{$field}", $field);
            }
            $workOut[$field] = Computation::read($one);
        }

        return new NoteStep($key, $set, $workOut, $node->node->strings('forget'), $node->node->optional('tag'), $node->node->optional('outcome'), $node->next());
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('set', ['type' => 'object'], 'sets')
            ->with('work_out', ['type' => 'object', 'additionalProperties' => Computation::schema()], 'works out')
            ->with('forget', Schema::texts(), 'forgets')
            ->with('tag', Schema::text(), 'tag')
            ->with('outcome', Schema::text(), 'outcome')
            ->next()
            ->requiring('next')
            ->naming('set{}', 'forget[]', 'work_out{}', 'work_out{}.base', 'work_out{}.times', 'work_out{}.add[].when?');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['outcome' => '{outcome}', 'next' => $next]);
    }
}
