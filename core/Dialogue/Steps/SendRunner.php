<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Actions\Send;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Script\Steps\Send\SendStep;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Prompt;

final readonly class SendRunner implements StepRunner
{
    public function enter(Turn $turn, Step $step): Move
    {
        \assert($step instanceof SendStep);
        $scope = $turn->scope();
        $to = $scope->value($step->to);
        $to = is_string($to) && trim($to) !== '' ? trim($to) : (preg_match('/[@+:]|^\d/', $step->to) === 1 ? $step->to : null);
        if ($to === null) {
            $turn->trace->rule("send {$step->key()}: {$step->to} is not known, so nothing is sent");

            return Move::to($step->otherwise ?? $step->next);
        }
        $fill = $scope->written(...);
        $subject = $step->subject === null ? null : Prompt::of($step->subject)->filled(0, $fill);
        $turn->send(new Send($step->by, $to, $subject, $step->words->filled(0, $fill), $step->file, $step->key()));

        return Move::to($step->next);
    }
}
