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
use Ringo\Errand\Prepared;
use Ringo\Outreach\StandInPublic;
use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Rehearsal\SketchBook;
use Ringo\Survey\Mood;
use Ringo\Survey\Survey as Questionnaire;

/** The simulated public at the other end: nobody, an engaged tone, a machine, the wrong person, or somebody who talks with the agent. */
final class TalkToPublic
{
    /** Seconds a line is held until it is answered, or given up. */
    private const RINGING = ['reached' => 12.0, 'busy' => 4.0, 'no_answer' => 25.0, 'voicemail' => 12.0, 'failed' => 5.0];

    /** What people who do not talk say, by who they are; a machine has its greeting. */
    private const SAYS = [
        'voicemail' => ['You have reached the voicemail of the person you are calling. Please leave a message after the tone.'],
        'wrong_person' => ['sorry, you have the wrong number', 'no, wrong number'],
        'opts_out' => ['please take me off your list, do not call me again', 'yes, stop calling me', 'goodbye'],
        'later' => ['I cannot talk now, ring me after six', 'after six', 'yes', 'goodbye'],
    ];

    /** How often another wish is drawn for somebody whose wish is to be rung no more. */
    private const TRIES = 5;

    /** Between the numbers of one person's wishes, so that they are nobody else's. */
    private const OTHERS = 1_000_003;

    /** @var array<int, array{Engine, SketchBook, Prepared}> by release */
    private array $engines = [];

    /** @var array<int, ?Questionnaire> by agent */
    private array $surveys = [];

    public function __construct(private readonly SwitchboardOf $switchboard, private readonly KnowledgeOf $knowledge, private readonly DiariesOf $diaries)
    {
    }

    /** @return array{came: string, call: ?FinishedCall, seconds: float} seconds a line is held */
    public function ring(Campaign $campaign, CampaignPerson $person, int $now, int $hour): array
    {
        $release = $campaign->releaseFor($person) ?? throw new \LogicException('A campaign rings with a release.');
        $answers = (new StandInPublic($campaign->design()->rates, $campaign->seed))->answers((string) $person->id, $person->attempts, $hour);
        if (! in_array($answers['came'], ['reached', 'voicemail'], true)) {
            return ['came' => $answers['came'], 'call' => null, 'seconds' => self::RINGING[$answers['came']]];
        }
        [$engine, $book, $prepared] = $this->engines[$release->id] ??= $this->engine($campaign, $release);
        $book->fresh();
        $state = $this->state($campaign, $person, $engine, $now);
        $who = $answers['came'] === 'voicemail' ? 'voicemail' : $answers['who'];
        $call = match (true) {
            $who === 'hangs_up' => (new Rehearsal($engine, $prepared))->run($state, [new Input('hang_up')]),
            isset(self::SAYS[$who]) => (new Rehearsal($engine, $prepared))->run($state, array_map(static fn (string $words): Input => new Input('say', $words), self::SAYS[$who])),
            default => $this->talk($engine, $book, $prepared, $state, "{$campaign->seed}-{$person->attempts}", $person->id, $this->survey($campaign)),
        };

        return ['came' => $answers['came'], 'call' => $call, 'seconds' => self::RINGING[$answers['came']] + max($call->transcript->seconds(), $call->state->clock)];
    }

    /** Somebody who talks; who wants no more calls is drawn by its own share, and not again among the wishes of everybody else. */
    private function talk(Engine $engine, SketchBook $book, Prepared $prepared, CallState $state, string $seed, int $person, ?Questionnaire $survey): FinishedCall
    {
        $at = new \DateTimeImmutable($state->startedAt);
        $crowd = new Crowd($engine->script, $at, $seed);
        for ($other = 0; ; $other++) {
            $book->fresh();
            $caller = $crowd->caller($person + $other * self::OTHERS);
            $caller = $survey === null ? $caller : $caller->knowing((new Mood)->of($survey, $caller->truth, "{$seed}-{$person}"));
            $call = (new Walk($engine, $at, 0.0, $prepared))->of($caller, clone $state)->call;
            if ($other === self::TRIES || ! $call->state->doNotCall && $call->state->outcome !== 'do not call') {
                return $call;
            }
        }
    }

    /** The questions that are asked, where the agent asks a survey's: whoever answers them is in one mood. */
    private function survey(Campaign $campaign): ?Questionnaire
    {
        return $this->surveys[$campaign->agent_id] ??= Survey::query()->where('agent_id', $campaign->agent_id)->first()?->questionnaire();
    }

    private function state(Campaign $campaign, CampaignPerson $person, Engine $engine, int $now): CallState
    {
        $at = (new \DateTimeImmutable('@'.$now))->setTimezone(new \DateTimeZone($campaign->business->tz));
        $facts = array_map(static fn (mixed $one): string => (string) $one, array_filter($person->facts, is_scalar(...)));

        // The same attempt is the same call, whoever rings it.
        return (new Opening($engine->script))->state((string) Str::ulid($at), $at, "{$campaign->seed}-{$person->id}-{$person->attempts}", $person->e164, null, ['known' => $person->contact_id !== null, 'kind' => $person->contact_id !== null ? 'known' : 'unknown'] + $facts);
    }

    /** @return array{Engine, SketchBook, Prepared} */
    private function engine(Campaign $campaign, Release $release): array
    {
        $business = $campaign->business;
        $book = new SketchBook(Diaries::fromArray($this->diaries->document($business)));

        return [
            Engine::for($release->scriptText->script(), $this->switchboard->business($business, true), $this->knowledge->forCalls($business), appointments: $book, errands: $business->errandDesigns()),
            $book,
            KeptAnswers::of($business->errands()->get()->filter(static fn (Errand $one): bool => $one->kept !== null)->all(), $business),
        ];
    }
}
