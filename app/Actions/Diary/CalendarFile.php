<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\Booking;
use App\Models\Diary;
use App\Models\DiaryBusy;
use Illuminate\Support\Facades\DB;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;
use Sabre\VObject\ParseException;
use Sabre\VObject\Property\ICalendar\DateTime;
use Sabre\VObject\Property\ICalendar\Duration;
use Sabre\VObject\Reader;

/** A diary as an iCalendar file (RFC 5545), and busy times out of one. */
final class CalendarFile
{
    /** The name by which rules and send steps ask for the invitation to what the call booked. */
    public const INVITATION = 'appointment.ics';

    /** Recurring events are followed so far. */
    private const AHEAD_DAYS = 400;

    private const BACK_DAYS = 2;

    private const EVENTS_MOST = 5_000;

    private const BYTES_MOST = 4_000_000;

    /** @param bool $all whether cancelled bookings are told as well, so that a subscriber takes them out */
    public function of(Diary $diary, bool $all = true): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Ringo//Diary//EN', 'METHOD' => 'PUBLISH']);
        foreach ($diary->bookings()->where('rehearsal', false)->where(static fn ($q) => $q->where('state', 'booked')->when($all, static fn ($more) => $more->orWhere('state', 'cancelled')))->get() as $booking) {
            $calendar->add('VEVENT', $this->event($booking));
        }

