<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;

/**
 * Lets somebody without an account ring one agent for a while, by a link and a code.
 *
 * @property int $id
 * @property int $business_id
 * @property int $agent_id
 * @property ?int $release_id
 * @property string $guest who it is for
 * @property string $token of the link
 * @property string $button_token by which the page rings, told once the code was right
 * @property string $code_hash
 * @property bool $draft whether the draft is rung, as it is then; else the release
 * @property Carbon $expires_at
 * @property ?Carbon $created_at
 * @property-read Agent $agent
 * @property-read Business $business
 * @property-read ?Release $release
 * @property-read \Illuminate\Database\Eloquent\Collection<int, GuestRemark> $remarks
 */
final class GuestPass extends Model
{
    protected $table = 'guest_passes';

    protected $fillable = ['business_id', 'agent_id', 'release_id', 'user_id', 'guest', 'token', 'button_token', 'code_hash', 'draft', 'expires_at'];

    protected $hidden = ['code_hash', 'button_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['draft' => 'boolean', 'expires_at' => 'datetime'];
    }

    public function open(): bool
    {
        return $this->expires_at->isFuture() && $this->business->archived_at === null && ! $this->agent->trashed();
    }

    /** What the guest rings, as it is now. */
    public function text(): ScriptText
    {
        return $this->draft || $this->release === null ? $this->agent->draft->scriptText : $this->release->scriptText;
    }

    public function called(): string
    {
        return $this->draft || $this->release === null ? 'the draft' : 'release '.$this->release->number;
    }

    /** @return BelongsTo<Agent, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(Agent::class);
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return BelongsTo<Release, $this> */
    public function release(): BelongsTo
    {
        return $this->belongsTo(Release::class);
    }

    /** @return HasMany<GuestRemark, $this> */
    public function remarks(): HasMany
    {
        return $this->hasMany(GuestRemark::class)->orderByDesc('id');
    }

    /** @return HasMany<Call, $this> */
    public function calls(): HasMany
    {
        return $this->hasMany(Call::class)->orderByDesc('id');
    }
}
