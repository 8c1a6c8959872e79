<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Figures\CountCalls;
use App\Actions\Figures\FiguresOver;
use App\Actions\Figures\NobodyCame;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\KnowledgePassage;
use App\Support\CurrentAgent;
use App\Support\Search\FullText;
use Illuminate\Contracts\View\View;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Validation\ValidationException;
use Ringo\Figures\Rates;
use Ringo\Figures\Tally;
use Ringo\Format\Csv;
use Symfony\Component\HttpFoundation\StreamedResponse;

/** The figures of a business or one of its agents over any span, beside the span before. */
final readonly class FiguresController
{
    private const USUAL_DAYS = 28;

    private const MOST_DAYS = 1100;

    private const MOST_BARS = 60;

    private const MOST_STEPS = 8;

    /** Calls with the slowest turns that are named. */
    private const SLOWEST = 5;

    /** Days from which on the slowest are looked for by slowness, not by time. */
    private const LONG_DAYS = 90;

    public function __construct(private CurrentAgent $current, private CountCalls $count, private FiguresOver $over, private NobodyCame $nobody)
    {
    }

    public function show(Request $request, Business $business): View
    {
        $span = $this->span($request, $business);
        $rates = Rates::fromArray($business->rates ?? []);

        $agent = $span['of'] ?? $this->current->in($business);
        $nobody = $this->nobody->to($business, $agent, $span['of'] === null ? $this->over->of($business, $agent, $span['from'], $span['to']) : $span['now'], self::MOST_STEPS);

        return view('figures', $span + [
            'business' => $business, 'agent' => $this->current->in($business), 'agents' => $business->agents()->get(), 'lines' => $business->lines()->pluck('name', 'key')->all(), 'rates' => $rates, 'covered' => $agent, 'unused' => $nobody['unused'], 'givenUpAt' => array_slice($nobody['givenUpAt'], 0, self::MOST_STEPS),
            'unasked' => KnowledgePassage::query()->where('business_id', $business->id)->where('shown', true)->where('answered', 0)->with('source:id,name')->orderBy('id')->limit(self::MOST_STEPS)->get(), 'unaskedCount' => KnowledgePassage::query()->where('business_id', $business->id)->where('shown', true)->where('answered', 0)->count(),
            'cost' => $rates->none() ? null : $rates->of($span['now'], $span['days']), 'costBefore' => $rates->none() ? null : $rates->of($span['before'], $span['days']),
            'slowest' => $this->slowest($business, $span),
            'each' => $this->weekdays($span['from'], $span['days']),
            'bars' => $this->bars($this->over->days($business, $span['of'], $span['from'], $span['to']), $span['from'], $span['days']),
        ]);
    }

    /** @return array<int, int> how often each weekday, 1 for Monday, stands in the span */
    private function weekdays(string $from, int $days): array
    {
        $first = (int) Carbon::parse($from)->format('N');
        $each = [];
        for ($day = 1; $day <= 7; $day++) {
            $each[$day] = intdiv($days, 7) + (($day - $first + 7) % 7 < $days % 7 ? 1 : 0);
        }

        return $each;
    }

    /**
     * Calls day by day, or of so many days together that the bars can be told apart.
     *
     * @param array<string, int> $byDay
     *
     * @return array{each: int, most: int, of: list<array{from: string, n: int}>}
     */
    private function bars(array $byDay, string $from, int $days): array
    {
        $each = (int) ceil($days / self::MOST_BARS);
        $bars = [];
        for ($start = 0, $day = Carbon::parse($from); $start < $days; $start += $each) {
            $bar = ['from' => $day->format('j M'), 'n' => 0];
            for ($i = $start; $i < min($days, $start + $each); $i++, $day->addDay()) {
                $bar['n'] += $byDay[$day->format('Y-m-d')] ?? 0;
            }
            $bars[] = $bar;
        }

        return ['each' => $each, 'most' => max(1, ...array_column($bars, 'n')), 'of' => $bars];
    }

    /** Every sum of the span, and of the one before. */
    public function export(Request $request, Business $business): StreamedResponse
    {
        $span = $this->span($request, $business);
        $rows = [];
        foreach (['now' => $span['now'], 'before' => $span['before']] as $which => $tally) {
            foreach ($tally->rows() as $row) {
                $rows["{$row['what']}\0{$row['key']}"][$which] = $row;
            }
        }
        ksort($rows);

        return response()->streamDownload(static function () use ($rows): void {
            echo Csv::line(['what', 'key', 'count', 'total', 'count before', 'total before']);
            foreach ($rows as $both) {
                $one = $both['now'] ?? $both['before'];
                echo Csv::line([$one['what'], $one['key'], $both['now']['n'] ?? 0, $both['now']['total'] ?? 0, $both['before']['n'] ?? 0, $both['before']['total'] ?? 0]);
            }
        }, "figures-{$business->key}-{$span['from']}-{$span['to']}.csv", ['Content-Type' => 'text/csv; charset=UTF-8']);
    }

    public function rates(Request $request, Business $business): RedirectResponse
    {
        $rule = ['nullable', 'numeric', 'between:0,100000'];
        $given = $request->validate(['inbound' => $rule, 'outbound' => $rule, 'text' => $rule, 'email' => $rule, 'month' => $rule], ['*.numeric' => 'A rate is an amount, such as 0.012.', '*.between' => 'A rate is between 0 and 100,000.']);
        $business->update(['rates' => array_filter(array_map(floatval(...), $given), static fn (float $rate): bool => $rate > 0)]);

        return redirect()->to(url()->previous(route('figures', $business)))->with('notice', 'The rates are kept.');
    }

    /** @return array{of: ?Agent, from: string, to: string, days: int, now: Tally, before: Tally, beforeFrom: string, beforeTo: string} */
    private function span(Request $request, Business $business): array
    {
        $given = $request->validate(['from' => ['nullable', 'date_format:Y-m-d'], 'to' => ['nullable', 'date_format:Y-m-d'], 'of' => ['nullable', 'string', 'max:100']], ['from.*' => 'Write the first day as 2026-03-10.', 'to.*' => 'Write the last day as 2026-03-10.']);
        $today = Carbon::now($business->tz)->startOfDay();
        $to = isset($given['to']) ? Carbon::parse($given['to'], $business->tz) : $today;
        $from = isset($given['from']) ? Carbon::parse($given['from'], $business->tz) : $to->copy()->subDays(self::USUAL_DAYS - 1);
        $days = (int) round($from->diffInDays($to)) + 1;
        if ($days < 1 || $days > self::MOST_DAYS) {
            throw ValidationException::withMessages(['from' => $days < 1 ? 'The first day comes after the last.' : 'A span is '.number_format(self::MOST_DAYS).' days at most.']);
        }
        $of = ($given['of'] ?? '') === '' ? null : ($business->agents()->where('key', $given['of'])->first() ?? abort(404, "There is no agent “{$given['of']}”."));
        $this->count->freshen($business);
        $beforeFrom = $from->copy()->subDays($days)->format('Y-m-d');
        $beforeTo = $from->copy()->subDay()->format('Y-m-d');

        return [
            'of' => $of, 'from' => $from->format('Y-m-d'), 'to' => $to->format('Y-m-d'), 'days' => $days, 'beforeFrom' => $beforeFrom, 'beforeTo' => $beforeTo,
            'now' => $this->over->of($business, $of, $from->format('Y-m-d'), $to->format('Y-m-d')), 'before' => $this->over->of($business, $of, $beforeFrom, $beforeTo),
        ];
    }

    /**
     * Found by what an index holds, then read.
     *
     * @param array{from: string, to: string, of: ?Agent, ...} $span
     *
     * @return Collection<int, Call>
     */
    private function slowest(Business $business, array $span): Collection
    {
        [$from, $to] = [Carbon::parse($span['from'], $business->tz)->utc(), Carbon::parse($span['to'], $business->tz)->addDay()->utc()];
        // In a long time the first few of all by slowness are found at once; in a short one it is quicker to look at its calls.
        $index = $from->diffInDays($to) > self::LONG_DAYS ? 'calls_by_slowness_index' : 'calls_slowest_index';
        $found = Call::query()->when(FullText::there(), static fn ($query) => $query->forceIndex($index))->where('business_id', $business->id)->when($span['of'] !== null, static fn ($query) => $query->where('agent_id', $span['of']?->id))
            ->where('kind', '!=', 'rehearsal')->where('slowest_microseconds', '>', 0)->where('started_at', '>=', $from)->where('started_at', '<', $to)
            ->orderByDesc('slowest_microseconds')->limit(self::SLOWEST)->pluck('id');

        return Call::query()->findMany($found)->sortByDesc('slowest_microseconds')->values();
    }
}
