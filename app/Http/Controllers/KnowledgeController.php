<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Knowledge\CheckAnswers;
use App\Actions\Knowledge\FetchPage;
use App\Actions\Knowledge\KeepSource;
use App\Actions\Knowledge\LeaveOut;
use App\Actions\Knowledge\WriteAnswer;
use App\Models\Business;
use App\Models\KnowledgeCheck;
use App\Models\KnowledgePassage;
use App\Models\KnowledgeQuestion;
use App\Models\KnowledgeSource;
use App\Models\KnowledgeTable;
use App\Support\AtOnce;
use App\Support\CurrentAgent;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Knowledge\Care;
use Ringo\Knowledge\Document;
use Ringo\Knowledge\Groups;
use Ringo\Knowledge\Passage;
use Ringo\Knowledge\Reading\UnreadableSource;
use Ringo\Knowledge\Table;
use Ringo\Speech\Spoken;

/** What agents answer from: sources, the bench on which answers are tried, checks, and questions nothing answered. */
final class KnowledgeController
{
    public function __construct(private readonly CurrentAgent $current)
    {
    }

    public function index(Business $business, Groups $groups, Care $care): View
    {
        $open = $business->knowledgeQuestions()->where('state', 'open')->latest('id')->limit(400)->get()->keyBy('id');
        $sources = $business->knowledgeSources()->get();

        return view('knowledge', [
            'business' => $business, 'agent' => $this->current->in($business), 'sources' => $sources, 'spoken' => new Spoken,
            'questions' => $open, 'groups' => $groups->of($open->pluck('question', 'id')->all()),
            'findings' => $sources->sum('words') > 60_000 ? [] : $care->findings($this->documents($business), now($business->tz)->toDateTimeImmutable()),
            'unreached' => KnowledgePassage::query()->where('business_id', $business->id)->where('shown', true)->where('answered', 0)->count(),
            'failing' => $business->knowledgeChecks()->where('passed', false)->count(), 'checks' => $business->knowledgeChecks()->count(),
        ]);
    }

    public function show(Business $business, KnowledgeSource $knowledgeSource): View
    {
        return view('knowledge-source', ['business' => $business, 'agent' => $this->current->in($business), 'source' => $knowledgeSource, 'passages' => $knowledgeSource->passages()->where('kind', '!=', 'table')->paginate(60), 'tables' => KnowledgeTable::query()->where('knowledge_source_id', $knowledgeSource->id)->get(), 'spoken' => new Spoken]);
    }

    public function store(Request $request, Business $business, KeepSource $keep): RedirectResponse
    {
        $given = $request->validate(['file' => ['nullable', 'file', 'max:20480'], 'name' => ['nullable', 'string', 'max:120'], 'text' => ['nullable', 'string', 'max:2000000'], 'kind' => ['nullable', 'in:document,questions,table']], ['file.max' => 'Files up to 20 MB can be brought in.']);
        $file = $request->file('file');
        try {
            if ($file instanceof UploadedFile) {
                $source = $keep->keep($business, mb_substr(Str::ascii($file->getClientOriginalName()), 0, 120), 'document', (string) $file->get());
            } else {
                $text = trim((string) ($given['text'] ?? ''));
                if ($text === '') {
                    throw new UnreadableSource('Choose a file, or paste what is to be answered from.');
                }
                $kind = $given['kind'] ?? 'document';
                $name = Str::slug((string) ($given['name'] ?? '')) ?: 'notes-'.now()->format('Y-m-d-His');
                $source = $keep->keep($business, $name.($kind === 'table' && ! str_contains($text, '|--') && ! str_contains($text, '| -') ? '.csv' : '.md'), $kind, $text);
            }
        } catch (UnreadableSource $problem) {
            throw ValidationException::withMessages(['source' => $problem->getMessage()]);
        }

        AtOnce::Knowledge->note($business, "“{$source->name}” added");

        return redirect()->route('knowledge.source', [$business, $source])->with('notice', "“{$source->name}” is kept: {$source->pieces} ".($source->pieces === 1 ? 'piece' : 'pieces').'. It counts from the next question on.');
    }

