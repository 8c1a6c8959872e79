<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The script of an agent that is being worked on.
 *
 * @property int $script_text_id
 * @property int $agent_id
 * @property int $version
 * @property-read ScriptText $scriptText
 */
final class Draft extends Model
{
    protected $table = 'drafts';

    protected $fillable = ['agent_id', 'script_text_id', 'version', 'edited_by'];

    /** @return BelongsTo<ScriptText, $this> */
    public function scriptText(): BelongsTo
    {
        return $this->belongsTo(ScriptText::class);
    }
}
