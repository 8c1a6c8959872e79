<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Actions\Calls\FindCalls;
use App\Api\Ability;
use App\Api\Page;
use App\Api\Shapes;
use App\Models\ApiToken;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallRecord;
use App\Support\Sight;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Ringo\Format\Vcon;

/** Calls, what was said in them and what they left, for other systems. */
final readonly class CallsController
{
    private const FILTERS = ['agent', 'outcome', 'kind', 'since', 'until', 'caller', 'line'];

    public function index(Request $request, FindCalls $find): JsonResponse
    {
        $filter = $request->validate(array_intersect_key(FindCalls::RULES, array_flip(self::FILTERS)));
        $sight = $this->sight($request);
        $query = $find->query($this->business($request), $filter, $sight)->with('agent', 'record', 'business');

        return response()->json(Page::of($request, $query, static fn (Call $call): array => Shapes::call($sight->over($call))));
    }

    public function show(Request $request, string $ref): JsonResponse
    {
        return response()->json(Shapes::call($this->sight($request)->over($this->call($request, $ref))));
    }

    /** As Ringo's own JSON, or as a vCon container where that is asked for. */
    public function transcript(Request $request, string $ref): JsonResponse
    {
        $call = $this->sight($request)->over($this->call($request, $ref)->load('turns'));
        if ($request->query('format') === 'vcon' || str_contains((string) $request->headers->get('Accept'), 'application/vcon+json')) {
            $token = $request->attributes->get('token');
            $cells = $token instanceof ApiToken && $token->may(Ability::Records) ? ($call->record->cells ?? []) : [];

            return response()->json((new Vcon)->write($call->transcript(), $call->agent->name, $call->caller_name, $cells, $cells === [] ? null : $call->record?->summary), 200, ['Content-Type' => 'application/vcon+json'], JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
        }

        return response()->json($call->transcript()->toArray());
    }

    public function record(Request $request, string $ref): JsonResponse
    {
        $call = $this->sight($request)->over($this->call($request, $ref));

        return response()->json(Shapes::record(($call->record ?? abort(404, 'This call left no record.'))->setRelation('call', $call)));
    }

    public function records(Request $request): JsonResponse
    {
        $given = $request->validate(['agent' => ['nullable', 'string', 'max:100'], 'outcome' => ['nullable', 'string', 'max:100']]);
        $business = $this->business($request);
        $sight = $this->sight($request);
        $query = CallRecord::query()->with('call.agent', 'call.business')->where('records.business_id', $business->id);
        $query->whereHas('call', static fn ($calls) => $calls->where('kind', '!=', 'rehearsal'));
        if (($given['agent'] ?? null) !== null) {
            $query->whereIn('agent_id', $business->agents()->where('key', $given['agent'])->select('id'));
        }
        if (($given['outcome'] ?? null) !== null) {
            $query->where('outcome', $given['outcome']);
        }

        return response()->json(Page::of($request, $query, static function (CallRecord $record) use ($sight): array {
            $call = $sight->over($record->call->setRelation('record', $record));

            return Shapes::record(($call->record ?? $record)->setRelation('call', $call));
        }));
    }

    private function call(Request $request, string $ref): Call
    {
        $call = Call::query()->with('agent', 'record', 'business')->where('business_id', $this->business($request)->id)->where('ref', $ref)->firstOrFail();

        return $call;
    }

    /** Fields kept for owners and designers are shown only to a token that may see them. */
    private function sight(Request $request): Sight
    {
        $token = $request->attributes->get('token');

        return Sight::whole($token instanceof ApiToken && $token->may(Ability::KeptBack));
    }

    private function business(Request $request): Business
    {
        /** @var Business $business */
        $business = $request->attributes->get('business');

        return $business;
    }
}