    public function update(Request $request, Business $business, KnowledgeSource $knowledgeSource, KeepSource $keep): RedirectResponse
    {
        $given = $request->validate(['text' => ['required', 'string', 'max:4000000']]);
        try {
            $keep->keep($business, $knowledgeSource->name, $knowledgeSource->kind, $given['text'], null, $knowledgeSource);
        } catch (UnreadableSource $problem) {
            throw ValidationException::withMessages(['text' => $problem->getMessage().' What you wrote is still here.']);
        }

        AtOnce::Knowledge->note($business, "“{$knowledgeSource->name}” rewritten");

        return redirect()->route('knowledge.source', [$business, $knowledgeSource])->with('notice', 'Kept as version '.$knowledgeSource->refresh()->version.'. It counts from the next question on.');
    }

    public function destroy(Business $business, KnowledgeSource $knowledgeSource, KeepSource $keep): RedirectResponse
    {
        $keep->remove($knowledgeSource);

        AtOnce::Knowledge->note($business, "“{$knowledgeSource->name}” taken out");

        return redirect()->route('knowledge', $business)->with('undo', ['text' => "“{$knowledgeSource->name}” was taken out; agents no longer answer from it.", 'action' => route('knowledge.restore', [$business, $knowledgeSource])]);
    }

    public function restore(Business $business, KnowledgeSource $knowledgeSource, KeepSource $keep): RedirectResponse
    {
        $knowledgeSource->restore();
        $keep->restore($knowledgeSource);

        AtOnce::Knowledge->note($business, "“{$knowledgeSource->name}” put back");

        return redirect()->route('knowledge', $business)->with('notice', "“{$knowledgeSource->name}” is back.");
    }

    public function leaveOut(Request $request, Business $business, KnowledgeSource $knowledgeSource, LeaveOut $leave): RedirectResponse
    {
        $given = $request->validate(['passage' => ['required', 'integer']]);
        $passage = $knowledgeSource->passages()->find($given['passage']);
        if (! $passage instanceof KnowledgePassage) {
            return back()->withErrors(['passage' => "“{$knowledgeSource->name}” has been changed meanwhile and that passage is no longer there. Nothing was left out; look again."]);
        }
        $mark = $leave->out($knowledgeSource, $passage);
        $name = $passage->heading !== '' ? "“{$passage->heading}” of “{$knowledgeSource->name}”" : "A passage of “{$knowledgeSource->name}”";
        AtOnce::Knowledge->note($business, "{$name} left out");

        return back()->with('undo', ['text' => "{$name} is left out: agents no longer answer from it. The source is as it was.", 'action' => route('knowledge.put-back', [$business, $knowledgeSource, 'mark' => $mark])]);
    }

    public function putBack(Request $request, Business $business, KnowledgeSource $knowledgeSource, LeaveOut $leave): RedirectResponse
    {
        $given = $request->validate(['mark' => ['required', 'string', 'max:40']]);
        if (! $leave->back($knowledgeSource, $given['mark'])) {
            return back()->withErrors(['passage' => 'That passage is not left out any more.']);
        }
        AtOnce::Knowledge->note($business, "a passage of “{$knowledgeSource->name}” put back");

        return back()->with('notice', 'It is answered from again.');
    }

    public function fetch(Request $request, Business $business, FetchPage $fetch): RedirectResponse
    {
        $given = $request->validate(['url' => ['required', 'string', 'max:400']]);
        try {
            $made = $fetch->fetch($business, $given['url']);
        } catch (UnreadableSource $problem) {
            throw ValidationException::withMessages(['source' => $problem->getMessage()]);
        }
        $changed = array_filter($made, static fn (KnowledgeSource $one): bool => $one->version > 1 && $one->wasChanged('version'));

        AtOnce::Knowledge->note($business, count($made).' pages fetched');

        return count($made) === 1
            ? redirect()->route('knowledge.source', [$business, $made[0]])->with('notice', $made[0]->wasRecentlyCreated ? 'The page is fetched.' : ($changed === [] ? 'The page has not changed.' : 'The page has changed; what came and went is shown below.'))
            : redirect()->route('knowledge', $business)->with('notice', count($made).' pages were fetched, '.count($changed).' of them changed.');
    }

    public function hosts(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['hosts' => ['nullable', 'string', 'max:1000'], 'own_words' => ['nullable', 'string', 'max:4000']]);
        $lines = static fn (?string $text): array => array_values(array_filter(array_map(trim(...), preg_split('/[\r\n]+/', (string) $text) ?: [])));
        $business->update(['knowledge_hosts' => array_map(strtolower(...), $lines(str_replace(',', "\n", (string) ($given['hosts'] ?? '')))), 'own_words' => $lines($given['own_words'] ?? ''), 'knowledge_version' => $business->knowledge_version + 1]);

