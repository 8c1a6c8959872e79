<?php

declare(strict_types=1);

namespace App\Http\Middleware\Api;

use App\Api\Problem;
use App\Models\ApiToken;
use App\Models\ApiWrite;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** A write that names itself (`Idempotency-Key`) is done once: the same again gets the same answer, something else under that name is refused. */
final readonly class DoneOnce
{
    private const HOURS = 24;

    /** Whoever claimed it and was never heard of again does not block it longer than this, in seconds. */
    private const STALLED = 60;

    private const LONGEST_KEY = 128;

    private const KEPT_HEADERS = ['content-type', 'location'];

    public function handle(Request $request, Closure $next): Response
    {
        $key = $request->headers->get('Idempotency-Key');
        $token = $request->attributes->get('token');
        if ($request->isMethodSafe() || $key === null || ! $token instanceof ApiToken) {
            return $next($request);
        }
        if ($key === '' || strlen($key) > self::LONGEST_KEY || preg_match('/^[\x21-\x7e]+$/', $key) !== 1) {
            throw new Problem(422, 'An “Idempotency-Key” is 1 to '.self::LONGEST_KEY.' signs without spaces.');
        }
        ApiWrite::query()->where('created_at', '<', now()->subHours(self::HOURS))->orWhere(static fn ($stalled) => $stalled->where('status', 0)->where('created_at', '<', now()->subSeconds(self::STALLED)))->delete();
        $hash = hash('sha256', $request->method()."\n".$request->getPathInfo()."\n".$request->getContent());
        // Whoever comes second finds the key taken; nothing fails, so that no transaction around it does.
        $now = now();
        if (ApiWrite::query()->insertOrIgnore(['token_id' => $token->id, 'key' => $key, 'request' => $hash, 'status' => 0, 'headers' => '[]', 'created_at' => $now, 'updated_at' => $now]) === 0) {
            return $this->again($token, $key, $hash);
        }
        $claim = ApiWrite::query()->where('token_id', $token->id)->where('key', $key)->firstOrFail();
        try {
            /** @var Response $response */
            $response = $next($request);
        } catch (\Throwable $problem) {
            $claim->delete();

            throw $problem;
        }
        if (! $response->isSuccessful()) {
            $claim->delete();
        } else {
            $claim->update(['status' => $response->getStatusCode(), 'headers' => array_filter(array_combine(self::KEPT_HEADERS, array_map(static fn (string $name): string => (string) $response->headers->get($name), self::KEPT_HEADERS))), 'body' => (string) $response->getContent()]);
        }

        return $response;
    }

    private function again(ApiToken $token, string $key, string $hash): Response
    {
        $done = ApiWrite::query()->where('token_id', $token->id)->where('key', $key)->firstOrFail();
        if ($done->request !== $hash) {
            throw new Problem(422, 'This “Idempotency-Key” was used for another request. Take a new one.');
        }
        if ($done->status === 0) {
            throw new Problem(409, 'The same request is just being done.', headers: ['Retry-After' => '1']);
        }

        return new \Illuminate\Http\Response($done->body, $done->status, $done->headers + ['Idempotent-Replay' => 'true']);
    }
}
