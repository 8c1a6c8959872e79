<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Models\Campaign;
use App\Models\CampaignAttempt;
use App\Models\CampaignPerson;
use App\Models\SuppressedNumber;
use Illuminate\Support\Collection;
use Ringo\Outreach\Forecast;
use Ringo\Outreach\Listed;
use Ringo\Outreach\Planned;
use Ringo\Outreach\Planner;
use Ringo\Outreach\Reason;
use Ringo\Rehearsal\Outreach\WhatMore;

/** When each person of a campaign is rung next, or why not: with all attempts of the business, and who is never rung. */
final class PlanPeople
{
    /** People planned together. */
    private const TOGETHER = 500;

    /** People of whom the forecast is made; more only make it slower. */
    private const FORESEEN = 4_000;

    /** What more would change is told from so many; planning thrice over is felt. */
    private const MORE = 1_500;

    /** Days back attempts of other campaigns may count: a week, and the zones around it. */
    private const WEEKS_BACK = 15;

    /** @var array<int, Planner> */
    private array $planners = [];

    /** Plans everybody who waits or was not to be rung, and keeps what the campaign will come to. */
    public function all(Campaign $campaign): void
    {
        $now = $campaign->now();
        $forecast = new Forecast($campaign->design(), $now);
        $seen = 0;
        $some = [];
        CampaignPerson::query()->with('tries', 'contact')->where('campaign_id', $campaign->id)->whereIn('state', [CampaignPerson::WAITING, CampaignPerson::NOT_RUNG])->orderBy('id')->chunkById(self::TOGETHER, function (Collection $people) use ($campaign, $now, $forecast, &$seen, &$some): void {
            /** @var Collection<int, CampaignPerson> $people */
            [$attempts, $never, $complained] = [$this->attempts($campaign, $people), $this->never($campaign, $people), $this->complained($campaign, $people)];
            foreach ($people as $person) {
                $listed = $this->listed($campaign, $person, $attempts, $never, $complained);
                $this->settle($person, $this->planner($campaign)->plan($listed, $now));
                if ($seen++ < self::FORESEEN) {
                    $forecast->add($listed);
                    $some[] = $listed;
                }
            }
        });
        $foreseen = $forecast->run((int) $campaign->seed ?: 1);
        $campaign->update(['foreseen' => ['listed' => $foreseen->listed, 'allowed' => $foreseen->allowed, 'excluded' => $foreseen->excluded, 'figures' => array_map(static fn ($one): array => $one->rounded(1), $foreseen->figures), 'days' => $foreseen->days, 'more' => $this->more($campaign, $some, $now)]]);
    }

    /**
     * What one line or one hour a day more would change, where the agent can be rung at all.
     *
     * @param list<Listed> $people
     *
     * @return ?array<string, array{reached: int, attempts: int, last: ?string}>
     */
    private function more(Campaign $campaign, array $people, int $now): ?array
    {
        $script = ($campaign->release ?? $campaign->agent()->with('latestRelease.scriptText')->first()?->latestRelease)?->scriptText->script();

        return $script === null || $people === [] ? null : (new WhatMore($script, $now, $campaign->seed))->of($campaign->document, array_slice($people, 0, self::MORE), $campaign->lines, $campaign->a_minute);
    }

    /** One person anew, at a moment. */
    public function one(Campaign $campaign, CampaignPerson $person, int $now): Planned
    {
        $person->load('tries', 'contact');
        $people = collect([$person]);

        return $this->planner($campaign)->plan($this->listed($campaign, $person, $this->attempts($campaign, $people), $this->never($campaign, $people), $this->complained($campaign, $people)), $now);
    }

    /** Keeps what was planned for somebody. */
    public function settle(CampaignPerson $person, Planned $planned): void
    {
        $person->update(['e164' => $planned->phone ?? $person->e164, 'state' => $planned->next === null ? CampaignPerson::NOT_RUNG : CampaignPerson::WAITING, 'next_at' => $planned->next, 'why' => $planned->why->value ?? '']);
    }

