<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One time somebody was rung for a campaign.
 *
 * @property int $id
 * @property int $campaign_id
 * @property int $campaign_person_id
 * @property ?int $call_id
 * @property int $n
 * @property string $e164
 * @property int $at Unix time
 * @property string $wall their own clock, `2026-05-05T10:02`
 * @property string $came reached, busy, no_answer, voicemail, hung_up, failed, later
 * @property string $outcome of the call, where there was one
 * @property float $seconds a line was held
 * @property list<string> $objections what they had against it, in order
 * @property-read CampaignPerson $person
 * @property-read ?Call $call
 */
final class CampaignAttempt extends Model
{
    public $timestamps = false;

    protected $table = 'campaign_attempts';

    protected $fillable = ['campaign_id', 'campaign_person_id', 'call_id', 'n', 'e164', 'at', 'wall', 'came', 'outcome', 'seconds', 'objections', 'release_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['objections' => 'array', 'seconds' => 'float'];
    }

    /** @return BelongsTo<CampaignPerson, $this> */
    public function person(): BelongsTo
    {
        return $this->belongsTo(CampaignPerson::class, 'campaign_person_id');
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }
}
