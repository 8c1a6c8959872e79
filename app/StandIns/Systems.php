<?php

declare(strict_types=1);

namespace App\StandIns;

use App\Models\StandIn;

/** The made-up systems there are, by name. */
final readonly class Systems
{
    private const ALL = ['yard' => Yard::class, 'accounts' => Accounts::class, 'parcels' => Parcels::class, 'adviser' => Opinions::class];

    public static function named(string $name): ?System
    {
        $class = self::ALL[$name] ?? null;

        return $class === null ? null : new $class;
    }

    /** What it holds and how it behaves; as it is to begin with where nobody has asked it yet. */
    public static function state(string $name, System $system): StandIn
    {
        return StandIn::query()->firstOrCreate(['system' => $name], ['data' => $system->data(new \DateTimeImmutable('today')), 'done' => []]);
    }

    /** @return array<string, System> those whose host is one of these */
    public static function at(string ...$hosts): array
    {
        $found = [];
        foreach (config('ringo.stand_ins') as $host => $name) {
            $system = in_array($host, $hosts, true) ? self::named($name) : null;
            if ($system !== null) {
                $found[$name] = $system;
            }
        }

        return $found;
    }
}
