<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\LookUp;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class LookUpKind implements StepKind
{
    public const NAME = 'look_up';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'asks another system, or does something there';
    }

    public function silent(): string
    {
        return 'looks it up without a word';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): LookUpStep
    {
        $keep = [];
        foreach ($node->node->child('keep')->all() as $field => $value) {
            if ($sheet->field((string) $field) === null) {
                $node->unknownField($sheet, "keep.{$field}", (string) $field);
            }
            if (! is_string($value)) {
                $node->node->problem("keep.{$field}", 'must name a value of the errand');

                continue;
            }
            $keep[(string) $field] = $value;
        }

        return new LookUpStep(
            $key,
            $node->node->string('errand'),
            $keep,
            $node->wordsOrNone('waiting'),
            $node->next(),
            $node->next('not_found'),
            $node->node->optional('several'),
            $node->next('failed'),
            $node->node->optional('slow'),
        );
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('errand', Schema::text('Key of an errand of the business'), 'errand')
            ->with('keep', ['type' => 'object', 'additionalProperties' => Schema::text('A value of the errand')], 'keeps')
            ->saying('waiting', 'says while waiting')
            ->next('not_found', 'not found')->next('several', 'several')->next('failed', 'failed')->next('slow', 'too slow')->next()
            ->requiring('errand', 'next', 'not_found', 'failed')
            ->naming('keep{}');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['errand' => '{errand}', 'not_found' => $next, 'failed' => $next, 'next' => $next]);
    }
}
