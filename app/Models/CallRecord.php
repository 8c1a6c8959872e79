<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What one call left.
 *
 * @property int $id
 * @property int $call_id
 * @property int $business_id
 * @property int $agent_id
 * @property array<string, array{value: mixed, display: string, confidence: float, origin: string, turn: ?int, said: string, confirmed: bool, doubt: ?string}> $cells
 * @property list<string> $declined
 * @property list<string> $missing
 * @property string $outcome
 * @property string $summary
 * @property bool $doubtful
 * @property ?int $record_sheet_id
 * @property int $sheet_version
 * @property ?list<string> $next_actions
 * @property ?array<string, string> $doubts
 * @property-read Call $call
 * @property-read \Illuminate\Database\Eloquent\Collection<int, RecordCheck> $checks
 */
final class CallRecord extends Model
{
    protected $table = 'records';

    protected $fillable = ['call_id', 'business_id', 'agent_id', 'cells', 'declined', 'missing', 'outcome', 'summary', 'doubtful', 'record_sheet_id', 'sheet_version', 'next_actions', 'doubts', 'created_at', 'updated_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['cells' => 'array', 'declined' => 'array', 'missing' => 'array', 'doubtful' => 'boolean', 'next_actions' => 'array', 'doubts' => 'array'];
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }

    /** @return \Illuminate\Database\Eloquent\Relations\HasMany<RecordCheck, $this> */
    public function checks(): \Illuminate\Database\Eloquent\Relations\HasMany
    {
        return $this->hasMany(RecordCheck::class, 'record_id');
    }
}
