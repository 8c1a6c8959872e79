<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\Booking;
use App\Models\Diary;
use App\Models\DiaryBusy;
use Illuminate\Support\Facades\DB;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\InvalidDataException;
use Sabre\VObject\ParseException;
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
    public function of(Diary $diary, string $tz, bool $all = true): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Ringo//Diary//EN', 'METHOD' => 'PUBLISH']);
        foreach ($diary->bookings()->where('rehearsal', false)->where(static fn ($q) => $q->where('state', 'booked')->when($all, static fn ($more) => $more->orWhere('state', 'cancelled')))->get() as $booking) {
            $calendar->add('VEVENT', $this->event($booking, $tz));
        }

        return $calendar->serialize();
    }

    /** An invitation (RFC 5546): a request, or its cancellation. */
    public function invitation(Booking $booking, string $tz): string
    {
        $cancelled = $booking->state === 'cancelled';
        $calendar = new VCalendar(['PRODID' => '-//Ringo//Diary//EN', 'METHOD' => $cancelled ? 'CANCEL' : 'REQUEST']);
        $calendar->add('VEVENT', $this->event($booking, $tz));

        return $calendar->serialize();
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
        $rows = [];
        $problems = [];
        try {
            $calendar = $calendar->expand($from, $to, $tz);
        } catch (InvalidDataException|\InvalidArgumentException $problem) {
            throw new \DomainException('A repeated event cannot be read: '.$problem->getMessage().'. Nothing was changed.');
        }
        foreach ($calendar->select('VEVENT') as $event) {
            $name = (string) ($event->SUMMARY ?? 'busy');
            try {
                if (strtoupper((string) ($event->STATUS ?? '')) === 'CANCELLED' || strtoupper((string) ($event->TRANSP ?? '')) === 'TRANSPARENT') {
                    continue;
                }
                $start = $event->DTSTART->getDateTime($tz);
                $end = isset($event->DTEND) ? $event->DTEND->getDateTime($tz) : ($event->DTSTART->hasTime() ? $start->modify('+1 hour') : $start->modify('+1 day'));
                if ($end > $from && $start < $to && $end > $start && count($rows) < self::EVENTS_MOST) {
                    $rows[] = ['diary_id' => $diary->id, 'starts_at' => $start->getTimestamp(), 'ends_at' => $end->getTimestamp(), 'what' => mb_substr($name, 0, 200), 'uid' => mb_substr((string) ($event->UID ?? ''), 0, 250)];
                }
            } catch (\Throwable $problem) {
                $problems[] = "“{$name}”: {$problem->getMessage()}";
            }
        }
        DB::transaction(static function () use ($diary, $rows): void {
            DiaryBusy::query()->where('diary_id', $diary->id)->delete();
            foreach (array_chunk($rows, 200) as $chunk) {
                DiaryBusy::query()->insert($chunk);
            }
        });

        return ['kept' => count($rows), 'problems' => $problems];
    }

    /** @return array<string, mixed> */
    private function event(Booking $booking, string $tz): array
    {
        $zone = new \DateTimeZone($tz);
        $utc = new \DateTimeZone('UTC');

        return [
            'UID' => "{$booking->reference}-{$booking->business_id}@ringo", 'DTSTAMP' => ($booking->updated_at ?? now())->toDateTimeImmutable()->setTimezone($utc), 'SEQUENCE' => $booking->sequence,
            'DTSTART' => (new \DateTimeImmutable('@'.$booking->starts_at))->setTimezone($zone), 'DTEND' => (new \DateTimeImmutable('@'.$booking->ends_at))->setTimezone($zone),
            'SUMMARY' => ucfirst($booking->label).($booking->name === null ? '' : ', '.$booking->name), 'STATUS' => $booking->state === 'cancelled' ? 'CANCELLED' : 'CONFIRMED',
        ] + ($booking->area === null ? [] : ['LOCATION' => $booking->area]) + ($booking->note === null ? [] : ['DESCRIPTION' => $booking->note]);
    }
}
