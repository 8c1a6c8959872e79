<?php

declare(strict_types=1);

namespace App\Actions\Design;

use App\Jobs\RunCasebook;
use App\Models\Agent;
use App\Models\Draft;
use App\Models\DraftVersion;
use App\Models\ScriptText;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Ringo\Design\Change;
use Ringo\Design\Changes;
use Ringo\Design\ScriptDocument;

/**
 * Changes a draft. Two people may edit at once: a change to a step that nobody else touched goes through on top of theirs,
 * a change to the same step is refused with what the other did.
 */
final readonly class EditDraft
{
    /**
     * @param int $seen the version the change was made on
     * @param list<string> $touches steps the change concerns; empty where it concerns the whole
     * @param \Closure(ScriptDocument): ScriptDocument $change
     *
     * @return array{Draft, ?string} the draft, and who else had changed it, where somebody had
     *
     * @throws DraftMoved
     * @throws \Ringo\Document\InvalidDocument
     */
    public function apply(Agent $agent, int $seen, string $words, array $touches, \Closure $change, User $user): array
    {
        return DB::transaction(function () use ($agent, $seen, $words, $touches, $change, $user): array {
            // The first statement writes, so that the lock is held before anything is read.
            Draft::query()->where('agent_id', $agent->id)->update(['updated_at' => now()]);
            $draft = Draft::query()->where('agent_id', $agent->id)->with('scriptText')->firstOrFail();
            $current = $draft->scriptText->document();
            $other = $seen === $draft->version ? null : $this->othersSince($agent, $draft, $seen, $touches, $user);
            $changed = $change($current);
            $json = $changed->toJson();
            if ($json === $draft->scriptText->document) {
                return [$draft, $other];
            }
            if (DraftVersion::query()->where('agent_id', $agent->id)->where('version', $draft->version)->doesntExist()) {
                DraftVersion::query()->create(['agent_id' => $agent->id, 'version' => $draft->version, 'script_text_id' => $draft->script_text_id, 'user_id' => $draft->getAttribute('edited_by'), 'words' => 'as it was before the first change here']);
            }
            $text = ScriptText::of($agent, $json);
            $draft->update(['script_text_id' => $text->id, 'version' => $draft->version + 1, 'edited_by' => $user->id]);
            $draft->setRelation('scriptText', $text);
            DraftVersion::query()->create(['agent_id' => $agent->id, 'version' => $draft->version, 'script_text_id' => $text->id, 'user_id' => $user->id, 'words' => mb_substr($words, 0, 250)]);
            $direction = $changed->script->agent->direction;
            if ($agent->name !== $changed->script->agent->name || $agent->direction !== $direction) {
                $agent->update(['name' => $changed->script->agent->name, 'direction' => $direction]);
            }
            if ($agent->cases()->exists()) {
                RunCasebook::dispatch($agent->id)->afterCommit();
            }

            return [$draft, $other];
        });
    }

    /**
     * Takes a change back: the draft is as it was before that version. Only what `undoable` names can be taken back.
     *
     * @throws DraftMoved where something else was changed since
     */
    public function undo(Agent $agent, int $version, User $user): Draft
    {
        if ($this->undoable($agent)?->version !== $version) {
            throw new DraftMoved('Somebody', (int) $agent->draft()->value('version'), []);
        }
        $before = DraftVersion::query()->where('agent_id', $agent->id)->where('version', $version - 1)->with('scriptText')->firstOrFail();
        $undone = DraftVersion::query()->where('agent_id', $agent->id)->where('version', $version)->firstOrFail();

        $draft = $this->apply($agent, $agent->draft()->value('version'), 'undid: '.$undone->words, [], static fn (): ScriptDocument => $before->scriptText->document(), $user)[0];
        DraftVersion::query()->where('agent_id', $agent->id)->where('version', $draft->version)->update(['undoes' => $version]);

        return $draft;
    }

    /** The latest change that has not been taken back yet; null where there is none to take back. */
    public function undoable(Agent $agent): ?DraftVersion
    {
        $version = (int) $agent->draft()->value('version');
        // An undo leads on to the change before the one it took back.
        while (($row = DraftVersion::query()->where('agent_id', $agent->id)->where('version', $version)->first()) !== null && $row->undoes !== null) {
            $version = $row->undoes - 1;
        }

        return $row !== null && $version > 1 && DraftVersion::query()->where('agent_id', $agent->id)->where('version', $version - 1)->exists() ? $row : null;
    }

    /**
     * @param list<string> $touches
     *
     * @throws DraftMoved
     */
    private function othersSince(Agent $agent, Draft $draft, int $seen, array $touches, User $user): string
    {
        $base = DraftVersion::query()->where('agent_id', $agent->id)->where('version', $seen)->with('scriptText')->first();
        $last = DraftVersion::query()->where('agent_id', $agent->id)->where('version', '>', $seen)->orderByDesc('version')->first();
        $by = $last instanceof DraftVersion && $last->user_id === $user->id ? 'Another window of yours' : ($last->user->name ?? 'Somebody');
        $changes = $base === null ? [] : (new Changes)->between($base->scriptText->document(), $draft->scriptText->document());
        $hit = $base === null || $touches === [] || array_filter($changes, static fn (Change $change): bool => $change->step === null ? false : in_array($change->step, $touches, true) && $change->kind !== 'moved') !== [];
        if ($hit) {
            throw new DraftMoved($by, $draft->version, $changes);
        }

        return $by;
    }
}
