<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Outreach;

use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Opening;
use Ringo\Outreach\Attempt;
use Ringo\Outreach\Campaign;
use Ringo\Outreach\Listed;
use Ringo\Outreach\Planner;
use Ringo\Outreach\WallTime;
use Ringo\Outreach\Whereabouts;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Script\Script;

/**
 * A whole campaign rung in memory: everybody when they may be rung, no more at once than lines, no more a minute than said, each call
 * really held with the script. The same seed gives the same campaign.
 *
 * @phpstan-type Found array{listed: int, rung: int, reached: int, opted_out: int, attempts: int, talks: int, came: array<string, int>, outcomes: array<string, int>, hours: array<string, array{rung: int, reached: int}>, objections: array<string, int>, minutes: float, cost: float, first: ?string, last: ?string}
 */
final class SimulatedCampaign
{
    private const MINUTE = 60;

    private readonly Planner $planner;

    /** @var \SplMinHeap<array{int, int}> when who is due */
    private \SplMinHeap $due;

    /** @var \SplMinHeap<int> when lines that are held are free again */
    private \SplMinHeap $held;

    /** @var list<int> when the last calls began, as many as may begin in a minute */
    private array $begun = [];

    /** @var array<int, array{Listed, Whereabouts}> */
    private array $people = [];

    private int $clock = 0;

    private int $listed = 0;

    /** @var array<string, int> */
    private array $came = [];

    /** @var array<string, int> */
    private array $outcomes = [];

    /** @var array<string, array{rung: int, reached: int}> by hour of their own day */
    private array $hours = [];

    /** @var array<string, int> */
    private array $objections = [];

    private int $reached = 0;

    private int $optedOut = 0;

    private int $talks = 0;

    private float $seconds = 0.0;

    private ?string $first = null;

    private ?string $last = null;

    public function __construct(private readonly Campaign $campaign, private readonly Script $script, private readonly Rings $theirs, private readonly int $now, private readonly int $lines = 5, private readonly int $aMinute = 30)
    {
        $this->planner = new Planner($campaign);
        $this->due = new \SplMinHeap;
        $this->held = new \SplMinHeap;
    }

    /** @throws \DomainException where the person's zone is none */
    public function add(Listed $person): void
    {
        $n = $this->listed++;
        $where = $this->planner->whereabouts($person);
        $planned = $where === null ? null : $this->planner->planned($person, $where, $this->now);
        if ($where !== null && $planned?->next !== null) {
            $this->people[$n] = [$person, $where];
            $this->due->insert([$planned->next, $n]);
        }
    }

    /**
     * @param ?\Closure(array{person: string, attempt: int, at: int, wall: string, came: string, outcome: string, seconds: float}): void $told of each attempt as it is over
     *
     * @return Found
     */
    public function run(?\Closure $told = null): array
    {
        $rung = [];
        while (! $this->due->isEmpty()) {
            [$due, $n] = $this->due->extract();
            $at = $this->free($due);
            [$person, $where] = $this->people[$n];
            if ($at > $due + self::MINUTE) {
                // The lines were full: whether they may still be rung is judged at the moment itself.
                $this->plan($n, $person, $at);

                continue;
            }
            $rung[$n] = true;
            $this->ring($n, $person, $where, $at, $told);
        }
        ksort($this->hours);
        arsort($this->outcomes);
        arsort($this->objections);

        return [
            'listed' => $this->listed, 'rung' => count($rung), 'reached' => $this->reached, 'opted_out' => $this->optedOut, 'attempts' => (int) array_sum($this->came), 'talks' => $this->talks,
            'came' => $this->came, 'outcomes' => $this->outcomes, 'hours' => $this->hours, 'objections' => $this->objections,
            'minutes' => round($this->seconds / 60, 1), 'cost' => round($this->seconds / 60 * $this->campaign->costMinute + array_sum($this->came) * $this->campaign->costAttempt, 2), 'first' => $this->first, 'last' => $this->last,
        ];
    }

