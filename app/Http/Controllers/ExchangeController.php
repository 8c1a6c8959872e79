<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Calls\CallerChoice;
use App\Actions\Lines\PlaceCall;
use App\Jobs\RunRush;
use App\Models\Business;
use App\Models\Call;
use App\Models\Line;
use App\Models\LineRush;
use App\Models\User;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Validation\ValidationException;
use Ringo\Numbering\NumberingPlan;

/** The exchange: a call from any number to any line at any day and time, which takes the line's real path. */
final class ExchangeController
{
    private const SHOWN = 12;

    private const MOST_AT_ONCE = 500;

    private const RUSHES_SHOWN = 4;

    public function show(Request $request, Business $business, CurrentAgent $current, PlaceCall $place): View
    {
        $given = $request->validate(['line' => ['nullable', 'string', 'max:40'], 'at' => ['nullable', 'date_format:Y-m-d\TH:i']]);
        $lines = $business->lines()->with('agent', 'release')->get();
        $line = $lines->firstWhere('key', $given['line'] ?? '') ?? $lines->firstWhere('state', Line::LIVE) ?? $lines->first();
        $at = Carbon::parse($given['at'] ?? 'now', $business->tz);

        return view('exchange', ['business' => $business, 'agent' => $current->in($business), 'lines' => $lines, 'line' => $line, 'at' => $at,
            'way' => $line instanceof Line ? $place->foresee($business, $line, $at->toDateTimeImmutable()) : null,
            'rushes' => LineRush::query()->with('line')->where('business_id', $business->id)->latest('id')->limit(self::RUSHES_SHOWN)->get(),
            'calls' => Call::query()->with('line', 'agent')->where('business_id', $business->id)->whereNotNull('line_id')->latest('id')->limit(self::SHOWN)->get(),
        ]);
    }

    public function place(Request $request, Business $business, PlaceCall $place, NumberingPlan $plan): RedirectResponse
    {
        $given = $request->validate(['line' => ['required', 'string', 'max:40'], 'at' => ['required', 'date_format:Y-m-d\TH:i'], 'caller' => ['required', 'in:contact,unknown,withheld'], 'contact' => ['nullable', 'string', 'max:20'], 'number' => ['nullable', 'string', 'max:40'], 'how' => ['nullable', 'in:answers,busy,no_answer,declines'], 'after' => ['nullable', 'integer', 'between:1,60']], ['at.*' => 'Choose the day and time the call is placed at.', 'caller.*' => 'Choose who rings.', 'line.*' => 'Choose the line.']);
        $line = $business->lines()->where('key', $given['line'])->first() ?? throw ValidationException::withMessages(['line' => 'There is no such line.']);
        $at = Carbon::createFromFormat('Y-m-d\TH:i', $given['at'], $business->tz)?->startOfMinute()->toDateTimeImmutable() ?? throw ValidationException::withMessages(['at' => 'Choose the day and time the call is placed at.']);
        /** @var User $user */
        $user = $request->user();
        $call = $place->on($line, CallerChoice::of($business, $given['caller'], $given['contact'] ?? null, $given['number'] ?? null, $plan, $at), $at, $user);
        $call->update(['colleague' => ['how' => $given['how'] ?? 'no_answer', 'after' => (int) ($given['after'] ?? 5)]]);

        return redirect()->route('exchange', [$business, 'line' => $line->key, 'at' => $given['at']])->with('placed', $call->ref);
    }

    /** Many at once: stand-in callers ring the line within some minutes, and each call is kept as a live one. */
    public function rush(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['line' => ['required', 'string', 'max:40'], 'at' => ['required', 'date_format:Y-m-d\TH:i'], 'callers' => ['required', 'integer', 'between:2,'.self::MOST_AT_ONCE], 'minutes' => ['required', 'integer', 'between:1,240'], 'staff' => ['required', 'in:answers,no_answer'], 'seed' => ['nullable', 'string', 'max:40']], ['callers.*' => 'From two to '.self::MOST_AT_ONCE.' callers.', 'minutes.*' => 'Within one to 240 minutes.', 'at.*' => 'Choose the day and time the first may ring.']);
        $line = $business->lines()->where('key', $given['line'])->first() ?? throw ValidationException::withMessages(['line' => 'There is no such line.']);
        if (! $line->live()) {
            throw ValidationException::withMessages(['line' => "{$line->name} takes no calls: put it live first."]);
        }
        /** @var User $user */
        $user = $request->user();
        $rush = LineRush::query()->create(['business_id' => $business->id, 'line_id' => $line->id, 'user_id' => $user->id, 'callers' => (int) $given['callers'], 'minutes' => (int) $given['minutes'], 'seed' => ($given['seed'] ?? '') ?: '1', 'placed_at' => Carbon::parse($given['at'], $business->tz)->utc(), 'staff' => $given['staff'], 'status' => 'queued']);
        RunRush::dispatch($rush->id);

        return redirect()->route('exchange.rush', [$business, $rush]);
    }

    public function showRush(Request $request, Business $business, LineRush $lineRush, CurrentAgent $current): View|JsonResponse
    {
        if ($request->expectsJson()) {
            return response()->json(['status' => $lineRush->status, 'done' => $lineRush->done, 'total' => $lineRush->callers]);
        }
        $lineRush->load('line.agent');

        return view('rush', ['business' => $business, 'agent' => $current->in($business), 'rush' => $lineRush, 'line' => $lineRush->line]);
    }

    public function stopRush(Business $business, LineRush $lineRush): RedirectResponse
    {
        LineRush::query()->whereKey($lineRush->id)->whereIn('status', ['queued', 'running'])->update(['status' => 'stopped']);

        return redirect()->route('exchange.rush', [$business, $lineRush]);
    }
}