        return $calendar->serialize();
    }

    /**
     * An invitation (RFC 5546): a request, its cancellation, or several appointments told at once.
     *
     * @param non-empty-list<Booking> $bookings
     */
    public function invitation(array $bookings): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Ringo//Diary//EN', 'METHOD' => self::method($bookings)]);
        foreach ($bookings as $booking) {
            $calendar->add('VEVENT', $this->event($booking));
        }

        return $calendar->serialize();
    }

    /**
     * RFC 5546, 3.2: a request or a cancellation is about one UID; several are published.
     *
     * @param non-empty-list<Booking> $bookings
     */
    public static function method(array $bookings): string
    {
        return count($bookings) > 1 ? 'PUBLISH' : ($bookings[0]->state === 'cancelled' ? 'CANCEL' : 'REQUEST');
    }

    /**
     * Takes busy times over from a file; what is wrong with an event keeps none of the others out.
     *
     * @return array{kept: int, problems: list<string>}
     *
     * @throws \DomainException where it is no calendar at all
     */
    public function bring(Diary $diary, string $bytes, \DateTimeZone $tz): array
    {
        [$rows, $problems] = $this->rows($diary, $bytes, $tz);
        DB::transaction(static function () use ($diary, $rows): void {
            DiaryBusy::query()->where('diary_id', $diary->id)->delete();
            foreach (array_chunk($rows, 200) as $chunk) {
                DiaryBusy::query()->insert($chunk);
            }
        });

        return ['kept' => count($rows), 'problems' => $problems];
    }

    /**
     * What a file would bring, nothing written.
     *
     * @return array{kept: int, problems: list<string>}
     *
     * @throws \DomainException where it is no calendar at all
     */
    public function look(Diary $diary, string $bytes, \DateTimeZone $tz): array
    {
        [$rows, $problems] = $this->rows($diary, $bytes, $tz);

        return ['kept' => count($rows), 'problems' => $problems];
    }

    /** @return array{list<array{diary_id: int, starts_at: int, ends_at: int, what: string, uid: string}>, list<string>} busy times, and what is wrong by event */
    private function rows(Diary $diary, string $bytes, \DateTimeZone $tz): array
    {
        if (strlen($bytes) > self::BYTES_MOST) {
            throw new \DomainException('The file is larger than 4 MB.');
        }
        try {
            $calendar = Reader::read($bytes, Reader::OPTION_FORGIVING);
        } catch (ParseException $problem) {
            throw new \DomainException('This is no iCalendar file: '.$problem->getMessage().'. Nothing was changed.');
        }
        if (! $calendar instanceof VCalendar) {
            throw new \DomainException('This is no calendar. Nothing was changed.');
        }
        $from = new \DateTimeImmutable('-'.self::BACK_DAYS.' days');
        $to = new \DateTimeImmutable('+'.self::AHEAD_DAYS.' days');
        // What was booked here and came round through somebody's calendar takes no time twice.
        $own = $diary->bookings()->where('starts_at', '>', $from->getTimestamp())->get()->map(self::uid(...))->flip();
        $rows = [];
        $problems = [];
        foreach ($this->bySeries($calendar) as $name => $series) {
            try {
                foreach ($series->expand($from, $to, $tz)->select('VEVENT') as $event) {
                    $row = $event instanceof VEvent ? $this->row($event, $diary, $from, $to, $tz) : null;
                    if ($row !== null && ! isset($own[$row['uid']]) && count($rows) < self::EVENTS_MOST) {
                        $rows[] = $row;
                    }
                }
            } catch (\Throwable $problem) {
                // Whatever is wrong with one event, the others are kept.
                $problems[] = "“{$name}”: {$problem->getMessage()}";
            }
        }

        return [$rows, $problems];
    }

    private static function uid(Booking $booking): string
    {
        return "{$booking->reference}-{$booking->business_id}@ringo";
    }

    /**
     * One calendar for each event with its exceptions (RECURRENCE-ID), so that a broken one spoils no other.
     *
     * @return array<string, VCalendar> by what they are called
     */
    private function bySeries(VCalendar $calendar): array
    {
        $series = [];
        foreach ($calendar->select('VEVENT') as $n => $event) {
            $uid = (string) ($event->UID ?? "event {$n}");
            if (! isset($series[$uid])) {
                $series[$uid] = ['name' => (string) ($event->SUMMARY ?? 'busy'), 'calendar' => new VCalendar];
                foreach ($calendar->select('VTIMEZONE') as $zone) {
                    $series[$uid]['calendar']->add(clone $zone);
                }
            }
            $series[$uid]['calendar']->add(clone $event);
        }
        $named = [];
        foreach ($series as $uid => $one) {
            $named[isset($named[$one['name']]) ? "{$one['name']} ({$uid})" : $one['name']] = $one['calendar'];
        }

        return $named;
    }

    /** @return array{diary_id: int, starts_at: int, ends_at: int, what: string, uid: string}|null what takes no time is nothing */
    private function row(VEvent $event, Diary $diary, \DateTimeImmutable $from, \DateTimeImmutable $to, \DateTimeZone $tz): ?array
    {
        if (strtoupper((string) ($event->STATUS ?? '')) === 'CANCELLED' || strtoupper((string) ($event->TRANSP ?? '')) === 'TRANSPARENT') {
            return null;
        }
        $begins = $event->select('DTSTART')[0] ?? null;
        if (! $begins instanceof DateTime) {
            throw new \DomainException('it has no beginning (DTSTART)');
        }
        $start = $begins->getDateTime($tz);
        $ends = $event->select('DTEND')[0] ?? null;
        $lasts = $event->select('DURATION')[0] ?? null;
        $end = match (true) {
            $ends instanceof DateTime => $ends->getDateTime($tz),
            $lasts instanceof Duration => $start->add($lasts->getDateInterval()),
            // RFC 5545, 3.6.1: a day by itself lasts that day; a moment by itself would take no time, and is given an hour.
            default => $start->modify($begins->hasTime() ? '+1 hour' : '+1 day'),
        };

        return $end > $from && $start < $to && $end > $start ? ['diary_id' => $diary->id, 'starts_at' => $start->getTimestamp(), 'ends_at' => $end->getTimestamp(), 'what' => mb_substr((string) ($event->SUMMARY ?? 'busy'), 0, 200), 'uid' => mb_substr((string) ($event->UID ?? ''), 0, 250)] : null;
    }

    /** @return array<string, mixed> moments in UTC, which needs no time zone told in the file (RFC 5545, 3.3.5) */
    private function event(Booking $booking): array
    {
        $utc = new \DateTimeZone('UTC');

        return [
            'UID' => self::uid($booking), 'DTSTAMP' => ($booking->updated_at ?? now())->toDateTimeImmutable()->setTimezone($utc), 'SEQUENCE' => $booking->sequence,
            'DTSTART' => (new \DateTimeImmutable('@'.$booking->starts_at))->setTimezone($utc), 'DTEND' => (new \DateTimeImmutable('@'.$booking->ends_at))->setTimezone($utc),
            'SUMMARY' => ucfirst($booking->label).($booking->name === null ? '' : ', '.$booking->name), 'STATUS' => $booking->state === 'cancelled' ? 'CANCELLED' : 'CONFIRMED',
        ] + ($booking->area === null ? [] : ['LOCATION' => $booking->area]) + ($booking->note === null ? [] : ['DESCRIPTION' => $booking->note]);
    }
}
