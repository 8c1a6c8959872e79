<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Agent;
use App\Models\Business;
use App\Support\CurrentAgent;
use App\Support\Traffic;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Ringo\Design\CallMap;
use Ringo\Inspection\Inspector;

/** The whole script at a glance, coloured by findings or by how many calls went each way. */
final class CallMapController
{
    public function show(Request $request, Business $business, Agent $agent, CurrentAgent $current, Inspector $inspector, Traffic $traffic): View
    {
        $given = $request->validate(['by' => ['nullable', 'in:findings,traffic'], 'days' => ['nullable', 'integer', 'min:1', 'max:365'], 'calls' => ['nullable', 'in:live,rehearsal']]);
        $current->remember($agent);
        $document = $agent->draft->scriptText->document();
        $by = $given['by'] ?? 'findings';
        $worst = [];
        $messages = [];
        foreach ($inspector->inspect($document, $agent->surroundings()) as $finding) {
            $worst[$finding->step ?? ''] ??= $finding->severity->value;
            $messages[$finding->step ?? ''][] = $finding->message;
        }

        return view('call-map', [
            'business' => $business, 'agent' => $agent, 'script' => $document->script, 'map' => CallMap::of($document->script), 'by' => $by, 'worst' => $worst, 'messages' => $messages,
            'days' => (int) ($given['days'] ?? 30), 'kind' => $given['calls'] ?? 'live',
            'traffic' => $by === 'traffic' ? $traffic->of($agent, (int) ($given['days'] ?? 30), $given['calls'] ?? 'live') : null,
        ]);
    }
}
