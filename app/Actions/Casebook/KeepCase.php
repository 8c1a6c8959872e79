<?php

declare(strict_types=1);

namespace App\Actions\Casebook;

use App\Actions\Advice\AdviceOf;
use App\Actions\Crowd\RingCrowd;
use App\Models\Agent;
use App\Models\Booking;
use App\Models\Call;
use App\Models\CallStep;
use App\Models\CallTurn;
use App\Models\CasebookCase;
use App\Models\CrowdRun;
use App\Models\ErrandRun;
use Illuminate\Support\Str;
use Ringo\Dialogue\CallState;
use Ringo\Rehearsal\Casebook\Casebook;
use Ringo\Rehearsal\Casebook\Earlier;
use Ringo\Rehearsal\Casebook\Expectations;
use Ringo\Rehearsal\Casebook\KeptCase;
use Ringo\Rehearsal\Casebook\Line;
use Ringo\Rehearsal\Casebook\Proposal;
use Ringo\Rehearsal\Input;
use Ringo\Script\Script;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Transcript\Turn;

/** Keeps calls as cases: what the caller did, who rang, when, what other systems answered, and what must hold, proposed from what happened. */
final readonly class KeepCase
{
    /** Nobody has more that matter to one call. */
    private const MOST_BOOKED = 20;

    public function __construct(private RunCases $run, private RingCrowd $ring)
    {
    }

    /** @param bool $tied whether answers are tied to what was asked, so that they are given whatever the order */
    public function of(Call $call, string $title, bool $tied): CasebookCase
    {
        $agent = $call->agent;
        $script = $call->scriptText->script();
        $state = CallState::fromArray($call->state);
        $lines = [];
        foreach ($call->steps()->get() as $step) {
            /** @var CallStep $step */
            /** @var array{kind: string, text?: string, seconds?: float|int} $event */
            $event = $step->event;
            array_push($lines, ...self::lines($script, $event, (string) ($step->trace['from_step'] ?? ''), $tied));
        }
        $errands = [];
        foreach (ErrandRun::query()->where('call_id', $call->id)->where('state', ErrandRun::BACK)->where('at', '>', 0)->orderBy('id')->get() as $run) {
            if ($run instanceof ErrandRun) {
                $errands[] = ['errand' => $run->errand, 'values' => $run->values, 'reply' => $run->reply ?? [], 'seconds' => $run->milliseconds / 1000.0];
            }
        }
        $caller = array_filter($state->caller, static fn (mixed $fact): bool => $fact !== null && $fact !== '');
        $kept = new KeptCase($this->key($agent, $title), $title, false, $call->from, $caller, $call->placedAt()->format('Y-m-d\TH:i'), $state->seed, $lines, $errands, Proposal::of($script, $state), AdviceOf::call($call)->given, $this->booked($call));

        return $this->made($agent, $kept, array_map(static fn (CallTurn $turn): Turn => $turn->toTranscript(), array_values($call->turns()->get()->all())), $call);
    }

    /**
     * What the caller had booked when they rang, for all that can be told: what has been moved since stands where it is now.
     *
     * @return list<Earlier>
     */
    private function booked(Call $call): array
    {
        if ($call->from === null) {
            return [];
        }
        $stood = static fn ($query) => $query->where('state', 'booked')->orWhere(static fn ($since) => $since->where('state', 'cancelled')->where('updated_at', '>=', $call->started_at));
        $bookings = Booking::query()->with('diary')->where('business_id', $call->business_id)->where('number', $call->from)
            // What rehearsals booked, only they see.
            ->when($call->kind !== 'rehearsal', static fn ($query) => $query->where('rehearsal', false))
            ->where('created_at', '<', $call->started_at)->where('starts_at', '>', $call->placedAt()->getTimestamp())->where($stood)
            ->orderBy('starts_at')->limit(self::MOST_BOOKED)->get();
        $earlier = [];
        foreach ($bookings as $one) {
            if ($one instanceof Booking) {
                $local = (new \DateTimeImmutable('@'.$one->starts_at))->setTimezone(new \DateTimeZone($one->diary->tz ?? $call->tz));
                $earlier[] = new Earlier($one->service, $one->diary->key, $local->format('Y-m-d\TH:i'), $one->name, $one->area);
            }
        }

        return $earlier;
    }

    /**
     * A stand-in caller's call, where what they meant must come out.
     *
     * @param bool $tied as in `of`
     */
    public function standIn(CrowdRun $run, int $n, bool $against, string $title, bool $tied): CasebookCase
    {
        [$walked, $errands] = $this->ring->noting($run, $n, $against);
        $script = ($against ? ($run->againstText ?? $run->scriptText) : $run->scriptText)->script();
        $call = $walked->call;
        $lines = [];
        foreach ($call->events as $i => $event) {
            array_push($lines, ...self::lines($script, $event->toArray(), $call->traces[$i]->fromStep ?? '', $tied));
        }
        $at = $run->placed_at->copy()->setTimezone($run->agent->business->tz)->format('Y-m-d\TH:i');

        return $this->made($run->agent, new KeptCase($this->key($run->agent, $title), $title, false, $walked->who->number, [], $at, $call->state->seed, $lines, $errands->noted, Proposal::meant($script, $walked), [], $walked->booked), $call->transcript->turns);
    }

    /** @return list<CasebookCase> */
    public function bring(Agent $agent, Casebook $book): array
    {
        $made = [];
        foreach ($book->cases as $case) {
            $old = CasebookCase::query()->where('agent_id', $agent->id)->where('key', $case->key)->first();
            $row = $old instanceof CasebookCase ? $old : new CasebookCase(['agent_id' => $agent->id, 'key' => $case->key, 'transcript' => []]);
            $row->fill(['kept' => self::plain($case), 'result' => null])->save();
            $verdict = $this->run->one($agent, $row, $agent->draft->scriptText);
            if ($row->transcript === []) {
                $row->update(['transcript' => self::turns($verdict->call->transcript->turns)]);
            }
            $made[] = $row;
        }

        return $made;
    }

    public function expects(CasebookCase $case, Expectations $expect, string $title, bool $must): void
    {
        $kept = $case->kept()->with($expect);
        $case->update(['kept' => ['title' => $title, 'must' => $must] + self::plain($kept), 'result' => null]);
        $this->run->one($case->agent, $case, $case->agent->draft->scriptText);
    }

    /** What happens now is what was meant: the kept call and its expectations follow. */
    public function accept(CasebookCase $case): void
    {
        $agent = $case->agent;
        $verdict = $this->run->verdict($agent, $case, $agent->draft->scriptText);
        $old = $case->kept()->expect;
        $new = Proposal::of($agent->draft->scriptText->script(), $verdict->call->state);
        $expect = new Expectations($new->values, $new->outcome, array_values(array_filter($old->says, static fn (string $words): bool => ! in_array(['says', $words], array_map(static fn (array $one): array => [$one['expect'], $one['wanted']], $verdict->failures), true))), $old->neverSays, array_values(array_diff($old->reaches, array_column(array_filter($verdict->failures, static fn (array $one): bool => $one['expect'] === 'reaches'), 'wanted'))), $new->askedOnce, $new->mostTurns, $new->sends);
        $case->update(['kept' => self::plain($case->kept()->with($expect)), 'transcript' => self::turns($verdict->call->transcript->turns), 'result' => null]);
        $this->run->one($agent, $case, $agent->draft->scriptText);
    }

    /** @param list<Turn> $turns */
    private function made(Agent $agent, KeptCase $kept, array $turns, ?Call $call = null): CasebookCase
    {
        $case = CasebookCase::query()->create(['agent_id' => $agent->id, 'call_id' => $call?->id, 'key' => $kept->key, 'kept' => self::plain($kept), 'transcript' => self::turns($turns)]);
        $this->run->one($agent, $case, $agent->draft->scriptText);

        return $case;
    }

    /**
     * What the caller did with one event of a call.
     *
     * @param array{kind: string, text?: string, seconds?: float|int} $event
     *
     * @return list<Line>
     */
    private static function lines(Script $script, array $event, string $from, bool $tied): array
    {
        $asked = $script->steps[$from] ?? null;

        return array_map(static fn (Input $input): Line => new Line($input, $tied && $asked instanceof AskStep && in_array($input->kind, ['say', 'key'], true) ? $asked->field : null), Input::fromEvents([$event]));
    }

    /**
     * @param list<Turn> $turns
     *
     * @return list<array<string, mixed>>
     */
    private static function turns(array $turns): array
    {
        return array_map(static fn (Turn $turn): array => $turn->toArray(), $turns);
    }

    private function key(Agent $agent, string $title): string
    {
        $base = substr(Str::slug($title, '_') ?: 'case', 0, 50);
        $taken = $agent->cases()->withoutGlobalScopes()->pluck('key')->all();
        for ($key = $base, $n = 2; in_array($key, $taken, true); $n++) {
            $key = "{$base}_{$n}";
        }

        return $key;
    }

    /** @return array<string, mixed> */
    private static function plain(KeptCase $case): array
    {
        return json_decode((string) json_encode($case->toArray(), JSON_UNESCAPED_UNICODE), true);
    }
}
