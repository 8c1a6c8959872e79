<?php

declare(strict_types=1);

namespace Ringo\Outreach;

use Ringo\Numbering\NumberingPlan;
use Ringo\Numbering\NumberZones;
use Ringo\Numbering\PhoneNumber;
use Ringo\Numbering\WrittenNumber;

/** When each person of a list is rung next, or why not: one person at a time, whatever the list's length. */
final class Planner
{
    private const DAY = 86_400;

    private readonly WrittenNumber $numbers;

    private readonly NumberZones $areas;

    /** @var array<string, LocalClock> */
    private array $clocks = [];

    /** @var array<string, Zones> */
    private array $zones = [];

    public function __construct(private readonly Campaign $campaign)
    {
        $this->numbers = new WrittenNumber(new NumberingPlan, $campaign->country);
        $this->areas = new NumberZones;
    }

    /**
     * @param int $now Unix time
     *
     * @throws \DomainException where the person's zone is none
     */
    public function plan(Listed $person, int $now): Planned
    {
        $whereabouts = $this->whereabouts($person);

        return $whereabouts === null
            ? Planned::not($person, null, $person->tz === null ? null : $this->clock($person->tz)->name, Reason::BadNumber)
            : $this->planned($person, $whereabouts, $now);
    }

    /** @throws \DomainException where the person's zone is none */
    public function whereabouts(Listed $person): ?Whereabouts
    {
        $number = $this->numbers->read($person->phone);

        return $number === null ? null : new Whereabouts($number->e164, $this->zones($person, $number));
    }

    public function planned(Listed $person, Whereabouts $where, int $now): Planned
    {
        $why = $this->refused($person, $where->zones->own, $now);
        $next = $why === null ? $this->next($person, $where->zones, $now) : null;

        return $next === null
            ? Planned::not($person, $where->phone, $where->zones->own->name, $why ?? Reason::Ended)
            : Planned::at($person, $where->phone, $where->zones->own, $next);
    }

    /** The zones somebody may be in, from what the list says, else from their number. */
    private function zones(Listed $person, PhoneNumber $number): Zones
    {
        $names = $person->tz === null ? $this->areas->of($number) : [$person->tz];
        $names = $names === [] ? ['UTC'] : $names;

        return $this->zones[implode(' ', $names)] ??= Zones::of(array_map($this->clock(...), $names), $this->campaign);
    }

    private function clock(string $name): LocalClock
    {
        return $this->clocks[$name] ??= LocalClock::of($name);
    }

    private function refused(Listed $person, LocalClock $clock, int $now): ?Reason
    {
        $today = intdiv($clock->wall($now), self::DAY) * self::DAY;

        return match (true) {
            $person->doNotCall => Reason::DoNotCall,
            $person->done => Reason::Done,
            $this->campaign->consent && ($person->consent === null || $person->consent > $today || $person->consentPurpose === '' || $person->consentPurpose !== $this->campaign->purpose) => Reason::NoConsent,
            $person->complaint !== null && $this->campaign->complaintDays > 0 && $person->complaint >= $today - $this->campaign->complaintDays * self::DAY => Reason::Complaint,
            count(array_filter($person->attempts, static fn (Attempt $one): bool => $one->own)) >= $this->campaign->attempts => Reason::AttemptsUsed,
            default => null,
        };
    }

    private function next(Listed $person, Zones $zones, int $now): ?int
    {
        $earliest = max($now, $this->rested($person, $zones->own) ?? $now);
        $earliest += (60 - $earliest % 60) % 60;
        $days = $weeks = [];
        foreach ($person->attempts as $attempt) {
            $day = gmdate('Y-m-d', $attempt->wall);
            $week = gmdate('o-W', $attempt->wall);
            $days[$day] = ($days[$day] ?? 0) + 1;
            $weeks[$week] = ($weeks[$week] ?? 0) + 1;
        }
        while (($next = $zones->from($earliest)) !== null) {
            $wall = $zones->own->wall($next);
            $full = match (true) {
                ($weeks[gmdate('o-W', $wall)] ?? 0) >= $this->campaign->perWeek => 8 - (int) gmdate('N', $wall),
                ($days[gmdate('Y-m-d', $wall)] ?? 0) >= $this->campaign->perDay => 1,
                default => 0,
            };
            if ($full === 0) {
                return $next;
            }
            $earliest = max($next + 60, $zones->own->moment((intdiv($wall, self::DAY) + $full) * self::DAY));
        }

        return null;
    }

    /** When the pause after the last attempt is over, or the time they asked for. */
    private function rested(Listed $person, LocalClock $clock): ?int
    {
        $last = null;
        foreach ($person->attempts as $attempt) {
            if ($attempt->own && ($last === null || $attempt->wall >= $last->wall)) {
                $last = $attempt;
            }
        }
        $at = $last === null ? null : $clock->moment($last->wall);
        $asked = $person->askedFor === null ? null : $clock->moment($person->askedFor);
        if ($asked !== null && ($at === null || $asked > $at)) {
            return $asked;
        }

        return $last === null || $at === null ? null : ($this->campaign->pauses[$last->outcome] ?? null)?->after($at, $clock) ?? $at;
    }
}
