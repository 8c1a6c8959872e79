<?php

declare(strict_types=1);

namespace Ringo\Transfer;

use Ringo\Fit\Caution;
use Ringo\Language\Lexicon;
use Ringo\Language\Vocabulary;

/** Who can be reached just now: a picture of teams and people at one moment, made by whoever hosts the call. */
final class Switchboard
{
    private ?TeamFit $fit = null;

    /** @var (\Closure(): self)|null who makes the picture, until somebody looks at it */
    private ?\Closure $later = null;

    /**
     * @param array<string, StaffedTeam> $teams by key
     * @param array<string, Person> $people by key
     */
    public function __construct(private array $teams, private array $people, private readonly ?Vocabulary $words = null, private ?Lexicon $lexicon = null, private readonly Caution $caution = Caution::Even)
    {
    }

    public static function none(): self
    {
        return new self([], []);
    }

    /**
     * A picture that is made when it is first looked at: most turns of a call ring nobody.
     *
     * @param \Closure(): self $make
     */
    public static function later(\Closure $make, ?Vocabulary $words, ?Lexicon $lexicon, Caution $caution): self
    {
        $board = new self([], [], $words, $lexicon, $caution);
        $board->later = $make;

        return $board;
    }

    public function team(string $key): ?StaffedTeam
    {
        return $this->looked()->teams[$key] ?? null;
    }

    public function person(string $key): ?Person
    {
        return $this->looked()->people[$key] ?? null;
    }

    /** Whether there is anybody at all. */
    public function anybody(): bool
    {
        return $this->looked()->teams !== [] || $this->people !== [];
    }

    private function looked(): self
    {
        if ($this->later !== null) {
            $made = ($this->later)();
            [$this->teams, $this->people, $this->later] = [$made->teams, $made->people, null];
        }

        return $this;
    }

    public function fit(): ?TeamFit
    {
        if ($this->looked()->teams === []) {
            return null;
        }
        $words = $this->words ?? Vocabulary::of();
        $this->lexicon ??= new Lexicon($words);

        return $this->fit ??= new TeamFit(array_values(array_map(static fn (StaffedTeam $team): Team => $team->team, $this->teams)), $words, $this->lexicon, $this->caution);
    }

    /** How a target is called to a caller: a team's or person's name, or 'a colleague' at an outside number. */
    public function named(string $target): string
    {
        [$kind, $key] = explode(':', $target, 2) + [1 => ''];

        return match ($kind) {
            'team' => $this->team($key)->team->name ?? $key,
            'person' => $this->person($key)->name ?? $key,
            default => 'a colleague',
        };
    }

    /**
     * Whether and how a target can be rung now.
     *
     * @return array{groups: list<list<string>>, seconds: int, state: string, opens: ?\DateTimeImmutable} state: ready, closed, away, full or unknown
     */
    public function reach(string $target, \DateTimeImmutable $now): array
    {
        [$kind, $key] = explode(':', $target, 2) + [1 => ''];
        $none = static fn (string $state, ?\DateTimeImmutable $opens = null): array => ['groups' => [], 'seconds' => 0, 'state' => $state, 'opens' => $opens];
        if ($kind === 'number') {
            return ['groups' => [['number:'.$key]], 'seconds' => 25, 'state' => 'ready', 'opens' => null];
        }
        if ($kind === 'person') {
            $person = $this->person($key);

            return $person === null ? $none('unknown') : ($person->free() ? ['groups' => [[$key]], 'seconds' => 20, 'state' => 'ready', 'opens' => null] : $none('away'));
        }
        $team = $this->team($key);
        if ($team === null) {
            return $none('unknown');
        }
        if (! $team->open($now)) {
            return $none('closed', $team->hours->nextOpening($now));
        }
        $groups = $team->groups();
        if ($groups === []) {
            return $none('away');
        }

        return $team->waiting >= $team->waitingMost ? $none('full') : ['groups' => $groups, 'seconds' => $team->seconds, 'state' => 'ready', 'opens' => null];
    }
}
