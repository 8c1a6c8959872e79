<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Ports;

use Ringo\Diary\Diaries;
use Ringo\Diary\Start;

/** The book in which a call holds, books, moves and cancels. Whoever keeps it answers for that no place is given twice. */
interface Appointments
{
    /** Services and diaries with all that is taken just now, what this call holds left out. */
    public function diaries(string $call): Diaries;

    /** Keeps a start for a call while it is read back; false where somebody was quicker. */
    public function hold(string $call, string $service, Start $start, ?string $area): bool;

    /** Lets go of what a call holds. */
    public function release(string $call): void;

    /**
     * Books a start; null where somebody was quicker.
     *
     * @param array{name: ?string, number: ?string, area: ?string, note: string} $for
     */
    public function book(string $call, string $service, Start $start, array $for): ?Booked;

    /**
     * Bookings of a caller that are still to come, the next first.
     *
     * @return list<Booked>
     */
    public function of(string $call, ?string $number, ?string $name, \DateTimeImmutable $now): array;

    /** Moves a booking; null where somebody was quicker. */
    public function move(string $call, string $reference, Start $start): ?Booked;

    public function cancel(string $call, string $reference): void;
}
