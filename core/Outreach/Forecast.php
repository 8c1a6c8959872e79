<?php

declare(strict_types=1);

namespace Ringo\Outreach;

/**
 * What a campaign will come to: run again and again in small, each attempt drawn from the rates, each next one planned as it would be.
 *
 * The same seed gives the same figures.
 */
final class Forecast
{
    /** People and runs together; more only steadies the last figure. */
    private const CHAINS = 200_000;

    private const MOST_RUNS = 400;

    private const LEAST_RUNS = 12;

    /** Seconds a line is held that nobody pays for: until it is answered, or given up. */
    private const RINGING = ['reached' => 12, 'busy' => 4, 'no_answer' => 25, 'voicemail' => 40, 'failed' => 5];

    /** @var array<string, int> */
    private array $excluded = [];

    private int $listed = 0;

    /** @var list<array{Listed, Whereabouts, int}> */
    private array $allowed = [];

    private readonly Planner $planner;

    /** @param int $now Unix time */
    public function __construct(private readonly Campaign $campaign, private readonly int $now)
    {
        $this->planner = new Planner($campaign);
    }

    /** @throws \DomainException where the person's zone is none */
    public function add(Listed $person): void
    {
        $where = $this->planner->whereabouts($person);
        $planned = $where === null ? null : $this->planner->planned($person, $where, $this->now);
        $this->listed++;
        if ($where !== null && $planned?->next !== null) {
            $this->allowed[] = [$person, $where, $planned->next];

            return;
        }
        $why = ($planned->why ?? Reason::BadNumber)->value;
        $this->excluded[$why] = ($this->excluded[$why] ?? 0) + 1;
    }

    public function run(int $seed): Foreseen
    {
        mt_srand($seed, MT_RAND_MT19937);
        $people = count($this->allowed);
        $runs = (int) max(self::LEAST_RUNS, min(self::MOST_RUNS, intdiv(self::CHAINS, max(1, $people))));
        $figures = ['reached' => [], 'attempts' => [], 'minutes' => [], 'hours' => [], 'cost' => []];
        $days = [];
        for ($run = 0; $run < $runs; $run++) {
            $sums = ['reached' => 0, 'attempts' => 0, 'minutes' => 0.0, 'ringing' => 0];
            foreach ($this->allowed as [$person, $where, $first]) {
                $this->chain($person, $where, $first, $sums, $days);
            }
            $figures['reached'][] = $sums['reached'];
            $figures['attempts'][] = $sums['attempts'];
            $figures['minutes'][] = $sums['minutes'];
            $figures['hours'][] = $sums['minutes'] / 60 + $sums['ringing'] / 3600;
            $figures['cost'][] = $sums['minutes'] * $this->campaign->costMinute + $sums['attempts'] * $this->campaign->costAttempt;
        }
        ksort($days);
        ksort($this->excluded);

        return new Foreseen(
            $this->listed,
            $people,
            $this->excluded,
            array_map(Percentiles::of(...), $figures),
            array_map(static fn (array $day): array => ['first' => gmdate('H:i', $day[0]), 'last' => gmdate('H:i', $day[1]), 'calls' => $day[2] / $runs], $days),
        );
    }

    /**
     * One person, rung until reached or until nothing more is allowed.
     *
     * @param array{reached: int, attempts: int, minutes: float, ringing: int} $sums
     * @param array<string, array{int, int, int}> $days first and last wall clock, and calls, by date
     */
    private function chain(Listed $person, Whereabouts $where, int $next, array &$sums, array &$days): void
    {
        $clock = $where->zones->own;
        for (; ;) {
            $wall = $clock->wall($next);
            $date = gmdate('Y-m-d', $wall);
            $day = $days[$date] ?? [$wall, $wall, 0];
            $days[$date] = [min($day[0], $wall), max($day[1], $wall), $day[2] + 1];
            $outcome = $this->drawn();
            $sums['attempts']++;
            $sums['ringing'] += self::RINGING[$outcome];
            if ($outcome === 'reached') {
                $sums['reached']++;
                $sums['minutes'] += -log((mt_rand() + 1) / (mt_getrandmax() + 1)) * $this->campaign->rates->minutes;

                return;
            }
            $person = $person->after(new Attempt($wall, $outcome, true));
            $planned = $this->planner->planned($person, $where, $next + 60);
            if ($planned->next === null) {
                return;
            }
            $next = $planned->next;
        }
    }

    private function drawn(): string
    {
        $left = mt_rand() / (mt_getrandmax() + 1);
        $rates = $this->campaign->rates;
        foreach (['reached' => $rates->reached, 'busy' => $rates->busy, 'no_answer' => $rates->noAnswer, 'voicemail' => $rates->voicemail] as $outcome => $share) {
            $left -= $share;
            if ($left < 0) {
                return $outcome;
            }
        }

        return 'failed';
    }
}
