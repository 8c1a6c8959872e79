<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Transfers;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Turn;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\Redaction;

/** What whoever is rung reads or hears first: who calls, why, what was said and told so far. */
final readonly class Announcement
{
    /** Lines of the caller that are told. */
    private const LINES = 3;

    /** @return array<string, mixed> what whoever is rung reads or hears first */
    public function of(Turn $turn): array
    {
        $state = $turn->state;
        $sheet = $turn->script->sheet;
        $record = [];
        foreach ($state->values as $key => $held) {
            $field = $sheet->field($key);
            if ($field !== null && ! $field->ownersOnly) {
                $record[$field->title] = $turn->shown($field, $held->value);
            }
        }
        $named = $sheet->callersName();
        $name = $named === null || $named->ownersOnly ? null : $state->values[$named->key]->value ?? null;
        $name ??= $state->caller['name'] ?? null;

        return [
            'caller' => is_string($name) ? $name : 'A caller', 'number' => $state->from, 'known' => (bool) ($state->caller['known'] ?? false), 'organisation' => $state->caller['organisation'] ?? '',
            'why' => $state->transfer['why'] ?? '', 'said' => self::lastLines($state, $sheet), 'record' => $record, 'waited' => $state->transfer === null ? 0 : round($state->clock - $state->transfer['since'], 1), 'verified' => $state->verified, 'priority' => $state->priority,
        ];
    }

    /** @return list<string> the last lines of the caller, without the words of fields that staff do not see */
    public static function lastLines(CallState $state, RecordSheet $sheet): array
    {
        $cells = [];
        foreach (array_intersect_key($state->values, array_flip($sheet->ownersOnly())) as $key => $held) {
            $cells[$key] = ['display' => ''] + $held->toArray();
        }
        $redaction = new Redaction($cells, [], '[kept back]');

        return array_map($redaction->text(...), array_slice($state->said, -self::LINES));
    }
}
