<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Reach;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class ReachKind implements StepKind
{
    public const NAME = 'reach';

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'makes sure an outbound call has the right person';
    }

    public function silent(): string
    {
        return 'asks for nobody yet';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): ReachStep
    {
        $again = $node->node->optional('ring_again');
        if ($again !== null && $sheet->field($again) === null) {
            $node->unknownField($sheet, 'ring_again', $again);
        }

        return new ReachStep($key, $node->words(), $node->next(), $node->node->optional('somebody_else'), $node->node->optional('wrong_number'), $again, $node->wordsOrNone('voicemail'));
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->saying('prompt', 'says')
            ->next('somebody_else', 'somebody else')->next('wrong_number', 'wrong number')
            ->with('ring_again', Schema::text('The field, a day and time, that takes when to ring again'), 'when to ring again')
            ->saying('voicemail', 'message after the tone')
            ->next()
            ->requiring('prompt', 'next')
            ->naming('ring_again');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['prompt' => 'Am I speaking to [caller.name|the person who booked with us]?', 'next' => $next]);
    }
}
