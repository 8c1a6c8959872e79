<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Finish;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Prompt;

final readonly class FinishKind implements StepKind
{
    public const NAME = 'finish';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'last words, outcome, hangs up';
    }

    public function silent(): string
    {
        return 'hangs up with the usual goodbye';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): FinishStep
    {
        return new FinishStep($key, Prompt::of($node->node->text('prompt')), $node->node->optional('outcome'));
    }

    public function keys(): Keys
    {
        return Keys::none()->saying('prompt', 'says')->with('outcome', Schema::text('counts where the call has reached none before'), 'outcome');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['prompt' => 'Thank you for calling. Goodbye.', 'outcome' => '{outcome}']);
    }
}
