<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Design\DraftMoved;
use App\Actions\Design\EditDraft;
use App\Actions\Records\ReadAgain;
use App\Jobs\RunReadingAgain;
use App\Models\Agent;
use App\Models\Business;
use App\Models\ReadingAgain;
use App\Models\RecordSheet as FurtherSheet;
use App\Models\SheetVersion;
use App\Models\User;
use App\Support\CurrentAgent;
use App\Support\Input;
use App\Support\SheetForm;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Design\ScriptDocument;
use Ringo\Document\InvalidDocument;
use Ringo\Extraction\CallTopic;
use Ringo\Sheet\RecordSheet;

/** The record sheets of an agent: the one its script fills, and further ones for calls of some outcomes; each is a JSON Schema. */
final class RecordSheetController
{
    public function __construct(private readonly CurrentAgent $current, private readonly SheetForm $form)
    {
    }

    public function show(Request $request, Business $business, Agent $agent): View
    {
        $this->current->remember($agent);
        $further = FurtherSheet::query()->where('agent_id', $agent->id)->orderBy('id')->get();
        /** @var ?FurtherSheet $chosen */
        $chosen = $further->firstWhere('key', Input::text($request, 'sheet'));
        $schema = $chosen === null ? $agent->draft->scriptText->script()->sheet->toArray() : $chosen->schema;

        return view('record-sheet', [
            'business' => $business, 'agent' => $agent, 'further' => $further, 'chosen' => $chosen, 'schema' => $schema, 'rows' => $this->form->rows($schema), 'kinds' => \Ringo\Sheet\FieldFormats::kinds(), 'suggestions' => SheetForm::SUGGESTIONS, 'version' => $agent->draft->version,
            'versions' => $chosen === null ? collect() : $chosen->versions()->limit(8)->get(), 'outcomes' => $business->records()->where('agent_id', $agent->id)->distinct()->orderBy('outcome')->pluck('outcome'), 'topics' => CallTopic::all($agent->draft->scriptText->script()),
            'again' => ReadingAgain::query()->where('agent_id', $agent->id)->where('record_sheet_id', $chosen?->id)->latest('id')->first(),
            'calls' => $agent->calls()->where('status', 'ended')->count(),
        ]);
    }

    public function update(Request $request, Business $business, Agent $agent, EditDraft $edit): RedirectResponse
    {
        $chosen = FurtherSheet::query()->where('agent_id', $agent->id)->where('key', Input::text($request, 'sheet'))->first();
        $base = $chosen === null ? $agent->draft->scriptText->script()->sheet->toArray() : $chosen->schema;
        try {
            $schema = $request->hasFile('file') || trim(Input::text($request, 'json')) !== ''
                ? $this->form->fromJson($request->file('file') instanceof UploadedFile ? (string) $request->file('file')->get() : Input::text($request, 'json'))
                : $this->form->schema($base, is_array($request->input('fields')) ? $request->input('fields') : []);
            RecordSheet::fromArray($schema);
            if ($chosen === null) {
                $this->main($request, $agent, $schema, $edit);
            } else {
                $this->further($request, $chosen, $schema);
            }
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['fields' => array_map(static fn (array $one): string => ($one['path'] === '' ? '' : $one['path'].': ').$one['message'], array_slice($problem->problems, 0, 5))]);
        } catch (DraftMoved $moved) {
            throw ValidationException::withMessages(['fields' => $moved->getMessage().' Reload the page to see it.']);
        }