    /** The moment from which a line is free and another call may begin; the clock goes on to it. */
    private function free(int $due): int
    {
        $this->clock = max($this->clock, $due, count($this->begun) >= $this->aMinute ? $this->begun[0] + self::MINUTE : 0);
        while (! $this->held->isEmpty() && ($this->held->top() <= $this->clock || $this->held->count() >= $this->lines)) {
            $this->clock = max($this->clock, $this->held->extract());
        }

        return $this->clock;
    }

    /** @param ?\Closure(array{person: string, attempt: int, at: int, wall: string, came: string, outcome: string, seconds: float}): void $told */
    private function ring(int $n, Listed $person, Whereabouts $where, int $at, ?\Closure $told): void
    {
        $wall = $where->zones->own->wall($at);
        $attempt = count(array_filter($person->attempts, static fn (Attempt $one): bool => $one->own)) + 1;
        $call = $this->theirs->ring($n, $attempt, (int) gmdate('G', $wall), fn (): CallState => $this->state($n, $attempt, $where->phone, $at));
        $this->begun[] = $at;
        if (count($this->begun) > $this->aMinute) {
            array_shift($this->begun);
        }
        $this->held->insert($at + (int) ceil($call['seconds']));
        $came = $call['call'] === null ? $call['came'] : self::came($call['call'], $call['came']);
        $this->count($call['call'], $came, $wall);
        $written = gmdate('Y-m-d\TH:i', $wall);
        $this->first ??= $written;
        $this->last = $written;
        $state = $call['call']?->state;
        if ($told !== null) {
            $told(['person' => $person->id, 'attempt' => $attempt, 'at' => $at, 'wall' => $written, 'came' => $came, 'outcome' => (string) $state?->outcome, 'seconds' => round($call['seconds'], 1)]);
        }
        if ($state !== null && ($state->doNotCall || $state->outcome === 'do not call')) {
            $this->optedOut++;
            $this->reached++;
        } elseif ($came === 'reached') {
            $this->reached++;
        } else {
            $again = $state === null ? null : $state->ringAgain;
            $asked = $again === null || $again === '' ? null : WallTime::time($again);
            $this->plan($n, $person->after(new Attempt($wall, $came, true), $asked), $at + self::MINUTE);
        }
    }

    private function plan(int $n, Listed $person, int $from): void
    {
        $where = $this->people[$n][1];
        $planned = $this->planner->planned($person, $where, $from);
        $this->people[$n] = [$person, $where];
        if ($planned->next !== null) {
            $this->due->insert([$planned->next, $n]);
        }
    }

    private function count(?FinishedCall $call, string $came, int $wall): void
    {
        $this->came[$came] = ($this->came[$came] ?? 0) + 1;
        $hour = gmdate('H', $wall);
        $this->hours[$hour] ??= ['rung' => 0, 'reached' => 0];
        $this->hours[$hour]['rung']++;
        $this->hours[$hour]['reached'] += $came === 'reached' ? 1 : 0;
        if ($call === null) {
            return;
        }
        $this->talks++;
        $this->seconds += $call->transcript->seconds();
        $outcome = (string) $call->state->outcome;
        $this->outcomes[$outcome] = ($this->outcomes[$outcome] ?? 0) + 1;
        foreach (array_unique($call->state->objections) as $objection) {
            $this->objections[$objection] = ($this->objections[$objection] ?? 0) + 1;
        }
    }

    /** What an answered call was: a talk, a machine, the wrong person, somebody who rang off or wants to be rung later. */
    public static function came(FinishedCall $call, string $came): string
    {
        return match (true) {
            $came === 'failed' => 'failed',
            $call->state->outcome === 'voicemail' => 'voicemail',
            $call->state->outcome === 'not reached' => 'no_answer',
            $call->state->outcome === Ending::LATER => 'later',
            in_array($call->state->outcome, Ending::IN_VAIN, true) => 'hung_up',
            default => $came,
        };
    }

    private function state(int $n, int $attempt, string $phone, int $at): CallState
    {
        $moment = (new \DateTimeImmutable('@'.$at))->setTimezone(new \DateTimeZone($this->script->agent->tz));

        return (new Opening($this->script))->state("campaign-{$n}-{$attempt}", $moment, "{$n}-{$attempt}", $phone, null, ['known' => false, 'kind' => 'unknown']);
    }
}
