<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * A numbered, frozen version of an agent.
 *
 * @property int $id
 * @property int $agent_id
 * @property int $number
 * @property int $script_text_id
 * @property string $note
 * @property ?int $again_of number of the release that this one brings back
 * @property ?list<array{kind: string, step: ?string, words: string, details: list<array{what: string, from: ?string, to: ?string}>}> $changes since the release before
 * @property ?list<string> $accepted warnings that were accepted
 * @property ?array{trades: list<string>, of: int, handled: int, missed: list<string>} $foreseen what it does with what callers of its trades say
 * @property ?Carbon $created_at
 * @property-read ScriptText $scriptText
 */
final class Release extends Model
{
    protected $table = 'releases';

    protected $fillable = ['agent_id', 'script_text_id', 'number', 'note', 'released_by', 'again_of', 'changes', 'accepted', 'foreseen', 'created_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['changes' => 'array', 'accepted' => 'array', 'foreseen' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function releasedBy(): BelongsTo
    {
        return $this->belongsTo(User::class, 'released_by');
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
}
