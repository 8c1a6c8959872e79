<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * Many stand-in callers who ring a line within some minutes, and what became of them.
 *
 * @property int $id
 * @property int $business_id
 * @property int $line_id
 * @property int $callers
 * @property int $minutes over which they ring
 * @property string $seed
 * @property Carbon $placed_at when the first may ring
 * @property string $staff whether staff that ring first answer: answers or no_answer
 * @property string $status queued, running, stopped or done
 * @property int $done
 * @property ?array{ends: array<string, int>, most: int, until: list<float>} $sums how calls ended, most calls at once, and when those so far end
 * @property ?Carbon $created_at
 * @property-read Line $line
 */
final class LineRush extends Model
{
    protected $table = 'line_rushes';

    protected $fillable = ['business_id', 'line_id', 'user_id', 'callers', 'minutes', 'seed', 'placed_at', 'staff', 'status', 'done', 'sums'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['placed_at' => 'datetime', 'sums' => 'array'];
    }

    public function goesOn(): bool
    {
        return in_array($this->status, ['queued', 'running'], true);
    }

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }
}
