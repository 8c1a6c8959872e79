<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Models\Call;
use App\Models\CallRecord;
use Illuminate\Support\Facades\DB;
use Ringo\Dialogue\CallState;
use Ringo\Extraction\OwnCall;
use Ringo\Extraction\Record;
use Ringo\Speech\Display;

/** Writes the record a finished call leaves, and makes its words findable. */
final readonly class KeepRecord
{
    public function __construct(private Display $display)
    {
    }

    public function of(Call $call, CallState $state): Record
    {
        $call->load('turns', 'scriptText', 'business');
        $record = (new OwnCall($call->scriptText->script(), $this->display))->record($state, $call->transcript());
        CallRecord::query()->updateOrCreate(['call_id' => $call->id], [
            'business_id' => $call->business_id,
            'agent_id' => $call->agent_id,
            'cells' => $record->cells,
            'declined' => $record->declined,
            'missing' => $record->missing,
            'outcome' => $record->outcome,
            'summary' => $record->summary,
            'doubtful' => $record->doubtful(),
        ]);
        $name = $record->cells['caller_name']['display'] ?? null;
        if (is_string($name) && $call->contact_id === null && $name !== '') {
            $call->update(['caller_name' => $name]);
        }
        DB::table('call_search')->where('call_id', $call->id)->delete();
        DB::table('call_search')->insert([
            'call_id' => $call->id,
            'words' => implode("\n", [$call->caller_name, (string) $call->from, $record->summary, ...$call->turns->pluck('text')->all()]),
        ]);

        return $record;
    }
}
