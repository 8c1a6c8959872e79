<?php

declare(strict_types=1);

namespace App\Actions\Records;

use App\Models\Call;
use App\Models\CallRecord;
use App\Models\ReadingAgain;
use App\Models\ReadingAgainRow;
use Illuminate\Support\Facades\DB;
use Ringo\Extraction\Record;
use Ringo\Sheet\RecordSheet;

/** Runs a changed sheet over past calls, shows what would change, and applies it when told to. What people have checked stays. */
final readonly class ReadAgain
{
    public function __construct(private Extractors $extractors)
    {
    }

    public function run(ReadingAgain $again): void
    {
        $calls = Call::query()->where('agent_id', $again->agent_id)->where('status', 'ended')->whereHas('record');
        $again->update(['status' => 'running', 'total' => (clone $calls)->count(), 'done' => 0]);
        $extractor = $this->extractors->ofSchema($again->schema);
        $titles = array_keys(is_array($again->schema['properties'] ?? null) ? $again->schema['properties'] : []);
        $done = 0;
        $calls->with('turns', 'business', 'record.checks', 'scriptText')->chunkById(50, function ($some) use ($again, $extractor, $titles, &$done): bool {
            /** @var Call $call */
            foreach ($some as $call) {
                $fields = array_values(array_filter($titles, fn (string $field): bool => ! $this->held($again, $call, $field)));
                $this->compare($again, $call, $extractor->extract($call->transcript(), $call->outcome), $fields, $titles);
                $done++;
            }
            $again->refresh();
            if ($again->status === 'stopped') {
                return false;
            }
            $again->update(['done' => $done]);

            return true;
        });
        if ($again->refresh()->status === 'running') {
            $again->update(['status' => 'ready', 'done' => $done]);
        }
    }

    /** @return int records changed */
    public function apply(ReadingAgain $again): int
    {
        return DB::transaction(static function () use ($again): int {
            $n = 0;
            foreach ($again->rows()->lazy() as $row) {
                $record = CallRecord::query()->where('call_id', $row->call_id)->first();
                if ($record === null) {
                    continue;
                }
                $record->update(['cells' => $row->record['cells'], 'declined' => $row->record['declined'], 'missing' => $row->record['missing'], 'doubts' => $row->record['doubts'], 'doubtful' => $row->record['doubtful'], 'record_sheet_id' => $again->record_sheet_id ?? $record->record_sheet_id]);
                $n++;
            }
            $again->update(['status' => 'applied']);

            return $n;
        });
    }

    /** A call the agent held itself knew what it asked: a field that means the same as then keeps what was taken then. */
    private function held(ReadingAgain $again, Call $call, string $field): bool
    {
        if ($call->kind === 'imported' || $again->record_sheet_id !== null || $call->turns->contains('by', 'staff')) {
            return false;
        }
        $then = $call->scriptText->script()->sheet->field($field);

        $now = RecordSheet::fromArray($again->schema)->field($field);

        return $then !== null && $now !== null && $then->readsLike($now);
    }

    /**
     * @param list<string> $fields that are read again
     * @param list<string> $all the fields of the sheet
     */
    private function compare(ReadingAgain $again, Call $call, Record $record, array $fields, array $all): void
    {
        $before = $call->record;
        if ($before === null) {
            return;
        }
        $checked = $before->checks->pluck('field')->all();
        $cells = $before->cells;
        $changes = [];
        foreach ($fields as $field) {
            $old = $before->cells[$field] ?? null;
            $new = $record->cells[$field] ?? null;
            // A value the call itself held (recognised, confirmed) is surer than one read from its words alone.
            if (in_array($field, $checked, true) || $old !== null && $new === null && ($old['confirmed'] || in_array($old['origin'], ['recognised', 'keys', 'look-up'], true)) || ($old['value'] ?? null) === ($new['value'] ?? null) || $old !== null && $new !== null && $old['confirmed'] && $new['confidence'] < $old['confidence']) {
                continue;
            }
            if ($new === null) {
                unset($cells[$field]);
            } else {
                $cells[$field] = $new;
            }
            $changes[$field] = ['was' => $old['display'] ?? '', 'is' => $new['display'] ?? ''];
        }
        foreach (array_diff(array_keys($cells), $all) as $gone) {
            if ($again->record_sheet_id === null) {
                $changes[$gone] = ['was' => $cells[$gone]['display'], 'is' => ''];
                unset($cells[$gone]);
            }
        }
        if ($changes === []) {
            return;
        }
        $missing = array_values(array_filter($record->missing, static fn (string $key): bool => ! isset($cells[$key])));
        $doubtful = CallRecord::worthALook($call, $missing, [], $cells);
        ReadingAgainRow::query()->updateOrCreate(['reading_again_id' => $again->id, 'call_id' => $call->id], ['changes' => $changes, 'record' => ['cells' => $cells, 'declined' => $record->declined, 'missing' => $missing, 'doubts' => array_diff_key($record->doubts, $cells), 'doubtful' => $doubtful]]);
    }
}
