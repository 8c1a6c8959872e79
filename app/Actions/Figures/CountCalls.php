<?php

declare(strict_types=1);

namespace App\Actions\Figures;

use App\Models\Booking;
use App\Models\Business;
use App\Models\Call;
use App\Models\CallRecord;
use App\Models\CallStep;
use App\Models\CallTurn;
use App\Models\CampaignAttempt;
use App\Models\Delivery;
use App\Models\ErrandRun;
use App\Models\FigureDay;
use App\Models\KnowledgeQuestion;
use App\Models\Line;
use App\Models\Offer;
use App\Models\RecordCheck;
use App\Models\Release;
use App\Support\CampaignComparison;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Ringo\Figures\CallFacts;
use Ringo\Figures\Handled;
use Ringo\Figures\Tally;

/**
 * Keeps the sums of each agent's days: what changes a call, its record, bookings or deliveries marks its day, and the next look counts that day again, from its calls.
 *
 * Days are those of the business's clock. Rehearsals are not counted. Erasing calls because their time is over does not mark a day: its sums stay until it is counted again for another reason.
 */
final class CountCalls
{
    private const IN_THE_END = ['sent', 'failed', 'dead'];

    /** Calls whose particulars are fetched together. */
    private const TOGETHER = 500;

    /** @var array<int, string> time zone by business */
    private array $clocks = [];

    /** Follows what happens to calls and to what hangs on them. */
    public function listen(): void
    {
        $call = fn (Call $call): null => $this->mark($call);
        Call::saved($call);
        Call::deleted($call);
        Call::restored($call);
        $part = function (Model $part): null {
            $id = $part instanceof RecordCheck ? CallRecord::query()->whereKey($part->record_id)->value('call_id') : $part->getAttribute('call_id');

            return $id === null ? null : $this->mark(Call::query()->whereKey($id)->first(['id', 'business_id', 'agent_id', 'kind', 'status', 'started_at', 'tz']));
        };
        foreach ([CallRecord::class, RecordCheck::class, Delivery::class, Booking::class, KnowledgeQuestion::class, CampaignAttempt::class] as $model) {
            $model::saved($part);
        }
    }

    private function mark(?Call $call): null
    {
        if ($call !== null && $call->kind !== 'rehearsal' && $call->status === 'ended') {
            FigureDay::query()->upsert([['business_id' => $call->business_id, 'agent_id' => $call->agent_id, 'day' => $call->started_at->copy()->setTimezone($this->clock($call->business_id))->format('Y-m-d'), 'changes' => 1]], ['agent_id', 'day'], ['changes' => DB::raw('figure_days.changes + 1')]);
        }

        return null;
    }

    private function clock(int $business): string
    {
        return $this->clocks[$business] ??= (string) Business::query()->whereKey($business)->value('tz');
    }

    /** Counts the days that something was changed in, or all of them where none was counted yet. */
    public function freshen(Business $business): void
    {
        if (! FigureDay::query()->where('business_id', $business->id)->exists()) {
            $this->markAll($business);
        }
        foreach (FigureDay::query()->where('business_id', $business->id)->where('changes', '>', 0)->orderBy('id')->get() as $day) {
            if ($day instanceof FigureDay) {
                $this->keep($business, $day);
            }
        }
    }

    /** Every day that has calls is counted anew at the next look. */
    public function markAll(Business $business): void
    {
        $days = [];
        foreach (Call::query()->where('business_id', $business->id)->where('kind', '!=', 'rehearsal')->where('status', 'ended')->toBase()->select('agent_id', 'started_at')->cursor() as $call) {
            $day = Carbon::parse((string) $call->started_at, 'UTC')->setTimezone($business->tz)->format('Y-m-d');
            $days[$call->agent_id.' '.$day] = ['business_id' => $business->id, 'agent_id' => $call->agent_id, 'day' => $day, 'changes' => 1];
        }
        foreach (array_chunk(array_values($days), 200) as $some) {
            FigureDay::query()->upsert($some, ['agent_id', 'day'], ['changes' => DB::raw('figure_days.changes + 1')]);
        }
    }

