<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Errands;

use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Errand\Errand;
use Ringo\Errand\Sought;
use Ringo\Script\Steps\LookUp\LookUpStep;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** Asks which of several is meant, by what tells them apart; at most two questions. */
final readonly class WhichOne
{
    private const QUESTIONS = 2;

    /** More than so many are not read out: then only what tells them apart is asked for. */
    private const READ_OUT = 4;

    public function __construct(private Understanding $understanding)
    {
    }

    /** Puts the question; null where nothing tells them apart, or enough was asked. */
    public function ask(Turn $turn, LookUpStep $step, Errand $errand): ?Move
    {
        $out = $turn->state->errand;
        if ($out === null || $out['questions'] >= self::QUESTIONS) {
            return null;
        }
        $by = $this->apart($errand, $out['rows'], $out['by']);
        if ($by === null) {
            $turn->trace->rule("{$errand->key}: nothing tells the ".count($out['rows']).' apart');

            return null;
        }
        $spoken = array_values(array_unique(array_column($this->options($turn, $by, $out['rows']), 'label')));
        $turn->state->step = $step->key();
        $turn->state->path[] = $step->key();
        $turn->state->failures = 0;
        $turn->state->silences = 0;
        count($spoken) > self::READ_OUT
            ? $turn->standing('errand_which_of_many', ['what' => $by->label, 'count' => (string) count($out['rows'])], true)
            : $turn->standing('errand_which', ['these' => $turn->listed(array_map(static fn (string $one): string => 'the one for '.$one, $spoken))], true);
        $turn->state->errand = ['asks' => 'which', 'by' => $by->key, 'questions' => $out['questions'] + 1, 'question' => $turn->state->lastQuestion] + $out;
        $turn->trace->rule("{$errand->key}: ".count($out['rows']).' found, asks which by '.$by->label);

        return Move::stay();
    }

    /**
     * The rows the words leave; none where they choose nothing.
     *
     * @return list<array<string, mixed>>
     */
    public function chosen(Turn $turn, Errand $errand, Heard $heard): array
    {
        $out = $turn->state->errand;
        $by = $out === null || $out['by'] === null ? null : $errand->sought($out['by']);
        if ($out === null || $by === null) {
            return [];
        }
        $options = $this->options($turn, $by, $out['rows']);
        $now = $turn->scope()->now;
        $wanted = null;
        if (! in_array($by->type, [ValueType::Text, ValueType::Choice, ValueType::YesNo], true)) {
            $read = $this->understanding->read($by->type, $heard, new Context($now, $turn->script->agent->country))->value;
            $wanted = array_values(array_filter($out['rows'], static fn (array $row): bool => $read !== null && ($row[$by->key] ?? null) == $read));
        }
        if ($wanted !== null && $wanted !== []) {
            return $wanted;
        }
        $key = $this->understanding->read(ValueType::Choice, $heard, new Context($now, $turn->script->agent->country, $options))->value;
        $value = is_string($key) ? ($out['rows'][(int) substr($key, 3)][$by->key] ?? null) : null;

        return $value === null ? [] : array_values(array_filter($out['rows'], static fn (array $row): bool => ($row[$by->key] ?? null) == $value));
    }

    /**
     * What tells them apart: the first of what the errand names for it, else whatever tells most of them apart.
     *
     * @param list<array<string, mixed>> $rows
     */
    private function apart(Errand $errand, array $rows, ?string $asked): ?Sought
    {
        $best = null;
        $most = 1;
        foreach ($errand->apart === [] ? array_column($errand->values, 'key') : $errand->apart as $key) {
            $values = array_map(static fn (array $row): string => serialize($row[$key] ?? null), $rows);
            $different = in_array(serialize(null), $values, true) || $key === $asked ? 0 : count(array_unique($values));
            if ($different > $most) {
                [$best, $most] = [$errand->sought($key), $different];
                if ($errand->apart !== []) {
                    break;
                }
            }
        }

        return $best;
    }

    /**
     * @param list<array<string, mixed>> $rows
     *
     * @return list<array{key: string, label: string, phrases: list<string>}>
     */
    private function options(Turn $turn, Sought $by, array $rows): array
    {
        $options = [];
        foreach ($rows as $i => $row) {
            $label = $turn->sayTyped(new Typed($by->type, $row[$by->key] ?? null));
            if (! in_array($label, array_column($options, 'label'), true)) {
                $options[] = ['key' => 'row'.$i, 'label' => $label, 'phrases' => ['the one for '.$label]];
            }
        }

        return $options;
    }
}
