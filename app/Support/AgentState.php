<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Agent;
use App\Models\Line;
use Ringo\Design\Changes;

/** How an agent stands, in words: what is released, and how far the draft has gone from it. */
final readonly class AgentState
{
    public function inWords(Agent $agent): string
    {
        $agent->loadMissing('latestRelease.scriptText', 'draft.scriptText');
        $release = $agent->latestRelease;
        if ($release === null) {
            return 'Draft, not released yet';
        }
        if ($release->script_text_id === $agent->draft->script_text_id) {
            return "Release {$release->number}, the draft is the same".$this->lines($agent);
        }
        $n = count((new Changes)->between($release->scriptText->document(), $agent->draft->scriptText->document()));

        return 'Draft, '.($n === 1 ? '1 change' : "{$n} changes")." since release {$release->number}".$this->lines($agent);
    }

    private function lines(Agent $agent): string
    {
        $n = Line::query()->where('agent_id', $agent->id)->where('state', Line::LIVE)->count();

        return $n === 0 ? '' : ', live on '.($n === 1 ? '1 line' : "{$n} lines");
    }
}
