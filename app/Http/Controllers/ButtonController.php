<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Calls\CallerChoice;
use App\Actions\Calls\CallHost;
use App\Actions\Calls\CallMoved;
use App\Actions\Calls\HearCaller;
use App\Actions\Calls\StartCall;
use App\Actions\Errands\AnswerErrand;
use App\Actions\Lines\PlaceCall;
use App\Actions\Outreach\TakeForm;
use App\Actions\Transfers\SettleTelephones;
use App\Gateways\Speech\Recogniser;
use App\Gateways\Speech\Voice;
use App\Models\Call;
use App\Models\CallTurn;
use App\Models\Campaign;
use App\Models\GuestPass;
use App\Models\Line;
use App\Models\PromisedCallBack;
use App\Support\Input;
use App\Support\Pronounced;
use App\Support\VisitorPass;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;
use Ringo\Dialogue\Ending;
use Ringo\Dialogue\Event;
use Ringo\Document\InvalidDocument;
use Ringo\Line\Button;
use Ringo\Numbering\NumberingPlan;
use Ringo\Outreach\Held;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/**
 * A line as a button on a client's page: its script, what the page must know to show it, and the calls visitors make.
 *
 * Nobody is signed in here and no cookie is set. A page is known by its origin, a visitor by a signed pass that is good for one call; what
 * comes back is what the agent says and nothing else.
 */
final class ButtonController
{
    private const LONGEST_WORDS = 500;

    /** Calls one visitor may begin in ten minutes, and all visitors of a business together. */
    private const CALLS_A_VISITOR = 6;

    private const CALLS_A_BUSINESS = 120;

    /** Turns a visitor may send in a minute. */
    private const TURNS_A_MINUTE = 40;

    private const TEN_MINUTES = 600;

    private const MANY = 'There were many calls just now. Please try again in a few minutes.';

    public function __construct(private readonly CallHost $host, private readonly VisitorPass $pass, private readonly Recogniser $recogniser)
    {
    }

    public function script(): Response
    {
        return $this->module('button.js');
    }

    /** Loaded only once a visitor wants to speak. */
    public function microphone(): Response
    {
        return $this->module('microphone.js');
    }

    private function module(string $name): Response
    {
        $script = (string) file_get_contents(resource_path('button/'.$name));

        return response($script, 200, ['Content-Type' => 'text/javascript; charset=utf-8', 'Cache-Control' => 'public, max-age=3600', 'ETag' => '"'.substr(hash('sha256', $script), 0, 20).'"', 'Cross-Origin-Resource-Policy' => 'cross-origin', 'Access-Control-Allow-Origin' => '*']);
    }

    /** A browser asks first whether it may; whether the page may is answered with the answer. */
    public function mayAsk(Request $request): Response
    {
        return response('', 204, ['Access-Control-Allow-Origin' => (string) $request->headers->get('Origin', ''), 'Access-Control-Allow-Methods' => 'GET, POST', 'Access-Control-Allow-Headers' => 'Content-Type', 'Access-Control-Max-Age' => '600', 'Vary' => 'Origin']);
    }

    public function settings(Request $request, string $token, PlaceCall $place): JsonResponse
    {
        $guest = $this->guest($request, $token);
        if ($guest !== null) {
            $usual = new Button;

            return $this->answer($request, ['label' => "Ring {$guest->agent->name}", 'terms' => '', 'terms_at' => null, 'business' => $guest->business->brief()->spoken ?: $guest->business->name, 'agent' => $guest->agent->name, 'hears' => $this->recogniser->available(), 'open' => true, 'closed' => ''] + $usual->toArray());
        }
        [$line, $button] = $this->line($request, $token);
        $now = Carbon::now($line->business->tz);
        $open = $line->live() && $place->foresee($line->business, $line, $now->toDateTimeImmutable())->then === 'agent';
        $next = $open ? null : $line->business->brief()->hours;

        return $this->answer($request, [
            'label' => $button->label, 'colour' => $button->colour, 'ink' => $button->ink, 'corner' => $button->corner, 'spoken' => $button->spoken, 'terms' => $button->terms, 'terms_at' => $button->termsAt,
            'business' => $line->business->brief()->spoken ?: $line->business->name, 'agent' => $line->agent->name, 'picture' => $button->picture === null ? null : substr(hash('sha256', $button->picture), 0, 12), 'hears' => $button->spoken && $this->recogniser->available(), 'open' => $open, 'closed' => $next === null ? '' : $line->design()->words['nobody'],
        ]);
    }

    /** The picture on the button, to any page: it is public as the button is. */
    public function picture(string $token): Response
    {
        $image = Line::query()->where('token', $token)->firstOrFail()->design()->button?->image() ?? ['type' => '', 'bytes' => ''];
        abort_if($image['bytes'] === '', 404);

        return response($image['bytes'], 200, ['Content-Type' => $image['type'], 'X-Content-Type-Options' => 'nosniff', 'Content-Security-Policy' => "default-src 'none'", 'Cache-Control' => 'public, max-age=3600', 'Cross-Origin-Resource-Policy' => 'cross-origin']);
    }

