<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Records\RecordsOf;
use App\Actions\Records\ReviewRecord;
use App\Models\Agent;
use App\Models\Business;
use App\Models\CallRecord;
use App\Models\CallTurn;
use App\Models\User;
use App\Support\CurrentAgent;
use App\Support\FieldFigures;
use App\Support\Sight;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Pagination\Paginator;
use Ringo\Format\RecordCsv;
use Ringo\Format\Xlsx;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The records of one sheet as a grid, to be checked by keyboard; what people find is what figures are computed from. */
final class RecordController
{
    public function __construct(private readonly CurrentAgent $current, private readonly RecordsOf $records)
    {
    }

    public function index(Request $request, Business $business, FieldFigures $figures): View
    {
        $filter = $request->validate(['agent' => ['nullable', 'string', 'max:100'], 'show' => ['nullable', 'in:doubtful,all'], 'outcome' => ['nullable', 'string', 'max:100'], 'q' => ['nullable', 'string', 'max:100']]);
        $agent = ($filter['agent'] ?? '') !== '' ? $business->agents()->where('key', $filter['agent'])->first() : $this->current->in($business);
        $agent ??= $business->agents()->first();
        if ($agent === null) {
            return view('records', ['business' => $business, 'agent' => null, 'records' => null, 'keptBack' => [], 'fields' => [], 'filter' => $filter, 'figures' => null, 'turns' => [], 'outcomes' => [], 'agents' => collect(), 'toCheck' => 0]);
        }
        $sheet = $this->records->sheet($agent);
        $sight = Sight::of($request->user(), $business);
        $hidden = $sight->keptBack($agent);
        $records = $this->records->page($agent, $filter, $sight, Paginator::resolveCurrentPage())->withQueryString();
        $turns = $this->evidence($records->items(), $sight);
        $records->through(static function (CallRecord $record) use ($sight): CallRecord {
            $shown = $sight->over($record->call->setRelation('record', $record));

            return $shown->record?->setRelation('call', $shown) ?? $record;
        });

        return view('records', [
            'business' => $business, 'agent' => $agent, 'agents' => $business->agents()->get(), 'filter' => $filter, 'records' => $records, 'fields' => array_diff_key($sheet->fields, $hidden), 'keptBack' => $hidden,
            'turns' => $turns, 'figures' => $figures->of($agent),
            'outcomes' => CallRecord::query()->where('agent_id', $agent->id)->distinct()->orderBy('outcome')->pluck('outcome'),
            'toCheck' => $this->records->count($agent, []),
        ]);
    }

    public function review(Request $request, Business $business, CallRecord $record, ReviewRecord $review): JsonResponse
    {
        $given = $request->validate(['field' => ['required', 'string', 'max:80'], 'do' => ['required', 'in:accept,correct,empty'], 'words' => ['nullable', 'string', 'max:2000']]);
        /** @var User $user */
        $user = $request->user();
        $record->load('call.business', 'call.agent');
        if (isset(Sight::of($request->user(), $business)->keptBack($record->call->agent)[$given['field']])) {
            abort(403, 'This field is for owners and designers.');
        }
        try {
            match ($given['do']) {
                'accept' => $review->accept($record, $given['field'], $user),
                'correct' => $review->correct($record, $this->records->sheet($record->call->agent), $given['field'], (string) ($given['words'] ?? ''), $user),
                default => $review->empty($record, $given['field'], $user),
            };
        } catch (\DomainException $problem) {
            return response()->json(['message' => $problem->getMessage()], 422);
        }
        $cell = $record->refresh()->cells[$given['field']] ?? null;

        return response()->json(['display' => $cell['display'] ?? '', 'state' => $cell === null ? 'none' : 'checked', 'record_doubtful' => $record->doubtful, 'to_check' => $this->records->count($record->call->agent, [])]);
    }

    public function acceptMany(Request $request, Business $business, ReviewRecord $review): RedirectResponse
    {
        $given = $request->validate(['agent' => ['required', 'string', 'max:100'], 'over' => ['required', 'numeric', 'between:0.5,1'], 'show' => ['nullable', 'in:doubtful,all'], 'outcome' => ['nullable', 'string', 'max:100'], 'q' => ['nullable', 'string', 'max:100']]);
        /** @var Agent $agent */
        $agent = $business->agents()->where('key', $given['agent'])->firstOrFail();
        /** @var User $user */
        $user = $request->user();
        $sight = Sight::of($request->user(), $business);
        $n = $review->acceptOver($this->records->agent($agent, $given, $sight, false), (float) $given['over'], $user, array_keys($sight->keptBack($agent)));

        return redirect()->route('records', [$business, 'agent' => $agent->key, 'show' => $given['show'] ?? null])->with('notice', "{$n} values of confidence ".number_format((float) $given['over'], 2).' and more were accepted.');
    }

    public function xlsx(Request $request, Business $business): BinaryFileResponse
    {
        $filter = $request->validate(['agent' => ['required', 'string', 'max:100'], 'show' => ['nullable', 'in:doubtful,all'], 'outcome' => ['nullable', 'string', 'max:100'], 'q' => ['nullable', 'string', 'max:100']]);
        /** @var Agent $agent */
        $agent = $business->agents()->where('key', $filter['agent'])->firstOrFail();
        $sight = Sight::of($request->user(), $business);
        $csv = new RecordCsv($this->records->sheet($agent), array_keys($sight->keptBack($agent)));
        $path = (string) tempnam(sys_get_temp_dir(), 'records');
        $rows = function () use ($csv, $agent, $filter, $sight): \Generator {
            yield $csv->header();
            foreach ($this->records->agent($agent, $filter, $sight, false)->with('call')->lazyById(200) as $record) {
                yield $csv->row($record->call->ref, $record->call->placedAt()->format('c'), $record->call->from, $record->call->outcome, array_map(static fn (array $cell): mixed => $cell['value'], $record->cells));
            }
        };
        (new Xlsx)->write($path, $rows(), 'Records of '.$agent->name);

        return response()->download($path, "{$business->key}-{$agent->key}-records.xlsx", ['Content-Type' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'])->deleteFileAfterSend();
    }

    /**
     * @param array<int, CallRecord> $records
     *
     * @return array<int, array<int, array{by: string, text: string, at: float}>> the turns that values point at, with the one before
     */
    private function evidence(array $records, Sight $sight): array
    {
        $wanted = [];
        $calls = [];
        foreach ($records as $record) {
            $calls[$record->call_id] = $record->call->setRelation('record', $record);
            foreach ($record->cells as $cell) {
                if ($cell['turn'] !== null) {
                    $wanted[$record->call_id][] = $cell['turn'];
                    $wanted[$record->call_id][] = max(0, $cell['turn'] - 1);
                }
            }
        }
        $turns = [];
        foreach ($wanted === [] ? [] : CallTurn::query()->whereIn('call_id', array_keys($wanted))->orderBy('n')->get() as $turn) {
            if (in_array($turn->n, $wanted[$turn->call_id], true)) {
                $turns[$turn->call_id][$turn->n] = ['by' => $turn->by, 'text' => $sight->turn($calls[$turn->call_id], $turn->n, $turn->text), 'at' => $turn->at];
            }
        }

        return $turns;
    }
}
