<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Origin;
use Ringo\Script\Script;
use Ringo\Speech\Display;
use Ringo\Transcript\Transcript;

/** Makes the record of a call that one of our agents held, from what it understood and the transcript that proves it. */
final readonly class OwnCall
{
    /** Below this, an unconfirmed value is to be looked at. */
    private const DOUBTFUL = 0.75;

    public function __construct(private Script $script, private Display $display)
    {
    }

    public function record(CallState $state, Transcript $transcript): Record
    {
        $cells = [];
        $missing = [];
        foreach ($this->script->sheet->fields as $key => $field) {
            $held = $state->values[$key] ?? null;
            if ($held === null || $held->value === null) {
                if ($field->required && ! in_array($key, $state->declined, true)) {
                    $missing[] = $key;
                }

                continue;
            }
            $turn = $held->turn;
            $words = $turn === null ? '' : ($transcript->turns[$turn]->text ?? '');
            // Evidence must stand in the transcript; otherwise the turn alone is given.
            $said = $held->said !== '' && mb_stripos($words, $held->said) !== false ? $held->said : '';
            $cells[$key] = [
                'value' => $held->value,
                'display' => $this->display->show($field->typed($held->value)),
                'confidence' => $held->confidence,
                'origin' => $held->confirmed ? 'confirmed' : $held->origin->value,
                'turn' => $turn,
                'said' => $said,
                'confirmed' => $held->confirmed,
                'doubt' => $held->doubt ?? (! $held->confirmed && $held->confidence < self::DOUBTFUL && $held->origin !== Origin::Recognised ? 'heard with some doubt and not confirmed; please check' : null),
            ];
        }
        $outcome = $state->outcome ?? 'in progress';

        return new Record($state->id, $cells, array_values($state->declined), $missing, $outcome, $this->summary($cells, $state, $outcome));
    }

    /** @param array<string, array{display: string}> $cells */
    private function summary(array $cells, CallState $state, string $outcome): string
    {
        $who = $cells['caller_name']['display'] ?? $cells['name']['display'] ?? (is_string($state->caller['name'] ?? null) ? $state->caller['name'] : 'The caller');
        $facts = [];
        foreach ($cells as $key => $cell) {
            if (! in_array($key, ['caller_name', 'name'], true) && $cell['display'] !== '') {
                $title = $this->script->sheet->field($key)->title ?? $key;
                $facts[] = mb_strtolower($title).' '.$cell['display'];
            }
        }
        $sentences = [ucfirst($who).' called; outcome: '.$outcome.'.'];
        if ($facts !== []) {
            $sentences[] = ucfirst(implode(', ', $facts)).'.';
        }
        if ($state->declined !== []) {
            $sentences[] = 'Not given: '.implode(', ', array_map(fn (string $key): string => mb_strtolower($this->script->sheet->field($key)->title ?? $key), $state->declined)).'.';
        }

        return implode(' ', $sentences);
    }
}
