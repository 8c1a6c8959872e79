<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A question of a caller that could not be answered, or not for sure.
 *
 * @property int $id
 * @property int $business_id
 * @property ?int $call_id
 * @property string $question
 * @property string $why
 * @property string $state open, written or set aside
 * @property ?\Illuminate\Support\Carbon $created_at
 */
final class KnowledgeQuestion extends Model
{
    protected $table = 'knowledge_questions';

    protected $fillable = ['business_id', 'call_id', 'question', 'why', 'state'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [];
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }
}
