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

    private const OF_PERSON = ['name', 'number', 'site', 'presence', 'user_id'];

    public static function remember(Team|Person|DeliveryRule $one): void
    {
        $was = match (true) {
            $one instanceof Team => $one->only(self::OF_TEAM) + ['members' => $one->people()->get()->mapWithKeys(static fn (Person $person, int $n): array => [$person->id => ['position' => $n]])->all()],
            $one instanceof Person => $one->only(self::OF_PERSON),
            default => $one->only(self::OF_RULE),
        };
        Session::put(self::name($one), array_slice([...self::all($one), $was], -self::REMEMBERED));
    }

    /** Puts back how it stood before the latest change. */
    public static function back(Team|Person|DeliveryRule $one): bool
    {
        $all = self::all($one);
        $was = array_pop($all);
        if (! is_array($was)) {
            return false;
        }
        if ($one instanceof Team) {
            $one->people()->sync(is_array($was['members'] ?? null) ? $was['members'] : []);
        }
        $one->update(array_diff_key($was, ['members' => true]));
        Session::put(self::name($one), $all);

        return true;
    }

    public static function has(Team|Person|DeliveryRule $one): bool
    {
        return self::all($one) !== [];
    }

    /** @return list<array<string, mixed>> */
    private static function all(Team|Person|DeliveryRule $one): array
    {
        return array_values((array) Session::get(self::name($one), []));
    }

    private static function name(Team|Person|DeliveryRule $one): string
    {
        return 'former.'.class_basename($one).".{$one->id}";
    }
}
