<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Calls\FindCalls;
use App\Models\Business;
use App\Models\Call;
use App\Support\Sight;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Ringo\Format\RecordCsv;
use Ringo\Format\Vcon;
use Ringo\Format\WebVtt;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** Calls and their records in open formats. */
final class CallExportController
{
    public function csv(Request $request, Business $business, FindCalls $find): StreamedResponse
    {
        return $this->asCsv($business, $this->shown($request, $business, $find), $business->key.'-records.csv', Sight::of($request->user(), $business));
    }

    public function jsonLines(Request $request, Business $business, FindCalls $find): StreamedResponse
    {
        return $this->asJsonLines($this->shown($request, $business, $find), $business->key.'-records.jsonl', Sight::of($request->user(), $business));
    }

    public function callCsv(Request $request, Business $business, Call $call): StreamedResponse
    {
        return $this->asCsv($business, Call::query()->whereKey($call->id), 'call-'.$call->ref.'.csv', Sight::of($request->user(), $business));
    }

    public function callJsonLines(Request $request, Business $business, Call $call): StreamedResponse
    {
        return $this->asJsonLines(Call::query()->whereKey($call->id), 'call-'.$call->ref.'.jsonl', Sight::of($request->user(), $business));
    }

    public function vcon(Request $request, Business $business, Call $call): JsonResponse
    {
        $call = Sight::of($request->user(), $business)->over($call->load('turns', 'record', 'agent', 'business'));
        $vcon = (new Vcon)->write($call->transcript(), $call->agent->name, $call->caller_name, $call->record->cells ?? [], $call->record?->summary);

        return response()->json($vcon, 200, ['Content-Type' => 'application/vcon+json', 'Content-Disposition' => 'attachment; filename="call-'.$call->ref.'.vcon.json"'], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function webVtt(Request $request, Business $business, Call $call): Response
    {
        $call = Sight::of($request->user(), $business)->over($call->load('turns', 'record', 'agent', 'business'));

        return response((new WebVtt)->write($call->transcript(), ['agent' => $call->agent->name, 'caller' => $call->caller_name]), 200, ['Content-Type' => 'text/vtt; charset=utf-8', 'Content-Disposition' => 'attachment; filename="call-'.$call->ref.'.vtt"']);
    }

    /** @return Builder<Call> */
    private function shown(Request $request, Business $business, FindCalls $find): Builder
    {
        $filter = $request->validate(FindCalls::RULES);

        return $find->query($business, $filter, Sight::of($request->user(), $business));
    }

    /** @param Builder<Call> $calls */
    private function asCsv(Business $business, Builder $calls, string $name, Sight $sight): StreamedResponse
    {
        $first = (clone $calls)->with('scriptText', 'agent')->first();
        $sheet = ($first->scriptText ?? $business->agents()->first()?->draft->scriptText)?->script()->sheet;
        $hidden = array_keys($sight->keptBack($first->agent ?? $business->agents()->first()));
        if ($sheet === null) {
            abort(404);
        }

        return response()->streamDownload(static function () use ($calls, $sheet, $sight, $hidden): void {
            $csv = new RecordCsv($sheet, $hidden);
            echo $csv->line($csv->header());
            foreach ($calls->with('record', 'agent')->lazy(500) as $call) {
                $call = $sight->over($call);
                $values = array_map(static fn (array $cell): mixed => $cell['value'], $call->record->cells ?? []);
                echo $csv->line($csv->row($call->ref, $call->placedAt()->format('c'), $call->from, $call->outcome, $values));
            }
        }, $name, ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    /** @param Builder<Call> $calls */
    private function asJsonLines(Builder $calls, string $name, Sight $sight): StreamedResponse
    {
        return response()->streamDownload(static function () use ($calls, $sight): void {
            foreach ($calls->with('record', 'agent')->lazy(500) as $call) {
                $call = $sight->over($call);
                $cells = $call->record->cells ?? [];
                echo json_encode([
                    'id' => $call->ref, 'started_at' => $call->placedAt()->format('c'), 'from' => $call->from, 'outcome' => $call->outcome,
                    'record' => (object) array_map(static fn (array $cell): mixed => $cell['value'], $cells),
                    'evidence' => (object) array_map(static fn (array $cell): array => ['turn' => $cell['turn'], 'said' => $cell['said'], 'confidence' => $cell['confidence']], $cells),
                    'summary' => $call->record->summary ?? '',
                ], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR)."\n";
            }
        }, $name, ['Content-Type' => 'application/jsonl; charset=utf-8']);
    }
}
