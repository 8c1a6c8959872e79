<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Calls\CallHost;
use App\Actions\Calls\CallMoved;
use App\Actions\Calls\OfferTaken;
use App\Actions\Transfers\LearnExamples;
use App\Actions\Transfers\SettleTelephones;
use App\Models\Business;
use App\Models\Call;
use App\Models\Offer;
use App\Models\Person;
use App\Models\PromisedCallBack;
use App\Models\Team;
use App\Models\User;
use App\Support\CurrentAgent;
use App\Support\Input;
use App\Support\Sight;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Transfers\Announcement;
use Ringo\Dialogue\Transfers\Transfers;

/**
 * The desk of a member of staff: presence, calls that ring, and the call they took.
 *
 * It asks how things stand once a second; the answer is one page piece with a stamp, and nothing where the stamp is the same. A poll
 * takes a few milliseconds, so the built-in server's workers are never held.
 */
final class DeskController
{
    public function __construct(private readonly CallHost $host, private readonly LearnExamples $learn)
    {
    }

    public function show(Request $request, Business $business, CurrentAgent $current): View
    {
        $person = $this->person($request, $business);

        return view('desk', ['business' => $business, 'agent' => $current->in($business), 'person' => $person, 'people' => $business->people()->whereNull('user_id')->get(), 'piece' => $person === null ? '' : $this->piece($business, $person)]);
    }

    /** Somebody takes a seat as one of the people. */
    public function sit(Request $request, Business $business): \Illuminate\Http\RedirectResponse
    {
        $person = Person::query()->where('business_id', $business->id)->whereNull('user_id')->where('key', Input::text($request, 'person'))->first();
        if (! $person instanceof Person) {
            throw ValidationException::withMessages(['person' => 'Choose who you are.']);
        }
        /** @var User $user */
        $user = $request->user();
        $person->update(['user_id' => $user->id, 'presence' => 'available']);

        return redirect()->route('desk', $business);
    }

    public function state(Request $request, Business $business, SettleTelephones $settle): JsonResponse
    {
        $person = $this->must($request, $business);
        $person->update(['desk_seen_at' => now()]);
        foreach (Offer::query()->with('call')->where('person_id', $person->id)->where('status', 'ringing')->get() as $offer) {
            $settle->of($offer->call);
        }
        $piece = $this->piece($business, $person);
        $stamp = hash('xxh3', $piece);

        return response()->json($stamp === $request->query('stamp') ? ['stamp' => $stamp] : ['stamp' => $stamp, 'html' => $piece, 'ringing' => Offer::query()->where('person_id', $person->id)->where('status', 'ringing')->exists()]);
    }

    public function presence(Request $request, Business $business): JsonResponse
    {
        $given = $request->validate(['presence' => ['required', 'in:available,busy,away']]);
        $person = $this->must($request, $business);
        $person->update(['presence' => $given['presence'], 'desk_seen_at' => now()]);

        return response()->json(['html' => $this->piece($business, $person)]);
    }

    public function answer(Request $request, Business $business, Offer $offer): JsonResponse
    {
        $given = $request->validate(['how' => ['required', 'in:accept,decline,ring_back'], 'reason' => ['nullable', 'string', 'max:120'], 'team' => ['nullable', 'string', 'max:60']]);
        $person = $this->must($request, $business);
        abort_unless($offer->business_id === $business->id && $offer->person_id === $person->id, 404);
        if ($offer->status !== 'ringing') {
            return $this->gone($business, $person, $offer);
        }
        $call = $offer->call;
        if ($given['how'] === 'decline' && ($given['team'] ?? '') !== '') {
            $given['reason'] = $this->notForUs($business, $offer, $given['team']);
        }
        $at = round((float) ($call->state['transfer']['since'] ?? $call->state['clock'] ?? 0) + max(1, $offer->rung_at->diffInSeconds(now(), true)), 1);
        // One of several who ring at once says no: the others ring on.
        $others = $given['how'] === 'decline' && ! str_starts_with((string) ($given['reason'] ?? ''), Transfers::NOT_FOR_US) && Offer::query()->where('call_id', $call->id)->where('status', 'ringing')->where('id', '!=', $offer->id)->exists();
        if ($given['how'] !== 'ring_back' && $others) {
            Offer::query()->whereKey($offer->id)->where('status', 'ringing')->update(['status' => 'declined', 'reason' => (string) ($given['reason'] ?? '')]);

            return response()->json(['html' => $this->piece($business, $person->refresh())]);
        }
        try {
            $this->happen($call, match ($given['how']) {
                'ring_back' => Event::notAnswered('transfer_declined', Transfers::RING_BACK, $at),
                'accept' => Event::answered($person->key, $at),
                default => Event::notAnswered('transfer_declined', (string) ($given['reason'] ?? ''), $at),
            }, $offer);
        } catch (OfferTaken) {
            return $this->gone($business, $person->refresh(), $offer->refresh());
        }

        return response()->json(['html' => $this->piece($business, $person->refresh())]);
    }

