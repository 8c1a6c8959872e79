<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A changed sheet being run over past calls, and what came of it before it is applied.
 *
 * @property int $id
 * @property int $business_id
 * @property int $agent_id
 * @property ?int $record_sheet_id
 * @property array<string, mixed> $schema
 * @property string $status queued, running, stopped, ready, applied
 * @property int $total
 * @property int $done
 */
final class ReadingAgain extends Model
{
    protected $table = 'readings_again';

    protected $fillable = ['business_id', 'agent_id', 'record_sheet_id', 'schema', 'status', 'total', 'done'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['schema' => 'array'];
    }

    /** @return BelongsTo<Agent, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(Agent::class);
    }

    /** @return HasMany<ReadingAgainRow, $this> */
    public function rows(): HasMany
    {
        return $this->hasMany(ReadingAgainRow::class, 'reading_again_id')->orderBy('id');
    }
}
