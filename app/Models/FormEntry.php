<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Ringo\Outreach\Held;

/**
 * A form somebody sent from a client's page, as it came.
 *
 * @property int $id
 * @property int $campaign_id
 * @property ?int $campaign_person_id who is rung for it
 * @property array<string, string> $fields
 * @property ?Held $held why nobody is rung
 * @property string $origin of the page
 * @property Carbon $created_at
 * @property-read ?CampaignPerson $person
 */
final class FormEntry extends Model
{
    protected $table = 'form_entries';

    protected $fillable = ['campaign_id', 'campaign_person_id', 'fields', 'held', 'origin'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['fields' => 'array', 'held' => Held::class];
    }

    /** @return BelongsTo<CampaignPerson, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(CampaignPerson::class, 'campaign_person_id');
    }
}
