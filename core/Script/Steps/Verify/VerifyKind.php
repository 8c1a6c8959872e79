<?php

declare(strict_types=1);

namespace Ringo\Script\Steps\Verify;

use Ringo\Script\Steps\Blank;
use Ringo\Script\Steps\Keys;
use Ringo\Script\Steps\Schema;
use Ringo\Script\Steps\StepKind;
use Ringo\Script\Steps\StepNode;
use Ringo\Sheet\RecordSheet;

final readonly class VerifyKind implements StepKind
{
    public const NAME = 'verify';

    private const MOST_TRIES = 5;

    public function name(): string
    {
        return self::NAME;
    }

    public function does(): string
    {
        return 'checks the caller against known facts';
    }

    public function silent(): string
    {
        return 'asks nothing yet';
    }

    public function read(string $key, StepNode $node, RecordSheet $sheet): VerifyStep
    {
        $by = $node->node->oneOf('by', VerifyStep::BY, 'postcode');
        $facts = $node->node->has('facts') ? $node->node->strings('facts') : [];
        foreach ($facts as $i => $fact) {
            if (! in_array($fact, VerifyStep::FACTS, true)) {
                $node->node->problem("facts[{$i}]", "“{$fact}” is not one of ".implode(', ', VerifyStep::FACTS));
            }
        }
        if ($by === 'any_two' && count(array_unique($facts)) < 2) {
            $node->node->problem('facts', 'needs at least two facts of which any two are checked');
        }

        return new VerifyStep($key, $node->words(), $node->wordsOrNone('second'), $by, array_values(array_unique($facts)), $node->tries(3, self::MOST_TRIES), $node->next(), $node->next('failed'), $node->next('locked'));
    }

    public function keys(): Keys
    {
        return Keys::none()
            ->with('by', Schema::oneOf(VerifyStep::BY), 'checked by')
            ->with('facts', Schema::listOf(Schema::oneOf(VerifyStep::FACTS)), 'facts')
            ->saying('prompt', 'says')->saying('second', 'second question')
            ->with('tries', Schema::whole(1, self::MOST_TRIES), 'tries')
            ->next('failed', 'cannot be checked')->next('locked', 'tries used up')->next()
            ->requiring('by', 'prompt', 'next', 'failed', 'locked');
    }

    public function blank(string $next, Blank $blank): Blank
    {
        return $blank->with(['by' => 'postcode', 'prompt' => 'What is the postcode of your address?', 'tries' => 3, 'next' => $next, 'failed' => $next, 'locked' => $next]);
    }
}