        return redirect()->route('sheet', [$business, $agent, 'sheet' => $chosen?->key])->with('notice', $chosen === null ? 'The sheet is kept in the draft. Records of calls already held stay as they are.' : 'The sheet is kept as version '.$chosen->refresh()->version.'. Older records stay readable.');
    }

    public function store(Request $request, Business $business, Agent $agent): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:80'], 'outcomes' => ['nullable', 'array'], 'outcomes.*' => ['string', 'max:100'], 'topics' => ['nullable', 'array'], 'topics.*' => ['string', 'max:100']], ['name.required' => 'A sheet needs a name.']);
        $key = Str::slug($given['name'], '_') ?: 'sheet';
        $sheet = FurtherSheet::query()->firstOrCreate(['agent_id' => $agent->id, 'key' => mb_substr($key, 0, 60)], ['business_id' => $business->id, 'name' => $given['name'], 'outcomes' => array_values($given['outcomes'] ?? []), 'topics' => array_values($given['topics'] ?? []), 'schema' => ['$schema' => 'https://json-schema.org/draft/2020-12/schema', 'title' => $given['name'], 'type' => 'object', 'properties' => new \stdClass], 'version' => 1]);

        return redirect()->route('sheet', [$business, $agent, 'sheet' => $sheet->key]);
    }

    public function destroy(Business $business, Agent $agent, FurtherSheet $recordSheet): RedirectResponse
    {
        abort_unless($recordSheet->agent_id === $agent->id, 404);
        $recordSheet->delete();

        return redirect()->route('sheet', [$business, $agent])->with('undo', ['text' => "The sheet “{$recordSheet->name}” is taken out. Records made with it stay.", 'action' => route('sheet.restore', [$business, $agent, $recordSheet])]);
    }

    public function restore(Business $business, Agent $agent, FurtherSheet $recordSheet): RedirectResponse
    {
        abort_unless($recordSheet->agent_id === $agent->id, 404);
        $recordSheet->restore();

        return redirect()->route('sheet', [$business, $agent, 'sheet' => $recordSheet->key])->with('notice', 'The sheet is back.');
    }

    public function export(Request $request, Business $business, Agent $agent): JsonResponse
    {
        $chosen = FurtherSheet::query()->where('agent_id', $agent->id)->where('key', Input::text($request, 'sheet'))->first();
        $schema = $chosen === null ? $agent->draft->scriptText->script()->sheet->toArray() : $chosen->schema;

        return response()->json(['$schema' => 'https://json-schema.org/draft/2020-12/schema'] + $schema, 200, ['Content-Type' => 'application/schema+json', 'Content-Disposition' => 'attachment; filename="'.$agent->key.'-'.($chosen->key ?? 'record').'.schema.json"'], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function again(Request $request, Business $business, Agent $agent): RedirectResponse
    {
        $chosen = FurtherSheet::query()->where('agent_id', $agent->id)->where('key', Input::text($request, 'sheet'))->first();
        ReadingAgain::query()->where('agent_id', $agent->id)->whereIn('status', ['queued', 'running'])->update(['status' => 'stopped']);
        $again = ReadingAgain::query()->create(['business_id' => $business->id, 'agent_id' => $agent->id, 'record_sheet_id' => $chosen?->id, 'schema' => $chosen === null ? $agent->draft->scriptText->script()->sheet->toArray() : $chosen->schema, 'status' => 'queued']);
        RunReadingAgain::dispatch($again->id);

        return redirect()->route('again', [$business, $agent, $again]);
    }

    public function progress(Request $request, Business $business, Agent $agent, ReadingAgain $readingAgain): View|JsonResponse
    {
        abort_unless($readingAgain->agent_id === $agent->id, 404);
        if ($request->expectsJson()) {
            return response()->json(['status' => $readingAgain->status, 'total' => $readingAgain->total, 'done' => $readingAgain->done]);
        }

        return view('reading-again', ['business' => $business, 'agent' => $agent, 'again' => $readingAgain, 'rows' => $readingAgain->rows()->with('call')->paginate(25), 'fields' => RecordSheet::fromArray($readingAgain->schema)->fields]);
    }

    public function stop(Business $business, Agent $agent, ReadingAgain $readingAgain): RedirectResponse
    {
        abort_unless($readingAgain->agent_id === $agent->id, 404);
        $readingAgain->update(['status' => 'stopped']);

        return redirect()->route('again', [$business, $agent, $readingAgain])->with('notice', 'Stopped. Nothing was changed.');
    }

    public function apply(Business $business, Agent $agent, ReadingAgain $readingAgain, ReadAgain $read): RedirectResponse
    {
        abort_unless($readingAgain->agent_id === $agent->id && $readingAgain->status === 'ready', 404);
        $n = $read->apply($readingAgain);

        return redirect()->route('records', [$business, 'agent' => $agent->key, 'show' => 'all'])->with('notice', "{$n} records were changed as shown. Values people had checked stayed as they were.");
    }

    /** @param array<string, mixed> $schema */
    private function main(Request $request, Agent $agent, array $schema, EditDraft $edit): void
    {
        /** @var User $user */
        $user = $request->user();
        $edit->apply($agent, Input::number($request, 'version'), 'changed the record sheet', [], static fn (ScriptDocument $document): ScriptDocument => $document->with('sheet', $schema), $user);
    }

    /** @param array<string, mixed> $schema */
    private function further(Request $request, FurtherSheet $sheet, array $schema): void
    {
        // A page without the tick boxes, such as a file brought in, leaves the choice as it is.
        $ticked = static fn (string $name, array $else): array => $request->has('ticks') ? array_values(array_filter((array) $request->input($name), is_string(...))) : $else;
        if ($schema !== $sheet->schema) {
            SheetVersion::query()->updateOrCreate(['record_sheet_id' => $sheet->id, 'version' => $sheet->version], ['schema' => $sheet->schema, 'user_id' => $request->user()?->getAuthIdentifier()]);
            $sheet->version++;
        }
        $sheet->fill(['schema' => $schema, 'outcomes' => $ticked('outcomes', $sheet->outcomes), 'topics' => $ticked('topics', $sheet->topics)])->save();
    }
}
