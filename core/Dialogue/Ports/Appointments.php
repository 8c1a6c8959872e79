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

    /**
     * Keeps starts for a call while they are read back: all of them, or none where somebody was quicker with one.
     *
     * @param non-empty-list<Start> $starts
     */
    public function hold(string $call, string $service, array $starts, ?string $area): bool;

    /** Lets go of what a call holds. */
    public function release(string $call): void;

    /**
     * Books starts: all of them, or none (null) where somebody was quicker with one.
     *
     * @param non-empty-list<Start> $starts
     * @param array{name: ?string, number: ?string, area: ?string, note: string} $for
     *
     * @return non-empty-list<Booked>|null
     */
    public function book(string $call, string $service, array $starts, array $for): ?array;

    /**
     * Bookings of a caller that are still to come, the next first.
     *
     * @return list<Booked>
     */
    public function of(string $call, ?string $number, \DateTimeImmutable $now): array;

    /** The booking of a reference that is still to come. */
    public function referred(string $call, string $reference, \DateTimeImmutable $now): ?Booked;

    /**
     * What is booked from one moment to another, for whoever: among them a caller is found by name.
     *
     * @return list<Booked>
     */
    public function between(string $call, int $from, int $to): array;

    /** The caller's last booking before now. */
    public function last(string $call, ?string $number, \DateTimeImmutable $now): ?Booked;

    /** Moves a booking; null where somebody was quicker. */
    public function move(string $call, string $reference, Start $start): ?Booked;

    public function cancel(string $call, string $reference): void;

    /**
     * Puts a caller on the waiting list.
     *
     * @param array<string, mixed> $wish as Wish::toArray() writes it
     * @param array{name: ?string, number: ?string, area: ?string, note: string} $for
     */
    public function wait(string $call, string $service, array $wish, array $for): void;
}
