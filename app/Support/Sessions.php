<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Where somebody is signed in, and how that is ended. */
final readonly class Sessions
{
    /** @return list<array{id: string, here: bool, from: string, with: string, last: Carbon}> the newest first */
    public function of(User $user, string $here): array
    {
        return array_values(DB::table('sessions')->where('user_id', $user->id)->orderByDesc('last_activity')->get()->map(static fn (\stdClass $one): array => [
            // The id signs in whoever has it: the page tells its hash.
            'id' => hash('sha256', (string) $one->id), 'here' => $one->id === $here, 'from' => (string) ($one->ip_address ?? 'unknown'), 'with' => mb_substr((string) ($one->user_agent ?? ''), 0, 120), 'last' => Carbon::createFromTimestamp((int) $one->last_activity),
        ])->all());
    }

    public function endOne(User $user, string $hash): void
    {
        foreach (DB::table('sessions')->where('user_id', $user->id)->pluck('id') as $id) {
            if (hash_equals(hash('sha256', (string) $id), $hash)) {
                DB::table('sessions')->where('id', $id)->delete();
            }
        }
    }

    /** @param ?string $but session that stays */
    public function end(User $user, ?string $but = null): void
    {
        DB::table('sessions')->where('user_id', $user->id)->when($but !== null, static fn ($query) => $query->where('id', '!=', $but))->delete();
    }
}
