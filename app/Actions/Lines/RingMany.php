<?php

declare(strict_types=1);

namespace App\Actions\Lines;

use App\Actions\Calls\KeepFinishedCall;
use App\Actions\Crowd\KeptAnswers;
use App\Actions\Diary\DiariesOf;
use App\Actions\Knowledge\KnowledgeOf;
use App\Actions\Transfers\SwitchboardOf;
use App\Models\Agent;
use App\Models\Call;
use App\Models\Errand;
use App\Models\Line;
use App\Models\LineRush;
use App\Models\Release;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Opening;
use Ringo\Diary\Diaries;
use Ringo\Line\Exchange;
use Ringo\Line\Way;
use Ringo\Rehearsal\Crowd\Crowd;
use Ringo\Rehearsal\Crowd\Dice;
use Ringo\Rehearsal\Crowd\Walk;
use Ringo\Rehearsal\FinishedCall;
use Ringo\Rehearsal\Input;
use Ringo\Rehearsal\Rehearsal;
use Ringo\Rehearsal\SketchBook;
use Ringo\Script\Script;

/**
 * Lets many stand-in callers ring a line within some minutes, on a clock of their own: each takes the line's real path, and as many hold
 * the line as would. Their calls are kept as live ones. The same seed gives the same rush.
 */
final class RingMany
{
    /** How long a member of staff keeps a caller, seconds: what a stand-in of the desk says is not played. */
    private const STAFF_TALK = 120.0;

    public function __construct(private readonly LinesOf $lines, private readonly PlaceCall $place, private readonly KeepFinishedCall $keep, private readonly SwitchboardOf $switchboard, private readonly KnowledgeOf $knowledge, private readonly DiariesOf $diaries)
    {
    }

    public function run(LineRush $rush): void
    {
        $rush->load('line.business', 'line.release', 'line.agent');
        LineRush::query()->whereKey($rush->id)->where('status', 'queued')->update(['status' => 'running']);
        $arrivals = $this->arrivals($rush);
        while ($rush->refresh()->status === 'running' && $rush->done < $rush->callers) {
            $this->one($rush, $rush->done + 1, $arrivals[$rush->done]);
        }
        LineRush::query()->whereKey($rush->id)->where('status', 'running')->where('done', '>=', $rush->callers)->update(['status' => 'done']);
    }

    /** @return list<float> seconds after the beginning, in order */
    public function arrivals(LineRush $rush): array
    {
        $dice = new Dice("rush|{$rush->seed}");
        $arrivals = array_map(static fn (): float => $dice->between(0, 600 * $rush->minutes) / 10, range(1, $rush->callers));
        sort($arrivals);

        return $arrivals;
    }

    private function one(LineRush $rush, int $n, float $second): void
    {
        $line = $rush->line;
        $sums = $rush->sums ?? ['ends' => [], 'most' => 0, 'until' => []];
        $held = array_values(array_filter($sums['until'], static fn (float|int $end): bool => $end > $second));
        $at = $rush->placed_at->copy()->setTimezone($line->business->tz)->addSeconds((int) $second)->toDateTimeImmutable();
        $way = $this->exchange($line, count($held))->way($line->key, $at);
        $release = $this->place->release($line, $way);
        $call = $this->call($rush, $line, $release, $way, $n, $at);
        $outcome = (string) $call->state->outcome;
        // Who only hears that all is taken holds no line.
        if (! $way->full) {
            $held[] = $second + max($call->transcript->seconds(), $call->state->clock);
        }
        $ends = $sums['ends'];
        $ends[$outcome] = ($ends[$outcome] ?? 0) + 1;
        DB::transaction(function () use ($rush, $n, $release, $call, $line, $way, $ends, $held, $sums): void {
            // Counted and kept once, whoever rings them: the counter is the claim.
            if (LineRush::query()->whereKey($rush->id)->where('done', $n - 1)->update(['done' => $n, 'sums' => json_encode(['ends' => $ends, 'most' => max($sums['most'], count($held)), 'until' => $held], JSON_THROW_ON_ERROR), 'updated_at' => now()]) === 0) {
                return;
            }
            $kept = $this->keep->live(Agent::query()->findOrFail($release->agent_id), $release, $call, null);
            Call::query()->whereKey($kept->id)->update(['line_id' => $line->id, 'way' => json_encode($way->why, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE)]);
        });
    }

    private function exchange(Line $line, int $busy): Exchange
    {
        $business = $line->business;

        return new Exchange($this->lines->designs($business), $business->brief()->hours, $this->switchboard->business($business, true), [$line->key => $busy], $business->agents()->pluck('name', 'key')->all());
    }

    private function call(LineRush $rush, Line $line, Release $release, Way $way, int $n, \DateTimeImmutable $at): FinishedCall
    {
        $business = $line->business;
        $script = $release->scriptText->script();
        $who = (new Crowd($script, $at, $rush->seed))->caller($n);
        $engine = Engine::for($script, $this->switchboard->business($business, true), $this->knowledge->forCalls($business), appointments: new SketchBook(Diaries::fromArray($this->diaries->document($business))), errands: $business->errandDesigns());
        $answers = KeptAnswers::of($business->errands()->get()->filter(static fn (Errand $one): bool => $one->kept !== null)->all(), $business);
        $state = $this->state($script, $line, $way, $who->number, $n, $rush, $at);
        if ($way->then !== Way::AGENT && $way->rings === []) {
            return (new Rehearsal($engine, $answers))->run($state, [], hangUp: false);
        }
        if ($way->rings !== [] && $rush->staff === 'answers') {
            return (new Rehearsal($engine, $answers))->run($state, [new Input('answered'), new Input('silence', '', self::STAFF_TALK), new Input('hang_up')]);
        }
        if ($way->rings !== [] && $way->then !== Way::AGENT) {
            return (new Rehearsal($engine, $answers))->run($state, array_fill(0, count($way->rings), new Input('no_answer')), hangUp: false);
        }

        return (new Walk($engine, $at, 0.0, $answers))->of($who, $state)->call;
    }

    private function state(Script $script, Line $line, Way $way, string $number, int $n, LineRush $rush, \DateTimeImmutable $at): CallState
    {
        $state = (new Opening($script))->state((string) Str::ulid($at), $at, "{$rush->seed}-{$n}", $number, $line->e164, ['known' => false, 'kind' => 'unknown']);
        $state->opening = $way->opening;
        $state->first = $this->place->first($way);

        return $state;
    }
}
