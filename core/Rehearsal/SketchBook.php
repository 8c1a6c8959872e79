<?php

declare(strict_types=1);

namespace Ringo\Rehearsal;

use Ringo\Dialogue\Ports\Appointments;
use Ringo\Dialogue\Ports\Booked;
use Ringo\Diary\Busy;
use Ringo\Diary\Diaries;
use Ringo\Diary\Start;

/** A book for rehearsals: it holds and books like the real one, and nothing of it is kept. */
final class SketchBook implements Appointments
{
    /** @var array<string, array{non-empty-list<Start>, string}> what each call holds, and for which service */
    private array $held = [];

    /** @var array<string, array{booked: Booked, number: ?string}> */
    private array $booked = [];

    /** @var list<array{service: string, wish: array<string, mixed>, name: ?string}> */
    private array $waiting = [];

    /** References of rehearsals: RHB201, RHB202 … */
    private const FIRST = 200;

    private int $next = 1;

    public function __construct(private readonly Diaries $diaries)
    {
    }

    /** Empty again, for the next call. */
    public function fresh(): void
    {
        $this->held = $this->booked = $this->waiting = [];
        $this->next = 1;
    }

    public function diaries(string $call): Diaries
    {
        $busy = [];
        foreach ($this->held as $other => [$starts, $service]) {
            foreach ($other === $call ? [] : $starts as $start) {
                $busy[$start->diary][] = $this->busy($start, $service, null);
            }
        }
        foreach ($this->booked as $one) {
            $busy[$one['booked']->start->diary][] = $this->busy($one['booked']->start, $one['booked']->service, $one['booked']->area);
        }

        return $this->diaries->withBusy($busy);
    }

    public function hold(string $call, string $service, array $starts, ?string $area): bool
    {
        if (! $this->free($call, $service, $starts)) {
            return false;
        }
        $this->held[$call] = [$starts, $service];

        return true;
    }

    public function release(string $call): void
    {
        unset($this->held[$call]);
    }

    public function book(string $call, string $service, array $starts, array $for): ?array
    {
        if (! $this->free($call, $service, $starts)) {
            return null;
        }
        $all = [];
        foreach ($starts as $start) {
            $booked = new Booked('RHB'.(self::FIRST + $this->next++), $service, $this->diaries->services[$service]->label, $start, $for['area'], $for['name']);
            $this->booked[$booked->reference] = ['booked' => $booked, 'number' => $for['number']];
            $all[] = $booked;
        }
        $this->release($call);

        return $all;
    }

    public function of(string $call, ?string $number, \DateTimeImmutable $now): array
    {
        return $this->sorted(static fn (Booked $one, ?string $own): bool => $one->start->at > $now->getTimestamp() && $number !== null && $own === $number);
    }

    public function referred(string $call, string $reference, \DateTimeImmutable $now): ?Booked
    {
        $booked = $this->booked[$reference]['booked'] ?? null;

        return $booked !== null && $booked->start->at > $now->getTimestamp() ? $booked : null;
    }

    public function between(string $call, int $from, int $to): array
    {
        return $this->sorted(static fn (Booked $one): bool => $one->start->at >= $from && $one->start->at < $to);
    }

    public function last(string $call, ?string $number, \DateTimeImmutable $now): ?Booked
    {
        $past = $this->sorted(static fn (Booked $one, ?string $own): bool => $one->start->at <= $now->getTimestamp() && $number !== null && $own === $number);

        return $past === [] ? null : $past[count($past) - 1];
    }

    public function wait(string $call, string $service, array $wish, array $for): void
    {
        $this->waiting[] = ['service' => $service, 'wish' => $wish, 'name' => $for['name']];
    }

    /** @return list<array{service: string, wish: array<string, mixed>, name: ?string}> who waits for a time */
    public function waiting(): array
    {
        return $this->waiting;
    }

    public function move(string $call, string $reference, Start $start): ?Booked
    {
        $old = $this->booked[$reference] ?? null;
        if ($old === null || ! $this->free($call, $old['booked']->service, [$start])) {
            return null;
        }
        $moved = new Booked($reference, $old['booked']->service, $old['booked']->label, $start, $old['booked']->area, $old['booked']->name);
        $this->booked[$reference] = ['booked' => $moved] + $old;

        return $moved;
    }

    public function cancel(string $call, string $reference): void
    {
        unset($this->booked[$reference]);
    }

    /** @return list<Booked> all that stand */
    public function all(): array
    {
        return array_map(static fn (array $one): Booked => $one['booked'], array_values($this->booked));
    }

    /** @param list<Start> $starts */
    private function free(string $call, string $service, array $starts): bool
    {
        $diaries = $this->diaries($call);
        $length = 60 * $this->diaries->services[$service]->minutes;
        foreach ($starts as $start) {
            foreach ($diaries->diaries[$start->diary]->busy as $busy) {
                if ($start->at < $busy->to && $start->at + $length > $busy->from) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * @param \Closure(Booked, ?string): bool $wanted by booking and number
     *
     * @return list<Booked> the next first
     */
    private function sorted(\Closure $wanted): array
    {
        $found = array_map(static fn (array $one): Booked => $one['booked'], array_values(array_filter($this->booked, static fn (array $one): bool => $wanted($one['booked'], $one['number']))));
        usort($found, static fn (Booked $a, Booked $b): int => $a->start->at <=> $b->start->at);

        return $found;
    }

    private function busy(Start $start, string $service, ?string $area): Busy
    {
        return new Busy($start->at, $start->at + 60 * $this->diaries->services[$service]->minutes, $area, $service);
    }
}
