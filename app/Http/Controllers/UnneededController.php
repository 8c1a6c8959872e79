<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Design\DraftMoved;
use App\Actions\Design\EditDraft;
use App\Models\Agent;
use App\Models\Business;
use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Ringo\Design\ScriptDocument;
use Ringo\Design\Unneeded;
use Ringo\Document\InvalidDocument;

/** Takes what no call came to out of an agent's draft, from where its figures tell of it. */
final readonly class UnneededController
{
    public function __construct(private EditDraft $edit, private Unneeded $unneeded)
    {
    }

    public function __invoke(Request $request, Business $business, Agent $agent): RedirectResponse
    {
        $given = $request->validate(['kind' => ['required', Rule::in(Unneeded::KINDS)], 'key' => ['required', 'string', 'max:80']]);
        /** @var User $user */
        $user = $request->user();
        $what = "the {$given['kind']} “".str_replace('_', ' ', $given['key']).'”';
        try {
            [$draft] = $this->edit->apply($agent, (int) $agent->draft()->value('version'), "took out {$what}", $given['kind'] === 'step' ? [$given['key']] : [], fn (ScriptDocument $document): ScriptDocument => $this->unneeded->takenOut($document, $given['kind'], $given['key']), $user);
        } catch (InvalidDocument $problem) {
            return back()->withErrors(['key' => "{$what} stays: ".implode('; ', array_column($problem->problems, 'message')).'.']);
        } catch (DraftMoved $moved) {
            return back()->withErrors(['key' => $moved->getMessage()]);
        }

        return back()->with('undo', ['text' => ucfirst($what)." is taken out of {$agent->name}’s draft; the release in use is as it was.", 'action' => route('draft.undo', [$business, $agent, 'version' => $draft->version])]);
    }
}
