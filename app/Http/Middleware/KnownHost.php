<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Exception\SuspiciousOperationException;
use Symfony\Component\HttpFoundation\Response;

/** Answers only under names it is known by: what links and mails are made of is not for whoever asks to choose. */
final class KnownHost
{
    public function handle(Request $request, Closure $next): Response
    {
        try {
            $host = $request->getHost();
        } catch (SuspiciousOperationException) {
            $host = '';
        }
        $known = [(string) parse_url((string) config('app.url'), PHP_URL_HOST), ...config('ringo.hosts')];
        if (! in_array(strtolower($host), array_map(strtolower(...), array_filter($known)), true)) {
            return new \Illuminate\Http\Response("This is not known by the name it was asked by. Add the name to RINGO_HOSTS.\n", 400, ['Content-Type' => 'text/plain; charset=UTF-8']);
        }

        return $next($request);
    }
}
