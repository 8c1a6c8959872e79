<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Agent;
use App\Models\Business;
use App\Models\CrowdRun;
use App\Support\CurrentAgent;
use App\Support\Traffic;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Ringo\Design\CallMap;
use Ringo\Figures\Traffic as Sums;
use Ringo\Inspection\Inspector;

/** The whole script at a glance, coloured by findings or by how many calls went each way. */
final class CallMapController
{
    /** Crowds that can be chosen. */
    private const RUNS = 20;

    public function show(Request $request, Business $business, Agent $agent, CurrentAgent $current, Inspector $inspector, Traffic $traffic): View
    {
        $given = $request->validate(['by' => ['nullable', 'in:findings,traffic,crowd'], 'crowd' => ['nullable', 'integer', 'min:1'], 'of' => ['nullable', 'in:against'], 'days' => ['nullable', 'integer', 'min:1', 'max:365'], 'calls' => ['nullable', 'in:live,rehearsal']]);
        $current->remember($agent);
        $by = $given['by'] ?? 'findings';
        $runs = CrowdRun::query()->where('agent_id', $agent->id)->where('report', '!=', null)->latest('id')->limit(self::RUNS)->get();
        $run = $by === 'crowd' ? $runs->firstWhere('id', (int) ($given['crowd'] ?? 0)) ?? $runs->first() : null;
        $other = ($given['of'] ?? '') === 'against' && $run?->against_report !== null;
        // A crowd is shown on the script it rang.
        $document = (($other ? $run?->againstText : $run?->scriptText) ?? $agent->draft->scriptText)->document();
        $worst = [];
        $messages = [];
        foreach ($inspector->inspect($document, $agent->surroundings()) as $finding) {
            $worst[$finding->step ?? ''] ??= $finding->severity->value;
            $messages[$finding->step ?? ''][] = $finding->message;
        }

        return view('call-map', [
            'business' => $business, 'agent' => $agent, 'script' => $document->script, 'map' => CallMap::of($document->script), 'by' => $by, 'worst' => $worst, 'messages' => $messages,
            'days' => (int) ($given['days'] ?? 30), 'kind' => $given['calls'] ?? 'live',
            'runs' => $runs, 'run' => $run, 'other' => $other,
            'traffic' => match (true) {
                $by === 'traffic' => $traffic->of($agent, (int) ($given['days'] ?? 30), $given['calls'] ?? 'live'),
                $run !== null => Sums::goingOn(($other ? $run->against_report : $run->report)['traffic'] ?? [])->toArray(),
                default => null,
            },
        ]);
    }
}
