<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Calls\CallPage;
use App\Actions\Calls\EraseOldCalls;
use App\Actions\Calls\FindCalls;
use App\Actions\Calls\ImportTranscripts;
use App\Actions\Calls\RepeatCall;
use App\Actions\Calls\SettleAbandonedCalls;
use App\Gateways\Speech\Voice;
use App\Jobs\BringTranscripts;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallImport;
use App\Models\CallTurn;
use App\Models\SavedFilter;
use App\Support\CurrentAgent;
use App\Support\Evidence;
use App\Support\Playlist;
use App\Support\Pronounced;
use App\Support\Sight;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Pagination\Paginator;
use Illuminate\Validation\ValidationException;
use Ringo\Rehearsal\Differences;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

final class CallController
{
    /** Milliseconds from which a sound was rendered rather than found. */
    private const RENDERED = 5;

    public function index(Request $request, Business $business, CallPage $find, SettleAbandonedCalls $settle, CurrentAgent $current): View
    {
        $settle->in($business);
        $filter = $request->validate(FindCalls::RULES);
        $sight = Sight::of($request->user(), $business);
        $calls = $find->of($business, $filter, $sight, Paginator::resolveCurrentPage())->withQueryString();
        $calls->through($sight->over(...));

        return view('calls', [
            'business' => $business,
            'agent' => $current->in($business),
            'filter' => $filter,
            'calls' => $calls,
            'outcomes' => Call::query()->where('business_id', $business->id)->where('status', 'ended')->distinct()->orderBy('outcome')->pluck('outcome'),
            'agents' => $business->agents()->get(), 'lines' => $business->lines()->pluck('name', 'key')->all(), 'importing' => CallImport::query()->where('business_id', $business->id)->where(static fn ($either) => $either->where('status', '!=', 'done')->orWhere('updated_at', '>', now()->subMinutes(10)))->orderByDesc('id')->first(), 'saved' => $business->savedFilters()->where('user_id', $request->user()?->getAuthIdentifier())->get(),
        ]);
    }

    public function keepFilter(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:60']] + FindCalls::RULES, ['name.required' => 'Give the filter a name.']);
        $filter = array_filter(array_diff_key($given, ['name' => true]), static fn (mixed $value): bool => $value !== null && $value !== '');
        SavedFilter::query()->updateOrCreate(['business_id' => $business->id, 'user_id' => $request->user()?->getAuthIdentifier(), 'name' => $given['name']], ['filter' => $filter]);

        return redirect()->route('calls', [$business, ...$filter])->with('notice', "The filter is kept as “{$given['name']}”.");
    }

    public function dropFilter(Request $request, Business $business, SavedFilter $savedFilter): RedirectResponse
    {
        abort_unless($savedFilter->getAttribute('user_id') === $request->user()?->getAuthIdentifier(), 404);
        $savedFilter->delete();

        return redirect()->route('calls', $business)->with('notice', "The filter “{$savedFilter->name}” is taken out.");
    }

    public function import(Request $request, Business $business, ImportTranscripts $import, CurrentAgent $current): RedirectResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:51200']], ['file.required' => 'Choose a file of transcripts: JSON, JSON Lines or vCon.', 'file.max' => 'Files up to 50 MB can be brought in.']);
        $agent = $current->in($business);
        if ($agent === null) {
            throw ValidationException::withMessages(['file' => 'Make an agent first: its record sheet says what is read out of the transcripts.']);
        }
        $file = $request->file('file');
        $begun = $import->begin($agent, $file instanceof UploadedFile ? (string) $file->get() : '');
        if ($begun->total === 0) {
            throw ValidationException::withMessages(['file' => 'There is no transcript in that file.']);
        }
        BringTranscripts::dispatch($begun->id);
        $begun->refresh();
        if ($begun->over() && $begun->made === 0 && $begun->there === 0) {
            throw ValidationException::withMessages(['file' => $begun->problems === [] ? 'There is no transcript in that file.' : $begun->problems]);
        }

        return redirect()->route('calls', [$business, 'kind' => 'imported'])->with('notice', $begun->over() ? $begun->inWords() : "{$begun->total} transcripts are brought in beside the pages.");
    }

    /** How far a file of transcripts has come. */
    public function importing(Business $business, CallImport $import): JsonResponse
    {
        abort_unless($import->business_id === $business->id, 404);

        return response()->json(['status' => $import->status, 'done' => $import->done, 'total' => $import->total]);
    }

    public function retention(Request $request, Business $business, EraseOldCalls $erase): RedirectResponse
    {
        $given = $request->validate(['keep_days' => ['nullable', 'integer', 'between:1,3650']]);
        $business->update(['keep_days' => $given['keep_days'] ?? null]);
        $n = $erase->in($business);

        return redirect()->route('calls', $business)->with('notice', ($business->keep_days === null ? 'Calls are kept until somebody deletes them.' : "Calls are erased after {$business->keep_days} days.").($n > 0 ? " {$n} older calls were erased now." : ''));
    }

    public function show(Request $request, Business $business, Call $call, Evidence $evidence): View
    {
        $call->load('turns', 'steps', 'record', 'agent', 'release', 'contact', 'scriptText', 'deliveries');
        $sight = Sight::of($request->user(), $business);
        $call = $sight->over($call);
        $script = $call->scriptText->script();

        return view('call', [
            'business' => $business,
            'agent' => $call->agent,
            'call' => $call,
            'script' => $script,
            'teams' => $business->teams()->get(),
            'marked' => $evidence->marked($call),
            'summary' => $call->record->summary ?? '',
            'fields' => $call->record?->setRelation('call', $call)->fields() ?? $script->sheet->fields,
            'keptBack' => $sight->keptBack($call->agent),
        ]);
    }

    public function audio(Request $request, Business $business, Call $call, int $n, Voice $voice, Playlist $playlist): BinaryFileResponse
    {
        $turn = CallTurn::query()->where('call_id', $call->id)->where('n', $n)->where('by', 'agent')->firstOrFail();
        $text = Sight::of($request->user(), $business)->turn($call, $turn->n, $turn->text);
        $piece = $request->has('piece') ? ($playlist->pieces($call, $text)[(int) $request->query('piece')]['text'] ?? $text) : $text;
        $start = hrtime(true);
        $file = $voice->wav(Pronounced::of($business, $piece), $call->scriptText->script()->agent->voice);
        if ($file === null) {
            abort(503, 'The voice programs are not installed; the text is shown instead.');
        }

        // What was rendered before costs nothing and is not counted.
        $took = intdiv((int) (hrtime(true) - $start), 1_000_000);
        if ($took >= self::RENDERED && $turn->voice_milliseconds === null) {
            CallTurn::query()->where('call_id', $call->id)->where('n', $n)->update(['voice_milliseconds' => $took]);
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
