<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Calls\SettleAbandonedCalls;
use App\Actions\Figures\FiguresOver;
use App\Actions\Figures\NobodyCame;
use App\Actions\Lines\LinesOf;
use App\Models\Business;
use App\Models\Call;
use App\Models\CasebookCase;
use App\Models\Delivery;
use App\Models\KnowledgeQuestion;
use App\Models\Line;
use App\Models\User;
use App\Support\CurrentAgent;
use App\Support\Sight;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;

final class BoardController
{
    /** What is due goes out within seconds; after so many minutes the post stands still. */
    private const STILL_MINUTES = 3;

    /** Days looked back on for what nobody came to, and how much of it is named. */
    private const DAYS = 28;

    private const NAMED = 4;

    public function home(Request $request): RedirectResponse|View
    {
        /** @var User $user */
        $user = $request->user();
        $businesses = $user->businesses()->get();
        if ($businesses->isEmpty()) {
            return view('no-business');
        }
        $last = $request->session()->get('business');
        // Nothing opened before: the one that has been here longest.
        $business = $businesses->firstWhere('key', $last) ?? $businesses->sortBy('id')->firstOrFail();

        return redirect()->route('board', $business);
    }

    public function show(Request $request, Business $business, SettleAbandonedCalls $settle, CurrentAgent $current, LinesOf $lines, FiguresOver $over, NobodyCame $came): View
    {
        $request->session()->put('business', $business->key);
        $settle->in($business);
        $agent = $current->in($business);
        $now = Carbon::now($business->tz);
        $today = $now->copy()->startOfDay()->utc();
        // Rehearsals are no calls of the client's: they stay out of every figure.
        $calls = Call::query()->where('business_id', $business->id)->where('kind', '!=', 'rehearsal');
        $usual = (clone $calls)->where('started_at', '>=', $today->copy()->subDays(28))->where('started_at', '<', $today)->count() / 28;

        $toCheck = (clone $calls)->whereHas('record', static fn ($record) => $record->where('doubtful', true))->with('record', 'agent')->latest('started_at')->limit(6)->get();
        $stuck = Delivery::query()->where('business_id', $business->id)->whereDoesntHave('call', static fn ($call) => $call->where('kind', 'rehearsal'))->whereIn('state', ['failed', 'dead']);
        // Due for minutes and not tried: nothing delivers.
        $still = Delivery::query()->where('business_id', $business->id)->where('state', 'waiting')->where('due_at', '<', now()->subMinutes(self::STILL_MINUTES));
        $asked = KnowledgeQuestion::query()->where('business_id', $business->id)->where('state', 'open')->whereDoesntHave('call', static fn ($call) => $call->where('kind', 'rehearsal'));
        $failing = CasebookCase::query()->with('agent')->whereIn('agent_id', $business->agents()->pluck('id'))->where('result->passed', false);
        $recent = Call::query()->where('business_id', $business->id)->where('status', 'ended')->with('record', 'agent')->latest('started_at')->limit(8)->get();
        $user = $request->user();
        $sight = Sight::of($user, $business);
        $recent = $sight->each($recent);
        $toCheck = $sight->each($toCheck);

        // No calls, nothing to tell: everything would be unneeded.
        $days = $agent === null || ! $user->can('design', $business) ? null : $over->of($business, $agent, $now->copy()->subDays(self::DAYS - 1)->format('Y-m-d'), $now->format('Y-m-d'));
        $idle = $days === null || $days->n('call') === 0 ? null : $came->to($business, $agent, $days, self::NAMED);

        return view('board', ['idle' => $idle,'still' => $still->count(), 'stillSince' => $still->min('due_at'),
            'business' => $business,
            'agent' => $agent,
            'nobody' => $this->nobody($business, $lines),
            'now' => $now,
            'today' => (clone $calls)->where('started_at', '>=', $today)->where('started_at', '<', $today->copy()->addDay())->count(),
            'usual' => $usual,
            'inProgress' => (clone $calls)->where('status', 'in_progress')->orderByDesc('last_event_at')->limit(6)->get(),
            'toCheck' => $toCheck,
            'toCheckCount' => $business->records()->where('doubtful', true)->whereHas('call', static fn ($call) => $call->where('kind', '!=', 'rehearsal'))->count(),
            'stuck' => (clone $stuck)->latest('id')->limit(5)->get(),
            'stuckCount' => $stuck->count(),
            'failing' => (clone $failing)->orderBy('key')->limit(5)->get(),
            'failingCount' => $failing->count(),
            'unanswered' => (clone $asked)->latest('id')->limit(5)->get(),
            'unansweredCount' => $asked->count(),
            'recent' => $recent,
            // Grouped by what is reckoned, so that four weeks are read by their time and not all calls by their outcome.
            'outcomes' => (clone $calls)->where('status', 'ended')->where('started_at', '>=', $today->copy()->subDays(28))->selectRaw('min(outcome) as outcome, count(*) as n')->groupByRaw("outcome || ''")->orderByDesc('n')->limit(8)->pluck('n', 'outcome'),
            'week' => $this->week($business, $now),
        ]);
    }

    /** @return list<array{line: Line, words: list<string>}> hours in which nobody answers a line that is live, and what else is wrong with it */
    private function nobody(Business $business, LinesOf $lines): array
    {
        $live = $business->lines()->where('state', Line::LIVE)->get();
        $check = $live->isEmpty() ? null : $lines->check($business);
        $found = [];
        foreach ($live as $line) {
            $words = $check === null ? [] : array_column($check->of($line->design()), 'words');
            if ($words !== []) {
                $found[] = ['line' => $line, 'words' => $words];
            }
        }

        return $found;
    }

    /** @return list<array{day: string, date: string, n: int}> calls of the last fourteen days */
    private function week(Business $business, Carbon $now): array
    {
        $from = $now->copy()->startOfDay()->subDays(13);
        $counts = [];
        foreach (Call::query()->where('business_id', $business->id)->where('kind', '!=', 'rehearsal')->where('started_at', '>=', $from->copy()->utc())->pluck('started_at') as $started) {
            $day = Carbon::parse($started)->setTimezone($business->tz)->format('Y-m-d');
            $counts[$day] = ($counts[$day] ?? 0) + 1;
        }
        $days = [];
        for ($i = 0; $i < 14; $i++) {
            $day = $from->copy()->addDays($i);
            $days[] = ['day' => $day->format('D'), 'date' => $day->format('j M'), 'n' => $counts[$day->format('Y-m-d')] ?? 0];
        }

        return $days;
    }
}
