<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Design\CreateAgent;
use App\Actions\Design\DraftMoved;
use App\Actions\Design\EditDraft;
use App\Gateways\Speech\InstalledVoices;
use App\Gateways\Speech\Voice;
use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\User;
use App\Support\AgentForm;
use App\Support\CurrentAgent;
use App\Support\Input;
use App\Support\Starters;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Ringo\Design\ScriptDocument;
use Ringo\Document\InvalidDocument;
use Ringo\Document\JsonPlaces;
use Ringo\Format\VoiceXml\VoiceXml;
use Ringo\Inspection\Inspector;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** Agents of a business: the list, new ones, what one is like, and exchange as files. */
final class AgentController
{
    public function __construct(private readonly CurrentAgent $current, private readonly CreateAgent $create)
    {
    }

    public function index(Business $business): View
    {
        return view('agents', ['business' => $business, 'agent' => $this->current->in($business), 'agents' => $business->agents()->with('draft.scriptText', 'latestRelease.scriptText')->get()]);
    }

    public function new(Business $business, Starters $starters): View
    {
        return view('agent-new', ['business' => $business, 'agent' => $this->current->in($business), 'starters' => $starters->all(), 'agents' => $business->agents()->get()]);
    }

    public function starter(Business $business, string $starter, Starters $starters): View
    {
        abort_unless($starters->has($starter), 404, 'There is no such starter.');
        $about = array_values(array_filter($starters->all(), static fn (array $one): bool => $one['key'] === $starter))[0];

        return view('starter', ['business' => $business, 'agent' => $this->current->in($business), 'starter' => $about, 'call' => $starters->sampleCall($starter), 'script' => $starters->filled($starter)->script]);
    }

    /** A line of a starter's sample call, spoken. */
    public function starterAudio(Business $business, string $starter, int $n, Starters $starters, Voice $voice): BinaryFileResponse
    {
        abort_unless($starters->has($starter), 404);
        $turn = $starters->sampleCall($starter)->transcript->turns[$n] ?? null;
        if ($turn === null || $turn->by !== 'agent') {
            abort(404, 'The agent says nothing there.');
        }
        $file = $voice->wav($turn->text, $starters->filled($starter)->script->agent->voice);
        if ($file === null) {
            abort(503, 'The voice programs are not installed.');
        }

        return response()->file($file, ['Content-Type' => 'audio/wav']);
    }

    public function store(Request $request, Business $business, Starters $starters): RedirectResponse
    {
        $given = $request->validate(['from' => ['required', 'in:blank,copy,starter'], 'name' => ['required', 'string', 'max:60'], 'direction' => ['nullable', 'in:inbound,outbound'], 'starter' => ['required_if:from,starter', 'string', 'max:60'], 'copy' => ['required_if:from,copy', 'string', 'max:60']], ['name.required' => 'Give the agent a name: callers hear it.']);
        $name = trim($given['name']);
        $this->create->checkName($business, $name);
        /** @var User $user */
        $user = $request->user();
        $agent = match ($given['from']) {
            'starter' => $this->fromStarter($business, $given['starter'], $name, $user, $starters),
            'copy' => $this->fromCopy($business, $given['copy'], $name, $user),
            default => $this->create->from($business, $this->create->blank($business, $name, $given['direction'] ?? 'inbound'), $user, 'from blank'),
        };
        $this->current->remember($agent);

        return redirect()->route('prompt-book', [$business, $agent])->with('notice', "{$agent->name} is made. What still has to be filled in is among the findings.");
    }

    public function show(Business $business, Agent $agent, InstalledVoices $voices, Inspector $inspector, VoiceXml $voiceXml): View
    {
        $this->current->remember($agent);
        $document = $agent->draft->scriptText->document();

        return view('agent', ['business' => $business, 'agent' => $agent, 'errands' => $business->errands()->get(), 'document' => $document, 'script' => $document->script, 'data' => $document->toArray(), 'version' => $agent->draft->version, 'refused' => $voiceXml->refused($document->script), 'voices' => $voices->all($document->script->agent->language), 'findings' => array_values(array_filter($inspector->inspect($document, $agent->surroundings()), static fn ($finding): bool => $finding->step === null))]);
    }

    public function update(Request $request, Business $business, Agent $agent, EditDraft $edit): RedirectResponse
    {
        $this->current->remember($agent);
        $form = $request->all();
        /** @var User $user */
        $user = $request->user();
        try {
            $edit->apply($agent, Input::number($request, 'version'), 'changed the agent', [], static fn (ScriptDocument $document): ScriptDocument => (new AgentForm($document))->changed($form), $user);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['agent' => array_map(static fn (array $one): string => ucfirst($one['path'] === '' ? $one['message'] : str_replace('.', ', ', $one['path']).': '.$one['message']).'.', array_slice($problem->problems, 0, 5))]);
        } catch (DraftMoved $moved) {
            throw ValidationException::withMessages(['agent' => $moved->getMessage().' '.implode('; ', array_map(static fn ($change): string => $change->words, array_slice($moved->changes, 0, 3))).'. Reload the page to see it.']);
        }

