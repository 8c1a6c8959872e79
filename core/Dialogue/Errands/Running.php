<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Errands;

use Ringo\Dialogue\Actions\LookUp;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Held;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Origin;
use Ringo\Dialogue\Turn;
use Ringo\Dialogue\Walk\Move;
use Ringo\Errand\Errand;
use Ringo\Errand\Errands;
use Ringo\Errand\Reply;
use Ringo\Script\Steps\LookUp\LookUpStep;
use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

/** An errand on its way: asked for, waited for, and what its answer leads to. */
final readonly class Running
{
    /** Seconds nobody notices: until then nothing is said. */
    public const UNNOTICED = 1.5;

    /** Seconds between two phrases while the caller waits. */
    public const BETWEEN_PHRASES = 6.0;

    public function __construct(private Errands $errands, private WhichOne $which)
    {
    }

    public function errand(LookUpStep $step): ?Errand
    {
        return $this->errands->get($step->errand);
    }

    /**
     * Sends the errand on its way, unless the same was answered in this call.
     *
     * @param array<string, mixed> $values
     */
    public function begin(Turn $turn, LookUpStep $step, Errand $errand, array $values): Move
    {
        $state = $turn->state;
        $before = $state->looked[$errand->key] ?? null;
        if ($before !== null && $before['values'] === $values && $before['status'] === Reply::FOUND && ($errand->keeps || $errand->changes)) {
            $turn->trace->rule($errand->changes ? "{$errand->key}: done already in this call" : "{$errand->key}: answered from before in this call");
            $this->keep($turn, $step, $errand, $before['row']);

            return Move::to($step->next);
        }
        $state->errands++;
        $id = 'e'.$state->errands;
        $state->errand = ['step' => $step->key(), 'key' => $errand->key, 'id' => $id, 'values' => $values, 'asks' => 'out', 'field' => null, 'rows' => [], 'by' => null, 'questions' => 0, 'since' => $state->clock, 'told' => null, 'meanwhile' => [], 'question' => ''];
        $state->step = $step->key();
        $state->mode = Mode::LookingUp;
        $turn->trace->rule("{$errand->key}: asks {$errand->system}");
        $turn->actions[] = new LookUp($id, $errand->key, $values, $errand->seconds, $errand->changes, $step->key());

        return Move::stay();
    }

    /** Time goes by: from a second and a half on one phrase, and not again before six seconds. */
    public function waits(Turn $turn): Move
    {
        $out = $turn->state->errand;
        if ($out === null || $out['asks'] !== 'out') {
            return Move::stay();
        }
        $now = $turn->state->clock;
        if ($now - $out['since'] < self::UNNOTICED - 0.05 || $out['told'] !== null && $now - $out['told'] < self::BETWEEN_PHRASES - 0.05) {
            return Move::stay();
        }
        $turn->state->errand['told'] = $now;
        $step = $turn->step();
        $turn->trace->rule("{$out['key']}: ".number_format($now - $out['since'], 1).' s and no answer yet');
        match (true) {
            $out['told'] !== null => $turn->standing('errand_still'),
            $step instanceof LookUpStep && $step->waiting !== null => $turn->prompt($step->waiting, $step->key().'.waiting'),
            default => $turn->standing('errand_wait'),
        };

        return Move::stay();
    }

    /** The answer is there, or will not come. */
    public function returned(Turn $turn, Event $event): Move
    {
        $out = $turn->state->errand;
        $told = json_decode($event->text, true);
        $step = $out === null ? null : ($turn->script->steps[$out['step']] ?? null);
        $errand = $step instanceof LookUpStep ? $this->errand($step) : null;
        if ($out === null || $out['asks'] !== 'out' || ! is_array($told) || ($told['id'] ?? null) !== $out['id'] || ! $step instanceof LookUpStep) {
            $turn->trace->rule('an answer nobody waits for: it is left aside');

            return Move::stay();
        }
        $reply = Reply::fromArray($told);
        $seconds = is_numeric($told['seconds'] ?? null) ? (float) $told['seconds'] : $turn->state->clock - $out['since'];
        $turn->state->mode = Mode::Answer;
        $turn->trace->rule("{$out['key']}: ".str_replace('_', ' ', $reply->status).($reply->reason === '' ? '' : ", {$reply->reason}").' after '.number_format($seconds, $seconds < 0.95 ? 2 : 1).' s');
        if ($errand === null) {
            $turn->state->errand = null;

            return Move::to($step->failed);
        }
        $turn->state->looked[$errand->key] = ['status' => $reply->status, 'values' => $out['values'], 'row' => $reply->status === Reply::FOUND ? $this->typed($errand, $reply->rows[0]) : [], 'at' => $turn->state->clock, 'seconds' => round($seconds, 2)];
        if ($reply->status === Reply::SEVERAL) {
            $turn->state->errand['rows'] = $reply->rows;

            return $this->which->ask($turn, $step, $errand) ?? $this->leave($turn, $step->several ?? $step->failed);
        }
        if ($reply->status === Reply::FOUND) {
            return $this->found($turn, $step, $errand, $reply->rows[0]);
        }

        return $this->leave($turn, match ($reply->status) {
            Reply::NOT_FOUND => $step->notFound, Reply::SLOW => $step->slow ?? $step->failed, default => $step->failed,
        });
    }

    /** @param array<string, mixed> $row the one it is about */
    public function found(Turn $turn, LookUpStep $step, Errand $errand, array $row): Move
    {
        $typed = $this->typed($errand, $row);
        $out = $turn->state->errand;
        $turn->state->looked[$errand->key] = ['status' => Reply::FOUND, 'row' => $typed] + ($turn->state->looked[$errand->key] ?? ['values' => $out['values'] ?? [], 'at' => $turn->state->clock, 'seconds' => 0.0]);
        $this->keep($turn, $step, $errand, $typed);

        return $this->leave($turn, $step->next);
    }

    private function leave(Turn $turn, string $to): Move
    {
        $turn->state->heardMeanwhile = $turn->state->errand['meanwhile'] ?? [];
        $turn->state->errand = null;

        return Move::to($to);
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, array{type: string, value: mixed}> what is known of it
     */
    private function typed(Errand $errand, array $row): array
    {
        $typed = [];
        foreach ($errand->values as $sought) {
            if (($row[$sought->key] ?? null) !== null) {
                $typed[$sought->key] = ['type' => $sought->type->value, 'value' => $row[$sought->key]];
            }
        }

        return $typed;
    }

    /** @param array<string, array{type: string, value: mixed}> $row */
    private function keep(Turn $turn, LookUpStep $step, Errand $errand, array $row): void
    {
        $from = 'from '.$errand->system.', at '.$turn->scope()->now->format('H:i');
        foreach ($step->keep as $key => $value) {
            $field = $turn->script->sheet->field($key);
            $kept = $field === null || ! isset($row[$value]) ? null : $this->fitting($field, $row[$value]['value']);
            if ($field !== null && $kept !== null) {
                $turn->hold($field, new Held($kept, 1.0, Origin::LookedUp, null, $from, true));
            }
        }
    }

    /** A choice is kept as its option's key, whichever way the other system writes it. */
    private function fitting(Field $field, mixed $value): mixed
    {
        if ($field->type !== ValueType::Choice || ! is_string($value)) {
            return $value;
        }
        foreach ($field->options as $option) {
            if (in_array(mb_strtolower($value), [mb_strtolower($option['key']), mb_strtolower($option['label'])], true)) {
                return $option['key'];
            }
        }

        return null;
    }
}
