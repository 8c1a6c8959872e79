<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\DeliveryRule;
use App\Models\Person;
use App\Models\Team;
use Illuminate\Support\Facades\Session;

/** How teams, people and delivery rules stood before they were changed in this session, change by change, so that each can be taken back. */
final class Former
{
    /** So many changes of one team or person are remembered. */
    private const REMEMBERED = 20;

    private const OF_TEAM = ['name', 'description', 'examples', 'ring', 'seconds', 'waiting_most', 'hours'];

    private const OF_RULE = ['name', 'agent_id', 'kind', 'to', 'subject', 'words', 'when', 'timing', 'cancel_outcomes', 'mapping', 'file', 'active'];

    /** Without the presence: that is set at the Desk all day long. */
    private const OF_PERSON = ['name', 'number', 'site', 'user_id'];

    public static function remember(Team|Person|DeliveryRule $one): void
    {
        Session::put(self::name($one).'.was', array_slice([...self::all($one), self::now($one)], -self::REMEMBERED));
    }

    /** Marks how it stands after a change of this session: only from there is it taken back. */
    public static function settle(Team|Person|DeliveryRule $one): void
    {
        Session::put(self::name($one).'.is', self::mark($one));
    }

    /**
     * Puts back how it stood before the latest change.
     *
     * @return ?string why not, where it is not taken back
     */
    public static function back(Team|Person|DeliveryRule $one): ?string
    {
        $all = self::all($one);
        $was = array_pop($all);
        if (! is_array($was)) {
            return 'There is no change of this session left to take back.';
        }
        if (Session::get(self::name($one).'.is') !== self::mark($one)) {
            return "“{$one->name}” has been changed by somebody else since; nothing of that is written over. Change it by hand.";
        }
        if ($one instanceof Team) {
            $one->people()->sync(is_array($was['members'] ?? null) ? $was['members'] : []);
        }
        $one->update(array_diff_key($was, ['members' => true]));
        Session::put(self::name($one).'.was', $all);

        return null;
    }

    public static function has(Team|Person|DeliveryRule $one): bool
    {
        return self::all($one) !== [];
    }

    /** @return array<string, mixed> */
    private static function now(Team|Person|DeliveryRule $one): array
    {
        return match (true) {
            $one instanceof Team => $one->only(self::OF_TEAM) + ['members' => $one->people()->get()->mapWithKeys(static fn (Person $person, int $n): array => [$person->id => ['position' => $n]])->all()],
            $one instanceof Person => $one->only(self::OF_PERSON),
            default => $one->only(self::OF_RULE),
        };
    }

    private static function mark(Team|Person|DeliveryRule $one): string
    {
        $fresh = $one->fresh() ?? $one;

        return hash('sha256', (string) json_encode(self::now($fresh)));
    }

    /** @return list<array<string, mixed>> */
    private static function all(Team|Person|DeliveryRule $one): array
    {
        return array_values((array) Session::get(self::name($one).'.was', []));
    }

    private static function name(Team|Person|DeliveryRule $one): string
    {
        return 'former.'.class_basename($one).".{$one->id}";
    }
}
