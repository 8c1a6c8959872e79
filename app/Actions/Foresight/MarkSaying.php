<?php

declare(strict_types=1);

namespace App\Actions\Foresight;

use App\Actions\Design\EditDraft;
use App\Actions\Transfers\LearnExamples;
use App\Models\Agent;
use App\Models\SayingMark;
use App\Models\Team;
use App\Models\User;
use Illuminate\Validation\ValidationException;
use Ringo\Design\ScriptDocument;
use Ringo\Rehearsal\Does;

/** Marks something callers say with what the agent should do with it; where it belongs elsewhere, the topic or team learns it. */
final readonly class MarkSaying
{
    public function __construct(private LookAhead $look, private EditDraft $edit, private LearnExamples $learn)
    {
    }

    public function right(Agent $agent, string $said, User $user): void
    {
        $now = $this->look->one($agent, $agent->draft->scriptText, $said);
        $this->keep($agent, $said, $now->does, $now->target, $user);
    }

    public function notOurs(Agent $agent, string $said, User $user): void
    {
        $this->keep($agent, $said, Does::Nothing, '', $user);
    }

    public function none(Agent $agent, string $said): void
    {
        SayingMark::query()->where('agent_id', $agent->id)->where('said_hash', SayingMark::hash($said))->delete();
    }

    /**
     * @param string $target `team:KEY`, or the key of a topic
     *
     * @throws \App\Actions\Design\DraftMoved
     * @throws ValidationException where there is no such topic or team
     */
    public function belongs(Agent $agent, string $said, string $target, User $user): void
    {
        if (str_starts_with($target, 'team:')) {
            $team = Team::query()->where('business_id', $agent->business_id)->where('key', substr($target, 5))->first() ?? throw ValidationException::withMessages(['target' => 'There is no such team any more.']);
            $this->learn->example($team, $said, 'foreseen', 'counts', null, $user);
            $this->keep($agent, $said, Does::Transfer, $target, $user);

            return;
        }
        $this->teach($agent, $said, $target, $user);
        $this->keep($agent, $said, Does::Topic, $target, $user);
    }

    /** The saying becomes one of the topic's own, in the draft. */
    private function teach(Agent $agent, string $said, string $topic, User $user): void
    {
        $found = false;
        $this->edit->apply($agent, $agent->draft->version, "“{$said}” belongs to {$topic}", [], static function (ScriptDocument $document) use ($said, $topic, &$found): ScriptDocument {
            $data = $document->toArray();
            foreach ($data['steps'] as $n => $step) {
                foreach ($step['topics'] ?? [] as $m => $one) {
                    if ($one['key'] === $topic) {
                        $found = true;
                        $data['steps'][$n]['topics'][$m]['phrases'] = array_values(array_unique([...($one['phrases'] ?? []), $said]));
                    }
                }
            }

            return ScriptDocument::fromArray($data);
        }, $user);
        if (! $found) {
            throw ValidationException::withMessages(['target' => "There is no topic “{$topic}” in the draft any more."]);
        }
    }

    private function keep(Agent $agent, string $said, Does $does, string $target, User $user): void
    {
        SayingMark::query()->updateOrCreate(['agent_id' => $agent->id, 'said_hash' => SayingMark::hash($said)], ['said' => $said, 'does' => $does, 'target' => $target, 'user_id' => $user->id]);
    }
}
