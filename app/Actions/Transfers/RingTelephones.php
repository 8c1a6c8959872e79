<?php

declare(strict_types=1);

namespace App\Actions\Transfers;

use App\Models\Call;
use App\Models\Offer;
use App\Models\Person;
use App\Models\PromisedCallBack;
use Illuminate\Support\Carbon;
use Ringo\Dialogue\Actions\CallBack;
use Ringo\Dialogue\Actions\Ring;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\EventKind;
use Ringo\Dialogue\Outcome;

/** Lets telephones ring for what the engine decided, stops them again, and keeps the marks that the call strip shows. */
final readonly class RingTelephones
{
    public function after(Call $call, Event $event, Outcome $outcome): void
    {
        $marks = $call->marks ?? [];
        $add = static function (string $kind, string $name) use (&$marks, $event): void {
            $marks[] = ['at' => round($event->at, 1), 'kind' => $kind, 'name' => $name];
        };
        if (in_array($event->kind, [EventKind::Busy, EventKind::NoAnswer, EventKind::Declined], true)) {
            foreach ($this->ringing($call) as $offer) {
                $offer->update(['status' => $event->kind === EventKind::Declined ? 'declined' : 'missed', 'reason' => $event->text]);
                $add('refused', $offer->person->name ?? $offer->who);
            }
        }
        if ($event->kind === EventKind::Answered && $outcome->state->connected !== null) {
            foreach ($this->ringing($call) as $offer) {
                $offer->update(['status' => $offer->who === $event->text ? 'answered' : 'over']);
            }
            $add('taken', $outcome->state->connected['name']);
            Person::query()->where('business_id', $call->business_id)->where('key', $event->text)->update(['presence' => 'busy', 'last_call_at' => now()]);
        }
        foreach ($outcome->actions as $action) {
            if ($action instanceof CallBack) {
                PromisedCallBack::query()->create(['call_id' => $call->id, 'business_id' => $call->business_id, 'target' => $action->target, 'number' => $action->number, 'name' => $action->name, 'why' => mb_substr($action->why, 0, 250), 'due_at' => Carbon::parse($action->at, $call->tz)->utc()]);
            }
            if ($action instanceof Ring) {
                $this->ring($call, $action, $outcome->state->first !== null);
                $add('rung', implode(', ', array_map(fn (string $key): string => Person::query()->where('business_id', $call->business_id)->where('key', $key)->value('name') ?? 'a number outside', $action->people)));
            }
        }
        if ($outcome->state->ended) {
            foreach ($this->ringing($call) as $offer) {
                $offer->update(['status' => 'missed', 'reason' => 'the caller hung up']);
                $add('refused', $offer->person->name ?? $offer->who);
            }
            if ($outcome->state->connected !== null) {
                Person::query()->where('business_id', $call->business_id)->where('key', $outcome->state->connected['person'])->where('presence', 'busy')->update(['presence' => 'available', 'last_call_at' => now()]);
            }
        }
        if ($marks !== ($call->marks ?? [])) {
            $call->update(['marks' => $marks]);
        }
    }

    private function ring(Call $call, Ring $ring, bool $beforeAgent): void
    {
        foreach ($ring->people as $key) {
            Offer::query()->create([
                'call_id' => $call->id, 'business_id' => $call->business_id, 'person_id' => Person::query()->where('business_id', $call->business_id)->where('key', $key)->value('id'),
                'target' => $ring->target, 'who' => $key, 'status' => 'ringing', 'announcement' => $ring->announcement + ['how' => $ring->how], 'rung_at' => now(), 'ends_at' => now()->addSeconds($ring->seconds), 'before_agent' => $beforeAgent,
            ]);
        }
    }

    /** @return \Illuminate\Database\Eloquent\Collection<int, Offer> */
    private function ringing(Call $call): \Illuminate\Database\Eloquent\Collection
    {
        return Offer::query()->where('call_id', $call->id)->where('status', 'ringing')->with('person')->get();
    }
}
