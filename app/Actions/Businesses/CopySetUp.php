<?php

declare(strict_types=1);

namespace App\Actions\Businesses;

use App\Actions\Design\CreateAgent;
use App\Actions\Errands\KeepErrand;
use App\Actions\Knowledge\KeepSource;
use App\Models\Agent;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\DeliveryRule;
use App\Models\Errand;
use App\Models\KnowledgeSource;
use App\Models\Team;
use App\Models\User;
use App\Support\WholeNames;
use Illuminate\Support\Facades\DB;
use Ringo\Knowledge\Reading\UnreadableSource;

/**
 * Brings parts of another business's set-up into a new one: never its callers, calls, people, secrets or files.
 *
 * The old business's name is replaced where it stands as a whole name. What then still speaks of it, and what a rule names that is not
 * there, are findings of the inspection.
 */
final readonly class CopySetUp
{
    public const PARTS = ['agents' => 'agents, as drafts', 'teams' => 'teams, without people', 'knowledge' => 'knowledge', 'rules' => 'delivery rules, switched off', 'errands' => 'errands, without their secrets'];

    public function __construct(private CreateAgent $agents, private KeepSource $sources, private KeepErrand $errands)
    {
    }

    /**
     * @param list<string> $parts of PARTS
     *
     * @return array<string, int> how many of each came
     */
    public function into(Business $to, Business $from, array $parts, User $user): array
    {
        $names = new WholeNames([$from->name => $to->name, $from->brief()->spoken => $to->brief()->spoken ?: $to->name]);
        $came = [];
        $agents = [];
        DB::transaction(function () use ($to, $from, $parts, $user, $names, &$came, &$agents): void {
            if (in_array('errands', $parts, true)) {
                $came['errands'] = $from->errands()->get()->each(fn (Errand $one) => $this->errands->of($to, null, $names->in($one->design()->toArray()), null))->count();
            }
            if (in_array('teams', $parts, true)) {
                $came['teams'] = $from->teams()->get()->each(static fn (Team $one) => Team::query()->create(['business_id' => $to->id, 'hours' => []] + $names->in($one->only(['key', 'name', 'description', 'examples', 'ring', 'seconds', 'waiting_most']))))->count();
            }
            if (in_array('agents', $parts, true)) {
                $all = $from->agents()->get();
                $came['agents'] = $all->count();
                foreach ($all as $one) {
                    $agents[$one->id] = $this->agents->from($to, $this->agents->fitted($one->draft->scriptText->document(), $to, $one->name), $user, "a copy from {$from->name}");
                }
            }
            if (in_array('rules', $parts, true)) {
                $came['rules'] = $this->rules($to, $from, $names, $agents);
            }
            AuditEntry::note($to->id, $user, 'set-up copied', "from {$from->name}: ".implode(', ', array_map(static fn (string $part, int $n): string => "{$n} {$part}", array_keys($came), $came)));
        });
        // Documents are read and indexed one by one, outside the transaction: calls that ring are not held up.
        if (in_array('knowledge', $parts, true)) {
            $came['knowledge'] = $this->knowledge($to, $from, $names);
        }

        return $came;
    }

    /** @param array<int, Agent> $agents the new one, by the old one's id */
    private function rules(Business $to, Business $from, WholeNames $names, array $agents): int
    {
        $n = 0;
        foreach ($from->deliveryRules()->get() as $rule) {
            if ($rule->agent_id !== null && ! isset($agents[$rule->agent_id])) {
                continue;
            }
            // Where it goes and with what secret is the other client's business: to be filled in, until then it is off.
            DeliveryRule::query()->create($names->in($rule->only(['name', 'kind', 'subject', 'words', 'when', 'timing', 'cancel_outcomes', 'mapping'])) + ['business_id' => $to->id, 'agent_id' => $rule->agent_id === null ? null : $agents[$rule->agent_id]->id, 'to' => in_array($rule->kind, ['web'], true) || str_contains($rule->to, '@') ? '' : $rule->to, 'active' => false]);
            $n++;
        }

        return $n;
    }

    private function knowledge(Business $to, Business $from, WholeNames $names): int
    {
        $n = 0;
        /** @var KnowledgeSource $source */
        foreach ($from->knowledgeSources()->where('kind', '!=', 'brief')->get() as $source) {
            try {
                $this->sources->keep($to, $source->name, $source->kind === 'page' ? 'document' : $source->kind, $names->text($source->text));
                $n++;
            } catch (UnreadableSource) {
                continue;
            }
        }
        $to->update(['own_words' => $from->own_words]);

        return $n;
    }
}