    /** The sums of one day of an agent, from its calls. */
    public function day(Business $business, int $agent, string $day): Tally
    {
        $from = Carbon::parse($day, $business->tz)->startOfDay();
        $tally = new Tally;
        $releases = Release::query()->where('agent_id', $agent)->pluck('number', 'id');
        $lines = Line::withTrashed()->where('business_id', $business->id)->pluck('key', 'id')->all();
        Call::query()->toBase()->where('business_id', $business->id)->where('agent_id', $agent)->where('kind', '!=', 'rehearsal')->where('status', 'ended')
            ->where('started_at', '>=', $from->copy()->utc())->where('started_at', '<', $from->copy()->addDay()->utc())
            ->select('id', 'started_at', 'seconds', 'direction', 'outcome', 'release_id', 'line_id', 'state->heard as heard', 'state->topic as topic', 'state->caller->kind as caller_kind', 'state->connected->after as waited', 'state->connected->person as person', 'state->fired as fired')
            ->orderBy('id')->chunk(self::TOGETHER, function (Collection $calls) use ($tally, $business, $releases, $lines): void {
                $parts = $this->parts($calls->pluck('id')->all());
                foreach ($calls as $call) {
                    $tally->add($this->facts($call, $parts, $business, $releases->all(), $lines));
                }
            });

        return $tally;
    }

    /** Counts outside the transaction, so that calls that ring are not held up, and keeps the sums only if nothing was changed meanwhile. */
    private function keep(Business $business, FigureDay $day): void
    {
        $date = substr($day->day, 0, 10);
        $rows = array_map(static fn (array $row): array => ['business_id' => $business->id, 'agent_id' => $day->agent_id, 'day' => $date] + $row, $this->day($business, $day->agent_id, $date)->rows());
        DB::transaction(static function () use ($day, $date, $rows): void {
            if (FigureDay::query()->whereKey($day->id)->where('changes', $day->changes)->update(['changes' => 0]) === 0) {
                return;
            }
            DB::table('figures')->where('agent_id', $day->agent_id)->where('day', $date)->delete();
            foreach (array_chunk($rows, 100) as $some) {
                DB::table('figures')->insert($some);
            }
        });
    }

    /**
     * @param array<array-key, mixed> $ids
     *
     * @return array{record: Collection<int, Collection<int, \stdClass>>, check: Collection<int, Collection<int, \stdClass>>, booking: Collection<int, Collection<int, \stdClass>>, delivery: Collection<int, Collection<int, \stdClass>>, question: Collection<int, Collection<int, \stdClass>>, offer: Collection<int, Collection<int, \stdClass>>, errand: Collection<int, Collection<int, \stdClass>>, speech: Collection<int, Collection<int, \stdClass>>, attempt: Collection<int, Collection<int, \stdClass>>, step: Collection<int, Collection<int, \stdClass>>} by call
     */
    private function parts(array $ids): array
    {
        return [
            'record' => CallRecord::query()->toBase()->whereIn('call_id', $ids)->get(['call_id', 'missing', 'doubtful'])->groupBy('call_id'),
            'check' => RecordCheck::query()->toBase()->join('records', 'records.id', '=', 'record_checks.record_id')->whereIn('records.call_id', $ids)->get(['records.call_id', 'record_checks.field', 'record_checks.verdict'])->groupBy('call_id'),
            'booking' => Booking::query()->toBase()->whereIn('call_id', $ids)->whereIn('state', ['booked', 'cancelled'])->get(['call_id', 'state'])->groupBy('call_id'),
            'delivery' => Delivery::query()->toBase()->whereIn('call_id', $ids)->whereIn('state', self::IN_THE_END)->get(['call_id', 'kind', 'state'])->groupBy('call_id'),
            'question' => KnowledgeQuestion::query()->toBase()->whereIn('call_id', $ids)->get(['call_id'])->groupBy('call_id'),
            'errand' => ErrandRun::query()->toBase()->whereIn('call_id', $ids)->where('state', ErrandRun::BACK)->where('aside', false)->get(['call_id', 'milliseconds'])->groupBy('call_id'),
            'speech' => CallTurn::query()->toBase()->whereIn('call_id', $ids)->where('voice_milliseconds', '>', 0)->get(['call_id', 'voice_milliseconds'])->groupBy('call_id'),
            'attempt' => CampaignAttempt::query()->toBase()->whereIn('call_id', $ids)->get(['call_id', 'came', 'outcome', 'objections'])->groupBy('call_id'),
            'offer' => Offer::query()->toBase()->whereIn('call_id', $ids)->where('before_agent', false)->get(['call_id'])->groupBy('call_id'),
            'step' => CallStep::query()->toBase()->whereIn('call_id', $ids)->orderBy('n')->select('call_id', 'microseconds', 'knowledge_microseconds', 'trace->steps as steps')->get()->groupBy('call_id'),
        ];
    }

