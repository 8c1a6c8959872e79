<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Campaign;
use App\Models\CampaignPerson;
use Ringo\Dialogue\Ending;
use Ringo\Statistics\Share;
use Ringo\Survey\ScriptOfSurvey;

/**
 * Two campaigns, or two releases within one, side by side: shares of the people rung, and how sure one is that they differ.
 *
 * People are counted once; with two releases everybody is rung by the one that the campaign's seed drew for them.
 *
 * @phpstan-type Side array{name: string, rung: int, reached: int, achieved: int, out: int}
 */
final readonly class CampaignComparison
{
    /** Outcomes of calls in which nothing was achieved. */
    public const NOTHING = [...Ending::IN_VAIN, Ending::LATER, Ending::LET_GO, ScriptOfSurvey::DECLINED, 'no longer interested', 'finished', 'wrong number', 'do not call', 'not reached', 'voicemail', ''];

    private const SHARES = ['reached' => ['reached, of those rung', 'rung'], 'achieved' => ['achieved, of those reached', 'reached'], 'out' => ['want no more calls, of those reached', 'reached']];

    /**
     * @return ?array{sides: array{Side, Side}, shares: list<array{words: string, a: float, b: float, difference: float, low: float, high: float}>} null where there is but one release
     */
    public function releases(Campaign $campaign): ?array
    {
        $campaign->loadMissing('release', 'otherRelease');
        $other = $campaign->otherRelease;
        if ($campaign->release === null || $other === null) {
            return null;
        }
        $side = fn (int $id, int $number): array => $this->side("release {$number}", $campaign, $id);

        return $this->beside($side($campaign->release->id, $campaign->release->number), $side($other->id, $other->number));
    }

    /**
     * @return array{sides: array{Side, Side}, shares: list<array{words: string, a: float, b: float, difference: float, low: float, high: float}>}
     */
    public function campaigns(Campaign $one, Campaign $other): array
    {
        return $this->beside($this->side($one->name, $one), $this->side($other->name, $other));
    }

    /** @return Side */
    private function side(string $name, Campaign $campaign, ?int $release = null): array
    {
        $side = ['name' => $name, 'rung' => 0, 'reached' => 0, 'achieved' => 0, 'out' => 0];
        $people = $campaign->people()->toBase()->where('attempts', '>', 0);
        if ($release !== null) {
            $people->whereIn('id', $campaign->attempts()->where('release_id', $release)->select('campaign_person_id'));
        }
        foreach ($people->selectRaw('state, outcome, count(*) as n')->groupBy('state', 'outcome')->get() as $row) {
            $n = (int) $row->n;
            $reached = in_array($row->state, [CampaignPerson::REACHED, CampaignPerson::OPTED_OUT], true);
            $side['rung'] += $n;
            $side['reached'] += $reached ? $n : 0;
            $side['achieved'] += $row->state === CampaignPerson::REACHED && ! in_array((string) $row->outcome, self::NOTHING, true) ? $n : 0;
            $side['out'] += $row->state === CampaignPerson::OPTED_OUT ? $n : 0;
        }

        return $side;
    }

    /**
     * @param Side $a
     * @param Side $b
     *
     * @return array{sides: array{Side, Side}, shares: list<array{words: string, a: float, b: float, difference: float, low: float, high: float}>}
     */
    private function beside(array $a, array $b): array
    {
        $shares = [];
        foreach (self::SHARES as $key => [$words, $of]) {
            $shares[] = ['words' => $words, 'a' => $a[$key] / max(1, $a[$of]), 'b' => $b[$key] / max(1, $b[$of])] + Share::difference($a[$key], $a[$of], $b[$key], $b[$of]);
        }

        return ['sides' => [$a, $b], 'shares' => $shares];
    }
}
