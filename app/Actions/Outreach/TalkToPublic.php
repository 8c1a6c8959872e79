<?php

declare(strict_types=1);

namespace App\Actions\Outreach;

use App\Actions\Crowd\KeptAnswers;
use App\Actions\Diary\DiariesOf;
use App\Actions\Knowledge\KnowledgeOf;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\Campaign;
use App\Models\CampaignPerson;
use App\Models\Errand;
use App\Models\Release;
use App\Models\Survey;
use Illuminate\Support\Str;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Diary\Diaries;
use Ringo\Outreach\StandInPublic;
use Ringo\Rehearsal\Crowd\StandIn;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Outreach\TheirCall;
use Ringo\Rehearsal\SketchBook;
use Ringo\Survey\Mood;

/** Rings people of a campaign with its release, on the simulated public. */
final class TalkToPublic
{
    /** @var array<string, array{Engine, TheirCall}> by campaign and release */
    private array $calls = [];

    public function __construct(private readonly SwitchboardOf $switchboard, private readonly KnowledgeOf $knowledge, private readonly DiariesOf $diaries)
    {
    }

    /** @return array{came: string, call: ?FinishedCall, seconds: float} seconds a line is held */
    public function ring(Campaign $campaign, CampaignPerson $person, int $now, int $hour): array
    {
        $release = $campaign->releaseFor($person) ?? throw new \LogicException('A campaign rings with a release.');
        [$engine, $theirs] = $this->calls["{$campaign->id}|{$release->id}|{$campaign->seed}|".json_encode($campaign->document['rates'] ?? null)] ??= $this->calls($campaign, $release);

        return $theirs->ring($person->id, $person->attempts, $hour, fn (): CallState => $this->state($campaign, $person, $engine, $now));
    }

    private function state(Campaign $campaign, CampaignPerson $person, Engine $engine, int $now): CallState
    {
        $at = (new \DateTimeImmutable('@'.$now))->setTimezone(new \DateTimeZone($campaign->business->tz));
        $facts = array_map(static fn (mixed $one): string => (string) $one, array_filter($person->facts, is_scalar(...)));

        // The same attempt is the same call, whoever rings it.
        return (new Opening($engine->script))->state((string) Str::ulid($at), $at, "{$campaign->seed}-{$person->id}-{$person->attempts}", $person->e164, null, ['known' => $person->contact_id !== null, 'kind' => $person->contact_id !== null ? 'known' : 'unknown'] + $facts);
    }

    /** @return array{Engine, TheirCall} */
    private function calls(Campaign $campaign, Release $release): array
    {
        $business = $campaign->business;
        $book = new SketchBook(Diaries::fromArray($this->diaries->document($business)));
        $engine = Engine::for($release->scriptText->script(), $this->switchboard->business($business, true), $this->knowledge->forCalls($business), appointments: $book, errands: $business->errandDesigns());
        $prepared = KeptAnswers::of($business->errands()->get()->filter(static fn (Errand $one): bool => $one->kept !== null)->all(), $business);
        // Whoever answers the questions of a survey is in one mood.
        $survey = Survey::query()->where('agent_id', $campaign->agent_id)->first()?->questionnaire();
        $minded = $survey === null ? null : static fn (StandIn $caller, string $seed): StandIn => $caller->knowing((new Mood)->of($survey, $caller->truth, $seed));

        return [$engine, new TheirCall($engine, new StandInPublic($campaign->design()->rates, $campaign->seed), $campaign->seed, $book, $prepared, $minded)];
    }
}
