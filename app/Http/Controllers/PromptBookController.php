<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Agent;
use App\Models\Business;
use App\Support\PromptRows;
use Illuminate\Contracts\View\View;
use Ringo\Script\Spine;

final class PromptBookController
{
    public function show(Business $business, Agent $agent): View
    {
        $agent->load('draft.scriptText', 'latestRelease', 'business');
        $script = $agent->draft->scriptText->script();
        $spine = Spine::of($script);

        return view('prompt-book', ['business' => $business, 'agent' => $agent, 'script' => $script, 'spine' => $spine, 'rows' => (new PromptRows($script, $spine))->rows()]);
    }
}
