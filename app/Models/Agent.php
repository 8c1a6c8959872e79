<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletes;
use Ringo\Inspection\Surroundings;

/**
 * A phone agent of a business.
 *
 * @property int $id
 * @property int $business_id
 * @property string $key
 * @property string $name
 * @property string $direction
 * @property ?list<string> $trades kinds of business its callers are like, where somebody chose them
 * @property ?array{trades: list<string>, of: int, handled: int, missed: list<string>} $foreseen what it does with what callers say, as last looked at
 * @property-read Business $business
 * @property-read Draft $draft
 * @property-read ?Release $latestRelease
 * @property-read \Illuminate\Database\Eloquent\Collection<int, Release> $releases
 */
final class Agent extends Model
{
    use SoftDeletes;

    protected $table = 'agents';

    protected $fillable = ['business_id', 'key', 'name', 'direction', 'trades', 'foreseen'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['trades' => 'array', 'foreseen' => 'array'];
    }

    /** What the inspection of this agent's design knows of what stands around it. */
    public function surroundings(): Surroundings
    {
        $around = $this->business->surroundings();

        return $this->foreseen === null ? $around : $around->withForeseen($this->foreseen);
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return HasOne<Draft, $this> */
    public function draft(): HasOne
    {
        return $this->hasOne(Draft::class);
    }

    /** @return HasMany<GuestPass, $this> */
    public function guestPasses(): HasMany
    {
        return $this->hasMany(GuestPass::class);
    }

    /** @return HasMany<CrowdRun, $this> */
    public function crowdRuns(): HasMany
    {
        return $this->hasMany(CrowdRun::class)->orderByDesc('id');
    }

    /** @return HasMany<CasebookCase, $this> */
    public function cases(): HasMany
    {
        return $this->hasMany(CasebookCase::class)->orderBy('key');
    }

    /** @return HasMany<Release, $this> */
    public function releases(): HasMany
    {
        return $this->hasMany(Release::class)->orderByDesc('number');
    }

    /** @return HasMany<DraftVersion, $this> */
    public function draftVersions(): HasMany
    {
        return $this->hasMany(DraftVersion::class)->orderByDesc('version');
    }

    /** @return HasMany<Call, $this> */
    public function calls(): HasMany
    {
        return $this->hasMany(Call::class);
    }

    /** @return HasMany<Recording, $this> */
    public function recordings(): HasMany
    {
        return $this->hasMany(Recording::class);
    }

    /** @return HasOne<Release, $this> */
    public function latestRelease(): HasOne
    {
        return $this->hasOne(Release::class)->ofMany('number', 'max');
    }

    /** @return HasMany<RecordSheet, $this> */
    public function recordSheets(): HasMany
    {
        return $this->hasMany(RecordSheet::class);
    }

    /** @return HasMany<ReadingAgain, $this> */
    public function readingAgains(): HasMany
    {
        return $this->hasMany(ReadingAgain::class);
    }
}
