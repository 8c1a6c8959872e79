<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A numbered, frozen version of an agent.
 *
 * @property int $id
 * @property int $number
 * @property int $script_text_id
 * @property string $note
 * @property ?Carbon $created_at
 * @property-read ScriptText $scriptText
 */
final class Release extends Model
{
    protected $fillable = ['agent_id', 'script_text_id', 'number', 'note', 'released_by', 'created_at'];

    /** @return BelongsTo<ScriptText, $this> */
    public function scriptText(): BelongsTo
    {
        return $this->belongsTo(ScriptText::class);
    }
}