    /** The call rings here no more: who was quicker, where somebody was. */
    private function gone(Business $business, Person $person, Offer $offer): JsonResponse
    {
        $with = $offer->call->refresh()->state['connected']['person'] ?? null;
        $quicker = is_string($with) && $with !== $person->key ? Person::query()->where('business_id', $business->id)->where('key', $with)->value('name') : null;

        return response()->json(['message' => is_string($quicker) ? "{$quicker} was quicker and has the call." : 'This call is no longer ringing here.', 'html' => $this->piece($business, $person)], 409);
    }

    /** 'Not for us: accounts': the call goes on there, and what the caller said becomes an example of that team. */
    private function notForUs(Business $business, Offer $offer, string $key): string
    {
        $team = Team::query()->where('business_id', $business->id)->where('key', $key)->first() ?? throw ValidationException::withMessages(['team' => 'There is no such team any more.']);
        $said = array_values(array_filter(array_map(strval(...), $offer->announcement['said'] ?? []), static fn (string $one): bool => $one !== ''));
        if ($said !== [] && $offer->call->kind === 'live') {
            $this->learn->example($team, $said[0], 'desk', 'waiting', $offer->call);
        }

        return Transfers::NOT_FOR_US.$team->key;
    }

    /** A promised call-back was made: by whom, and what came of it. */
    public function rangBack(Request $request, Business $business, PromisedCallBack $callBack): JsonResponse
    {
        $given = $request->validate(['result' => ['required', 'in:reached,no answer,no longer needed']]);
        $person = $this->must($request, $business);
        abort_unless($callBack->business_id === $business->id, 404);
        if ($callBack->done_at !== null) {
            return response()->json(['message' => 'A colleague has rung back already.', 'html' => $this->piece($business, $person)], 409);
        }
        // Nobody there: it stays on the list, for half an hour later.
        $callBack->update($given['result'] === 'no answer' ? ['due_at' => now()->addMinutes(30), 'result' => 'no answer'] : ['done_at' => now(), 'person_id' => $person->id, 'result' => $given['result']]);

        return response()->json(['html' => $this->piece($business, $person)]);
    }

    public function say(Request $request, Business $business, Call $call): JsonResponse
    {
        $given = $request->validate(['do' => ['required', 'in:say,hang_up,note,hand_on,step_in'], 'text' => ['nullable', 'string', 'max:2000']]);
        $person = $this->must($request, $business);
        $text = trim((string) ($given['text'] ?? ''));
        $mine = ($call->state['connected']['person'] ?? null) === $person->key;
        if ($given['do'] !== 'step_in' && ! $mine) {
            return response()->json(['message' => 'This call is with somebody else.', 'html' => $this->piece($business, $person)], 409);
        }
        match ($given['do']) {
            'say' => $text === '' ? null : $this->happen($call, Event::staffSaid($text, $this->host->at($call, 'staff_said', $text))),
            'hang_up' => $this->happen($call, Event::hungUp($this->host->at($call, 'hung_up', ''))),
            'note' => $call->update(['staff_note' => $text]),
            'hand_on' => $this->handOn($business, $call, $person, $text),
            default => $call->inProgress() ? $this->happen($call, Event::answered($person->key, $this->host->at($call, 'transfer', ''))) : null,
        };

        return response()->json(['html' => $this->piece($business, $person->refresh())]);
    }

