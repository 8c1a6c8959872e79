<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Script\Script;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Sheet\Field;

/** What a caller who tells everything at once tells before it is asked: the values of the questions that come next. */
final readonly class Ahead
{
    public function __construct(private Script $script, private \DateTimeImmutable $now, private Phrases $phrases, private Sayings $sayings)
    {
    }

    /**
     * @param ?string $from step from which on questions are looked for
     * @param array<string, mixed> $truth
     * @param list<string> $told fields that nobody needs to be told again
     *
     * @return string of words to follow others; empty where there is nothing to tell
     */
    public function words(?string $from, array $truth, array $told, int $most, Dice $dice): string
    {
        $words = '';
        foreach (array_slice($this->fields($from, $told), 0, $most) as $field) {
            $ways = $this->phrases->ways('ahead', $field->type->value);
            if ($ways === [] || ! isset($truth[$field->key])) {
                continue;
            }
            $value = $this->sayings->of($field, $truth[$field->key], $this->now, $dice);
            $words .= $this->phrases->one($dice, 'ahead_joins').strtr($dice->one($ways), ['[it]' => (string) preg_replace('/^(?:for|on) /', '', $value), '[title]' => mb_strtolower($field->title)]);
        }

        return $words;
    }

    /**
     * @param list<string> $told
     *
     * @return list<Field> those that are asked for next, where each step leads on to one other
     */
    private function fields(?string $from, array $told): array
    {
        $fields = [];
        for ($seen = []; $from !== null && ! isset($seen[$from]); $from = isset($ways[0]) ? $ways[0]->to : null) {
            $seen[$from] = true;
            $step = $this->script->steps[$from] ?? null;
            if ($step === null || $step instanceof ListenStep) {
                break;
            }
            if ($step instanceof AskStep && ! in_array($step->field, $told, true) && ($field = $this->script->sheet->field($step->field)) !== null) {
                $fields[] = $field;
            }
            $ways = $step->exits();
        }

        return $fields;
    }
}
