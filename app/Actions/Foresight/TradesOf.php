<?php

declare(strict_types=1);

namespace App\Actions\Foresight;

use App\Models\Agent;
use App\Models\Business;
use App\Models\OwnTrade;
use App\Models\Team;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Trade\Trade;
use Ringo\Trade\Trades;

/** The trades a business knows of, and those its agents' callers are like: chosen by hand, else the nearest to what the business wrote. */
final class TradesOf
{
    /** A second trade is nearly as near as the first. */
    private const NEARLY = 0.9;

    private const MOST = 2;

    /** Below this no trade is near at all. */
    private const NEAR = 0.2;

    /** @var array<int, Trades> */
    private array $made = [];

    public function library(Business $business): Trades
    {
        return $this->made[$business->id] ??= Trades::shipped(array_map(static fn (OwnTrade $own): Trade => $own->trade(), array_values(OwnTrade::query()->where('business_id', $business->id)->get()->all())));
    }

    /** @return list<string> keys of trades there are */
    public function chosen(Agent $agent): array
    {
        $library = $this->library($agent->business);
        $kept = array_values(array_filter($agent->trades ?? [], static fn (string $key): bool => $library->of($key) !== null));
        if ($kept !== []) {
            return $kept;
        }
        $near = $library->nearest($this->written($agent), self::MOST);
        $best = max([0.0, ...array_values($near)]);

        return array_map(strval(...), array_keys(array_filter($near, static fn (float $like): bool => $like >= self::NEAR && $like >= self::NEARLY * $best)));
    }

    /** @return array<string, float> the trades nearest to what was written, for choosing among them */
    public function nearest(Agent $agent, int $most): array
    {
        return $this->library($agent->business)->nearest($this->written($agent), $most);
    }

    /** What the business and its agent say they are for. */
    private function written(Agent $agent): string
    {
        $parts = [$agent->business->name];
        foreach ($agent->draft->scriptText->script()->steps as $step) {
            foreach ($step instanceof ListenStep ? $step->topics : [] as $topic) {
                array_push($parts, $topic['label'], $topic['description']);
            }
        }
        foreach (Team::query()->where('business_id', $agent->business_id)->orderBy('id')->get() as $team) {
            array_push($parts, $team->name, $team->description);
        }

        return implode('. ', $parts);
    }
}
