<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Lines\KeepLine;
use App\Models\Business;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use Illuminate\Routing\Route;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Route as Routes;

/** Every route by every role: who may not use one is turned away, whatever is asked; who may is never met by a broken page. */
final class RoutesByRoleTest extends FeatureTestCase
{
    private const ROLES = ['public', 'anybody', 'staff', 'designer', 'owner'];

    /** What stands for a part of an address; what is not here stands for nothing that is there. */
    private const PARTS = ['business' => 'pellbrook', 'agent' => 'maren', 'line' => 'main', 'n' => '1', 'number' => '1', 'starter' => 'message', 'step' => 'greeting', 'system' => 'yard', 'key' => 'kennels', 'path' => 'x', 'any' => 'x'];

    public function testEveryRouteIsDecided(): void
    {
        $decided = array_keys($this->decided());
        $there = array_map($this->named(...), $this->routes());
        self::assertSame([], array_values(array_diff($there, $decided)), 'routes nobody has decided on: write them into routes-by-role.txt');
        self::assertSame([], array_values(array_diff($decided, $there)), 'routes that are not there any more');
    }

    public function testWhoMayNotIsTurnedAwayAndWhoMayIsServed(): void
    {
        $decided = $this->decided();
        $users = $this->users();
        foreach ($this->routes() as $route) {
            $name = $this->named($route);
            $least = array_search($decided[$name] ?? 'owner', self::ROLES, true);
            foreach ($users as $role => $user) {
                $may = array_search($role, self::ROLES, true) >= $least;
                // What a role may change is told by its own tests; here nobody changes anything by chance.
                if ($may && (! in_array('GET', $route->methods(), true) || $least === 0 || $role !== self::ROLES[$least])) {
                    continue;
                }
                $status = $this->asks($route, $user);
                $may
                    ? self::assertLessThan(500, $status, "{$role} at {$name}")
                    : self::assertContains($status, $user === null ? [302, 401, 404] : [403, 404], "{$role} at {$name}");
            }
        }
    }

    private function asks(Route $route, ?User $user): int
    {
        Auth::forgetGuards();
        $this->flushSession();
        if ($user !== null) {
            $this->actingAs($user);
        }
        $uri = (string) preg_replace_callback('/\{(\w+)\??\}/', static fn (array $part): string => self::PARTS[$part[1]] ?? '999999', $route->uri());
        $response = $this->call($route->methods()[0], '/'.$uri);
        if ($user === null && $response->getStatusCode() === 302) {
            self::assertStringEndsWith('/sign-in', (string) $response->headers->get('Location'), $uri);
        }

        return $response->getStatusCode();
    }

    /** @return array<string, ?User> by role; an owner of another business is anybody here */
    private function users(): array
    {
        $owner = $this->user(Role::Owner)->refresh();
        $other = Business::query()->create(['key' => 'elsewhere', 'name' => 'Elsewhere', 'country' => 'GB', 'tz' => 'Europe/London']);
        $anybody = User::query()->create(['name' => 'Other', 'email' => 'other@ringo.example', 'password' => 'secret-words'])->refresh();
        Membership::query()->create(['user_id' => $anybody->id, 'business_id' => $other->id, 'role' => Role::Owner]);
        app(KeepLine::class)->make($this->business->refresh(), ['key' => 'main', 'name' => 'Main', 'number' => '01632 960100', 'agent' => 'maren', 'answers' => ['otherwise' => ['who' => 'agent']]], 'number', $owner);

        return ['public' => null, 'anybody' => $anybody, 'staff' => $this->user(Role::Staff)->refresh(), 'designer' => $this->user()->refresh(), 'owner' => $owner];
    }

    /** @return list<Route> */
    private function routes(): array
    {
        return array_values(array_filter(Routes::getRoutes()->getRoutes(), static fn (Route $route): bool => ! str_starts_with($route->uri(), '_')));
    }

    private function named(Route $route): string
    {
        return (str_starts_with($route->uri(), 'stand-in') ? 'ANY' : $route->methods()[0]).' '.$route->uri();
    }

    /** @return array<string, string> least role by route */
    private function decided(): array
    {
        $decided = [];
        foreach (file(__DIR__.'/routes-by-role.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $line) {
            if (! str_starts_with($line, '#')) {
                [$role, $method, $uri] = preg_split('/\s+/', $line) ?: [];
                $decided["{$method} {$uri}"] = (string) $role;
            }
        }

        return $decided;
    }
}
