<?php

declare(strict_types=1);

namespace App\Http\Middleware\Api;

use App\Api\Ability;
use App\Api\Problem;
use App\Models\ApiToken;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Refuses what a token may not do. */
final readonly class MayDo
{
    public function handle(Request $request, Closure $next, string $ability): Response
    {
        $needs = Ability::from($ability);
        $token = $request->attributes->get('token');
        if (! $token instanceof ApiToken || ! $token->may($needs)) {
            throw new Problem(403, "It needs “{$needs->value}”: {$needs->words()}.");
        }

        return $next($request);
    }
}
