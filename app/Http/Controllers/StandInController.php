<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\StandIn;
use App\StandIns\System;
use App\StandIns\Systems;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;

/** Answers for the made-up systems, the way they are told to behave. */
final class StandInController
{
    /** Every so manieth request fails where a system fails now and then. */
    private const FAILS_EVERY = 2;

    public function __invoke(Request $request, string $system, string $path = ''): JsonResponse|Response
    {
        $one = Systems::named($system) ?? abort(404);
        $path = '/'.trim($path, '/');
        if ($path === '/openapi.json') {
            return response()->json($one->describes());
        }
        if ($one->token() !== null && $request->bearerToken() !== $one->token()) {
            return response()->json(['title' => 'A token is wanted'], 401);
        }
        $state = Systems::state($system, $one);
        StandIn::query()->whereKey($state->id)->increment('asked');
        $state->refresh();
        if ($state->mode === 'slow') {
            usleep(1000 * $state->slow_ms);
        }
        if ($state->mode === 'fails' && $state->asked % self::FAILS_EVERY === 1) {
            return response()->json(['title' => 'Out of order'], 503);
        }
        if ($state->mode === 'nonsense') {
            return response('<!doctype html><title>Welcome</title>', 200);
        }
        [$status, $answer] = $this->once($one, $state, $request, $path);

        return $state->mode === 'loses' && $request->method() !== 'GET' ? response('', 502) : response()->json($answer, $status);
    }

    /**
     * Does what is asked; under a key it did it before it answers what it answered then.
     *
     * @return array{int, mixed}
     */
    private function once(System $system, StandIn $state, Request $request, string $path): array
    {
        return DB::transaction(static function () use ($system, $state, $request, $path): array {
            StandIn::query()->whereKey($state->id)->update(['updated_at' => now()]);
            $state->refresh();
            $key = $request->headers->get('Idempotency-Key') ?? '';
            if ($request->method() !== 'GET' && isset($state->done[$key])) {
                return $state->done[$key];
            }
            /** @var array<string, mixed> $query */
            $query = $request->query();
            /** @var array<string, mixed> $body */
            $body = $request->isJson() ? $request->json()->all() : $request->post();
            $came = $system->answer($request->method(), $path, $query, $body, $state->data);
            if (isset($came[2])) {
                $state->update(['data' => $came[2], 'done' => $key === '' ? $state->done : array_slice($state->done + [$key => [$came[0], $came[1]]], -200, null, true)]);
            }

            return [$came[0], $came[1]];
        });
    }
}
