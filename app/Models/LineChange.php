<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What was changed on a line, by whom, and how the line was before.
 *
 * @property int $id
 * @property int $line_id
 * @property string $words
 * @property array{document: array<string, mixed>, release_id: ?int, state: string, agent_id: int, name: string, e164: ?string} $before
 * @property ?Carbon $created_at
 */
final class LineChange extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'line_changes';

    protected $fillable = ['line_id', 'user_id', 'words', 'before'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['before' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
