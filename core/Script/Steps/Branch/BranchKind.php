<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Branch;

use Ringo\Script\Condition;
use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class BranchKind implements StepKind
{
    public const NAME = 'branch';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'goes the first way whose condition holds';
    }

    public function silent(): string
    {
        return 'decides without a word';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): BranchStep
    {
        $ways = [];
        foreach ($node->node->children('ways') as $one) {
            $ways[] = ['when' => Condition::read($one->child('when')), 'next' => $one->string('next')];
            $one->noMore();
        }

        return new BranchStep($key, $ways, $node->next('otherwise'));
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('ways', Schema::listOf(Schema::object(['when' => Schema::ref('condition'), 'next' => Schema::ref('target')], ['when', 'next'])), 'ways')
            ->leading('ways[].next')
            ->next('otherwise', 'otherwise')
            ->requiring('otherwise')
            ->naming('ways[].when?');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['ways' => [], 'otherwise' => $next]);
    }
}