    /** A colleague's telephone rings; the call stays here until it is taken there. */
    private function handOn(Business $business, Call $call, Person $from, string $key): void
    {
        $to = Person::query()->where('business_id', $business->id)->where('key', $key)->where('id', '!=', $from->id)->first();
        if (! $to instanceof Person || $to->presence !== 'available') {
            throw ValidationException::withMessages(['text' => $to instanceof Person ? "{$to->name} is not free just now." : 'Choose a colleague.']);
        }
        Offer::query()->create(['call_id' => $call->id, 'business_id' => $business->id, 'person_id' => $to->id, 'target' => 'person:'.$to->key, 'who' => $to->key, 'status' => 'ringing', 'announcement' => ['caller' => $call->caller_name, 'number' => $call->from, 'why' => "handed on by {$from->name}", 'said' => Announcement::lastLines(CallState::fromArray($call->state), $call->scriptText->script()->sheet), 'record' => [], 'waited' => 0, 'how' => 'announced', 'note' => $call->staff_note], 'rung_at' => now(), 'ends_at' => now()->addSeconds(30)]);
        Offer::query()->where('call_id', $call->id)->where('status', 'ringing')->where('ends_at', '<', now())->update(['status' => 'missed']);
    }

    /** @throws OfferTaken where the telephone it comes from does not ring any more */
    private function happen(Call $call, Event $event, ?Offer $by = null): void
    {
        try {
            $this->host->happen($call, $call->step, $event, $by);
        } catch (OfferTaken $taken) {
            throw $taken;
        } catch (CallMoved) {
            try {
                $call->refresh();
                if ($call->inProgress()) {
                    $this->host->happen($call, $call->step, $event, $by);
                }
            } catch (OfferTaken $taken) {
                throw $taken;
            } catch (CallMoved) {
                // Twice overtaken: the page shows how it stands.
            }
        }
    }

    private function piece(Business $business, Person $person): string
    {
        $offers = Offer::query()->with('call')->where('person_id', $person->id)->where('status', 'ringing')->get()->sortByDesc(static fn (Offer $offer): array => [$offer->announcement['priority'] ?? 0, -$offer->id])->values();
        $mine = Call::query()->with('turns', 'agent')->where('business_id', $business->id)->where('status', 'in_progress')->where('state->connected->person', $person->key)->orderByDesc('id')->first();
        $last = Call::query()->where('business_id', $business->id)->where('status', 'ended')->where('state->connected->person', $person->key)->with('record', 'agent')->orderByDesc('id')->limit(6)->get();
        $going = Call::query()->with('agent', 'record')->where('business_id', $business->id)->where('status', 'in_progress')->whereNull('state->connected')->where('last_event_at', '>', now()->subMinutes(10))->orderByDesc('id')->limit(6)->get();

        $teams = $person->teams()->pluck('key')->map(static fn (string $key): string => 'team:'.$key)->all();
        $back = PromisedCallBack::query()->with('call.record', 'call.agent')->where('business_id', $business->id)->whereNull('done_at')->whereIn('target', [...$teams, 'person:'.$person->key, ''])->orderBy('due_at')->limit(8)->get();

        // Whoever sits here sees of calls what staff see; of a call that goes on, the words before it was taken.
        $sight = Sight::of(Auth::user(), $business);
        $mine = $mine instanceof Call ? $sight->over($mine->loadMissing('record')) : null;
        $last = $sight->each($last);
        $going = $sight->each($going);
        foreach ($back as $one) {
            $one instanceof PromisedCallBack && $one->setRelation('call', $sight->over($one->call));
        }

        return view('parts.desk', ['back' => $back, 'business' => $business, 'person' => $person, 'offers' => $offers, 'mine' => $mine, 'last' => $last, 'going' => $going, 'teams' => $offers->isEmpty() ? collect() : $business->teams()->get(), 'colleagues' => $business->people()->where('id', '!=', $person->id)->get()])->render();
    }

    private function person(Request $request, Business $business): ?Person
    {
        return Person::query()->where('business_id', $business->id)->where('user_id', $request->user()?->getAuthIdentifier())->first();
    }

    private function must(Request $request, Business $business): Person
    {
        return $this->person($request, $business) ?? abort(403, 'You have no desk in this business yet.');
    }
}
