<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What would change in the record of one call.
 *
 * @property int $id
 * @property int $reading_again_id
 * @property int $call_id
 * @property array<string, array{was: string, is: string}> $changes
 * @property array<string, mixed> $record
 * @property Call $call
 */
final class ReadingAgainRow extends Model
{
    protected $table = 'readings_again_rows';

    protected $fillable = ['reading_again_id', 'call_id', 'changes', 'record'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['changes' => 'array', 'record' => 'array'];
    }

    public $timestamps = false;

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }
}
