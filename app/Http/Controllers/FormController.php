<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Outreach\TakeForm;
use App\Models\Campaign;
use App\Models\FormEntry;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\RateLimiter;
use Ringo\Outreach\Intake;

/**
 * Forms that come from clients' pages: nobody is signed in, the address is the secret, and what comes back is when somebody will be rung.
 *
 * What is held as spam is answered as if it were taken, so that nobody learns how to get past.
 */
final readonly class FormController
{
    /** Forms one visitor may send in ten minutes, and all visitors together. */
    private const A_VISITOR = 5;

    private const A_CAMPAIGN = 300;

    private const TEN_MINUTES = 600;

    /** Within so many seconds it is at once. */
    private const AT_ONCE = 120;

    public function __construct(private TakeForm $take)
    {
    }

    public function mayAsk(Request $request): Response
    {
        return response('', 204, ['Access-Control-Allow-Origin' => (string) $request->headers->get('Origin', ''), 'Access-Control-Allow-Methods' => 'POST', 'Access-Control-Allow-Headers' => 'Content-Type', 'Access-Control-Max-Age' => '600', 'Vary' => 'Origin']);
    }

    public function take(Request $request, string $token): JsonResponse|Response
    {
        /** @var ?Campaign $campaign */
        $campaign = Campaign::query()->with('business')->where('intake_token', $token)->first();
        $origin = strtolower((string) $request->headers->get('Origin', ''));
        if ($campaign === null || $campaign->intake === null || $campaign->business->archived_at !== null || $this->elsewhere($campaign, $origin, $request)) {
            return $this->answer($request, null, 'There is no such form.', 404);
        }
        [$one, $all] = ["form:{$campaign->id}:".hash('sha256', (string) $request->ip()), "form:{$campaign->id}"];
        if (RateLimiter::tooManyAttempts($one, self::A_VISITOR) || RateLimiter::tooManyAttempts($all, self::A_CAMPAIGN)) {
            return $this->answer($request, $campaign, 'There were many requests just now. Please try again in a few minutes.', 429);
        }
        RateLimiter::hit($one, self::TEN_MINUTES);
        RateLimiter::hit($all, self::TEN_MINUTES);
        $fields = $this->fields($request);
        if ($fields === []) {
            return $this->answer($request, $campaign, 'The form is empty.', 422);
        }
        $entry = $this->take->take($campaign, $fields, $origin);
        $refused = $entry->held?->told();

        return $refused === null ? $this->answer($request, $campaign, $this->when($campaign, $entry), 200) : $this->answer($request, $campaign, $refused, 422);
    }

    private function elsewhere(Campaign $campaign, string $origin, Request $request): bool
    {
        $allowed = $campaign->intake()->origins;

        return $allowed !== [] && $origin !== '' && $origin !== strtolower($request->getSchemeAndHttpHost()) && ! in_array($origin, $allowed, true);
    }

    /** @return array<string, string> */
    private function fields(Request $request): array
    {
        $fields = [];
        foreach (array_slice($request->isJson() ? $request->json()->all() : $request->request->all(), 0, Intake::MOST_FIELDS, true) as $name => $value) {
            if (is_scalar($value) && is_string($name) && $name !== '_token') {
                $fields[mb_substr($name, 0, 60)] = mb_substr(mb_scrub(is_bool($value) ? ($value ? 'yes' : '') : (string) $value), 0, Intake::LONGEST);
            }
        }

        return $fields;
    }

    private function when(Campaign $campaign, FormEntry $entry): string
    {
        $at = $entry->held === null ? $entry->person?->next_at : null;
        if ($at === null) {
            return 'Thank you. We have what you sent.';
        }
        if ($at - $campaign->now() <= self::AT_ONCE) {
            return 'Thank you. We ring you now.';
        }
        $moment = Carbon::createFromTimestamp($at, $campaign->business->tz);

        return 'Thank you. We ring you '.($moment->isSameDay(Carbon::createFromTimestamp($campaign->now(), $campaign->business->tz)) ? 'today' : 'on '.$moment->format('l, j F')).' from '.$moment->format('H:i').'.';
    }

    private function answer(Request $request, ?Campaign $campaign, string $told, int $status): JsonResponse|Response
    {
        if ($request->isJson() || $request->expectsJson()) {
            return response()->json(['message' => $told], $status, ['Access-Control-Allow-Origin' => (string) $request->headers->get('Origin', '*'), 'Vary' => 'Origin']);
        }

        return response()->view('form-answer', ['business' => $campaign?->business, 'told' => $told, 'well' => $status === 200], $status, ['Content-Security-Policy' => "default-src 'none'; style-src 'self'; img-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"]);
    }
}
