<?php

declare(strict_types=1);

namespace App\Actions\Errands;

use App\Models\Business;
use App\Models\Call;
use App\Models\Errand;
use App\Models\ErrandRun;
use Ringo\Errand\CallerFound;
use Ringo\Errand\Reply;

/** Asks another system who rings, before the first word. Late, failed or not found only means that less is known. */
final readonly class RecogniseElsewhere
{
    /** The run is the first of its call; the engine counts its own from e1. */
    private const IDENT = 'e0';

    public function __construct(private RunErrand $runner)
    {
    }

    /**
     * @param array<string, scalar|null> $caller
     * @param ?string $how how a rehearsal has errands answered; the usual way by default
     *
     * @return ?array{errand: Errand, values: array<string, mixed>, came: Came} null where nothing was asked
     */
    public function ask(Business $business, ?string $key, array $caller, ?string $number, ?string $how): ?array
    {
        $errand = $key === null ? null : Errand::query()->where('business_id', $business->id)->where('key', $key)->first();
        $values = $errand instanceof Errand ? CallerFound::needs($errand->design(), $caller, $number) : null;
        if (! $errand instanceof Errand || $values === null) {
            return null;
        }
        $kept = $errand->kept === null ? Reply::of([]) : RunErrand::reader($business)->http($errand->design(), $errand->kept['status'], $errand->kept['body']);
        $came = match ($how ?? 'usual') {
            'kept' => new Came($kept, 0),
            'fails' => new Came(Reply::failed('it was told to fail'), 0),
            'nothing', 'several' => new Came(Reply::of([]), 0),
            'slow' => new Came(Reply::slow($errand->design()->seconds), (int) (1000 * $errand->design()->seconds)),
            default => $this->runner->run($errand, $values, 'opening-'.bin2hex(random_bytes(8))),
        };

        return ['errand' => $errand, 'values' => $values, 'came' => $came];
    }

    /** @param array{errand: Errand, values: array<string, mixed>, came: Came} $asked keeps what was asked with the call it was asked for */
    public function keep(Call $call, array $asked, string $how): void
    {
        $came = $asked['came'];
        ErrandRun::query()->create(['business_id' => $call->business_id, 'call_id' => $call->id, 'errand' => $asked['errand']->key, 'ident' => self::IDENT, 'idempotency_key' => $call->ref.'-'.self::IDENT, 'values' => $asked['values'], 'state' => ErrandRun::BACK, 'how' => $how, 'reply' => $came->reply->toArray(), 'milliseconds' => $came->milliseconds, 'at' => 0]);
        $call->update(['marks' => [...$call->marks ?? [], ['at' => 0.0, 'kind' => 'errand', 'name' => $asked['errand']->key, 'status' => $came->reply->status, 'seconds' => 0.0]]]);
    }
}
