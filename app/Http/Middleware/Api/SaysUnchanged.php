<?php

declare(strict_types=1);

namespace App\Http\Middleware\Api;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Answers that can be read again carry a tag, and are not sent twice (`If-None-Match`, RFC 9110). */
final readonly class SaysUnchanged
{
    public function handle(Request $request, Closure $next): Response
    {
        /** @var Response $response */
        $response = $next($request);
        if ($request->isMethodSafe() && $response->getStatusCode() === 200) {
            $response->setEtag(substr(hash('sha256', (string) $response->getContent()), 0, 32));
            $response->headers->set('Cache-Control', 'private, no-cache');
            $response->isNotModified($request);
        }

        return $response;
    }
}
