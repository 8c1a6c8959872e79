<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A crowd of stand-in callers that rings an agent, and perhaps another version of it with the same callers.
 *
 * @property int $id
 * @property int $agent_id
 * @property int $script_text_id
 * @property ?int $against_text_id
 * @property string $rings what is rung, in words: the draft, release 3
 * @property ?string $against what it is compared with
 * @property int $callers
 * @property string $seed
 * @property float $noise
 * @property \Illuminate\Support\Carbon $placed_at when all the calls are placed
 * @property string $status queued, running, stopped, done
 * @property int $done callers so far
 * @property ?array<string, mixed> $report sums so far, as the report keeps them
 * @property ?array<string, mixed> $against_report
 * @property ?\Illuminate\Support\Carbon $updated_at
 * @property ?\Illuminate\Support\Carbon $created_at
 * @property-read Agent $agent
 * @property-read ScriptText $scriptText
 * @property-read ?ScriptText $againstText
 */
final class CrowdRun extends Model
{
    protected $table = 'crowd_runs';

    protected $fillable = ['agent_id', 'user_id', 'script_text_id', 'against_text_id', 'rings', 'against', 'callers', 'seed', 'noise', 'placed_at', 'status', 'done', 'report', 'against_report'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['placed_at' => 'datetime', 'report' => 'array', 'against_report' => 'array', 'noise' => 'float'];
    }

    public function goesOn(): bool
    {
        return in_array($this->status, ['queued', 'running'], true);
    }

    /** @return BelongsTo<Agent, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(Agent::class);
    }

    /** @return BelongsTo<ScriptText, $this> */
    public function scriptText(): BelongsTo
    {
        return $this->belongsTo(ScriptText::class);
    }

    /** @return BelongsTo<ScriptText, $this> */
    public function againstText(): BelongsTo
    {
        return $this->belongsTo(ScriptText::class, 'against_text_id');
    }
}
