<?php

declare(strict_types=1);

namespace App\Actions\Surveys;

use App\Actions\Design\CreateAgent;
use App\Actions\Design\EditDraft;
use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Survey;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Ringo\Design\ScriptDocument;
use Ringo\Survey\ScriptOfSurvey;
use Ringo\Survey\Survey as Questionnaire;

/** Keeps a survey's questions, and writes them into the script of its agent. */
final readonly class KeepSurvey
{
    private const VOICE = ['engine' => 'flite', 'name' => 'slt', 'pace' => 1.0, 'pitch' => 1.0];

    public function __construct(private CreateAgent $agents, private EditDraft $edit)
    {
    }

    /**
     * @param array<string, mixed> $document a survey that was read without a problem
     *
     * @throws ValidationException
     */
    public function make(Business $business, array $document, string $agentName, User $user): Survey
    {
        $this->agents->checkName($business, $agentName);
        $questionnaire = Questionnaire::fromArray($document);

        return DB::transaction(function () use ($business, $document, $agentName, $user, $questionnaire): Survey {
            $script = ScriptDocument::fromArray((new ScriptOfSurvey)->of($questionnaire, ['name' => $agentName, 'business' => $business->name, 'country' => $business->country, 'tz' => $business->tz, 'voice' => self::VOICE]));
            $agent = $this->agents->from($business, $script, $user, "from the survey {$questionnaire->title}");
            $survey = Survey::query()->create(['business_id' => $business->id, 'agent_id' => $agent->id, 'key' => $this->freeKey($business, $questionnaire->title), 'document' => $document, 'names' => [], 'script_text_id' => Agent::query()->with('draft')->findOrFail($agent->id)->draft->script_text_id]);
            AuditEntry::note($business->id, $user, 'survey made', $questionnaire->title);

            return $survey;
        });
    }

    /**
     * Questions that were changed are written into the draft as a whole.
     *
     * @param array<string, mixed> $document
     * @param bool $over whether changes made to the script by hand may go
     *
     * @throws ValidationException
     */
    public function change(Survey $survey, array $document, bool $over, User $user): void
    {
        $questionnaire = Questionnaire::fromArray($document);
        $agent = Agent::query()->with('draft.scriptText')->findOrFail($survey->agent_id);
        if ($agent->draft->script_text_id !== $survey->script_text_id && ! $over) {
            throw ValidationException::withMessages(['over' => "The script of {$agent->name} was changed by hand since it was written from these questions. Tick that it may be written anew: it can be taken back in the prompt book. Or change it there."]);
        }
        $before = $agent->draft->scriptText->document()->toArray()['agent'];
        DB::transaction(function () use ($survey, $document, $questionnaire, $agent, $before, $user): void {
            $script = (new ScriptOfSurvey)->of($questionnaire, ['name' => $agent->name, 'business' => (string) $before['business'], 'country' => (string) ($before['country'] ?? 'GB'), 'tz' => (string) ($before['tz'] ?? 'Europe/London'), 'voice' => $before['voice'] ?? self::VOICE]);
            [$draft] = $this->edit->apply($agent, $agent->draft->version, "Questions of the survey {$questionnaire->title}", [], static fn (): ScriptDocument => ScriptDocument::fromArray($script), $user);
            $survey->update(['document' => $document, 'script_text_id' => $draft->script_text_id]);
        });
    }

    private function freeKey(Business $business, string $title): string
    {
        $base = substr(Str::slug($title), 0, 34) ?: 'survey';
        for ($key = $base, $n = 2; $key === 'new' || Survey::withTrashed()->where('business_id', $business->id)->where('key', $key)->exists(); $n++) {
            $key = "{$base}-{$n}";
        }

        return $key;
    }
}
