<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * What follows a call: a notice, a confirmation, a row, a web request; at once or timed by a value of the record.
 *
 * @property int $id
 * @property int $business_id
 * @property ?int $agent_id
 * @property string $name
 * @property string $kind text, email, web or row
 * @property string $to an address, `role:owner`, `person:key`, a field, `caller.number`, or a web address
 * @property string $subject
 * @property string $words template
 * @property ?array<string, mixed> $when condition as in a script; none: always
 * @property array{kind: string, field?: string, amount?: int, unit?: string} $timing
 * @property list<string> $cancel_outcomes outcomes of a later call of the same caller that take it back
 * @property array<string, string> $mapping column or key => value
 * @property ?string $secret
 * @property bool $active
 * @property ?string $file name of the file that goes with an e-mail
 * @property Business $business
 * @property-read ?Agent $agent
 */
final class DeliveryRule extends Model
{
    use SoftDeletes;

    protected $table = 'delivery_rules';

    protected $fillable = ['business_id', 'agent_id', 'name', 'kind', 'to', 'subject', 'words', 'when', 'timing', 'cancel_outcomes', 'mapping', 'secret', 'active', 'file'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['when' => 'array', 'timing' => 'array', 'cancel_outcomes' => 'array', 'mapping' => 'array', 'secret' => 'encrypted', 'active' => 'boolean'];
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

    /** @return HasMany<FileRow, $this> */
    public function rows(): HasMany
    {
        return $this->hasMany(FileRow::class)->orderBy('id');
    }
}
