<?php

declare(strict_types=1);

namespace App\Http\Middleware\Api;

use App\Api\Problem;
use App\Models\ApiToken;
use App\Models\Business;
use Closure;
use Illuminate\Cache\RateLimiter;
use Illuminate\Http\Request;
use Laravel\Sanctum\PersonalAccessToken;
use Symfony\Component\HttpFoundation\Response;

/** Whose token it is, and no more requests with it than a minute bears (`RateLimit` fields after the IETF's draft). */
final readonly class KnowsToken
{
    private const A_MINUTE = 120;

    private const SECONDS = 60;

    /** Tokens that are none, from one address a minute: guessing is of no use, and cheap to refuse. */
    private const WRONG_A_MINUTE = 30;

    public function __construct(private RateLimiter $limits)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $wrong = 'api-wrong:'.$request->ip();
        if ($this->limits->tooManyAttempts($wrong, self::WRONG_A_MINUTE)) {
            throw $this->tooMany($this->limits->availableIn($wrong), self::WRONG_A_MINUTE);
        }
        $token = $this->token($request);
        if ($token === null) {
            $this->limits->hit($wrong, self::SECONDS);

            throw new Problem(401, 'Send a token of this business as “Authorization: Bearer …”; it may have been revoked.', headers: ['WWW-Authenticate' => 'Bearer']);
        }
        $key = "api:{$token->id}";
        if ($this->limits->tooManyAttempts($key, self::A_MINUTE)) {
            throw $this->tooMany($this->limits->availableIn($key), self::A_MINUTE);
        }
        $this->limits->hit($key, self::SECONDS);
        if ($token->last_used_at === null || $token->last_used_at->lt(now()->subMinute())) {
            $token->forceFill(['last_used_at' => now()])->save();
        }
        $request->attributes->set('token', $token);
        $request->attributes->set('business', $token->tokenable);
        /** @var Response $response */
        $response = $next($request);
        foreach (['RateLimit-Limit' => self::A_MINUTE, 'RateLimit-Remaining' => $this->limits->remaining($key, self::A_MINUTE), 'RateLimit-Reset' => $this->limits->availableIn($key)] as $name => $value) {
            $response->headers->set($name, (string) $value);
        }

        return $response;
    }

    private function token(Request $request): ?ApiToken
    {
        $given = (string) $request->bearerToken();
        $found = $given === '' || strlen($given) > 200 ? null : PersonalAccessToken::findToken($given);
        $token = $found === null ? null : ApiToken::query()->with('tokenable')->find($found->getKey());

        return $token instanceof ApiToken && $token->tokenable instanceof Business && $token->tokenable->archived_at === null && ($token->expires_at === null || $token->expires_at->isFuture()) ? $token : null;
    }

    private function tooMany(int $seconds, int $limit): Problem
    {
        return new Problem(429, "Wait {$seconds} seconds.", headers: ['Retry-After' => (string) $seconds, 'RateLimit-Limit' => (string) $limit, 'RateLimit-Remaining' => '0', 'RateLimit-Reset' => (string) $seconds]);
    }
}