    public function begin(Request $request, string $token, PlaceCall $place): JsonResponse
    {
        $guest = $this->guest($request, $token);
        if ($guest !== null) {
            return $this->rehearsed($request, $guest);
        }
        [$line, $button] = $this->line($request, $token);
        if ($button->terms !== '' && $request->input('accepted') !== true) {
            return $this->refused($request, 'Please accept the terms first.', 422);
        }
        if ($this->tooMany($request, $line->business_id)) {
            return $this->refused($request, self::MANY, 429);
        }
        try {
            $call = $place->on($line, CallerChoice::visitor(), Carbon::now($line->business->tz)->toDateTimeImmutable(), origin: $this->origin($request));
        } catch (ValidationException) {
            return $this->refused($request, 'Nobody can take your call just now.', 409);
        }

        return $this->stands($request, $call, -1);
    }

    /** A guest's call is a rehearsal: it asks no other system, and sends and books nothing for real. */
    private function rehearsed(Request $request, GuestPass $guest): JsonResponse
    {
        if ($this->tooMany($request, $guest->business_id)) {
            return $this->refused($request, self::MANY, 429);
        }
        try {
            $call = app(StartCall::class)->rehearse($guest->agent, $guest->text(), null, CallerChoice::visitor("Guest: {$guest->guest}"), Carbon::now($guest->business->tz)->toDateTimeImmutable(), errands: ['how' => 'kept', 'seconds' => 0.0], marks: ['origin' => $this->origin($request), 'guest_pass_id' => $guest->id]);
        } catch (InvalidDocument) {
            return $this->refused($request, 'The agent is being worked on and cannot be rung just now. Please try again later.', 409);
        }

        return $this->stands($request, $call->refresh(), -1);
    }

    private function tooMany(Request $request, int $business): bool
    {
        foreach (['visitor|'.$request->ip() => self::CALLS_A_VISITOR, 'business|'.$business => self::CALLS_A_BUSINESS] as $key => $most) {
            if (! RateLimiter::attempt('button|'.$key, $most, static fn (): bool => true, self::TEN_MINUTES)) {
                return true;
            }
        }

        return false;
    }

    public function happen(Request $request, string $pass): JsonResponse
    {
        $call = $this->call($request, $pass);
        if ($call === null) {
            return $this->refused($request, 'This call is over.', 410);
        }
        if (! RateLimiter::attempt('button-turn|'.$call->id, self::TURNS_A_MINUTE, static fn (): bool => true)) {
            return $this->refused($request, 'Please wait a moment.', 429);
        }
        [$kind, $text, $seen] = [$request->input('kind'), $request->input('text', ''), $request->input('seen', -1)];
        $text = is_string($text) ? trim($text) : '';
        if (! in_array($kind, ['said', 'keys', 'hung_up', 'look'], true) || mb_strlen($text) > self::LONGEST_WORDS || ! is_int($seen) || $kind === 'said' && $text === '' || $kind === 'keys' && preg_match('/^[0-9*#]{1,30}$/', $text) !== 1) {
            return $this->refused($request, 'That cannot be sent. Words may have up to '.self::LONGEST_WORDS.' characters; keys are 0 to 9, star and hash.', 422);
        }
        try {
            if ($kind === 'look') {
                // What the call waits for goes on by being looked at: telephones that ring, another system that is asked.
                ($call->state['mode'] ?? '') === 'looking_up' ? app(AnswerErrand::class)->of($call) : app(SettleTelephones::class)->of($call);
            } elseif ($call->inProgress()) {
                $at = $this->host->at($call, $kind, $text);
                $this->host->happen($call, null, match ($kind) {
                    'said' => Event::said($text, $at), 'keys' => Event::keys($text, $at), default => Event::hungUp($at),
                });
            }
        } catch (CallMoved) {
            // It ended meanwhile; the page is told how it stands.
        }

        return $this->stands($request, $call->refresh(), $seen);
    }

    /** A visitor speaks: the recording is recognised here, and said in the call. */
    public function heard(Request $request, string $pass, HearCaller $hear): JsonResponse
    {
        $call = $this->call($request, $pass);
        $file = $request->file('file');
        if ($call === null || ! $call->inProgress()) {
            return $this->refused($request, 'This call is over.', 410);
        }
        if (! $file instanceof UploadedFile || ! $file->isValid() || $file->getSize() > 1024 * HearCaller::MOST_KB) {
            return $this->refused($request, 'Nothing was recorded, or more than thirty seconds.', 422);
        }
        try {
            $hear->speaks($call, $file, null);
        } catch (ValidationException $problem) {
            return $this->refused($request, $problem->getMessage(), 422);
        } catch (CallMoved) {
            // It ended meanwhile; the page is told how it stands.
        }

        return $this->stands($request, $call->refresh(), is_numeric($request->input('seen')) ? Input::number($request, 'seen') : -1);
    }

