<?php

declare(strict_types=1);

namespace App\Actions\Transfers;

use App\Models\Call;
use App\Models\Team;
use App\Models\TeamExample;
use App\Models\User;

/** Keeps sayings of the business's own calls as examples of the team they mean. They count once somebody has looked at what they change. */
final readonly class LearnExamples
{
    private const LONGEST = 400;

    /** Fewer words than these tell nothing of a matter: 'yes please'. */
    private const FEWEST_WORDS = 3;

    /**
     * @param string $origin one of TeamExample::ORIGINS
     * @param string $state waiting or counts
     *
     * @return ?TeamExample null where the saying is too short to teach anything, or was removed before
     */
    public function example(Team $team, string $said, string $origin, string $state, ?Call $call, ?User $user = null): ?TeamExample
    {
        $said = mb_substr(trim((string) preg_replace('/\s+/', ' ', $said)), 0, self::LONGEST);
        if (count(explode(' ', $said)) < self::FEWEST_WORDS) {
            return null;
        }
        $known = TeamExample::query()->where('business_id', $team->business_id)->where('said', $said)->first();
        if (! $known instanceof TeamExample) {
            return TeamExample::query()->create(['business_id' => $team->business_id, 'team_id' => $team->id, 'call_id' => $call?->id, 'said' => $said, 'origin' => $origin, 'state' => $state, 'user_id' => $user?->id]);
        }
        if ($known->state === 'removed' && $user === null) {
            return null;
        }
        // The same saying for another team stands against what was learned: it waits to be looked at again.
        $same = $known->team_id === $team->id;
        $known->update(['team_id' => $team->id, 'times' => $same ? $known->times + 1 : 1, 'origin' => $same ? $known->origin : $origin, 'call_id' => $call !== null ? $call->id : $known->call_id, 'user_id' => $user !== null ? $user->id : $known->user_id, 'state' => $same && $known->state === 'counts' ? 'counts' : $state]);

        return $known;
    }
}
