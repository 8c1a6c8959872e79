<?php

declare(strict_types=1);

namespace App\Actions\Casebook;

use App\Actions\Diary\DiariesOf;
use App\Actions\Knowledge\KnowledgeOf;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\Agent;
use App\Models\CasebookCase;
use App\Models\DraftVersion;
use App\Models\ScriptText;
use Ringo\Document\InvalidDocument;
use Ringo\Rehearsal\Casebook\Verdict;
use Ringo\Transcript\Turn;

/** Rings the cases of an agent on its draft, and finds the change of the draft that broke one. */
final readonly class RunCases
{
    /** Cases that a page waits for; the rest are run by the next look. */
    private const AT_ONCE = 250;

    public function __construct(private SwitchboardOf $switchboard, private KnowledgeOf $knowledge, private DiariesOf $diaries)
    {
    }

    /**
     * Those that were not run on the draft as it is now, or all of them.
     *
     * @return int how many were run
     */
    public function of(Agent $agent, bool $all = false): int
    {
        $agent->loadMissing('draft.scriptText', 'business');
        $text = $agent->draft->scriptText;
        $trials = $this->trials($agent);
        $ran = 0;
        foreach (CasebookCase::query()->where('agent_id', $agent->id)->orderBy('key')->limit(self::AT_ONCE)->get() as $case) {
            if ($case instanceof CasebookCase && ($all || ($case->result['text'] ?? null) !== $text->id)) {
                $this->one($agent, $case, $text, $trials);
                $ran++;
            }
        }

        return $ran;
    }

    public function one(Agent $agent, CasebookCase $case, ScriptText $text, ?Trials $trials = null): Verdict
    {
        $trials ??= $this->trials($agent);
        $before = $case->result;
        $verdict = $trials->on($text)->of($case->kept());
        $broke = $verdict->passed() ? null : (($before['passed'] ?? true) === false && ($before['broke'] ?? null) !== null ? $before['broke'] : $this->broke($agent, $case, $trials));
        $case->update(['result' => [
            'text' => $text->id, 'passed' => $verdict->passed(), 'failures' => $verdict->failures, 'turns' => array_map(static fn (Turn $turn): array => $turn->toArray(), $verdict->call->transcript->turns),
            'outcome' => $verdict->call->state->outcome, 'unused' => $verdict->unused, 'at' => now()->format('c'), 'broke' => $broke,
        ]]);

        return $verdict;
    }

    public function verdict(Agent $agent, CasebookCase $case, ScriptText $text): Verdict
    {
        return $this->trials($agent)->on($text)->of($case->kept());
    }

    /**
     * The change of the draft since which the case fails, by halving between the first version that is kept and the last.
     *
     * @return ?array{words: string, by: ?string, version: int} null where it never passed, or nothing was changed
     */
    private function broke(Agent $agent, CasebookCase $case, Trials $trials): ?array
    {
        $versions = DraftVersion::query()->where('agent_id', $agent->id)->with('scriptText', 'user')->orderBy('version')->get()->values();
        if ($versions->count() < 2 || ! $this->passes($trials, $case, $versions[0]->scriptText)) {
            return null;
        }
        $good = 0;
        $bad = $versions->count() - 1;
        while ($bad - $good > 1) {
            $middle = intdiv($good + $bad, 2);
            $this->passes($trials, $case, $versions[$middle]->scriptText) ? $good = $middle : $bad = $middle;
        }
        $change = $versions[$bad];

        return ['words' => $change->words, 'by' => $change->user?->name, 'version' => $change->version];
    }

    private function passes(Trials $trials, CasebookCase $case, ScriptText $text): bool
    {
        try {
            return $trials->on($text)->of($case->kept())->passed();
        } catch (InvalidDocument) {
            return false;
        }
    }

    private function trials(Agent $agent): Trials
    {
        return new Trials($agent, $this->switchboard, $this->knowledge, $this->diaries);
    }
}
