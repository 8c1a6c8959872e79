<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Say;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class SayKind implements StepKind
{
    public const NAME = 'say';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'speaks and goes on';
    }

    public function silent(): string
    {
        return 'says nothing yet';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): SayStep
    {
        return new SayStep($key, $node->words(), $node->next());
    }

    public function keys(): Keys
    {
        return Keys::none()->saying('prompt', 'says')->next()->requiring('prompt', 'next');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['prompt' => '{what is said}', 'next' => $next]);
    }
}