        return redirect()->route('knowledge', $business)->with('notice', 'Kept.');
    }

    public function bench(Request $request, Business $business, CheckAnswers $checks): View
    {
        $asked = trim(Input::text($request, 'q'));
        $known = trim(Input::text($request, 'known'));

        return view('knowledge-bench', [
            'business' => $business, 'agent' => $this->current->in($business), 'asked' => $asked, 'known' => $known, 'spoken' => new Spoken,
            'answer' => $asked === '' ? null : $checks->ask($business, mb_substr($asked, 0, 300), $known), 'checks' => $business->knowledgeChecks()->get(), 'result' => session('result'),
        ]);
    }

    public function keepCheck(Request $request, Business $business, CheckAnswers $checks): RedirectResponse
    {
        $given = $request->validate(['question' => ['required', 'string', 'max:300'], 'holds' => ['nullable', 'string', 'max:300'], 'refused' => ['nullable', 'in:1']]);
        if (($given['refused'] ?? '') !== '1' && trim((string) ($given['holds'] ?? '')) === '') {
            throw ValidationException::withMessages(['holds' => 'Write words the answer must hold, or tick that it must be refused.']);
        }
        KnowledgeCheck::query()->updateOrCreate(['business_id' => $business->id, 'question' => $given['question']], ['holds' => (string) ($given['holds'] ?? ''), 'refused' => ($given['refused'] ?? '') === '1', 'passed' => null, 'passed_before' => null]);

        return redirect()->route('knowledge.bench', [$business, 'q' => $given['question']])->with('result', $checks->run($business));
    }

    public function runChecks(Business $business, CheckAnswers $checks): RedirectResponse
    {
        return redirect()->route('knowledge.bench', $business)->with('result', $checks->run($business));
    }

    public function dropCheck(Business $business, KnowledgeCheck $knowledgeCheck): RedirectResponse
    {
        $knowledgeCheck->delete();

        return redirect()->route('knowledge.bench', $business)->with('notice', 'The check “'.$knowledgeCheck->question.'” is taken out.');
    }

    /** 'Write the answer here': the answer becomes a question with answer of the business, and the questions are settled. */
    public function write(Request $request, Business $business, WriteAnswer $write): RedirectResponse
    {
        $given = $request->validate(['question' => ['required', 'string', 'max:300'], 'answer' => ['required', 'string', 'max:3000'], 'ids' => ['required', 'string', 'max:4000']], ['answer.required' => 'Write the answer, as it should be said.']);
        try {
            $write->of($business, $given['question'], $given['answer']);
        } catch (UnreadableSource $problem) {
            throw ValidationException::withMessages(['answer' => $problem->getMessage()]);
        }
        $this->settle($business, $given['ids'], 'written');

        AtOnce::Knowledge->note($business, 'an answer written');

        return redirect()->route('knowledge', $business)->with('notice', 'The answer is written. It counts from the next question on.');
    }

    public function setAside(Request $request, Business $business): RedirectResponse
    {
        $given = $request->validate(['ids' => ['required', 'string', 'max:4000']]);
        $this->settle($business, $given['ids'], 'set aside');

        return redirect()->route('knowledge', $business)->with('notice', 'Set aside. It is counted again when somebody asks it.');
    }

    private function settle(Business $business, string $ids, string $state): void
    {
        KnowledgeQuestion::query()->where('business_id', $business->id)->whereIn('id', array_map(intval(...), explode(',', $ids)))->update(['state' => $state]);
    }

    /** @return list<Document> */
    private function documents(Business $business): array
    {
        $documents = [];
        foreach ($business->knowledgeSources()->with('passages')->get() as $source) {
            $documents[] = new Document(
                $source->name,
                array_values($source->getRelation('passages')->map(static fn (KnowledgePassage $row): Passage => new Passage($source->name, $row->heading, $row->path, $row->sentences, $row->kind === 'qa' ? 'qa' : 'prose', $row->leads_to))->all()),
                array_values(KnowledgeTable::query()->where('knowledge_source_id', $source->id)->get()->map(static fn (KnowledgeTable $table): Table => new Table($source->name, $table->heading, $table->columns, $table->rows))->all()),
            );
        }

        return $documents;
    }
}
