<?php

declare(strict_types=1);

namespace App\Actions\Foresight;

use App\Actions\Knowledge\KnowledgeOf;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\Agent;
use App\Models\Business;
use App\Models\OwnTrade;
use App\Models\Person;
use App\Models\SayingMark;
use App\Models\ScriptText;
use App\Models\Team;
use App\Models\TeamExample;
use Illuminate\Support\Facades\Cache;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Fit\Meaning;
use Ringo\Rehearsal\Foreseen;
use Ringo\Rehearsal\Foresight;
use Ringo\Trade\Commonness;
use Ringo\Trade\FactsAsked;
use Ringo\Trade\Trade;

/**
 * Tries on an agent what callers of its trades say, and counts what it deals with.
 *
 * Each saying is a call of its own on the real engine, with the business's teams, people and knowledge; everybody is taken to be there.
 */
final readonly class LookAhead
{
    /** Sayings a page begins with; the rest is shown when asked for. */
    public const SHOWN = 60;

    private const KEPT_SECONDS = 86_400;

    /** The moment at which it is tried: within anybody's opening hours. */
    private const AT = '2026-03-10T10:00';

    public function __construct(private TradesOf $trades, private SwitchboardOf $switchboard, private KnowledgeOf $knowledge)
    {
    }

    public function of(Agent $agent, ScriptText $text, bool $all = false): Outlook
    {
        $trades = array_values(array_filter(array_map($this->trades->library($agent->business)->of(...), $this->trades->chosen($agent))));
        $sayings = (new Commonness(Meaning::english()))->order(array_merge(...array_map(static fn (Trade $trade): array => array_column($trade->sayings, 'said'), $trades)));
        $questions = array_values(array_unique(array_merge(...array_map(static fn (Trade $trade): array => array_column($trade->questions, 'q'), $trades))));
        $shown = $all ? $sayings : array_slice($sayings, 0, self::SHOWN);
        $rows = $this->foreseen($agent, $text, [...$shown, ...$questions]);
        $facts = (new FactsAsked(Meaning::english()))->among(array_merge(...array_map(static fn (Trade $trade): array => $trade->fields, $trades)), $text->script()->sheet);

        return new Outlook($trades, array_slice($rows, 0, count($shown)), array_slice($rows, count($shown)), $facts, count($sayings), $this->marks($agent));
    }

    /** One saying, tried anew. */
    public function one(Agent $agent, ScriptText $text, string $said): Foreseen
    {
        return $this->foresight($agent, $text)->of($said);
    }

    /** @return array<string, SayingMark> by hash of the saying */
    public function marks(Agent $agent): array
    {
        return SayingMark::query()->where('agent_id', $agent->id)->get()->keyBy('said_hash')->all();
    }

    /**
     * @param list<string> $sayings
     *
     * @return list<Foreseen>
     */
    private function foreseen(Agent $agent, ScriptText $text, array $sayings): array
    {
        $key = 'outlook.'.hash('xxh128', $this->stands($agent->business, $text)."\n".implode("\n", $sayings));
        $rows = Cache::get($key);
        if (! is_array($rows)) {
            $foresight = $this->foresight($agent, $text);
            $rows = array_map(static fn (string $said): array => $foresight->of($said)->toArray(), $sayings);
            Cache::put($key, $rows, self::KEPT_SECONDS);
        }

        return array_map(Foreseen::fromArray(...), array_values($rows));
    }

    private function foresight(Agent $agent, ScriptText $text): Foresight
    {
        $script = $text->script();
        $engine = Engine::for($script, $this->switchboard->business($agent->business, true), $this->knowledge->forCalls($agent->business));
        $state = (new Opening($script))->state('outlook', new \DateTimeImmutable(self::AT, new \DateTimeZone($script->agent->tz)), '1', null, null, ['known' => false]);

        return new Foresight($engine, $state);
    }

    /** All that the outlook depends on, as it stands. */
    private function stands(Business $business, ScriptText $text): string
    {
        $of = static fn (string $model): string => $model::query()->where('business_id', $business->id)->selectRaw("count(*) || '.' || coalesce(cast(max(updated_at) as varchar(40)), '') as stands")->toBase()->value('stands') ?? '';

        return implode('|', [$text->id, $text->hash, $business->knowledge_version, $business->caution, $of(Team::class), $of(Person::class), $of(TeamExample::class), $of(OwnTrade::class), Meaning::english()->version(), Meaning::glossed()->version()]);
    }
}
