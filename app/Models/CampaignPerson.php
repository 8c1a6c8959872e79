<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Somebody on a campaign's list.
 *
 * @property int $id
 * @property int $campaign_id
 * @property ?int $contact_id
 * @property string $name
 * @property string $phone as it was written
 * @property ?string $e164
 * @property array<string, string> $row what the list tells: consent, zone, what was asked for
 * @property array<string, string> $facts what the agent may know
 * @property string $state waiting, calling, reached, not_rung or opted_out
 * @property string $why not rung
 * @property int $attempts
 * @property ?int $next_at Unix time
 * @property string $outcome of the last call
 * @property int $priority 0 to 9: of those who are due, who is rung first
 * @property ?string $complained the day on which they complained in a call
 * @property-read Campaign $campaign
 * @property-read ?Contact $contact
 * @property-read \Illuminate\Database\Eloquent\Collection<int, CampaignAttempt> $tries
 */
final class CampaignPerson extends Model
{
    public const WAITING = 'waiting';

    public const CALLING = 'calling';

    public const REACHED = 'reached';

    public const NOT_RUNG = 'not_rung';

    public const OPTED_OUT = 'opted_out';

    protected $table = 'campaign_people';

    protected $fillable = ['campaign_id', 'contact_id', 'name', 'phone', 'e164', 'row', 'facts', 'state', 'why', 'attempts', 'next_at', 'outcome', 'priority', 'complained'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['row' => 'array', 'facts' => 'array'];
    }

    /** @return BelongsTo<Campaign, $this> */
    public function campaign(): BelongsTo
    {
        return $this->belongsTo(Campaign::class);
    }

    /** @return BelongsTo<Contact, $this> */
    public function contact(): BelongsTo
    {
        return $this->belongsTo(Contact::class);
    }

    /** @return HasMany<CampaignAttempt, $this> */
    public function tries(): HasMany
    {
        return $this->hasMany(CampaignAttempt::class)->orderBy('n');
    }
}
