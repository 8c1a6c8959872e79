<?php

declare(strict_types=1);

namespace App\Providers;

use App\Actions\Figures\CountCalls;
use App\Actions\Knowledge\KnowledgeOf;
use App\Actions\Records\Extractors;
use App\Gateways\Post\Gateways;
use App\Gateways\Post\PostGateway;
use App\Gateways\Speech\ProgramRecogniser;
use App\Gateways\Speech\ProgramVoice;
use App\Gateways\Speech\Recogniser;
use App\Gateways\Speech\Voice;
use App\Models\ApiToken;
use App\Support\Input;
use App\Support\Menu;
use App\Support\Postgres\Connection as Postgres;
use App\Support\ScriptLibrary;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Connection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\View;
use Illuminate\Support\ServiceProvider;
use Illuminate\Support\Str;
use Laravel\Sanctum\Sanctum;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Speech\Display;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        Connection::resolverFor('pgsql', static fn ($pdo, string $database, string $prefix, array $config): Postgres => new Postgres($pdo, $database, $prefix, $config));
        $this->app->singleton(NumberingPlan::class);
        $this->app->singleton(Vocabulary::class, static fn (): Vocabulary => Vocabulary::of());
        $this->app->singleton(Display::class);
        $this->app->singleton(Lexicon::class);
        $this->app->scoped(ScriptLibrary::class);
        $this->app->singleton(Extractors::class);
        $this->app->singleton(KnowledgeOf::class);
        $this->app->bind(PostGateway::class, Gateways::class);
        $this->app->singleton(Recogniser::class, ProgramRecogniser::class);
        $this->app->singleton(Voice::class, static fn (): Voice => new ProgramVoice(storage_path('app/speech')));
    }

    public function boot(): void
    {
        Model::shouldBeStrict(config('app.env') !== 'production');
        Sanctum::usePersonalAccessTokenModel(ApiToken::class);
        $this->app->make(CountCalls::class)->listen();
        View::composer('components.layout', Menu::class);
        // Only tries that fail count.
        $failed = static fn (): bool => Auth::guest();
        RateLimiter::for('sign-in', static fn (Request $request): array => [
            Limit::perMinute(6)->by(Str::lower(Input::text($request, 'email')).'|'.$request->ip())->after($failed),
            Limit::perMinute(30)->by((string) $request->ip())->after($failed),
        ]);
        // By whose code it is: six digits are not found out by trying.
        RateLimiter::for('sign-in-code', static fn (Request $request): array => [
            Limit::perMinute(6)->by('code|'.($request->session()->get('second.waiting')['user'] ?? $request->ip()))->after($failed),
        ]);
    }
}
