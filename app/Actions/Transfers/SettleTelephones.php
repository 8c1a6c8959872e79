<?php

declare(strict_types=1);

namespace App\Actions\Transfers;

use App\Actions\Calls\CallHost;
use App\Actions\Calls\CallMoved;
use App\Models\Call;
use App\Models\Offer;
use Ringo\Dialogue\Event;

/**
 * Goes on with calls whose telephones rang long enough, and lets the simulated colleague answer where no desk is open.
 *
 * It runs when a handset or a desk looks, which each does about once a second.
 */
final readonly class SettleTelephones
{
    public function __construct(private CallHost $host)
    {
    }

    public function of(Call $call): void
    {
        if (! $call->inProgress() || ($call->state['mode'] ?? '') !== 'ringing') {
            return;
        }
        $offers = Offer::query()->where('call_id', $call->id)->where('status', 'ringing')->with('person')->get();
        if ($offers->isEmpty()) {
            $this->happen($call, Event::notAnswered('transfer_no_answer', '', $this->host->at($call, 'transfer', '')));

            return;
        }
        $first = $offers->firstOrFail();
        $rung = (int) $first->rung_at->diffInSeconds(now(), true);
        $desk = $offers->first(static fn (Offer $offer): bool => $offer->person?->atDesk() ?? false);
        $colleague = $call->colleague ?? ['how' => 'answers', 'after' => 4];
        $at = $this->clock($call, $rung);
        if ($desk === null && $rung >= $colleague['after'] && $colleague['how'] !== 'no_answer') {
            $this->happen($call, match ($colleague['how']) {
                'busy' => Event::notAnswered('transfer_busy', '', $at),
                'declines' => Event::notAnswered('transfer_declined', 'not just now', $at),
                default => Event::answered($first->who, $at),
            });
        } elseif ($offers->every(static fn (Offer $offer): bool => $offer->ends_at->isPast())) {
            $this->happen($call, Event::notAnswered('transfer_no_answer', '', $at));
        }
    }

    /** When something happens that took so many real seconds of ringing. */
    public function clock(Call $call, int $seconds): float
    {
        $since = (float) ($call->state['transfer']['since'] ?? $call->state['clock'] ?? 0);

        return round($since + max($seconds, $this->host->at($call, 'transfer', '') - $since), 1);
    }

    private function happen(Call $call, Event $event): void
    {
        try {
            $this->host->happen($call, $call->step, $event);
        } catch (CallMoved) {
            // Somebody was quicker; what they did counts.
        }
    }
}
