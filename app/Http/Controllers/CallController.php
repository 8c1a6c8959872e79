<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Calls\FindCalls;
use App\Actions\Calls\RepeatCall;
use App\Actions\Calls\SettleAbandonedCalls;
use App\Gateways\Speech\Voice;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallTurn;
use App\Support\CurrentAgent;
use App\Support\Evidence;
use App\Support\Playlist;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Ringo\Rehearsal\Differences;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final class CallController
{
    public function index(Request $request, Business $business, FindCalls $find, SettleAbandonedCalls $settle, CurrentAgent $current): View
    {
        $settle->in($business);
        $filter = $request->validate([
            'q' => ['nullable', 'string', 'max:200'], 'outcome' => ['nullable', 'string', 'max:100'], 'check' => ['nullable', 'in:1'],
            'sort' => ['nullable', 'in:'.implode(',', array_keys(FindCalls::SORTS))], 'dir' => ['nullable', 'in:asc,desc'],
        ]);

        return view('calls', [
            'business' => $business,
            'agent' => $current->in($business),
            'filter' => $filter,
            'calls' => $find->query($business, $filter)->with('record', 'agent', 'release')->paginate(25)->withQueryString(),
            'outcomes' => Call::query()->where('business_id', $business->id)->where('status', 'ended')->distinct()->orderBy('outcome')->pluck('outcome'),
        ]);
    }

    public function show(Business $business, Call $call, Evidence $evidence): View
    {
        $call->load('turns', 'steps', 'record', 'agent', 'release', 'contact', 'scriptText');
        $script = $call->scriptText->script();

        return view('call', [
            'business' => $business,
            'agent' => $call->agent,
            'call' => $call,
            'script' => $script,
            'marked' => $evidence->marked($call),
            'summary' => $call->record->summary ?? '',
        ]);
    }

    public function audio(Request $request, Business $business, Call $call, int $n, Voice $voice, Playlist $playlist): BinaryFileResponse
    {
        $turn = CallTurn::query()->where('call_id', $call->id)->where('n', $n)->where('by', 'agent')->firstOrFail();
        $piece = $request->has('piece') ? ($playlist->pieces($call, $turn->text)[(int) $request->query('piece')]['text'] ?? $turn->text) : $turn->text;
        $file = $voice->wav($piece, $call->scriptText->script()->agent->voice);
        if ($file === null) {
            abort(503, 'The voice programs are not installed; the text is shown instead.');
        }

        return response()->file($file, ['Content-Type' => 'audio/wav', 'Cache-Control' => 'private, max-age=86400']);
    }

    /** The caller's lines of this call against the draft as it is now, side by side. */
    public function replay(Business $business, Call $call, RepeatCall $repeat): View
    {
        $call->load('turns', 'record', 'agent.draft.scriptText', 'release', 'scriptText');
        [$finished, $record] = $repeat->against($call, $call->agent->draft->scriptText);

        return view('replay', [
            'business' => $business,
            'agent' => $call->agent,
            'call' => $call,
            'script' => $call->agent->draft->scriptText->script(),
            'finished' => $finished,
            'record' => $record,
            'rows' => (new Differences)->turns($call->transcript()->turns, $finished->transcript->turns),
            'cells' => (new Differences)->cells($call->record->cells ?? [], $record->cells),
        ]);
    }

    public function destroy(Business $business, Call $call): RedirectResponse
    {
        $call->delete();

        return redirect()->route('calls', $business)->with('undo', ['text' => 'The call of '.$call->caller_name.' on '.$call->placedAt()->format('j F, H:i').' was deleted, with its transcript and record.', 'action' => route('call.restore', [$business, $call])]);
    }

    public function restore(Business $business, Call $call): RedirectResponse
    {
        $call->restore();

        return redirect()->route('call', [$business, $call])->with('notice', 'The call is back, with its transcript and record.');
    }
}
