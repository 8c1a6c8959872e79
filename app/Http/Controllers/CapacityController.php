<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Lines\LinesOf;
use App\Models\Business;
use App\Models\Call;
use App\Support\CurrentAgent;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Ringo\Capacity\ErlangA;
use Ringo\Capacity\ErlangB;
use Ringo\Capacity\ErlangC;
use Ringo\Capacity\Load;
use Ringo\Capacity\Queueing;
use Ringo\Capacity\StaffFirst;
use Ringo\Capacity\Staffing;
use Ringo\Capacity\Week;
use Ringo\Line\Who;

/** How many lines and people the business's own calls need, hour by hour of the week. */
final class CapacityController
{
    /** Length of a call where there is none to go by. */
    private const USUAL_SECONDS = 180.0;

    public function __construct(private readonly CurrentAgent $current, private readonly LinesOf $lines)
    {
    }

    public function show(Request $request, Business $business): View
    {
        $given = $request->validate([
            'weeks' => ['nullable', 'integer', 'between:1,26'], 'plan' => ['nullable', 'in:mean,most'], 'lines' => ['nullable', 'integer', 'between:1,1000'], 'people' => ['nullable', 'integer', 'between:1,1000'],
            'blocked' => ['nullable', 'numeric', 'between:0.1,50'], 'answered' => ['nullable', 'numeric', 'between:1,99'], 'within' => ['nullable', 'numeric', 'between:0,600'], 'patience' => ['nullable', 'numeric', 'between:1,3600'], 'seconds' => ['nullable', 'numeric', 'between:1,7200'],
            'times' => ['nullable', 'numeric', 'between:0.1,100'], 'ring' => ['nullable', 'numeric', 'between:0,120'],
        ]);
        $week = $this->week($business, (int) ($given['weeks'] ?? 4));
        $asked = [
            'weeks' => $week->weeks, 'plan' => $given['plan'] ?? 'most', 'lines' => (int) ($given['lines'] ?? 4), 'people' => (int) ($given['people'] ?? max(1, $business->people()->count())),
            'blocked' => (float) ($given['blocked'] ?? 1), 'answered' => (float) ($given['answered'] ?? 80), 'within' => (float) ($given['within'] ?? 20), 'patience' => (float) ($given['patience'] ?? 60),
            'seconds' => (float) ($given['seconds'] ?? round($week->length() ?? self::USUAL_SECONDS)), 'times' => (float) ($given['times'] ?? 1), 'ring' => (float) ($given['ring'] ?? 15),
        ];
        [$from, $to] = $week->hours();
        $nobody = $this->nobody($business);
        $cells = [];
        $peak = null;
        for ($hour = $from; $hour <= $to; $hour++) {
            for ($day = 1; $day <= 7; $day++) {
                $cells[$hour][$day] = $this->cell($week, $day, $hour, $asked) + ['nobody' => $nobody[$day][$hour] ?? []];
                if ($cells[$hour][$day]['calls'] > ($peak['calls'] ?? 0)) {
                    $peak = $cells[$hour][$day] + ['day' => $day, 'hour' => $hour];
                }
            }
        }

        return view('capacity', ['business' => $business, 'agent' => $this->current->in($business), 'asked' => $asked, 'week' => $week, 'cells' => $cells, 'peak' => $peak, 'one' => $peak === null ? [] : $this->oneMore($peak['calls'], $asked), 'first' => $peak === null ? [] : $this->first($peak['calls'], $asked)]);
    }

    private function week(Business $business, int $weeks): Week
    {
        $end = Carbon::now($business->tz)->startOfDay();
        $start = $end->copy()->subWeeks($weeks);
        $week = new Week($weeks);
        $tz = new \DateTimeZone($business->tz);
        foreach (Call::query()->where('business_id', $business->id)->where('kind', '!=', 'rehearsal')->where('started_at', '>=', $start->copy()->utc())->where('started_at', '<', $end->copy()->utc())->toBase()->select('started_at', 'seconds')->cursor() as $call) {
            $at = (new \DateTimeImmutable((string) $call->started_at, new \DateTimeZone('UTC')))->setTimezone($tz);
            $week->add((int) $at->format('N'), (int) $at->format('G'), intdiv((int) $start->toDateTimeImmutable()->diff($at)->days, 7), (float) $call->seconds);
        }

        return $week;
    }

