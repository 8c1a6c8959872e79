<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Surveys\GroupAnswers;
use App\Actions\Surveys\PeopleOf;
use App\Actions\Surveys\SurveyFiles;
use App\Models\Business;
use App\Models\Call;
use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\Survey;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Ringo\Format\Csv;
use Ringo\Format\Xlsx;
use Ringo\Survey\QuestionKind;
use Ringo\Survey\Results;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** What a survey found, while it runs and after: counts, what was said and by how many, files, and a report to print. */
final class SurveyResultsController
{
    public function __construct(private readonly CurrentAgent $current, private readonly PeopleOf $people, private readonly GroupAnswers $groups, private readonly SurveyFiles $files)
    {
    }

    public function show(Request $request, Business $business, Survey $survey): View
    {
        $survey->load('agent');

        return view('survey', ['agent' => $this->current->remember($survey->agent)] + $this->found($request, $business, $survey));
    }

    /** A page to print, with how it was asked in words. */
    public function report(Request $request, Business $business, Survey $survey): View
    {
        $survey->load('agent');

        return view('survey-report', $this->found($request, $business, $survey));
    }

    public function name(Request $request, Business $business, Survey $survey): RedirectResponse
    {
        $given = $request->validate(['question' => ['required', 'string', 'max:60'], 'name' => ['nullable', 'string', 'max:60'], 'like' => ['required', 'array', 'max:200'], 'like.*' => ['string', 'max:2000']]);
        abort_unless(($survey->questionnaire()->questions[$given['question']] ?? null)?->kind === QuestionKind::Spoken, 404);
        $this->groups->name($survey, $given['question'], trim((string) ($given['name'] ?? '')), array_values($given['like']));

        return redirect()->to(route('survey', [$business, $survey])."#{$given['question']}");
    }

    public function csv(Business $business, Survey $survey): StreamedResponse
    {
        $survey->setRelation('business', $business);

        return response()->streamDownload(function () use ($survey): void {
            foreach ($this->files->rows($survey) as $row) {
                echo Csv::line($row);
            }
        }, "{$survey->key}.csv", ['Content-Type' => 'text/csv; charset=utf-8']);
    }

    public function xlsx(Business $business, Survey $survey): BinaryFileResponse
    {
        $survey->setRelation('business', $business);
        $path = (string) tempnam(sys_get_temp_dir(), 'survey');
        (new Xlsx)->write($path, $this->files->rows($survey), 'Answers');

        return response()->download($path, "{$survey->key}.xlsx", ['Content-Type' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'])->deleteFileAfterSend();
    }

    /** All spoken answers to be heard, with a list of them. */
    public function sounds(Business $business, Survey $survey): BinaryFileResponse
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'sounds');
        $this->files->zip($survey, $path);

        return response()->download($path, "{$survey->key}-spoken.zip", ['Content-Type' => 'application/zip'])->deleteFileAfterSend();
    }

    public function sound(Business $business, Survey $survey, string $question, string $ref): BinaryFileResponse
    {
        $asked = $survey->questionnaire()->questions[$question] ?? null;
        $call = Call::query()->with('record')->where('agent_id', $survey->agent_id)->where('ref', $ref)->first();
        $said = $asked?->kind === QuestionKind::Spoken ? ($call?->record->cells[$question]['value'] ?? null) : null;
        if (! $call instanceof Call || ! is_string($said)) {
            abort(404);
        }
        $sound = $this->files->sound($call->id, $question, $said) ?? abort(503, 'The voice programs are not installed; the words are shown instead.');

        return response()->file($sound['path'], ['Content-Type' => 'audio/wav', 'Cache-Control' => 'private, max-age=86400']);
    }

    /** @return array<string, mixed> */
    private function found(Request $request, Business $business, Survey $survey): array
    {
        $results = $this->people->results($survey);
        $by = is_string($request->query('by')) && in_array($request->query('by'), $results->facts(), true) ? $request->query('by') : null;
        $campaigns = Campaign::query()->where('business_id', $business->id)->where('agent_id', $survey->agent_id)->whereNotNull('launched_at')->orderBy('id')->get();
        $people = CampaignPerson::query()->whereIn('campaign_id', $campaigns->pluck('id')->all());
        $groups = [];
        foreach ($survey->questionnaire()->questions as $key => $question) {
            if ($question->kind === QuestionKind::Spoken) {
                $groups[$key] = $this->groups->of($survey, $key, $results->of($key)['spoken']);
            }
        }

        return [
            'business' => $business, 'survey' => $survey, 'questionnaire' => $survey->questionnaire(), 'results' => $results, 'groups' => $groups, 'by' => $by, 'campaigns' => $campaigns, 'talked' => $this->talked($results),
            'rung' => ['listed' => (clone $people)->count(), 'rung' => (clone $people)->where('attempts', '>', 0)->count(), 'reached' => (clone $people)->whereIn('state', [CampaignPerson::REACHED, CampaignPerson::OPTED_OUT])->count()],
        ];
    }

    private function talked(Results $results): int
    {
        return array_sum($results->states);
    }
}
