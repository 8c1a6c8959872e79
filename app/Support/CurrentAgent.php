<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Agent;
use App\Models\Business;
use Illuminate\Http\Request;

/** The agent a page speaks of where its address names none: the one last looked at in this business, else its first. */
final readonly class CurrentAgent
{
    public function __construct(private Request $request)
    {
    }

    public function in(Business $business): ?Agent
    {
        $key = $this->request->hasSession() ? $this->request->session()->get("agent.{$business->key}") : null;
        $agents = $business->agents()->with('draft.scriptText', 'latestRelease.scriptText');

        return (is_string($key) ? (clone $agents)->where('key', $key)->first() : null) ?? $agents->get()->sortBy('id')->first();
    }

    public function remember(Agent $agent): Agent
    {
        $agent->loadMissing('draft.scriptText', 'latestRelease.scriptText', 'business');
        if ($this->request->hasSession()) {
            $this->request->session()->put("agent.{$agent->business->key}", $agent->key);
        }

        return $agent;
    }
}