    /**
     * @param array{record: Collection<int, Collection<int, \stdClass>>, check: Collection<int, Collection<int, \stdClass>>, booking: Collection<int, Collection<int, \stdClass>>, delivery: Collection<int, Collection<int, \stdClass>>, question: Collection<int, Collection<int, \stdClass>>, offer: Collection<int, Collection<int, \stdClass>>, errand: Collection<int, Collection<int, \stdClass>>, speech: Collection<int, Collection<int, \stdClass>>, attempt: Collection<int, Collection<int, \stdClass>>, step: Collection<int, Collection<int, \stdClass>>} $parts
     * @param array<array-key, mixed> $releases number by id
     * @param array<array-key, mixed> $lines key by id
     */
    private function facts(\stdClass $call, array $parts, Business $business, array $releases, array $lines): CallFacts
    {
        $of = static fn (string $part): array => ($parts[$part][$call->id] ?? collect())->all();
        $record = $of('record')[0] ?? null;
        $release = $releases[$call->release_id] ?? null;

        return new CallFacts(
            (new \DateTimeImmutable((string) $call->started_at, new \DateTimeZone('UTC')))->setTimezone(new \DateTimeZone($business->tz)),
            (float) $call->seconds,
            (string) $call->direction,
            (string) $call->outcome,
            Handled::of((string) $call->outcome, $call->person !== null, $of('offer') !== []),
            $call->heard === null ? null : (int) $call->heard,
            $call->waited === null ? null : (float) $call->waited,
            $call->topic,
            $call->caller_kind,
            is_numeric($release) ? (int) $release : null,
            $record === null || $call->person !== null ? null : (! in_array($record->missing, ['[]', '', null], true) ? 'missing' : ($record->doubtful ? 'doubtful' : 'complete')),
            array_values(array_map(static fn (\stdClass $one): array => ['field' => (string) $one->field, 'verdict' => (string) $one->verdict], $of('check'))),
            array_values(array_map(static fn (\stdClass $one): string => (string) $one->state, $of('booking'))),
            count($of('question')),
            array_values(array_map(static fn (\stdClass $one): array => ['kind' => (string) $one->kind, 'state' => (string) $one->state], $of('delivery'))),
            array_values(array_map(static fn (\stdClass $one): float => $one->microseconds / 1000, array_filter($of('step'), static fn (\stdClass $one): bool => $one->microseconds > 0))),
            array_merge(...array_map(self::steps(...), array_values($of('step')))),
            is_string($lines[$call->line_id] ?? null) ? $lines[$call->line_id] : null,
            $call->fired === null ? null : self::steps((object) ['steps' => $call->fired]),
            ...$this->outreach($of('attempt')[0] ?? null),
            parts: array_filter([
                'understanding' => array_values(array_map(static fn (\stdClass $one): float => ($one->microseconds - $one->knowledge_microseconds) / 1000, array_filter($of('step'), static fn (\stdClass $one): bool => $one->microseconds > 0))),
                'knowledge' => array_values(array_map(static fn (\stdClass $one): float => $one->knowledge_microseconds / 1000, array_filter($of('step'), static fn (\stdClass $one): bool => $one->knowledge_microseconds > 0))),
                'errands' => array_values(array_map(static fn (\stdClass $one): float => (float) $one->milliseconds, $of('errand'))),
                'speech' => array_values(array_map(static fn (\stdClass $one): float => (float) $one->voice_milliseconds, $of('speech'))),
            ]),
        );
    }

    /** @return array{outreach: ?string, objections: list<array{kind: string, achieved: bool}>} */
    private function outreach(?\stdClass $attempt): array
    {
        if ($attempt === null) {
            return ['outreach' => null, 'objections' => []];
        }
        $achieved = $attempt->came === 'reached' && ! in_array((string) $attempt->outcome, CampaignComparison::NOTHING, true);
        $kinds = json_decode((string) $attempt->objections, true);

        return [
            'outreach' => $achieved ? 'achieved' : ($attempt->came === 'reached' ? 'reached' : (string) $attempt->came),
            'objections' => array_map(static fn (string $kind): array => ['kind' => $kind, 'achieved' => $achieved], array_values(array_unique(array_filter(is_array($kinds) ? $kinds : [], is_string(...))))),
        ];
    }

    /** @return list<string> */
    private static function steps(\stdClass $one): array
    {
        $steps = json_decode((string) $one->steps, true);

        return is_array($steps) ? array_values(array_filter($steps, is_string(...))) : [];
    }
}
