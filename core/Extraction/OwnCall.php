<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Origin;
use Ringo\Language\Vocabulary;
use Ringo\Script\Script;
use Ringo\Speech\Display;
use Ringo\Transcript\Transcript;

/** Makes the record of a call that one of our agents held, from what it understood and the transcript that proves it. */
final readonly class OwnCall
{
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
            // What another system told has no words in the call: where and when it was read is its evidence.
            $said = $held->origin === Origin::LookedUp || $held->said !== '' && mb_stripos($words, $held->said) !== false ? $held->said : '';
            $cells[$key] = [
                'value' => $held->value,
                'display' => $this->display->show($field->typed($held->value)),
                'confidence' => $held->confidence,
                'origin' => $held->confirmed && $held->origin !== Origin::LookedUp ? 'confirmed' : $held->origin->value,
                'turn' => $turn,
                'said' => $said,
                'confirmed' => $held->confirmed,
                'doubt' => $held->doubt ?? (! $held->confirmed && $held->confidence < Record::DOUBTFUL && $held->origin !== Origin::Recognised ? 'heard with some doubt and not confirmed; please check' : null),
            ];
        }
        $outcome = $state->outcome ?? 'in progress';

        $story = new Story($this->script->sheet, Vocabulary::of($this->script->agent->language));
        $known = is_string($state->caller['name'] ?? null) && $state->caller['name'] !== '' ? $state->caller['name'] : null;

        return new Record($state->id, $cells, array_values($state->declined), $missing, $outcome, $story->summary($transcript, $cells, array_values($state->declined), $outcome, '', $known), [], $story->nextActions($transcript, $cells, $missing));
    }
}
