<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Calls\CallerChoice;
use App\Actions\Calls\CallHost;
use App\Actions\Calls\CallMoved;
use App\Actions\Calls\HearCaller;
use App\Actions\Calls\RepeatCall;
use App\Actions\Calls\StartCall;
use App\Actions\Errands\AnswerErrand;
use App\Actions\Transfers\SettleTelephones;
use App\Models\Agent;
use App\Models\Business;
use App\Models\Call;
use App\Models\User;
use App\Support\HandsetView;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Validation\ValidationException;
use Ringo\Dialogue\Event;
use Ringo\Document\InvalidDocument;
use Ringo\Numbering\NumberingPlan;

/** The simulated telephone: rings a draft, takes words and keys, shows how the call stands. */
final class HandsetController
{
    public function __construct(private readonly CallHost $host, private readonly HandsetView $view)
    {
    }

    public function ring(Request $request, Business $business, Agent $agent, StartCall $start, NumberingPlan $plan): JsonResponse
    {
        $given = $request->validate([
            'caller' => ['required', 'in:contact,unknown,withheld'],
            'contact' => ['nullable', 'string', 'max:20'],
            'number' => ['nullable', 'string', 'max:40'],
            'placed_at' => ['required', 'string', 'date_format:Y-m-d\TH:i'],
            'errands' => ['nullable', 'in:'.implode(',', array_keys(AnswerErrand::HOW))],
            'errands_seconds' => ['nullable', 'numeric', 'between:0,60'],
        ], ['caller.*' => 'Choose as whom you ring.', 'placed_at.*' => 'Choose the day and time the call is placed at.']);
        $agent->load('draft.scriptText', 'business');
        try {
            $script = $agent->draft->scriptText->script();
            $placedAt = \DateTimeImmutable::createFromFormat('Y-m-d\TH:i|', $given['placed_at'], new \DateTimeZone($script->agent->tz))
                ?: throw ValidationException::withMessages(['placed_at' => 'Choose the day and time the call is placed at.']);
            $caller = CallerChoice::of($business, $given['caller'], $given['contact'] ?? null, $given['number'] ?? null, $plan, $placedAt);
            /** @var User $user */
            $user = $request->user();
            $call = $start->rehearse($agent, $agent->draft->scriptText, $user, $caller, $placedAt, errands: isset($given['errands']) ? ['how' => $given['errands'], 'seconds' => (float) ($given['errands_seconds'] ?? 3)] : null);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['caller' => 'The draft cannot be rung yet. '.$problem->getMessage()]);
        }

