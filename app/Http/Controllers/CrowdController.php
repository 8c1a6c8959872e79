<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Casebook\KeepCase;
use App\Actions\Crowd\RingCrowd;
use App\Jobs\RunCrowd;
use App\Models\Agent;
use App\Models\Business;
use App\Models\CrowdRun;
use App\Models\Release;
use App\Models\User;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Ringo\Rehearsal\Crowd\Report;
use Ringo\Statistics\Share;

/** Crowds of stand-in callers: sent to the draft or a release, or to two with the same callers, and what came of it. */
final class CrowdController
{
    /** After so many seconds without a caller more, whoever rang is taken for dead. */
    private const DEAD_AFTER = 20;

    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function index(Business $business, Agent $agent): View
    {
        $this->current->remember($agent);

        return view('crowds', ['business' => $business, 'agent' => $agent, 'runs' => $agent->crowdRuns()->limit(30)->get(), 'releases' => $agent->releases()->limit(10)->get()]);
    }

    public function store(Request $request, Business $business, Agent $agent): RedirectResponse
    {
        $given = $request->validate(['callers' => ['required', 'integer', 'between:1,10000'], 'seed' => ['required', 'string', 'max:20'], 'noise' => ['required', 'numeric', 'between:0,1'], 'rings' => ['required', 'string', 'max:12'], 'against' => ['nullable', 'string', 'max:12', 'different:rings']], ['callers.*' => 'A crowd has 1 to 10,000 callers.', 'against.different' => 'Compare it with another version than itself.', 'noise.*' => 'Choose how good the line is.']);
        [$rings, $text] = $this->version($agent, $given['rings']);
        [$against, $other] = ($given['against'] ?? '') === '' ? [null, null] : $this->version($agent, (string) $given['against']);
        /** @var User $user */
        $user = $request->user();
        $run = CrowdRun::query()->create(['agent_id' => $agent->id, 'user_id' => $user->id, 'script_text_id' => $text, 'against_text_id' => $other, 'rings' => $rings, 'against' => $against, 'callers' => (int) $given['callers'], 'seed' => $given['seed'], 'noise' => (float) $given['noise'], 'placed_at' => now()->startOfMinute(), 'status' => 'queued']);
        RunCrowd::dispatch($run->id);

        return redirect()->route('crowd', [$business, $agent, $run]);
    }

    public function show(Request $request, Business $business, Agent $agent, CrowdRun $crowdRun): View|JsonResponse
    {
        if ($crowdRun->goesOn() && $crowdRun->updated_at !== null && $crowdRun->updated_at->diffInSeconds(now()) > self::DEAD_AFTER
            && CrowdRun::query()->whereKey($crowdRun->id)->where('updated_at', $crowdRun->updated_at)->update(['updated_at' => now()]) === 1) {
            RunCrowd::dispatch($crowdRun->id);
        }
        if ($request->expectsJson()) {
            return response()->json(['status' => $crowdRun->status, 'done' => $crowdRun->done, 'total' => $crowdRun->callers]);
        }
        $this->current->remember($agent);
        $report = $crowdRun->report === null ? null : Report::goingOn($crowdRun->report);
        $against = $crowdRun->against_report === null ? null : Report::goingOn($crowdRun->against_report);
        $changed = [];
        foreach ($against === null ? [] : ($report->by ?? []) as $n => $achieved) {
            if (($against->by[$n] ?? $achieved) !== $achieved) {
                $changed[$n] = $achieved;
            }
        }

        return view('crowd', [
            'business' => $business, 'agent' => $agent, 'run' => $crowdRun, 'told' => $report?->toArray(), 'other' => $against?->toArray(), 'changed' => $changed,
            // Of two versions the one rung is measured by the other.
            'difference' => $against === null ? null : Share::paired(count(array_filter($changed)), count(array_filter($changed, static fn (bool $one): bool => ! $one)), $crowdRun->done),
        ]);
    }

    public function stop(Business $business, Agent $agent, CrowdRun $crowdRun): RedirectResponse
    {
        CrowdRun::query()->whereKey($crowdRun->id)->whereIn('status', ['queued', 'running'])->update(['status' => 'stopped']);

        return redirect()->route('crowd', [$business, $agent, $crowdRun])->with('notice', "Stopped after {$crowdRun->refresh()->done} callers; what they found is below.");
    }

    public function caller(Request $request, Business $business, Agent $agent, CrowdRun $crowdRun, int $n, RingCrowd $ring): View
    {
        abort_if($n < 1 || $n > $crowdRun->callers, 404);
        $this->current->remember($agent);
        $against = $request->query('of') === 'against' && $crowdRun->against_text_id !== null;
        $script = ($against ? $crowdRun->againstText : $crowdRun->scriptText)?->script();

        return view('crowd-caller', ['business' => $business, 'agent' => $agent, 'run' => $crowdRun, 'n' => $n, 'against' => $against, 'walked' => $ring->caller($crowdRun, $n, $against), 'script' => $script]);
    }

    /** Keeps the call of a stand-in caller as a case: it passes once what they meant comes out. */
    public function keep(Request $request, Business $business, Agent $agent, CrowdRun $crowdRun, int $n, KeepCase $keep): RedirectResponse
    {
        abort_if($n < 1 || $n > $crowdRun->callers, 404);
        $given = $request->validate(['title' => ['required', 'string', 'max:120'], 'tied' => ['nullable', 'in:1'], 'of' => ['nullable', 'in:against']], ['title.*' => 'Give the case a name.']);
        $case = $keep->standIn($crowdRun, $n, isset($given['of']) && $crowdRun->against_text_id !== null, trim($given['title']), isset($given['tied']));

        return redirect()->route('case', [$business, $agent, $case])->with('notice', $case->failing() ? 'Kept. It fails until what the caller meant comes out.' : 'Kept as a case. Tick what matters.');
    }

    /** @return array{string, int} what it is called, and its text */
    private function version(Agent $agent, string $which): array
    {
        if ($which === 'draft') {
            return ['the draft', $agent->draft()->firstOrFail()->script_text_id];
        }
        $release = $agent->releases()->where('number', (int) $which)->first();

        return $release instanceof Release ? ["release {$release->number}", $release->script_text_id] : abort(404, "There is no release {$which}.");
    }
}
