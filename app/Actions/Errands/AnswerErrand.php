<?php

declare(strict_types=1);

namespace App\Actions\Errands;

use App\Actions\Calls\CallHost;
use App\Actions\Calls\CallMoved;
use App\Models\Call;
use App\Models\Errand;
use App\Models\ErrandRun;
use Illuminate\Support\Facades\DB;
use Ringo\Dialogue\Event;
use Ringo\Errand\Reply;

/**
 * Runs the errand a call waits for and brings its answer into the call.
 *
 * Whoever asks first runs it; what reads may be asked again when a server died over it, what changes something goes again under the
 * same key, so that it is done once.
 */
final readonly class AnswerErrand
{
    /** How rehearsals can have errands answered. */
    public const HOW = ['usual' => 'look up for real, change nothing', 'really' => 'ask for real, change too', 'kept' => 'use the kept answers', 'slow' => 'be slow', 'fails' => 'fail', 'nothing' => 'find nothing', 'several' => 'find several'];

    /** Seconds beyond its limit after which an errand counts as lost with the server that ran it. */
    private const GRACE = 3;

    public function __construct(private RunErrand $runner, private CallHost $host)
    {
    }

    /** @return bool whether an answer was brought into the call */
    public function of(Call $call): bool
    {
        $run = $this->claim($call);
        if ($run === null) {
            return false;
        }
        $errand = Errand::query()->where('business_id', $call->business_id)->where('key', $run->errand)->first();
        $came = $errand === null ? new Came(Reply::failed("there is no errand “{$run->errand}” any more"), 0) : $this->answered($call, $errand, $run);
        $seconds = round($came->milliseconds / 1000, 2);
        try {
            $this->host->happen($call, null, Event::errandReturned($run->ident, $came->reply, $seconds, round($run->at + $seconds, 1)));
        } catch (CallMoved) {
            // The caller is gone; what was done over there stands, and is told on the call's page.
            $run->update(['state' => ErrandRun::BACK, 'reply' => $came->reply->toArray(), 'milliseconds' => $came->milliseconds]);
        }

        return true;
    }

    /**
     * Runs an errand nobody waits for, and notes what came of it on its call.
     *
     * @return bool whether it is done; else it may be tried again, under the same key
     */
    public function aside(ErrandRun $run): bool
    {
        $call = $run->call;
        $errand = Errand::query()->where('business_id', $run->business_id)->where('key', $run->errand)->first();
        $run->update(['state' => ErrandRun::SENT, 'sent_at' => now()]);
        $came = $errand === null ? new Came(Reply::failed("there is no errand “{$run->errand}” any more"), 0) : $this->answered($call, $errand, $run);
        $run->update(['state' => ErrandRun::BACK, 'reply' => $came->reply->toArray(), 'milliseconds' => $came->milliseconds]);
        DB::transaction(static function () use ($call, $run, $came): void {
            Call::query()->whereKey($call->id)->update(['updated_at' => now()]);
            $call->refresh();
            $marks = array_values(array_filter($call->marks ?? [], static fn (array $mark): bool => ($mark['ident'] ?? null) !== $run->ident));
            $call->update(['marks' => [...$marks, ['at' => $run->at, 'kind' => 'errand', 'name' => $run->errand, 'status' => $came->reply->status, 'seconds' => round($came->milliseconds / 1000, 2), 'ident' => $run->ident]]]);
        });

        return in_array($came->reply->status, [Reply::FOUND, Reply::NOT_FOUND, Reply::SEVERAL], true);
    }

    /** Takes the errand the call waits for, unless somebody is at it. */
    private function claim(Call $call): ?ErrandRun
    {
        return DB::transaction(function () use ($call): ?ErrandRun {
            // The first statement writes, so that two who ask at once come one after the other.
            ErrandRun::query()->where('call_id', $call->id)->where('aside', false)->where('state', '!=', ErrandRun::BACK)->update(['updated_at' => now()]);
            $run = ErrandRun::query()->where('call_id', $call->id)->where('aside', false)->where('state', '!=', ErrandRun::BACK)->orderByDesc('id')->first();
            if (! $run instanceof ErrandRun) {
                return null;
            }
            $limit = Errand::query()->where('business_id', $call->business_id)->where('key', $run->errand)->first()?->design()->seconds ?? 0.0;
            if ($run->state === ErrandRun::SENT && $run->sent_at !== null && $run->sent_at->diffInSeconds(now()) < $limit + self::GRACE) {
                return null;
            }
            $run->update(['state' => ErrandRun::SENT, 'sent_at' => now()]);

            return $run;
        });
    }

    private function answered(Call $call, Errand $errand, ErrandRun $run): Came
    {
        $design = $errand->design();
        $wanted = $call->kind === 'rehearsal' ? $call->errands['how'] ?? 'usual' : 'really';
        $how = $wanted === 'usual' ? ($design->changes ? 'kept' : 'really') : $wanted;
        $run->update(['how' => $how]);
        $kept = $errand->kept === null ? null : RunErrand::reader($errand->business)->http($design, $errand->kept['status'], $errand->kept['body']);
        $none = Reply::failed("no answer is kept for “{$design->label}”; run it once on its page");

        return match ($how) {
            'kept' => new Came($kept ?? $none, 200),
            'fails' => new Came(Reply::failed('it was told to fail'), 300),
            'nothing' => new Came(Reply::of([]), 300),
            'several' => new Came($kept === null || $kept->rows === [] ? $none : Reply::of(count($kept->rows) > 1 ? $kept->rows : $this->doubled($kept->rows[0])), 300),
            'slow' => $this->slowly($design->seconds, (float) ($call->errands['seconds'] ?? 3), fn (): Came => $kept === null && ! $design->changes ? $this->runner->run($errand, $run->values, $run->idempotency_key) : new Came($kept ?? $none, 0)),
            default => $this->runner->run($errand, $run->values, $run->idempotency_key),
        };
    }

    /** @param \Closure(): Came $then */
    private function slowly(float $limit, float $seconds, \Closure $then): Came
    {
        usleep((int) (1e6 * min($limit, $seconds)));
        if ($seconds > $limit) {
            return new Came(Reply::slow($limit), (int) (1000 * $limit));
        }
        $came = $then();

        return new Came($came->reply, $came->milliseconds + (int) (1000 * $seconds), $came->status, $came->body);
    }

    /**
     * @param array<string, mixed> $row
     *
     * @return list<array<string, mixed>>
     */
    private function doubled(array $row): array
    {
        return [$row, array_map(static fn (mixed $value): mixed => is_string($value) && preg_match('/^\d{4}-/', $value) !== 1 ? $value.' two' : $value, $row)];
    }
}
