<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Calls\CallerChoice;
use App\Actions\Calls\CallHost;
use App\Actions\Calls\CallMoved;
use App\Actions\Errands\AnswerErrand;
use App\Actions\Lines\PlaceCall;
use App\Actions\Transfers\SettleTelephones;
use App\Models\Call;
use App\Models\CallTurn;
use App\Models\Line;
use App\Models\Offer;
use App\Support\VisitorPass;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Hash;
use Illuminate\Validation\ValidationException;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Event;
use Ringo\Format\VoiceXml\Turns\Expected;
use Ringo\Format\VoiceXml\Turns\Heard;
use Ringo\Format\VoiceXml\Turns\TurnXml;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;

/**
 * A line for standards voice browsers: a VoiceXML 2.1 document a turn, the call kept on our side.
 *
 * A browser names the line by its address and itself by the line's password; after that the address of each turn is signed and good for
 * that call alone.
 */
final class VoiceController
{
    /** Where calls of voice browsers are marked as coming from. */
    private const FROM = 'voice gateway';

    private const LONGEST_WORDS = 2000;

    /** Seconds between two looks while somebody's telephone rings whom the browser cannot reach. */
    private const LOOK_EVERY = 2.0;

    /** Errands one turn may wait for. */
    private const MOST_ERRANDS = 4;

    public function __construct(private readonly CallHost $host, private readonly VisitorPass $pass, private readonly AnswerErrand $errands, private readonly SettleTelephones $telephones)
    {
    }

    public function begins(Request $request, string $business, string $line): Response
    {
        $row = $this->line($request, $business, $line);
        if (! $row instanceof Line) {
            return $this->unknown();
        }

        return $this->document($this->xml($row->business->country)->begins(route('voice.calls', [$business, $line])));
    }

    /** A call comes in: the browser tells from which number. */
    public function call(Request $request, string $business, string $line, PlaceCall $place, NumberingPlan $plan): Response
    {
        $row = $this->line($request, $business, $line);
        if (! $row instanceof Line) {
            return $this->unknown();
        }
        $from = $plan->parse((string) preg_replace('/^(?:tel|sip):|@.*$/', '', $this->text($request, 'from')), $row->business->country);
        $now = Carbon::now($row->business->tz)->toDateTimeImmutable();
        try {
            $call = $place->on($row, CallerChoice::ringing($row->business, $from !== null && $from->valid ? $from->e164 : null, $plan, $now), $now, origin: self::FROM);
        } catch (ValidationException) {
            return $this->document($this->xml($row->business->country)->ends([$row->design()->words['failed']]));
        }

        return $this->stands($call, -1);
    }

    public function turn(Request $request, string $pass): Response
    {
        $call = $this->pass->call($pass, self::FROM);
        if ($call === null) {
            return $this->unknown();
        }
        // What was sent for an earlier turn is not used twice: a browser that asks again is told how the call stands.
        $step = $request->query('step');
        $seen = is_numeric($request->query('seen')) ? (int) $request->query('seen') : -1;
        if ($call->inProgress() && (int) (is_numeric($step) ? $step : -1) === $call->step) {
            try {
                $this->happens($request, $call);
            } catch (CallMoved) {
                // It went on elsewhere; the browser is told how it stands.
            }
        }

        return $this->stands($call->refresh(), $seen);
    }

    private function happens(Request $request, Call $call): void
    {
        $event = $this->text($request, 'event');
        $words = mb_substr($this->text($request, 'heard'), 0, self::LONGEST_WORDS);
        if ($event === 'look') {
            $this->telephones->of($call);

            return;
        }
        if ($event === 'transfer') {
            $this->rung($call, $this->text($request, 'rung'));

            return;
        }
        $kind = match (true) {
            $event === 'disconnect' => 'hung_up',
            $event === 'noinput', $event === '' && $words === '' => 'silence',
            $event === 'nomatch' && $words === '' => 'said',
            $this->text($request, 'mode') === 'dtmf' => 'keys',
            default => 'said',
        };
        $keys = (string) preg_replace('/[^0-9*#]/', '', $words);
        $words = $kind === 'said' && $words === '' ? '(not understood)' : $words;
        $at = $this->host->at($call, $kind, $kind === 'keys' ? $keys : $words);
        $this->host->happen($call, $call->step, match ($kind) {
            'hung_up' => Event::hungUp($at), 'silence' => Event::silence(6.0, $at), 'keys' => Event::keys($keys, $at), default => Event::said($words, $at),
        });
    }

