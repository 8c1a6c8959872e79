<?php

declare(strict_types=1);

namespace App\Actions\Advice;

use App\Models\Adviser;
use App\Models\Call;
use App\Models\CallRecord;
use Ringo\Advice\Purpose;
use Ringo\Extraction\Mask;
use Ringo\Extraction\Record;
use Ringo\Extraction\SecondOpinions;

/** Asks about the fields of a finished call's record that are in doubt, before anything is sent out because of it. */
final readonly class SecondOpinionOn
{
    public function __construct(private AskAdviser $ask, private SecondOpinions $opinions)
    {
    }

    /** Whether there is somebody to ask, and something to ask about. */
    public function wanted(Call $call, Record $record): bool
    {
        return in_array($call->kind, ['live', 'rehearsal'], true) && ($record->doubts !== [] || $record->missing !== [] || array_filter($record->cells, static fn (array $cell): bool => $cell['doubt'] !== null && ! $cell['confirmed']) !== [])
            && Adviser::query()->where('business_id', $call->business_id)->first()?->may(Purpose::Field) === true;
    }

    public function of(Call $call): void
    {
        $call->load('turns', 'scriptText', 'business', 'record');
        $row = $call->record;
        $adviser = Adviser::query()->where('business_id', $call->business_id)->first();
        if ($row === null || ! $adviser instanceof Adviser || ! $adviser->may(Purpose::Field)) {
            return;
        }
        $sheet = $call->scriptText->script()->sheet;
        $transcript = $call->transcript();
        $record = new Record($call->ref, $row->cells, $row->declined, $row->missing, $row->outcome, $row->summary, $row->doubts ?? [], $row->next_actions ?? []);
        $before = $record;
        $masked = array_keys(array_filter($record->cells, static fn (array $cell): bool => $cell['display'] === Mask::HIDDEN));
        foreach ($this->opinions->doubts($record, $transcript, $sheet, $masked) as $key => $doubt) {
            $record = $this->opinions->settled($record, $key, $this->ask->ask($adviser, $doubt, $call, ['field' => $key])->opinion(), $transcript, $sheet);
        }
        if ($record == $before) {
            return;
        }
        $row->update(['cells' => $record->cells, 'missing' => $record->missing, 'doubts' => $record->doubts, 'doubtful' => CallRecord::worthALook($call, $record->missing, $record->doubts, $record->cells)]);
    }
}
