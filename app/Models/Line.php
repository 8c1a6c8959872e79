<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Ringo\Line\Line as Design;

/**
 * A number of a business, or a button on its page, and the release that runs on it.
 *
 * @property int $id
 * @property int $business_id
 * @property int $agent_id
 * @property ?int $release_id
 * @property string $key
 * @property string $kind number or button
 * @property string $name
 * @property ?string $e164
 * @property array<string, mixed> $document who answers when, in the format of lines
 * @property string $state made, live or paused
 * @property ?string $voice_hash of the password with which a voice browser speaks for it
 * @property ?string $token by which a page names its button
 * @property ?Carbon $live_since
 * @property-read Agent $agent
 * @property-read Business $business
 * @property-read ?Release $release
 */
final class Line extends Model
{
    use SoftDeletes;

    /** Made, and never put live. */
    public const MADE = 'made';

    public const LIVE = 'live';

    public const PAUSED = 'paused';

    protected $table = 'lines';

    protected $fillable = ['business_id', 'agent_id', 'release_id', 'key', 'kind', 'name', 'e164', 'document', 'state', 'live_since', 'token', 'voice_hash'];

    protected $hidden = ['voice_hash'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array', 'live_since' => 'datetime'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @throws \Ringo\Document\InvalidDocument */
    public function design(): Design
    {
        return Design::fromArray($this->document);
    }

    public function live(): bool
    {
        return $this->state === self::LIVE;
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return BelongsTo<Agent, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(Agent::class);
    }

    /** @return BelongsTo<Release, $this> */
    public function release(): BelongsTo
    {
        return $this->belongsTo(Release::class);
    }

    /** @return HasMany<LineChange, $this> */
    public function changes(): HasMany
    {
        return $this->hasMany(LineChange::class)->orderByDesc('id');
    }
}
