<?php

declare(strict_types=1);

namespace App\Support;

use App\Gateways\Speech\Recogniser;
use App\Gateways\Speech\Voice;
use App\Models\Call;
use App\Models\CallStep;
use App\Models\CallTurn;
use App\Models\Offer;
use Illuminate\Support\Collection;

/** How a call stands, for the handset: what was last said, the strip and the trace as ready pieces of page. */
final readonly class HandsetView
{
    /** Seconds of silence before it counts, and so many where the caller has asked to wait. */
    private const SILENCE = 6.0;

    private const ON_HOLD = 20.0;

    public function __construct(private Voice $voice, private Playlist $playlist, private Recogniser $recogniser)
    {
    }

    private function ringing(Call $call): string
    {
        $offers = Offer::query()->where('call_id', $call->id)->where('status', 'ringing')->with('person')->get();

        return $offers->map(static fn (Offer $offer): string => ($offer->person->name ?? 'a number outside').($offer->person?->atDesk() ? ' (desk open)' : ''))->implode(', ');
    }

    /**
     * The turns that the newest step wrote: the last of what the caller, staff or the agent said.
     *
     * @param Collection<int, CallTurn> $turns
     *
     * @return list<int>
     */
    private function turnsOf(CallStep $step, Collection $turns): array
    {
        $mine = [];
        foreach ($turns->slice(-2) as $turn) {
            $mine[] = StepTurns::of([$step], [$turn])[$step->n];
        }

        return array_merge(...$mine);
    }

    /**
     * @param bool $speak whether the agent's newest lines are to be played
     *
     * @return array<string, mixed>
     */
    public function of(Call $call, bool $speak): array
    {
        $call->loadMissing('turns', 'business', 'scriptText');
        $voice = $call->scriptText->script()->agent->voice;
        $turns = $call->turns;
        $last = $turns->last();
        $step = $call->newestStep;
        $name = $call->scriptText->script()->agent->name;
        // Read once: each look at it would decode all of it anew.
        $state = $call->state;

        return [
            'ref' => $call->ref,
            'step' => $call->step,
            'status' => $call->status,
            'outcome' => $call->outcome,
            'agent' => $name,
            'caller' => $call->caller_name,
            'last_agent' => $turns->where('by', 'agent')->last()->text ?? '',
            'last_staff' => $turns->where('by', 'staff')->last()->text ?? '',
            'last_caller' => $turns->where('by', 'caller')->last()->text ?? '',
            'at_step' => $state['step'] ?? null,
            'mode' => $state['mode'] ?? 'answer',
            'ringing' => ($state['mode'] ?? '') === 'ringing' || ($state['first'] ?? null) !== null ? $this->ringing($call) : '',
            'with' => $state['connected']['name'] ?? null,
            'errand' => ($state['mode'] ?? '') === 'looking_up' ? ($state['errand']['id'] ?? null) : null,
            'errand_called' => $state['errand']['key'] ?? '',
            'errand_url' => route('handset.errand', [$call->business, $call]),
            'sent' => array_map(static fn (array $sent): string => "{$sent['by']} to {$sent['to']}: {$sent['text']}", array_slice($state['sent'] ?? [], -2)),
            'strip' => view('parts.strip', ['turns' => $turns, 'live' => $call->inProgress(), 'marks' => $call->marks ?? [], 'agent' => $name])->render(),
            'trace' => ! $step instanceof CallStep ? '' : view('parts.trace', ['step' => $step, 'turns' => $this->turnsOf($step, $turns), 'script' => $call->scriptText->script(), 'call' => $call])->render(),
            'play' => $speak && $last instanceof CallTurn && $last->by === 'agent' ? $this->playlist->urls($call, $last->n, $last->text) : [],
            'voice_missing' => ! $this->voice->available($voice['engine']),
            'voice_engine' => $voice['engine'],
            'seconds' => $last instanceof CallTurn && $last->by === 'agent' ? $last->seconds : 0,
            'timeout' => ($state['holding'] ?? false) ? self::ON_HOLD : self::SILENCE,
            'heard_url' => $this->recogniser->available() ? route('handset.heard', [$call->business, $call]) : null,
            'colleague' => $call->colleague ?? ['how' => 'answers', 'after' => 4],
            'colleague_url' => route('handset.colleague', [$call->business, $call]),
            'again_url' => route('handset.again', [$call->business, $call]),
            'call_url' => route('call', [$call->business, $call]),
            'send_url' => route('handset.happen', [$call->business, $call]),
            'show_url' => route('handset.show', [$call->business, $call]),
        ];
    }
}
