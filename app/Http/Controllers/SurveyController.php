<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Surveys\KeepSurvey;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Survey;
use App\Models\User;
use App\Support\CurrentAgent;
use App\Support\Input;
use App\Support\SurveyForm;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Ringo\Survey\Survey as Questionnaire;

/** Surveys: questions that become a script. What they found is SurveyResultsController's. */
final class SurveyController
{
    private const RULES = ['title' => ['required', 'string', 'max:120'], 'about' => ['required', 'string', 'max:160'], 'questions' => ['required', 'array', 'max:40'], 'questions.*.ask' => ['nullable', 'string', 'max:400'], 'questions.*.options' => ['nullable', 'string', 'max:600'], 'questions.*.examples' => ['nullable', 'string', 'max:2000'], 'welcome' => ['nullable', 'string', 'max:400'], 'consent' => ['nullable', 'string', 'max:400'], 'thanks' => ['nullable', 'string', 'max:400'], 'use' => ['nullable', 'string', 'max:400']];

    private const WORDS = ['title.required' => 'Give the survey a name.', 'about.required' => 'Say what it is about: it is said to whoever is rung.', 'questions.required' => 'Write at least one question.', 'questions.max' => 'Nobody stays on the telephone for more than 40 questions.'];

    /** A file of questions larger than this is none. */
    private const FILE_KB = 256;

    public function __construct(private readonly CurrentAgent $current, private readonly KeepSurvey $keep, private readonly SurveyForm $form)
    {
    }

    public function create(Business $business): View
    {
        return view('survey-form', ['business' => $business, 'agent' => $this->current->in($business), 'survey' => null, 'document' => [], 'rows' => $this->form->rows(['questions' => [['kind' => 'scale'], ['kind' => 'spoken']]]), 'changed' => false]);
    }

    public function store(Request $request, Business $business): RedirectResponse
    {
        $request->validate(['agent' => ['required', 'string', 'max:40', 'regex:/\S/'], 'file' => ['nullable', 'file', 'max:'.self::FILE_KB]], ['agent.required' => 'Say what the agent that asks is called.', 'file.max' => 'A file of questions has at most 256 kB.']);
        /** @var ?UploadedFile $file */
        $file = $request->file('file');
        $document = $file === null ? $this->given($request) : $this->brought($file);
        $survey = $this->keep->make($business, $document, trim(Input::text($request, 'agent')), $this->me($request));

        return redirect()->route('survey.edit', [$business, $survey])->with('notice', "{$survey->agent->name}’s script is written. Ring it, release it, then launch a campaign with it.");
    }

    public function edit(Business $business, Survey $survey): View
    {
        $survey->load('agent.draft');

        return view('survey-form', ['business' => $business, 'agent' => $this->current->remember($survey->agent), 'survey' => $survey, 'document' => $survey->document, 'rows' => $this->form->rows($survey->document), 'changed' => $survey->agent->draft->script_text_id !== $survey->script_text_id]);
    }

    public function update(Request $request, Business $business, Survey $survey): RedirectResponse
    {
        $this->keep->change($survey, $this->given($request), $request->boolean('over'), $this->me($request));

        return redirect()->route('survey.edit', [$business, $survey])->with('notice', 'Kept, and written into the draft. Release it for it to be asked so.');
    }

    /** The questions, in the format of surveys. */
    public function document(Business $business, Survey $survey): JsonResponse
    {
        return response()->json($survey->document, 200, ['Content-Disposition' => "attachment; filename=\"{$survey->key}.json\""], JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }

    public function destroy(Request $request, Business $business, Survey $survey): RedirectResponse
    {
        $survey->delete();
        AuditEntry::note($business->id, $this->me($request), 'survey taken away', $survey->questionnaire()->title);

        return redirect()->route('outreach', $business)->with('undo', ['text' => 'The survey was taken away. Its agent and its calls stay.', 'action' => route('survey.restore', [$business, $survey])]);
    }

    public function restore(Business $business, Survey $survey): RedirectResponse
    {
        $survey->restore();

        return redirect()->route('survey', [$business, $survey])->with('notice', 'The survey is back.');
    }

    /** @return array<string, mixed> */
    private function given(Request $request): array
    {
        $request->validate(self::RULES, self::WORDS);

        return $this->sound($this->form->document($request->all()));
    }

    /** @return array<string, mixed> */
    private function brought(UploadedFile $file): array
    {
        $data = json_decode((string) file_get_contents((string) $file->getRealPath()), true, 16);
        if (! is_array($data)) {
            throw ValidationException::withMessages(['file' => 'This is no JSON document of a survey.']);
        }

        return $this->sound($data);
    }

    /**
     * @param array<array-key, mixed> $document
     *
     * @return array<string, mixed>
     */
    private function sound(array $document): array
    {
        try {
            Questionnaire::fromArray($document);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['questions' => array_map(static fn (array $one): string => ucfirst(trim(SurveyForm::place($one['path'])." {$one['message']}.")), array_slice($problem->problems, 0, 8))]);
        }

        /** @var array<string, mixed> $document */
        return $document;
    }

    private function me(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }
}