        return redirect()->route('agent', [$business, $agent])->with('notice', 'Kept in the draft.');
    }

    public function destroy(Request $request, Business $business, Agent $agent): RedirectResponse
    {
        /** @var User $user */
        $user = $request->user();
        $agent->delete();
        AuditEntry::note($business->id, $user, 'agent taken away', $agent->name);

        return redirect()->route('agents', $business)->with('undo', ['text' => "{$agent->name} was taken away, with draft, releases and recordings. Past calls stay.", 'action' => route('agent.restore', [$business, $agent])]);
    }

    public function restore(Business $business, Agent $agent): RedirectResponse
    {
        $agent->restore();

        return redirect()->route('agents', $business)->with('notice', "{$agent->name} is back.");
    }

    /** A line in a voice, to hear it before a call does. */
    public function audition(Request $request, Business $business, Agent $agent, Voice $voice, InstalledVoices $voices): BinaryFileResponse
    {
        $given = $request->validate(['engine' => ['required', 'in:flite,espeak-ng'], 'name' => ['required', 'string', 'max:40'], 'pace' => ['nullable', 'numeric', 'between:0.5,2'], 'pitch' => ['nullable', 'numeric', 'between:0.5,2'], 'text' => ['nullable', 'string', 'max:300']]);
        $this->current->remember($agent);
        abort_unless($voices->has($given['engine'], $given['name']), 404, 'There is no such voice.');
        $text = trim((string) ($given['text'] ?? '')) ?: AgentForm::greeting($agent->draft->scriptText->script());
        $file = $voice->wav($text, ['engine' => $given['engine'], 'name' => $given['name'], 'pace' => (float) ($given['pace'] ?? 1), 'pitch' => (float) ($given['pitch'] ?? 1)]);
        if ($file === null) {
            abort(503, 'The voice programs are not installed.');
        }

        return response()->file($file, ['Content-Type' => 'audio/wav', 'Cache-Control' => 'private, max-age=3600']);
    }

    public function export(Request $request, Business $business, Agent $agent, VoiceXml $voiceXml): Response
    {
        $given = $request->validate(['as' => ['nullable', 'in:json,voicexml'], 'release' => ['nullable', 'integer']]);
        $this->current->remember($agent);
        $text = isset($given['release']) ? $agent->releases()->where('number', $given['release'])->with('scriptText')->firstOrFail()->scriptText : $agent->draft->scriptText;
        $name = $agent->key.(isset($given['release']) ? '-release-'.$given['release'] : '-draft');
        if (($given['as'] ?? 'json') === 'voicexml') {
            return response($voiceXml->write($text->script()), 200, ['Content-Type' => 'application/voicexml+xml; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"{$name}.vxml\""]);
        }

        return response($text->document()->toJson(), 200, ['Content-Type' => 'application/json; charset=utf-8', 'Content-Disposition' => "attachment; filename=\"{$name}.json\""]);
    }

    /** Shows what a file would make before anything is made. */
    public function preview(Request $request, Business $business, Inspector $inspector): View
    {
        $request->validate(['file' => ['required', 'file', 'max:5120']], ['file.required' => 'Choose the file of an agent.', 'file.max' => 'The file is larger than 5 MB.']);
        /** @var UploadedFile $file */
        $file = $request->file('file');
        $json = (string) file_get_contents($file->getRealPath());
        try {
            $document = ScriptDocument::fromJson($json);
        } catch (InvalidDocument $problem) {
            $places = JsonPlaces::of($json);

            throw ValidationException::withMessages(['file' => array_map(static function (array $one) use ($places): string {
                if (str_starts_with($one['path'], 'line ')) {
                    return ucfirst($one['path']).': '.$one['message'].'.';
                }
                $at = $places->at($one['path']);

                return "Line {$at['line']}, column {$at['column']}: ".($one['path'] === '' ? '' : $one['path'].' ').$one['message'].'.';
            }, array_slice($problem->problems, 0, 8))]);
        }
        $request->session()->put('import', $document->toJson());
        $name = $document->script->agent->name;
        $taken = Agent::query()->where('business_id', $business->id)->where('name', $name)->exists();

        return view('agent-import', [
            'business' => $business, 'agent' => $this->current->in($business), 'document' => $document, 'script' => $document->script, 'file' => $file->getClientOriginalName(), 'taken' => $taken,
            'findings' => $inspector->inspect($document, $business->surroundings()), 'free' => $taken ? $name.' 2' : $name,
        ]);
    }

    public function import(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:60'], 'fit' => ['nullable', 'in:1']]);
        $json = $request->session()->get('import');
        if (! is_string($json)) {
            return redirect()->route('agent.new', $business)->with('notice', 'The file is no longer at hand. Nothing was made; choose it again.');
        }
        $name = trim($given['name']);
        $this->create->checkName($business, $name);
        /** @var User $user */
        $user = $request->user();
        $document = ScriptDocument::fromJson($json);
        $document = isset($given['fit']) ? $this->create->fitted($document, $business, $name) : $document->with('agent', [...$document->toArray()['agent'], 'name' => $name]);
        $agent = $this->create->from($business, $document, $user, 'from a file');
        $request->session()->forget('import');
        $this->current->remember($agent);

        return redirect()->route('prompt-book', [$business, $agent])->with('notice', "{$agent->name} is here, as a draft.");
    }

    private function fromStarter(Business $business, string $starter, string $name, User $user, Starters $starters): Agent
    {
        abort_unless($starters->has($starter), 404, 'There is no such starter.');
        $json = str_replace('{your business}', addcslashes($business->name, '"\\'), $starters->document($starter)->toJson());

        return $this->create->from($business, $this->create->fitted(ScriptDocument::fromJson($json), $business, $name), $user, "from the starter {$starter}");
    }

    private function fromCopy(Business $business, string $key, string $name, User $user): Agent
    {
        $from = $business->agents()->where('key', $key)->with('draft.scriptText')->first();
        if (! $from instanceof Agent) {
            throw ValidationException::withMessages(['copy' => 'That agent is no longer there. Choose another.']);
        }

        return $this->create->from($business, $this->create->fitted($from->draft->scriptText->document(), $business, $name), $user, "a copy of {$from->name}");
    }
}
