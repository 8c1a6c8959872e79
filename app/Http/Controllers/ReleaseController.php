<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Casebook\RunCases;
use App\Actions\Design\ReleaseAgent;
use App\Actions\Foresight\LookAhead;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\Release;
use App\Models\User;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Ringo\Design\Changes;
use Ringo\Inspection\Inspector;

/** Releases of an agent: making one, what changed, and going back. */
final class ReleaseController
{
    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function index(Business $business, Agent $agent, Inspector $inspector, RunCases $run): View
    {
        $this->current->remember($agent);
        $run->of($agent);
        $document = $agent->draft->scriptText->document();
        $releases = $agent->releases()->with('releasedBy')->get();
        $last = $releases->first();
        $last?->loadMissing('scriptText');

        return view('releases', [
            'business' => $business, 'agent' => $agent, 'releases' => $releases, 'findings' => $inspector->inspect($document, $agent->surroundings()), 'version' => $agent->draft->version,
            'changes' => $last instanceof Release ? (new Changes)->between($last->scriptText->document(), $document) : null,
            'calls' => Call::query()->where('agent_id', $agent->id)->whereNotNull('release_id')->selectRaw('release_id, count(*) as n')->groupBy('release_id')->pluck('n', 'release_id'),
            'knows' => $business->knowledgeSources()->orderBy('name')->get(['id', 'name', 'version', 'updated_at']),
            'cases' => $agent->cases()->get(),
            'same' => $last instanceof Release && $last->script_text_id === $agent->draft->script_text_id,
        ]);
    }

    public function store(Request $request, Business $business, Agent $agent, ReleaseAgent $release, LookAhead $look): RedirectResponse
    {
        $given = $request->validate(['version' => ['required', 'integer'], 'note' => ['nullable', 'string', 'max:250'], 'accept' => ['nullable', 'in:1']]);
        /** @var User $user */
        $user = $request->user();
        $made = $release->release($agent, (int) $given['version'], (string) ($given['note'] ?? ''), isset($given['accept']), $user);
        $made->update(['foreseen' => $look->of($agent->load('draft.scriptText'), $made->scriptText)->summary()]);

        return redirect()->route('releases', [$business, $agent])->with('notice', "Release {$made->number} is made. Lines take it from the next call on.");
    }

    public function compare(Request $request, Business $business, Agent $agent): View
    {
        $given = $request->validate(['from' => ['nullable', 'string', 'max:10'], 'to' => ['nullable', 'string', 'max:10']]);
        $this->current->remember($agent);
        $releases = $agent->releases()->with('scriptText')->get();
        $side = static fn (string $which): array => $which === 'draft'
            ? ['name' => 'the draft', 'document' => $agent->draft->scriptText->document(), 'key' => 'draft', 'foreseen' => $agent->foreseen]
            : (static function () use ($which, $releases): array {
                $release = $releases->firstWhere('number', (int) $which);
                if ($release === null) {
                    abort(404, "There is no release {$which}.");
                }

                return ['name' => "release {$release->number}", 'document' => $release->scriptText->document(), 'key' => (string) $release->number, 'foreseen' => $release->foreseen];
            })();
        $from = $side($given['from'] ?? (string) ($releases->first()->number ?? 'draft'));
        $to = $side($given['to'] ?? 'draft');

        return view('compare', ['business' => $business, 'agent' => $agent, 'releases' => $releases, 'from' => $from, 'to' => $to, 'changes' => (new Changes)->between($from['document'], $to['document'])]);
    }

    public function again(Request $request, Business $business, Agent $agent, int $number, ReleaseAgent $release): RedirectResponse
    {
        $given = $request->validate(['draft' => ['nullable', 'in:1']]);
        $earlier = $agent->releases()->where('number', $number)->with('scriptText')->firstOrFail();
        /** @var User $user */
        $user = $request->user();
        $made = $release->again($agent, $earlier, isset($given['draft']), $user);

        return redirect()->route('releases', [$business, $agent])->with('notice', "Release {$made->number} is release {$number} again".(isset($given['draft']) ? ', and the draft follows it.' : '. The draft stays as it was.'));
    }
}
