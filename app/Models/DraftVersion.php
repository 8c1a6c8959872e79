<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A draft as it was after one change.
 *
 * @property int $agent_id
 * @property int $version
 * @property int $script_text_id
 * @property ?int $user_id
 * @property string $words what was changed
 * @property ?int $undoes the version whose change this one took back
 * @property ?Carbon $created_at
 * @property-read ScriptText $scriptText
 * @property-read ?User $user
 */
final class DraftVersion extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'draft_versions';

    protected $fillable = ['agent_id', 'version', 'script_text_id', 'user_id', 'words', 'undoes'];

    /** @return BelongsTo<ScriptText, $this> */
    public function scriptText(): BelongsTo
    {
        return $this->belongsTo(ScriptText::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
