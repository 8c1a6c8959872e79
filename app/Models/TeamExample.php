<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletingScope;

/**
 * A saying that means a team, learned from a call or marked by a specialist.
 *
 * @property int $id
 * @property int $business_id
 * @property int $team_id
 * @property ?int $call_id
 * @property ?int $user_id
 * @property string $said
 * @property string $origin asked (the caller chose), desk (a colleague put it right), marked (in a call), foreseen (among what callers will say)
 * @property string $state waiting, counts or removed
 * @property int $times how often it was learned
 * @property ?\Illuminate\Support\Carbon $created_at
 * @property-read Team $team
 * @property-read ?Call $call
 * @property-read ?User $user
 */
final class TeamExample extends Model
{
    public const ORIGINS = ['asked' => 'the caller chose it when asked', 'desk' => 'put right at the Desk', 'marked' => 'marked in a call', 'foreseen' => 'marked in What callers will say'];

    protected $table = 'team_examples';

    protected $fillable = ['business_id', 'team_id', 'call_id', 'said', 'origin', 'state', 'times', 'user_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['times' => 'integer'];
    }

    /** @return BelongsTo<Team, $this> */
    public function team(): BelongsTo
    {
        $team = $this->belongsTo(Team::class);
        $team->getQuery()->withoutGlobalScope(SoftDeletingScope::class);

        return $team;
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
