<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Brief\KeepBrief;
use App\Actions\Businesses\CopySetUp;
use App\Actions\Lines\KeepLine;
use App\Models\AuditEntry;
use App\Models\Business;
use App\Models\Line;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Businesses somebody works for: a new client taken on, one put away and brought back. */
final class BusinessController
{
    /** Countries whose numbers, holidays and ways of writing dates are known, each with its usual time zone and region of holidays. */
    public const COUNTRIES = ['GB' => ['Great Britain', 'Europe/London', 'GB-ENG'], 'IE' => ['Ireland', 'Europe/Dublin', 'IE'], 'US' => ['United States', 'America/New_York', 'US']];

    /** Words that stand first in an address and can be no business. */
    private const TAKEN = ['sign-in', 'sign-out', 'businesses', 'account', 'join', 'password', 'forgot', 'feeds', 'stand-in', 'up', 'build', 'button', 'voice', 'api', 'site', 'try'];

    public function index(Request $request): View
    {
        $user = $this->me($request);
        $rows = Membership::query()->where('user_id', $user->id)->get()->keyBy('business_id');
        $businesses = Business::query()->withCount(['lines as live_lines' => static fn ($lines) => $lines->where('state', Line::LIVE), 'calls as week_calls' => static fn ($calls) => $calls->where('kind', '!=', 'rehearsal')->where('started_at', '>=', now()->subDays(7))])->whereIn('id', $rows->keys())->orderBy('name')->get();

        return view('businesses', ['businesses' => $businesses, 'roles' => $rows->map(static fn (Membership $one): Role => $one->role)]);
    }

    public function create(Request $request): View
    {
        return view('business-new', ['from' => $this->designed($this->me($request))]);
    }

    public function store(Request $request, KeepBrief $briefs, CopySetUp $copy): RedirectResponse
    {
        $given = $request->validate(['name' => ['required', 'string', 'max:80'], 'spoken' => ['nullable', 'string', 'max:120'], 'country' => ['required', 'in:'.implode(',', array_keys(self::COUNTRIES))], 'tz' => ['nullable', 'timezone:all'], 'copy' => ['nullable', 'string', 'max:80'], 'parts' => ['nullable', 'array'], 'parts.*' => ['in:'.implode(',', array_keys(CopySetUp::PARTS))]], ['name.required' => 'Give the business its name.', 'country.*' => 'Choose the country: numbers, dates and holidays are read by it.', 'tz.*' => 'That is no time zone; write one such as Europe/London.']);
        $user = $this->me($request);
        $name = trim($given['name']);
        $from = ($given['copy'] ?? '') === '' ? null : ($this->designed($user)[$given['copy']] ?? throw ValidationException::withMessages(['copy' => 'Choose a business whose agents you design.']));
        $business = DB::transaction(function () use ($given, $name, $user): Business {
            $business = Business::query()->create(['key' => $this->freeKey($name), 'name' => $name, 'country' => $given['country'], 'tz' => ($given['tz'] ?? '') ?: self::COUNTRIES[$given['country']][1]]);
            Membership::query()->create(['user_id' => $user->id, 'business_id' => $business->id, 'role' => Role::Owner]);
            AuditEntry::note($business->id, $user, 'business made', $name);

            return $business;
        });
        $briefs->keep($business, ['spoken' => trim((string) ($given['spoken'] ?? '')) ?: $name, 'holidays' => ['region' => self::COUNTRIES[$given['country']][2]]], $user);
        $came = $from === null ? [] : $copy->into($business->refresh(), $from, array_values($given['parts'] ?? []), $user);

        return redirect()->route('brief', $business)->with('notice', "{$name} is made.".($came === [] ? ' Begin with what is true of it: when it is open, and where.' : ' It has from '.($from->name ?? '').': '.implode(', ', array_map(static fn (string $part, int $n): string => "{$n} {$part}", array_keys($came), $came)).'. What still speaks of that one is among the findings of each agent.'));
    }

    /** Put away: its lines take no calls and nobody enters it; nothing is lost. */
    public function archive(Request $request, Business $business, KeepLine $lines): RedirectResponse
    {
        $user = $this->me($request);
        foreach ($business->lines()->where('state', Line::LIVE)->get() as $line) {
            $lines->pause($line, $user);
        }
        $business->update(['archived_at' => now()]);
        AuditEntry::note($business->id, $user, 'business put away', $business->name);

        return redirect()->route('businesses')->with('undo', ['text' => "{$business->name} was put away: its lines are paused and nobody enters it. Nothing was lost.", 'action' => route('business.restore', $business)]);
    }

    public function restore(Request $request, Business $business): RedirectResponse
    {
        $business->update(['archived_at' => null]);
        AuditEntry::note($business->id, $this->me($request), 'business brought back', $business->name);

        return redirect()->route('lines', $business)->with('notice', "{$business->name} is back. Its lines stay paused until each is put live again.");
    }

    /** @return array<string, Business> businesses somebody designs for, by key */
    private function designed(User $user): array
    {
        return $user->businesses()->get()->filter(static fn (Business $one): bool => $user->roleIn($one)?->designs() ?? false)->keyBy('key')->all();
    }

    private function freeKey(string $name): string
    {
        $base = substr(Str::slug($name), 0, 40) ?: 'business';
        for ($key = $base, $n = 2; in_array($key, self::TAKEN, true) || Business::query()->where('key', $key)->exists(); $n++) {
            $key = "{$base}-{$n}";
        }

        return $key;
    }

    private function me(Request $request): User
    {
        /** @var User $user */
        $user = $request->user();

        return $user;
    }
}