    /** What came of a transfer the browser made: nobody, or a talk that is over now. */
    private function rung(Call $call, string $how): void
    {
        $at = $this->host->at($call, 'transfer', '');
        $offer = Offer::query()->where('call_id', $call->id)->where('status', 'ringing')->orderBy('id')->first();
        if (in_array($how, ['busy', 'noanswer', 'network_busy'], true) || ! $offer instanceof Offer) {
            $this->host->happen($call, $call->step, Event::notAnswered($how === 'noanswer' ? 'transfer_no_answer' : 'transfer_busy', '', $at));

            return;
        }
        $this->host->happen($call, $call->step, Event::answered($offer->who, $at));
        $call->refresh();
        $this->host->happen($call, $call->step, Event::hungUp($this->host->at($call, 'hung_up', '')));
    }

    /** @param int $seen number of the last turn that was spoken */
    private function stands(Call $call, int $seen): Response
    {
        for ($n = 0; $n < self::MOST_ERRANDS && $call->inProgress() && ($call->state['mode'] ?? '') === 'looking_up'; $n++) {
            $this->errands->of($call);
            $call->refresh();
        }
        $call->loadMissing('business', 'scriptText', 'agent');
        $says = [];
        foreach ($call->turns()->where('n', '>', $seen)->get() as $turn) {
            if ($turn instanceof CallTurn) {
                $seen = $turn->n;
                $turn->by === 'caller' || $says[] = $turn->text;
            }
        }
        $script = $call->scriptText->script();
        $xml = $this->xml($script->agent->country, $script->agent->language);
        if (! $call->inProgress()) {
            return $this->document($xml->ends($says));
        }
        $to = route('voice.turn', ['pass' => $this->pass->for($call), 'step' => $call->step, 'seen' => $seen]);
        if (in_array($call->state['mode'] ?? '', ['ringing', 'connected'], true)) {
            /** @var ?Offer $offer */
            $offer = Offer::query()->with('person')->where('call_id', $call->id)->where('status', 'ringing')->orderBy('id')->first();
            $number = $offer !== null ? (str_starts_with($offer->who, 'number:') ? substr($offer->who, 7) : $offer->person?->number) : null;

            return $this->document($offer !== null && $number !== null ? $xml->transfers($says, $number, max(1, (int) now()->diffInSeconds($offer->ends_at)), $to) : $xml->waits($says, self::LOOK_EVERY, $to));
        }
        $listen = $this->host->engine($call)->waiting(CallState::fromArray($call->state));
        $words = Vocabulary::of($script->agent->language);
        $yesNo = array_values(array_filter([...$words->section('crowd', 'yes'), ...$words->section('crowd', 'no')], is_string(...)));

        return $this->document($xml->hears($says, new Heard($listen->for, $listen->timeout, $listen->keys, (new Expected($script))->words($listen->for, $listen->step, $yesNo)), $to));
    }

    private function xml(string $country, string $language = 'en'): TurnXml
    {
        return new TurnXml($language.'-'.$country);
    }

    private function line(Request $request, string $business, string $line): ?Line
    {
        /** @var ?Line $row */
        $row = Line::query()->with('business', 'agent', 'release')->where('key', $line)->whereHas('business', static fn ($query) => $query->where('key', $business)->whereNull('archived_at'))->first();
        // Compared also where there is no such line: an answer tells nothing by how long it takes.
        $right = Hash::check((string) $request->getPassword(), $row->voice_hash ?? Hash::make('none'));

        return $row !== null && $row->voice_hash !== null && $right ? $row : null;
    }

    private function text(Request $request, string $key): string
    {
        $given = $request->input($key);

        return is_string($given) ? trim($given) : '';
    }

    private function document(string $xml): Response
    {
        return response($xml, 200, ['Content-Type' => TurnXml::MIME, 'Cache-Control' => 'no-store']);
    }

    private function unknown(): Response
    {
        return response('There is no such line, or the password is another one.', 401, ['WWW-Authenticate' => 'Basic realm="line"', 'Content-Type' => 'text/plain; charset=utf-8']);
    }
}
