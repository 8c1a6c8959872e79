<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Turn;
use Ringo\Script\Steps\Step;
use Ringo\Speech\Prompt;

/** Puts a question to the caller: counts the visit, and speaks. */
final readonly class Puts
{
    /** Notes that the call stands at the step; false where it was put too often and the call has ended. */
    public function visit(Turn $turn, Step $step): bool
    {
        $state = $turn->state;
        $state->visits[$step->key()] = ($state->visits[$step->key()] ?? 0) + 1;
        if ($state->visits[$step->key()] > $turn->script->limits->repeats) {
            $turn->trace->rule("limit of the call: {$step->key()} was put more than {$turn->script->limits->repeats} times");
            $turn->standing('limit_step');
            $turn->end($state->outcome ?? Ending::STEP_LIMIT);

            return false;
        }
        $state->step = $step->key();
        $state->path[] = $step->key();
        $state->failures = 0;
        $state->silences = 0;

        return true;
    }

    /** Whether the call has been here before. */
    public function again(Turn $turn, Step $step): bool
    {
        return ($turn->state->visits[$step->key()] ?? 0) > 1;
    }

    /** The question of a prompt alone, else its last sentence. */
    public function question(?Prompt $prompt): Prompt
    {
        return Prompt::of(array_map(static function (string $text): string {
            $sentences = preg_split('/(?<=[.!?…])\s+(?![^\[]*\])/u', $text) ?: [$text];
            $questions = array_values(array_filter($sentences, static fn (string $sentence): bool => str_ends_with(trim($sentence), '?')));

            return $questions === [] ? (string) end($sentences) : (string) end($questions);
        }, $prompt->variants ?? ['']));
    }
}
