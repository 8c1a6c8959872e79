<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Transfer;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class TransferKind implements StepKind
{
    public const NAME = 'transfer';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'hands the call to the transfer rules';
    }

    public function silent(): string
    {
        return 'hands the call over';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): TransferStep
    {
        return new TransferStep($key, $node->wordsOrNone('prompt'), $node->node->optional('to'), $node->next('otherwise'), $node->node->optional('promised'));
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('to', Schema::text('team:NAME, person:NAME or number:+…, instead of the transfer rules'), 'to')
            ->saying('prompt', 'says')
            ->next('otherwise', 'nobody can take it')->next('promised', 'a call-back is promised')
            ->requiring('otherwise');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['otherwise' => $next]);
    }
}