        return response()->json($this->view->of($call->refresh(), true), 201);
    }

    /** How the simulated colleague answers where no desk is open: picks up after some seconds, is busy, does not answer, declines. */
    public function colleague(Request $request, Business $business, Call $call): JsonResponse
    {
        $given = $request->validate(['how' => ['required', 'in:answers,busy,no_answer,declines'], 'after' => ['required', 'integer', 'between:1,60']]);
        $call->update(['colleague' => ['how' => $given['how'], 'after' => (int) $given['after']]]);

        return response()->json($this->view->of($call, false));
    }

    /** Runs the errand the call waits for; whoever asks second is told how the call stands. */
    public function errand(Business $business, Call $call, AnswerErrand $answer): JsonResponse
    {
        $came = $answer->of($call);

        return response()->json($this->view->of($call->refresh(), $came));
    }

    public function show(Business $business, Call $call, SettleTelephones $settle): JsonResponse
    {
        $turns = $call->step;
        $settle->of($call);
        $call->refresh();
        if ($call->step !== $turns) {
            return response()->json($this->view->of($call, true));
        }

        return response()->json($this->view->of($call, false));
    }

    /** Rings again with the same caller, moment and seed: from the start, or up to an earlier turn. */
    public function again(Request $request, Business $business, Call $call, RepeatCall $repeat): JsonResponse
    {
        $given = $request->validate(['steps' => ['nullable', 'integer', 'min:1', 'max:1000'], 'script' => ['nullable', 'in:draft,same']]);
        $call->load('agent.draft.scriptText', 'scriptText');
        /** @var User $user */
        $user = $request->user();
        try {
            $text = ($given['script'] ?? 'draft') === 'same' ? $call->scriptText : $call->agent->draft->scriptText;
            if ($call->inProgress() && $call->kind === 'rehearsal') {
                $this->host->happen($call, $call->step, Event::hungUp($this->host->at($call, 'hung_up', '')));
            }
            $new = $repeat->upTo($call, (int) ($given['steps'] ?? 1), $text, $user);
        } catch (InvalidDocument $problem) {
            throw ValidationException::withMessages(['caller' => 'The draft cannot be rung yet. '.$problem->getMessage()]);
        } catch (CallMoved $moved) {
            return response()->json(['message' => $moved->getMessage()] + $this->view->of($call->refresh(), false), 409);
        }

        return response()->json($this->view->of($new->refresh(), true), 201);
    }

    public function happen(Request $request, Business $business, Call $call): JsonResponse
    {
        $given = $request->validate([
            'kind' => ['required', 'in:said,keys,silence,interrupted,hung_up,waits'],
            'seconds' => ['nullable', 'numeric', 'min:0', 'max:120'],
            'text' => ['nullable', 'string', 'max:2000'],
            'step' => ['required', 'integer', 'min:0'],
        ]);
        $text = trim((string) ($given['text'] ?? ''));
        if ($given['kind'] === 'said' && $text === '') {
            throw ValidationException::withMessages(['text' => 'Type what the caller says, or press Silence.']);
        }
        if ($given['kind'] === 'keys' && preg_match('/^[0-9*#]{1,30}$/', $text) !== 1) {
            throw ValidationException::withMessages(['text' => 'Keys are 0 to 9, star and hash.']);
        }
        $seconds = (float) ($given['seconds'] ?? 6.0);
        if ($given['kind'] === 'waits') {
            return $this->waits($call, $seconds);
        }
        $call->setRelation('business', $business);
        $at = $this->host->at($call, $given['kind'], $text, $seconds);
        try {
            $this->host->happen($call, (int) $given['step'], match ($given['kind']) {
                'said' => Event::said($text, $at),
                'keys' => Event::keys($text, $at),
                'silence' => Event::silence($seconds, $at),
                'interrupted' => Event::interrupted($seconds, $at),
                default => Event::hungUp($at),
            });
        } catch (CallMoved $moved) {
            return response()->json(['message' => $moved->getMessage()] + $this->view->of($call->refresh(), false), 409);
        }

        return response()->json($this->view->of($call, true));
    }

    /** The caller speaks: the recording is recognised and said in the call. */
    public function heard(Request $request, Business $business, Call $call, HearCaller $hear): JsonResponse
    {
        $given = $request->validate(['file' => ['required', 'file', 'max:'.HearCaller::MOST_KB], 'step' => ['required', 'integer', 'min:0']], ['file.*' => 'Nothing was recorded, or more than thirty seconds.']);
        /** @var UploadedFile $file */
        $file = $request->file('file');
        try {
            $heard = $hear->speaks($call, $file, (int) $given['step']);
        } catch (CallMoved $moved) {
            return response()->json(['message' => $moved->getMessage()] + $this->view->of($call->refresh(), false), 409);
        }

        return response()->json($this->view->of($call->refresh(), true) + ['recognised' => $heard->toArray()]);
    }

    /** So many seconds have gone by since an errand was sent on its way. */
    private function waits(Call $call, float $seconds): JsonResponse
    {
        $since = (float) ($call->state['errand']['since'] ?? 0);
        try {
            if (($call->state['mode'] ?? '') === 'looking_up') {
                $this->host->happen($call, null, Event::errandWaits(round($since + $seconds, 1)));
            }
        } catch (CallMoved) {
            // The answer, or the caller's hanging up, was quicker: the page shows how the call stands.
        }

        return response()->json($this->view->of($call->refresh(), true));
    }
}
