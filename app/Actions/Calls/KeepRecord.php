<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Actions\Advice\SecondOpinionOn;
use App\Actions\Deliveries\QueueDeliveries;
use App\Actions\Outreach\NeverRing;
use App\Actions\Records\Extractors;
use App\Jobs\AskAboutRecord;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\CallTurn;
use App\Models\RecordSheet;
use App\Support\Search\CallSearch;
use Ringo\Dialogue\CallState;
use Ringo\Extraction\CallTopic;
use Ringo\Extraction\Mask;
use Ringo\Extraction\OwnCall;
use Ringo\Extraction\Record;
use Ringo\Speech\Display;

/** Writes the record a finished call leaves, takes secrets out of its words, makes them findable and queues what follows. */
final readonly class KeepRecord
{
    public function __construct(private Display $display, private Extractors $extractors, private QueueDeliveries $deliveries, private CallTopic $topics, private NeverRing $never, private SecondOpinionOn $opinion, private Mask $mask = new Mask)
    {
    }

    public function of(Call $call, CallState $state): Record
    {
        $call->load('turns', 'scriptText', 'business');
        $script = $call->scriptText->script();
        $record = (new OwnCall($script, $this->display))->record($state, $call->transcript());
        if ($call->turns->contains('by', 'staff')) {
            // What a colleague found out after the hand-over belongs to the record as well.
            $record = $record->withMissingFrom($this->extractors->of($script->sheet)->extract($call->transcript(), $record->outcome));
        }

        if ($call->kind === 'live' && $call->from !== null && ($state->doNotCall || in_array('do_not_call', $state->tags, true))) {
            $this->never->number($call->business_id, $call->from, 'asked for it in a call', $call->contact_id);
        }

        return $this->keep($call, $record);
    }

    public function keep(Call $call, Record $record): Record
    {
        $sheet = $this->further($call, $record->outcome);
        if ($sheet !== null) {
            $record = $record->withMissingFrom($this->extractors->ofSchema($sheet->schema)->extract($call->transcript(), $record->outcome));
        }
        $record = $this->masked($call, $record);
        CallRecord::query()->updateOrCreate(['call_id' => $call->id], [
            'business_id' => $call->business_id,
            'agent_id' => $call->agent_id,
            'record_sheet_id' => $sheet?->id,
            'sheet_version' => $sheet->version ?? 0,
            'cells' => $record->cells,
            'declined' => $record->declined,
            'missing' => $record->missing,
            'outcome' => $record->outcome,
            'summary' => $record->summary,
            'next_actions' => $record->nextActions,
            'doubts' => $record->doubts,
            'doubtful' => CallRecord::worthALook($call, $record->missing, $record->doubts, $record->cells),
        ]);
        $name = $record->cells[$call->scriptText->script()->sheet->callersName()->key ?? '']['display'] ?? null;
        if (is_string($name) && $call->contact_id === null && $name !== '') {
            $call->update(['caller_name' => $name]);
        }
        CallSearch::put($call->id, implode("\n", [$call->caller_name, (string) $call->from, $record->summary, ...$call->turns->pluck('text')->all()]));
        if ($this->opinion->wanted($call, $record)) {
            // What is in doubt is asked about first; the job is written in the same transaction as the record.
            AskAboutRecord::dispatch($call->id)->beforeCommit();
        } elseif ($call->kind !== 'imported') {
            $this->deliveries->after($call);
        }

        return $record;
    }

    /** A further sheet of the agent that calls of this outcome or topic fill. */
    private function further(Call $call, string $outcome): ?RecordSheet
    {
        $topic = is_string($call->state['topic'] ?? null) ? $call->state['topic'] : null;
        /** @var RecordSheet $sheet */
        foreach (RecordSheet::query()->where('agent_id', $call->agent_id)->orderBy('id')->get() as $sheet) {
            if ($sheet->outcomes === [] && $sheet->topics === [] || in_array($outcome, $sheet->outcomes, true)) {
                return $sheet;
            }
            if ($sheet->topics !== []) {
                $topic ??= $this->topics->of($call->scriptText->script(), $call->transcript()) ?? '';
                if (in_array($topic, $sheet->topics, true)) {
                    return $sheet;
                }
            }
        }

        return null;
    }

    private function masked(Call $call, Record $record): Record
    {
        $secret = array_filter($record->cells, static fn (array $cell, string $key): bool => preg_match('/(^|_)(pin|passcode|password|card|cvv|sort_code|iban|security_code)(_|$)/', $key) === 1, ARRAY_FILTER_USE_BOTH);
        foreach ($call->turns as $turn) {
            $text = $this->mask->text($turn->text);
            foreach ($secret as $cell) {
                $text = $turn->n === $cell['turn'] ? $this->mask->words($text, $cell['said']) : $text;
            }
            if ($text !== $turn->text) {
                CallTurn::query()->where('call_id', $call->id)->where('n', $turn->n)->update(['text' => $text]);
                $turn->text = $text;
            }
        }

        return $secret === [] ? $record : $record->hiding(array_keys($secret));
    }
}
