<?php

declare(strict_types=1);

namespace App\Actions\Design;

use App\Actions\Casebook\RunCases;
use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\CasebookCase;
use App\Models\Draft;
use App\Models\Release;
use App\Models\ScriptText;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Ringo\Design\Change;
use Ringo\Design\Changes;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Inspector;
use Ringo\Inspection\Severity;

/** Makes a release: a numbered, frozen version of an agent. Errors block it, warnings must be accepted. */
final readonly class ReleaseAgent
{
    public function __construct(private Inspector $inspector, private RunCases $cases)
    {
    }

    public function release(Agent $agent, int $version, string $note, bool $accepts, User $user): Release
    {
        return DB::transaction(function () use ($agent, $version, $note, $accepts, $user): Release {
            Draft::query()->where('agent_id', $agent->id)->update(['updated_at' => now()]);
            $draft = Draft::query()->where('agent_id', $agent->id)->with('scriptText')->firstOrFail();
            if ($draft->version !== $version) {
                throw ValidationException::withMessages(['version' => 'The draft has been changed since this page was opened. Look at what changed, then release it.']);
            }
            $last = $agent->releases()->with('scriptText')->first();
            if ($last instanceof Release && $last->script_text_id === $draft->script_text_id) {
                throw ValidationException::withMessages(['version' => "The draft is the same as release {$last->number}; there is nothing to release."]);
            }
            $this->cases->of($agent);
            $failing = $agent->cases()->get()->filter(static fn (CasebookCase $case): bool => $case->failing() && ($case->kept['must'] ?? false));
            if ($failing->isNotEmpty()) {
                throw ValidationException::withMessages(['version' => 'A case that must pass fails on this draft: “'.$failing->firstOrFail()->kept['title'].'”. Mend it, or say on its page that this is what should happen now.']);
            }
            $findings = $this->inspector->inspect($draft->scriptText->document(), $agent->surroundings());
            $errors = array_filter($findings, Inspector::blocks(...));
            if ($errors !== []) {
                throw ValidationException::withMessages(['version' => count($errors) === 1 ? 'One error stands in the way of a release: '.reset($errors)->message : count($errors).' errors stand in the way of a release. The first: '.reset($errors)->message]);
            }
            $warnings = array_values(array_filter($findings, static fn (Finding $finding): bool => $finding->severity === Severity::Warning));
            if ($warnings !== [] && ! $accepts) {
                throw ValidationException::withMessages(['accept' => 'Tick that the '.(count($warnings) === 1 ? 'warning is' : count($warnings).' warnings are').' accepted, or mend them first.']);
            }

            return $this->make($agent, $draft->scriptText, $note, $user, $last, null, array_map(static fn (Finding $finding): string => $finding->message, $warnings));
        });
    }

    /** Releases an earlier version again; the draft stays as it is unless it is to follow. */
    public function again(Agent $agent, Release $earlier, bool $draftToo, User $user): Release
    {
        return DB::transaction(function () use ($agent, $earlier, $draftToo, $user): Release {
            Draft::query()->where('agent_id', $agent->id)->update(['updated_at' => now()]);
            $last = $agent->releases()->with('scriptText')->first();
            if ($last instanceof Release && $last->script_text_id === $earlier->script_text_id) {
                throw ValidationException::withMessages(['release' => "Release {$last->number} is already the same as release {$earlier->number}."]);
            }
            $release = $this->make($agent, $earlier->scriptText, "Release {$earlier->number} again", $user, $last, $earlier->number, []);
            if ($draftToo) {
                $version = (int) Draft::query()->where('agent_id', $agent->id)->value('version');
                (new EditDraft)->apply($agent, $version, "draft set back to release {$earlier->number}", [], static fn () => $earlier->scriptText->document(), $user);
            }

            return $release;
        });
    }

    /** @param list<string> $accepted */
    private function make(Agent $agent, ScriptText $text, string $note, User $user, ?Release $last, ?int $againOf, array $accepted): Release
    {
        $changes = $last === null ? [] : (new Changes)->between($last->scriptText->document(), $text->document());
        $release = Release::query()->create([
            'agent_id' => $agent->id, 'script_text_id' => $text->id, 'number' => ($last->number ?? 0) + 1, 'note' => trim($note), 'released_by' => $user->id,
            'again_of' => $againOf, 'changes' => array_map(static fn (Change $change): array => $change->toArray(), $changes), 'accepted' => $accepted,
        ]);
        AuditEntry::note($agent->business_id, $user, 'release', "{$agent->name}, release {$release->number}".($againOf === null ? '' : ", which is release {$againOf} again"));

        return $release;
    }
}