    /** Nobody answers at this hour: the visitor leaves a number to be rung on, which goes to the desk. */
    public function leave(Request $request, string $pass, NumberingPlan $plan): JsonResponse
    {
        $call = $this->call($request, $pass);
        if ($call === null || ! in_array($call->outcome, Ending::UNANSWERED, true)) {
            return $this->refused($request, 'This call is over.', 410);
        }
        $text = static fn (string $key, int $most): string => mb_substr(trim(is_string($request->input($key)) ? $request->input($key) : ''), 0, $most);
        $number = $plan->parse($text('number', 40), $call->business->country);
        if ($number === null || ! $number->valid) {
            return $this->refused($request, 'That is no telephone number.', 422);
        }
        if (! $this->rung($call, $number->e164, $text('name', 80), $text('message', 250)) && PromisedCallBack::query()->where('call_id', $call->id)->doesntExist()) {
            PromisedCallBack::query()->create(['call_id' => $call->id, 'business_id' => $call->business_id, 'target' => '', 'number' => $number->e164, 'name' => $text('name', 80) ?: null, 'why' => $text('message', 250), 'due_at' => now()]);
        }

        return $this->answer($request, ['left' => true]);
    }

    /** Whether a campaign rings the number that was left; otherwise somebody at the desk does. */
    private function rung(Call $call, string $number, string $name, string $about): bool
    {
        $key = $call->line?->design()->button?->rungBy;
        $campaign = $key === null ? null : Campaign::query()->with('business')->where('business_id', $call->business_id)->where('key', $key)->first();
        if (! $campaign instanceof Campaign || $campaign->intake === null || $campaign->state !== Campaign::RUNNING) {
            return false;
        }
        $intake = $campaign->intake();
        $entry = app(TakeForm::class)->take($campaign, [$intake->field('phone') => $number, $intake->field('name') => $name, $intake->field('fact:wish') => $about, $intake->field('consent') => 'yes'], (string) $call->origin);

        return $entry->held === null || $entry->held === Held::Double;
    }

    public function audio(Request $request, string $pass, int $n, Voice $voice): BinaryFileResponse|JsonResponse
    {
        $call = $this->call($request, $pass, is_string($request->query('origin')) ? $request->query('origin') : '');
        $turn = $call === null ? null : CallTurn::query()->where('call_id', $call->id)->where('n', $n)->where('by', 'agent')->first();
        $file = $call === null || $turn === null ? null : $voice->wav(Pronounced::of($call->business, $turn->text), $call->scriptText->script()->agent->voice);

        return $file === null ? $this->refused($request, 'This cannot be heard here.', 404) : response()->file($file, ['Content-Type' => 'audio/wav', 'Cache-Control' => 'private, max-age=600', 'Cross-Origin-Resource-Policy' => 'cross-origin']);
    }

    /** @param int $seen number of the last turn the page has */
    private function stands(Request $request, Call $call, int $seen): JsonResponse
    {
        $turns = $call->turns()->where('n', '>', $seen)->get();

        return $this->answer($request, [
            'pass' => $this->pass->for($call), 'over' => ! $call->inProgress(), 'answered' => ! in_array($call->outcome, Ending::UNANSWERED, true), 'rings' => in_array($call->state['mode'] ?? '', ['ringing', 'connected', 'looking_up'], true) && $call->inProgress(),
            'with' => $call->state['connected']['name'] ?? $call->agent->name,
            'turns' => array_values($turns->map(static fn (CallTurn $turn): array => ['n' => $turn->n, 'by' => $turn->by, 'text' => $turn->text])->all()),
        ]);
    }

    /** @return array{Line, Button} */
    private function line(Request $request, string $token): array
    {
        /** @var ?Line $line */
        $line = Line::query()->with('business', 'agent', 'release')->where('token', $token)->first();
        $button = $line?->design()->button;
        // The made-up page that ships lies where Ringo itself does.
        if ($line === null || $button === null || $line->business->archived_at !== null || ! $button->allows($this->origin($request)) && $this->origin($request) !== strtolower($request->getSchemeAndHttpHost())) {
            throw new NotFoundHttpException('There is no such button for this page.');
        }

        return [$line, $button];
    }

    /** A guest's page lies where Ringo itself does. */
    private function guest(Request $request, string $token): ?GuestPass
    {
        /** @var ?GuestPass $pass */
        $pass = GuestPass::query()->with('agent.draft.scriptText', 'agent.business', 'business', 'release.scriptText')->where('button_token', $token)->first();

        return $pass !== null && $pass->open() && $this->origin($request) === strtolower($request->getSchemeAndHttpHost()) ? $pass : null;
    }

    private function call(Request $request, string $pass, ?string $origin = null): ?Call
    {
        return $this->pass->call($pass, $origin ?? $this->origin($request));
    }

    private function origin(Request $request): string
    {
        return strtolower((string) $request->headers->get('Origin', $request->getSchemeAndHttpHost()));
    }

    /** @param array<string, mixed> $body */
    private function answer(Request $request, array $body, int $status = 200): JsonResponse
    {
        return response()->json($body, $status, ['Access-Control-Allow-Origin' => $this->origin($request), 'Vary' => 'Origin', 'Cache-Control' => 'no-store']);
    }

    private function refused(Request $request, string $words, int $status): JsonResponse
    {
        return $this->answer($request, ['message' => $words], $status);
    }
}