    /** Their own clock at a moment. */
    public function wall(Campaign $campaign, CampaignPerson $person, int $moment): string
    {
        $where = $this->planner($campaign)->whereabouts(Listed::of(['id' => (string) $person->id, 'phone' => $person->phone] + $this->text($person->row)));

        return $where === null ? gmdate('Y-m-d\TH:i', $moment) : gmdate('Y-m-d\TH:i', $where->zones->own->wall($moment));
    }

    private function planner(Campaign $campaign): Planner
    {
        return $this->planners[$campaign->id] ??= new Planner($campaign->design());
    }

    /**
     * @param array<string, string> $attempts by number
     * @param array<string, string> $never by number
     * @param array<string, string> $complained day, by number
     */
    private function listed(Campaign $campaign, CampaignPerson $person, array $attempts, array $never, array $complained): Listed
    {
        $row = $this->text($person->row);
        $number = (string) $person->e164;
        $own = implode('; ', $person->tries->map(static fn (CampaignAttempt $one): string => "{$one->wall} {$one->came}")->all());
        $row['attempts'] = trim($own.'; '.($attempts[$number] ?? ''), '; ');
        $row['complaint'] = max($row['complaint'] ?? '', $complained[$number] ?? '');
        $row['do_not_call'] = isset($never[$number]) || ($person->contact->do_not_call ?? false) ? 'yes' : ($row['do_not_call'] ?? '');

        return Listed::of(['id' => (string) $person->id, 'phone' => $person->phone] + $row);
    }

    /**
     * Attempts of other campaigns lately: nobody is rung too often over all of them.
     *
     * @param Collection<int, CampaignPerson> $people
     *
     * @return array<string, string> as a list writes them, by number
     */
    private function attempts(Campaign $campaign, Collection $people): array
    {
        $found = [];
        foreach (CampaignAttempt::query()->toBase()->join('campaigns', 'campaigns.id', '=', 'campaign_attempts.campaign_id')->where('campaigns.business_id', $campaign->business_id)->where('campaign_id', '!=', $campaign->id)->whereIn('e164', $people->pluck('e164')->filter()->unique()->all())->where('at', '>', $campaign->now() - self::WEEKS_BACK * 86_400)->get(['e164', 'wall', 'came']) as $one) {
            $found[$one->e164] = trim(($found[$one->e164] ?? '')."; {$one->wall} other:{$one->came}", '; ');
        }

        return $found;
    }

    /**
     * Complaints in calls of any campaign of the business.
     *
     * @param Collection<int, CampaignPerson> $people
     *
     * @return array<string, string> the last day, by number
     */
    private function complained(Campaign $campaign, Collection $people): array
    {
        return CampaignPerson::query()->toBase()->join('campaigns', 'campaigns.id', '=', 'campaign_people.campaign_id')->where('campaigns.business_id', $campaign->business_id)->whereNotNull('complained')->whereIn('e164', $people->pluck('e164')->filter()->unique()->all())->groupBy('e164')->selectRaw('e164, max(complained) as day')->pluck('day', 'e164')->all();
    }

    /**
     * @param Collection<int, CampaignPerson> $people
     *
     * @return array<string, string> why, by number
     */
    private function never(Campaign $campaign, Collection $people): array
    {
        return SuppressedNumber::query()->where('business_id', $campaign->business_id)->whereIn('e164', $people->pluck('e164')->filter()->unique()->all())->pluck('why', 'e164')->all();
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return array<string, string>
     */
    private function text(array $row): array
    {
        return array_map(static fn (mixed $one): string => is_scalar($one) ? (string) $one : '', $row);
    }

    public static function inWords(string $why): string
    {
        return match (Reason::tryFrom($why)) {
            Reason::BadNumber => 'the number is none', Reason::DoNotCall => 'wants no calls', Reason::Done => 'was done already', Reason::NoConsent => 'no consent to this purpose', Reason::Complaint => 'complained lately', Reason::AttemptsUsed => 'rung as often as allowed', Reason::Ended => 'no allowed moment is left', null => $why,
        };
    }
}
