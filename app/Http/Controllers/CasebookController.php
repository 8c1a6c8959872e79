<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Casebook\KeepCase;
use App\Actions\Casebook\RunCases;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\CasebookCase;
use App\Support\Book\Form;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Ringo\Rehearsal\Casebook\Casebook;
use Ringo\Rehearsal\Casebook\Expectations;
use Ringo\Rehearsal\Differences;
use Ringo\Transcript\Turn;

/** The casebook of an agent: calls that were kept, what must hold of them, and how they come out on the draft. */
final class CasebookController
{
    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function index(Business $business, Agent $agent, RunCases $run): View
    {
        $this->current->remember($agent);
        $run->of($agent);

        return view('casebook', ['business' => $business, 'agent' => $agent, 'cases' => CasebookCase::query()->where('agent_id', $agent->id)->with('call')->orderBy('key')->get()]);
    }

    public function run(Business $business, Agent $agent, RunCases $run): RedirectResponse
    {
        $n = $run->of($agent, true);

        return redirect()->route('casebook', [$business, $agent])->with('notice', $n === 1 ? 'One case was rung.' : "{$n} cases were rung.");
    }

    public function show(Business $business, Agent $agent, CasebookCase $case, RunCases $run): View
    {
        $this->current->remember($agent);
        $run->of($agent);
        $case->refresh();
        $turns = static fn (array $all): array => array_values(array_map(Turn::fromArray(...), $all));
        $rows = (new Differences)->turns($turns($case->transcript), $turns($case->result['turns'] ?? []));

        return view('case', ['business' => $business, 'agent' => $agent, 'case' => $case, 'kept' => $case->kept(), 'rows' => $rows, 'first' => array_search(false, array_column($rows, 'same'), true), 'script' => $agent->draft->scriptText->script()]);
    }

    /** Keeps a call that took place. */
    public function keep(Request $request, Business $business, Call $call, KeepCase $keep): RedirectResponse
    {
        $given = $request->validate(['title' => ['required', 'string', 'max:120'], 'tied' => ['nullable', 'in:1']], ['title.*' => 'Give the case a name.']);
        if ($call->inProgress()) {
            throw ValidationException::withMessages(['title' => 'The call is still going on. Keep it once it is over.']);
        }
        $case = $keep->of($call, trim($given['title']), isset($given['tied']));

        return redirect()->route('case', [$business, $call->agent, $case])->with('notice', $case->failing() ? 'Kept. On the draft as it is now it does not come out as it did: see below.' : 'Kept as a case. Tick what matters.');
    }

    public function update(Request $request, Business $business, Agent $agent, CasebookCase $case, KeepCase $keep): RedirectResponse
    {
        $request->validate(['title' => ['required', 'string', 'max:120'], 'most_turns' => ['nullable', 'integer', 'between:1,1000']]);
        /** @var array<array-key, mixed> $sent */
        $sent = $request->all();
        $form = new Form($sent);
        $old = $case->kept()->expect;
        $lines = static fn (string $name): array => array_values(array_filter(array_map(trim(...), preg_split('/\R/', $form->text($name)) ?: []), static fn (string $one): bool => $one !== ''));
        $keep->expects($case, new Expectations(array_intersect_key($old->values, array_flip($form->texts('values'))), $form->flag('outcome') ? $old->outcome : null, $lines('says'), $lines('never_says'), $form->words('reaches'), array_values(array_intersect($old->askedOnce, $form->texts('asked_once'))), $form->text('most_turns') === '' ? null : $form->number('most_turns', 20, 1, 1000), array_values(array_intersect($old->sends, $form->texts('sends')))), $form->trimmed('title'), $form->flag('must'));

        return redirect()->route('case', [$business, $agent, $case])->with('notice', 'Kept.');
    }

    public function accept(Business $business, Agent $agent, CasebookCase $case, KeepCase $keep): RedirectResponse
    {
        $keep->accept($case);

        return redirect()->route('case', [$business, $agent, $case])->with('notice', 'What happens now is what must happen from here on.');
    }

    public function destroy(Business $business, Agent $agent, CasebookCase $case): RedirectResponse
    {
        $case->delete();

        return redirect()->route('casebook', [$business, $agent])->with('undo', ['text' => "The case “{$case->kept()->title}” is taken out.", 'action' => route('case.restore', [$business, $agent, $case])]);
    }

    public function restore(Business $business, Agent $agent, CasebookCase $case): RedirectResponse
    {
        $case->restore();

        return redirect()->route('case', [$business, $agent, $case])->with('notice', 'It is back.');
    }

    public function export(Business $business, Agent $agent): JsonResponse
    {
        $cases = [];
        foreach ($agent->cases()->get() as $case) {
            $cases[$case->key] = $case->kept();
        }

        return response()->json((new Casebook("{$agent->key}.json", $cases))->toArray(), 200, ['Content-Disposition' => "attachment; filename=\"{$agent->key}-casebook.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function import(Request $request, Business $business, Agent $agent, KeepCase $keep): RedirectResponse
    {
        $request->validate(['file' => ['required', 'file', 'max:5120']], ['file.*' => 'Choose a casebook, a JSON file of up to 5 MB.']);
        /** @var UploadedFile $file */
        $file = $request->file('file');
        $data = json_decode((string) $file->get(), true);
        try {
            $book = Casebook::fromArray(is_array($data) ? $data : throw new InvalidDocument([['path' => '', 'message' => 'this is not JSON']]));
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['file' => array_map(static fn (array $one): string => ($one['path'] === '' ? '' : "{$one['path']}: ").$one['message'].'.', array_slice($problem->problems, 0, 5))]);
        }
        $made = $keep->bring($agent, $book);
        $failing = count(array_filter($made, static fn (CasebookCase $case): bool => $case->failing()));

        return redirect()->route('casebook', [$business, $agent])->with('notice', count($made).' cases were brought in; '.($failing === 0 ? 'all pass.' : "{$failing} fail on the draft."));
    }
}
