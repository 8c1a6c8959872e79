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
    /** @var array<string, array{Start, string}> what each call holds, and for which service */
    private array $held = [];

    /** @var array<string, array{booked: Booked, number: ?string, name: ?string}> */
    private array $booked = [];

    private int $next = 1;

    public function __construct(private readonly Diaries $diaries)
    {
    }

    public function diaries(string $call): Diaries
    {
        $busy = [];
        foreach ($this->held as $other => [$start, $service]) {
            if ($other !== $call) {
                $busy[$start->diary][] = $this->busy($start, $service, null);
            }
        }
        foreach ($this->booked as $one) {
            $busy[$one['booked']->start->diary][] = $this->busy($one['booked']->start, $one['booked']->service, $one['booked']->area);
        }

        return $this->diaries->withBusy($busy);
    }

    public function hold(string $call, string $service, Start $start, ?string $area): bool
    {
        if (! $this->free($call, $service, $start)) {
            return false;
        }
        $this->held[$call] = [$start, $service];

        return true;
    }

    public function release(string $call): void
    {
        unset($this->held[$call]);
    }

    public function book(string $call, string $service, Start $start, array $for): ?Booked
    {
        if (! $this->free($call, $service, $start)) {
            return null;
        }
        $booked = new Booked('R'.$this->next++, $service, $this->diaries->services[$service]->label, $start, $for['area']);
        $this->booked[$booked->reference] = ['booked' => $booked, 'number' => $for['number'], 'name' => $for['name']];
        $this->release($call);

        return $booked;
    }

    public function of(string $call, ?string $number, ?string $name, \DateTimeImmutable $now): array
    {
        $found = array_filter($this->booked, static fn (array $one): bool => $one['booked']->start->at > $now->getTimestamp() && ($number !== null && $one['number'] === $number || $name !== null && $one['name'] === $name));
        $own = array_map(static fn (array $one): Booked => $one['booked'], array_values($found));
        usort($own, static fn (Booked $a, Booked $b): int => $a->start->at <=> $b->start->at);

        return $own;
    }

    public function move(string $call, string $reference, Start $start): ?Booked
    {
        $old = $this->booked[$reference] ?? null;
        if ($old === null || ! $this->free($call, $old['booked']->service, $start)) {
            return null;
        }
        $moved = new Booked($reference, $old['booked']->service, $old['booked']->label, $start, $old['booked']->area);
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

    private function free(string $call, string $service, Start $start): bool
    {
        $length = 60 * $this->diaries->services[$service]->minutes;
        foreach ($this->diaries($call)->diaries[$start->diary]->busy as $busy) {
            if ($start->at < $busy->to && $start->at + $length > $busy->from) {
                return false;
            }
        }

        return true;
    }

    private function busy(Start $start, string $service, ?string $area): Busy
    {
        return new Busy($start->at, $start->at + 60 * $this->diaries->services[$service]->minutes, $area, $service);
    }
}
