<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Actions\Deliveries\Kinds\DeliveryKinds;
use App\Actions\Outreach\ForgetPerson;
use App\Models\Advice;
use App\Models\Agent;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\CallStep;
use App\Models\CallTurn;
use App\Models\Delivery;
use App\Models\GatewayReceipt;
use App\Models\KnowledgeQuestion;
use App\Models\Offer;
use App\Models\ReadingAgainRow;
use App\Models\RecordCheck;
use App\Models\RecordSheet as FurtherSheet;
use App\Support\Search\CallSearch;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\Redaction;

/**
 * Erases values that have been kept as long as their field is kept (`x-keep-days` of the released sheet, else of the draft), wherever
 * they stand: record, words, trace, what was sent. The call, and what people found of its values, stay for the figures.
 */
final readonly class EraseOldValues
{
    public const SIGN = '[erased]';

    public function __construct(private ForgetPerson $forget)
    {
    }

    public function everywhere(): int
    {
        $erased = 0;
        Agent::query()->with('draft.scriptText', 'latestRelease.scriptText')->chunkById(50, function ($agents) use (&$erased): void {
            /** @var Agent $agent */
            foreach ($agents as $agent) {
                $erased += $this->of($agent);
            }
        });

        return $erased;
    }

    /** @return int values erased */
    public function of(Agent $agent): int
    {
        $erased = 0;
        foreach ($this->days($agent) as $field => $days) {
            CallRecord::query()->where('agent_id', $agent->id)->where("cells->{$field}", '!=', null)
                ->whereHas('call', static fn (Builder $call) => $call->withoutGlobalScopes()->where('started_at', '<', now()->subDays($days))
                    // What has not left yet leaves as it was meant; its values go with a later round.
                    ->whereDoesntHave('deliveries', static fn (Builder $delivery) => $delivery->whereIn('state', ['waiting', 'sending', 'failed'])))
                ->chunkById(100, function ($records) use ($field, &$erased): void {
                    /** @var CallRecord $record */
                    foreach ($records as $record) {
                        DB::transaction(fn () => $this->erase($record, $field));
                        $erased++;
                    }
                });
        }

        return $erased;
    }

    /** @return array<string, int> days a value is kept, by field */
    private function days(Agent $agent): array
    {
        $days = ($agent->latestRelease->scriptText ?? $agent->draft->scriptText)->script()->sheet->keepDays();
        foreach (FurtherSheet::query()->where('agent_id', $agent->id)->get() as $further) {
            $days += RecordSheet::fromArray($further->schema)->keepDays();
        }

        return $days;
    }

    private function erase(CallRecord $record, string $field): void
    {
        $call = Call::withTrashed()->with('turns', 'scriptText')->findOrFail($record->call_id);
        $record->setRelation('call', $call);
        $title = $record->fields()[$field]->title ?? str_replace('_', ' ', $field);
        $redaction = new Redaction([$field => $record->cells[$field]], [$field => $title], self::SIGN);
        foreach ($call->turns as $turn) {
            $text = $redaction->turn($turn->n, $turn->text);
            if ($text !== $turn->text) {
                CallTurn::query()->where('call_id', $call->id)->where('n', $turn->n)->update(['text' => $text]);
                $turn->text = $text;
            }
        }
        foreach (CallStep::query()->where('call_id', $call->id)->get() as $step) {
            $step->update(['event' => $redaction->tree($step->event), 'trace' => $redaction->tree($step->trace)]);
        }
        $this->forget->sounds([$call->id], $field);
        $record->update([
            'cells' => array_diff_key($record->cells, [$field => true]), 'summary' => $redaction->summary($record->summary),
            'next_actions' => array_map($redaction->text(...), $record->next_actions ?? []), 'doubts' => array_diff_key($record->doubts ?? [], [$field => true]),
        ]);
        $state = $redaction->tree($call->state);
        if (is_array($state['values'] ?? null)) {
            unset($state['values'][$field]);
        }
        $call->update(['state' => $state, 'caller_name' => $call->contact_id === null ? $redaction->text($call->caller_name) : $call->caller_name, 'staff_note' => $call->staff_note === null ? null : $redaction->text($call->staff_note)]);
        RecordCheck::query()->where('record_id', $record->id)->where('field', $field)->update(['was' => null, 'is' => null]);
        foreach (Delivery::query()->with('rule')->where('call_id', $call->id)->get() as $delivery) {
            $this->sent($delivery, $field, $redaction);
        }
        $this->asides($call, $field, $title, $redaction);
        if (CallSearch::has($call->id)) {
            CallSearch::put($call->id, implode("\n", [$call->caller_name, (string) $call->from, $record->summary, ...$call->turns->pluck('text')->all()]));
        }
    }

    /** What is kept beside the call: what those who were rung were told, what it asked of knowledge, what a later reading would change. */
    private function asides(Call $call, string $field, string $title, Redaction $redaction): void
    {
        foreach (Offer::query()->where('call_id', $call->id)->get() as $offer) {
            $told = $offer->announcement;
            unset($told['record'][$title]);
            $offer->update(['announcement' => $redaction->tree($told)]);
        }
        foreach (KnowledgeQuestion::query()->where('call_id', $call->id)->get() as $asked) {
            $asked->update(['question' => $redaction->text($asked->question)]);
        }
        Advice::forget($call);
        foreach (ReadingAgainRow::query()->where('call_id', $call->id)->get() as $row) {
            $read = $row->record;
            unset($read['cells'][$field], $read['doubts'][$field]);
            $row->update(['changes' => array_diff_key($row->changes, [$field => true]), 'record' => $read]);
        }
    }

    private function sent(Delivery $delivery, string $field, Redaction $redaction): void
    {
        $body = DeliveryKinds::of($delivery->kind)->erased($delivery, $field, $redaction);
        $delivery->update(['to' => $redaction->text($delivery->to), 'subject' => $redaction->text($delivery->subject), 'body' => $body]);
        GatewayReceipt::query()->where('key', $delivery->key)->update(['to' => $delivery->to, 'body' => ($delivery->subject === '' ? '' : $delivery->subject."\n\n").$body]);
    }
}
