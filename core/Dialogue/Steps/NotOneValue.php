<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Language\Token;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** An answer that is no one value, or no exact one: 'ten or twelve', 'about the usual'. One figure is asked for, as often as may be asked. */
final readonly class NotOneValue
{
    /** @param array<string, string> $units what lengths are counted in, by word */
    public function __construct(private array $units)
    {
    }

    public function move(Turn $turn, AskStep $step, Reading $reading, Heard $words): ?Move
    {
        $vague = $reading->doubt !== null && preg_match('/not an exact (?:number|amount|length)/', $reading->doubt) === 1;
        $several = $reading->doubt !== null && preg_match('/more than one|two (?:numbers|references)|range|choice of/', $reading->doubt) === 1;
        if (! $vague && ! $several || $turn->state->failures + 1 >= $step->tries) {
            return null;
        }
        $turn->state->failures++;
        $turn->trace->rule('the answer is not one value: '.$reading->doubt);
        $this->keepUnit($turn, $step, $words);
        $open = str_contains((string) $reading->doubt, 'range');
        $turn->standing(match (true) {
            $vague => 'one_figure',
            // 'After four'
            $open && $turn->script->sheet->field($step->field)?->type === ValueType::Time => 'what_hour_exactly',
            $open && $turn->script->sheet->field($step->field)?->type === ValueType::Date => 'which_day_exactly',
            default => 'two_meant',
        }, [], true);

        return Move::stay();
    }

    /** 'A few days', and then 'four' is four days. */
    private function keepUnit(Turn $turn, AskStep $step, Heard $words): void
    {
        $named = array_values(array_filter(array_map(static fn (Token $token): string => $token->text, $words->tokens), fn (string $word): bool => isset($this->units[$word])));
        if ($named !== [] && $turn->script->sheet->field($step->field)?->type === ValueType::Duration) {
            $turn->state->parts[$step->field] = $named[count($named) - 1];
        }
    }
}
