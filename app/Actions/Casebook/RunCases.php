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
use Ringo\Dialogue\Engine;
use Ringo\Diary\Diaries;
use Ringo\Document\InvalidDocument;
use Ringo\Rehearsal\Casebook\Trial;
use Ringo\Rehearsal\Casebook\Verdict;
use Ringo\Rehearsal\SketchBook;
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
        $ran = 0;
        foreach (CasebookCase::query()->where('agent_id', $agent->id)->orderBy('key')->limit(self::AT_ONCE)->get() as $case) {
            if ($case instanceof CasebookCase && ($all || ($case->result['text'] ?? null) !== $text->id)) {
                $this->one($agent, $case, $text);
                $ran++;
            }
        }

        return $ran;
    }

    public function one(Agent $agent, CasebookCase $case, ScriptText $text): Verdict
    {
        $before = $case->result;
        $verdict = $this->verdict($agent, $case, $text);
        $broke = $verdict->passed() ? null : (($before['passed'] ?? true) === false && ($before['broke'] ?? null) !== null ? $before['broke'] : $this->broke($agent, $case));
        $case->update(['result' => [
            'text' => $text->id, 'passed' => $verdict->passed(), 'failures' => $verdict->failures, 'turns' => array_map(static fn (Turn $turn): array => $turn->toArray(), $verdict->call->transcript->turns),
            'outcome' => $verdict->call->state->outcome, 'unused' => $verdict->unused, 'at' => now()->format('c'), 'broke' => $broke,
        ]]);

        return $verdict;
    }

    public function verdict(Agent $agent, CasebookCase $case, ScriptText $text): Verdict
    {
        return (new Trial($this->engine($agent, $text)))->of($case->kept());
    }

    /**
     * The change of the draft since which the case fails, by halving between the first version that is kept and the last.
     *
     * @return ?array{words: string, by: ?string, version: int} null where it never passed, or nothing was changed
     */
    private function broke(Agent $agent, CasebookCase $case): ?array
    {
        $versions = DraftVersion::query()->where('agent_id', $agent->id)->with('scriptText', 'user')->orderBy('version')->get()->values();
        if ($versions->count() < 2 || ! $this->passes($agent, $case, $versions[0]->scriptText)) {
            return null;
        }
        $good = 0;
        $bad = $versions->count() - 1;
        while ($bad - $good > 1) {
            $middle = intdiv($good + $bad, 2);
            $this->passes($agent, $case, $versions[$middle]->scriptText) ? $good = $middle : $bad = $middle;
        }
        $change = $versions[$bad];

        return ['words' => $change->words, 'by' => $change->user?->name, 'version' => $change->version];
    }

    private function passes(Agent $agent, CasebookCase $case, ScriptText $text): bool
    {
        try {
            return $this->verdict($agent, $case, $text)->passed();
        } catch (InvalidDocument) {
            return false;
        }
    }

    private function engine(Agent $agent, ScriptText $text): Engine
    {
        return Engine::for(
            $text->script(),
            $this->switchboard->business($agent->business, true),
            $this->knowledge->forCalls($agent->business),
            appointments: new SketchBook(Diaries::fromArray($this->diaries->document($agent->business))),
            errands: $agent->business->errandDesigns(),
        );
    }
}
