<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Ringo\Outreach\Campaign as Design;
use Ringo\Outreach\Intake;

/**
 * A run of calls that an agent places to a list of people.
 *
 * @property int $id
 * @property int $business_id
 * @property int $agent_id
 * @property ?int $release_id
 * @property string $key
 * @property string $name
 * @property array<string, mixed> $document in the format of campaigns
 * @property int $lines calls at once
 * @property int $a_minute calls begun a minute
 * @property array{reached?: int, opt_outs?: float, fails?: int} $stops after so many reached; opt-outs over so many percent; so many calls in a row in which the agent failed
 * @property string $state made, running, paused, stopped or done
 * @property string $why it stands as it does
 * @property string $clock real, or quick: on a clock of its own
 * @property ?Carbon $clock_at how far its own clock has come
 * @property string $seed of the stand-in public
 * @property list<int> $held when the lines that are held are free again, Unix time
 * @property ?array<string, mixed> $foreseen what it will come to, as last reckoned
 * @property ?Carbon $launched_at
 * @property ?array<string, mixed> $intake what a form on a client's page brings; null: none does
 * @property ?string $intake_token the secret of the form's address
 * @property-read Agent $agent
 * @property-read Business $business
 * @property-read ?Release $release
 * @property ?array<string, string> $filter which callers were put on it
 * @property ?string $desk_team team to which its calls are put through: by the real clock no more calls at once than people of it are there
 * @property ?int $other_release_id
 * @property-read ?Release $otherRelease by which half of the people are rung, drawn by the seed
 * @property-read ?User $launcher
 */
final class Campaign extends Model
{
    use SoftDeletes;

    public const MADE = 'made';

    public const RUNNING = 'running';

    public const PAUSED = 'paused';

    public const STOPPED = 'stopped';

    public const DONE = 'done';

    protected $table = 'campaigns';

    protected $fillable = ['business_id', 'agent_id', 'release_id', 'other_release_id', 'filter', 'desk_team', 'launched_by', 'key', 'name', 'document', 'lines', 'a_minute', 'stops', 'state', 'why', 'clock', 'clock_at', 'seed', 'held', 'foreseen', 'launched_at', 'intake', 'intake_token'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array', 'stops' => 'array', 'held' => 'array', 'foreseen' => 'array', 'intake' => 'array', 'filter' => 'array', 'clock_at' => 'datetime', 'launched_at' => 'datetime'];
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

    public function intake(): Intake
    {
        return $this->intake === null ? new Intake : Intake::fromArray($this->intake);
    }

    /** Whether more people may come by themselves. */
    public function takesForms(): bool
    {
        return $this->intake !== null && $this->intake_token !== null && Carbon::createFromTimestamp($this->now(), $this->business->tz)->format('Y-m-d') <= (string) ($this->document['end'] ?? '');
    }

    /** The moment by the clock it runs on. */
    public function now(): int
    {
        return $this->clock === 'quick' ? ($this->clock_at ?? now())->getTimestamp() : now()->getTimestamp();
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

    /** @return BelongsTo<Release, $this> */
    public function otherRelease(): BelongsTo
    {
        return $this->belongsTo(Release::class, 'other_release_id');
    }

    /** The release that rings somebody: of two, the one that the seed draws for them. */
    public function releaseFor(CampaignPerson $person): ?Release
    {
        return $this->otherRelease !== null && crc32("{$this->seed}|{$person->id}") % 2 === 1 ? $this->otherRelease : $this->release;
    }

    /** @return BelongsTo<User, $this> */
    public function launcher(): BelongsTo
    {
        return $this->belongsTo(User::class, 'launched_by');
    }

    /** @return HasMany<CampaignPerson, $this> */
    public function people(): HasMany
    {
        return $this->hasMany(CampaignPerson::class);
    }

    /** @return HasMany<CampaignAttempt, $this> */
    public function attempts(): HasMany
    {
        return $this->hasMany(CampaignAttempt::class);
    }
}
