<?php

declare(strict_types=1);

use App\Api\Problem;
use App\Http\Middleware\KnownHost;
use App\Http\Middleware\SecurityHeaders;
use App\Support\WrongAddress;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Session\TokenMismatchException;
use Illuminate\Validation\ValidationException;
use Ringo\Document\InvalidDocument;
use Symfony\Component\HttpKernel\Exception\HttpException;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', api: __DIR__.'/../routes/api.php', apiPrefix: 'api/v1', commands: __DIR__.'/../routes/console.php', health: '/up')
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(static function (Middleware $middleware): void {
        // One origin only; see compat/README.md.
        $middleware->remove(HandleCors::class);
        $middleware->prepend(KnownHost::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        $exceptions->dontReport([AuthenticationException::class, TokenMismatchException::class, Problem::class]);
        // Other systems get problem details, whatever went wrong.
        $exceptions->render(static fn (Throwable $problem, Request $request) => $request->is('api/*') ? Problem::of($problem)->toResponse($request) : null);
        $exceptions->render(static fn (InvalidDocument $problem, Request $request) => $request->expectsJson() ? null : response()->view('errors.script', ['problems' => $problem->problems], 422));
        $exceptions->render(static fn (ValidationException $problem, Request $request) => $request->isMethod('GET') && ! $request->expectsJson() ? app(WrongAddress::class)->answer($problem, $request) : null);
        $exceptions->render(static function (AuthenticationException $problem, Request $request) {
            return $request->expectsJson()
                ? response()->json(['message' => 'Your session has ended. Sign in again; the call is kept as it is.', 'sign_in' => route('sign-in')], 401)
                : null;
        });
        $exceptions->render(static function (HttpException $problem, Request $request) {
            // An expired page token means an expired session to whoever sees it.
            if ($problem->getStatusCode() !== 419) {
                return null;
            }

            return $request->expectsJson()
                ? response()->json(['message' => 'Your session has ended. Sign in again; the call is kept as it is.', 'sign_in' => route('sign-in')], 401)
                : redirect()->guest('/sign-in')->with('notice', 'Your session had ended. Nothing was changed; please sign in and do it again.');
        });
    })
    ->create();
