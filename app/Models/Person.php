<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;

/**
 * Somebody of a business who can take calls.
 *
 * @property int $id
 * @property int $business_id
 * @property string $key
 * @property string $name
 * @property ?string $number E.164
 * @property string $site
 * @property string $presence available, busy or away
 * @property ?int $user_id
 * @property ?Carbon $last_call_at
 * @property ?Carbon $desk_seen_at
 */
final class Person extends Model
{
    use SoftDeletes;

    protected $table = 'people';

    protected $fillable = ['business_id', 'key', 'name', 'number', 'site', 'presence', 'user_id', 'last_call_at', 'desk_seen_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['last_call_at' => 'datetime', 'desk_seen_at' => 'datetime'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return BelongsToMany<Team, $this> */
    public function teams(): BelongsToMany
    {
        return $this->belongsToMany(Team::class)->withPivot('position');
    }

    /** Whether a desk is open for this person just now. */
    public function atDesk(): bool
    {
        return $this->desk_seen_at !== null && $this->desk_seen_at->gt(now()->subSeconds(12));
    }
}