    /**
     * @param array{plan: string, lines: int, people: int, blocked: float, answered: float, within: float, patience: float, seconds: float, times: float, ring: float, weeks: int} $asked
     *
     * @return array{calls: float, mean: float, most: int, lines: int, people: int, first: array{toAgent: float, meanRing: float, ringing: float}, linesFirst: int}
     */
    private function cell(Week $week, int $day, int $hour, array $asked): array
    {
        $calls = $asked['times'] * ($asked['plan'] === 'most' ? $week->most($day, $hour) : $week->mean($day, $hour));
        if ($calls <= 0.0) {
            return ['calls' => 0.0, 'mean' => 0.0, 'most' => 0, 'lines' => 0, 'people' => 0, 'first' => ['toAgent' => 0.0, 'meanRing' => 0.0, 'ringing' => 0.0], 'linesFirst' => 0];
        }
        $load = Load::of($calls, $asked['seconds']);

        return [
            'calls' => $calls, 'mean' => $week->mean($day, $hour), 'most' => $week->most($day, $hour),
            'lines' => (new ErlangB($load))->lines($asked['blocked'] / 100),
            'people' => (new Staffing($load, new ErlangA($load, $asked['patience'])))->people($asked['answered'] / 100, $asked['within']),
            'first' => $first = (new StaffFirst($load))->with($asked['people'], $asked['ring']),
            'linesFirst' => (new ErlangB(Load::of($calls, $asked['seconds'] + $first['meanRing'])))->lines($asked['blocked'] / 100),
        ];
    }

    /**
     * What staff who ring first cost in the busiest hour, by how long they ring.
     *
     * @param array{people: int, blocked: float, seconds: float, ring: float} $asked
     *
     * @return array<int, array{toAgent: float, meanRing: float, ringing: float, lines: int}> by seconds
     */
    private function first(float $calls, array $asked): array
    {
        $load = Load::of($calls, $asked['seconds']);
        $of = [];
        foreach (array_unique([0, 10, 15, 20, 30, 45, (int) $asked['ring']]) as $seconds) {
            $one = (new StaffFirst($load))->with($asked['people'], $seconds);
            $of[$seconds] = $one + ['lines' => (new ErlangB(Load::of($calls, $asked['seconds'] + $one['meanRing'])))->lines($asked['blocked'] / 100)];
        }
        ksort($of);

        return $of;
    }

    /** @return array<int, array<int, list<string>>> lines that nobody answers, by weekday (1 for Monday) and hour; an hour counts from its first minute on */
    private function nobody(Business $business): array
    {
        $nobody = [];
        $hours = $business->brief()->hours;
        foreach ($this->lines->designs($business) as $line) {
            for ($day = 1; $day <= 7; $day++) {
                foreach ($line->answering->usual($day, $hours) as $stretch) {
                    for ($hour = intdiv($stretch->from, 60); $stretch->answer->who === Who::Nobody && $hour * 60 < $stretch->to; $hour++) {
                        $nobody[$day][$hour][] = $line->name;
                    }
                }
            }
        }

        return $nobody;
    }

    /**
     * What one line or person more or less gives in the busiest hour.
     *
     * @param array{lines: int, people: int, within: float, patience: float, seconds: float} $asked
     *
     * @return array{lines: array<int, float>, people: array<int, array{patient: \Ringo\Capacity\Service, waiting: \Ringo\Capacity\Service}>}
     */
    private function oneMore(float $calls, array $asked): array
    {
        $load = Load::of($calls, $asked['seconds']);
        $lines = $people = [];
        for ($n = max(1, $asked['lines'] - 2); $n <= $asked['lines'] + 2; $n++) {
            $lines[$n] = (new ErlangB($load))->blocked($n);
        }
        $with = static fn (Queueing $queue, int $n): \Ringo\Capacity\Service => $queue->with($n, $asked['within']);
        for ($n = max(1, $asked['people'] - 2); $n <= $asked['people'] + 2; $n++) {
            $people[$n] = ['patient' => $with(new ErlangA($load, $asked['patience']), $n), 'waiting' => $with(new ErlangC($load), $n)];
        }

        return ['lines' => $lines, 'people' => $people];
    }
}
