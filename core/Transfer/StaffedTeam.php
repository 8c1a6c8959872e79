<?php

declare(strict_types=1);

namespace Ringo\Transfer;

use Ringo\Script\Hours;

/** A team with its people, its hours and the way its telephones ring. */
final readonly class StaffedTeam
{
    public const RING = ['all', 'turn', 'idle'];

    /**
     * @param list<Person> $members in the order they ring in turn
     * @param string $ring all at once, in turn, or whoever has been idle longest first
     * @param int $seconds how long one person, or all, ring
     * @param int $waitingMost how many callers may wait for the team at once
     * @param int $waiting how many wait now
     */
    public function __construct(public Team $team, public array $members, public Hours $hours, public string $ring = 'all', public int $seconds = 20, public int $waitingMost = 3, public int $waiting = 0)
    {
    }

    public function open(\DateTimeImmutable $moment): bool
    {
        return ! $this->hours->given() || $this->hours->openAt($moment);
    }

    /**
     * Who rings, group after group, of those who are free.
     *
     * @return list<list<string>> keys of people
     */
    public function groups(): array
    {
        $free = array_values(array_filter($this->members, static fn (Person $person): bool => $person->free()));
        if ($this->ring === 'idle') {
            usort($free, static fn (Person $a, Person $b): int => ($a->lastCall?->getTimestamp() ?? 0) <=> ($b->lastCall?->getTimestamp() ?? 0));
        }
        $keys = array_map(static fn (Person $person): string => $person->key, $free);

        return $keys === [] ? [] : ($this->ring === 'all' ? [$keys] : array_map(static fn (string $key): array => [$key], $keys));
    }
}
