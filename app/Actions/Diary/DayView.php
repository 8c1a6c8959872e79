<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\Booking;
use App\Models\Business;
use App\Models\Diary as DiaryRow;
use App\Models\DiaryBusy;
use Ringo\Diary\Diaries;
use Ringo\Diary\Diary;
use Ringo\Diary\Frame;
use Ringo\Diary\FreeTimes;
use Ringo\Diary\Service;

/**
 * Days of the diary as they are drawn: a row a diary, with closed stretches, bookings, ways and free starts in minutes of the day.
 *
 * @phpstan-type Row array{key: string, name: string, base: ?string, shut: list<array{from: int, to: int, why: string}>, bars: list<array{from: int, to: int, name: string, what: string, kind: string, reference: ?string, call: ?string, turn: ?int, rehearsal: bool, note: string}>, ways: list<array{from: int, to: int, minutes: int}>, starts: list<array{at: int, free: bool, why: string}>}
 */
final readonly class DayView
{
    private const EARLIEST = 480;

    private const LATEST = 1080;

    /** Closed days that are passed over when the diary is opened. */
    private const LOOKS_AHEAD = 14;

    /** The day the diary opens at: today, or the next on which anybody is in or something is booked. */
    public function begins(Diaries $diaries, \DateTimeImmutable $today): \DateTimeImmutable
    {
        for ($n = 0; $n < self::LOOKS_AHEAD; $n++) {
            $day = $today->modify("+{$n} days")->setTime(0, 0);
            $date = $day->format('Y-m-d');
            foreach ($diaries->closures->has($date) ? [] : $diaries->diaries as $diary) {
                if (! $diary->off->has($date) && ($diary->hours ?? $diaries->hours)->on((int) $day->format('N')) !== []) {
                    return $day;
                }
            }
            foreach ($diaries->diaries as $diary) {
                foreach ($diary->busy as $busy) {
                    if ($busy->from < $day->modify('+1 day')->getTimestamp() && $busy->to > $day->getTimestamp()) {
                        return $day;
                    }
                }
            }
        }

        return $today;
    }

    /** @return array{from: int, to: int} minutes of the day from which to which is drawn */
    public function span(Diaries $diaries): array
    {
        $from = self::EARLIEST;
        $to = self::LATEST;
        foreach ([$diaries->hours, ...array_filter(array_map(static fn (Diary $diary) => $diary->hours, array_values($diaries->diaries)))] as $week) {
            for ($day = 1; $day <= 7; $day++) {
                foreach ($week->on($day) as [$open, $close]) {
                    $from = min($from, $open);
                    $to = max($to, $close);
                }
            }
        }

        return ['from' => intdiv($from, 60) * 60, 'to' => (int) ceil($to / 60) * 60];
    }

    /**
     * @param bool $rehearsals whether what rehearsals booked is shown as well
     *
     * @return list<array{date: string, words: string, rows: list<Row>}>
     */
    public function days(Business $business, Diaries $diaries, ?Service $service, \DateTimeImmutable $first, int $count, ?string $area, bool $rehearsals = false): array
    {
        $free = new FreeTimes($diaries);
        $ids = DiaryRow::query()->where('business_id', $business->id)->pluck('id', 'key');
        $days = [];
        for ($n = 0; $n < $count; $n++) {
            $date = $first->modify("+{$n} days")->format('Y-m-d');
            $frame = new Frame($date, $diaries->tz);
            $rows = [];
            foreach ($diaries->diaries as $diary) {
                $rows[] = $this->row($business, $diaries, $diary, (int) ($ids[$diary->key] ?? 0), $frame, $service, $free, $area, $rehearsals);
            }
            $days[] = ['date' => $date, 'words' => $first->modify("+{$n} days")->format('l j F'), 'rows' => $rows];
        }

        return $days;
    }

    /** @return Row */
    private function row(Business $business, Diaries $diaries, Diary $diary, int $id, Frame $frame, ?Service $service, FreeTimes $free, ?string $area, bool $rehearsals): array
    {
        $minute = static fn (int $at): int => intdiv($at - $frame->midnight, 60);
        $bars = [];
        foreach (Booking::standing()->with('call.record')->where('business_id', $business->id)->where('diary_id', $id)->when(! $rehearsals, static fn ($q) => $q->where('rehearsal', false))->where('starts_at', '<', $frame->end)->where('ends_at', '>', $frame->midnight)->get()->sortBy('starts_at') as $one) {
            $bars[] = ['from' => $minute($one->starts_at), 'to' => $minute($one->ends_at), 'name' => $one->name ?? 'somebody', 'what' => $one->state === 'held' ? 'held while it is read back' : $one->label, 'kind' => $one->state === 'held' ? 'held' : $one->by, 'reference' => $one->state === 'held' ? null : $one->reference, 'call' => $one->call?->ref, 'turn' => $this->agreed($one, $diaries->tz), 'rehearsal' => $one->rehearsal, 'note' => (string) $one->note, 'area' => $one->area];
        }
        foreach (DiaryBusy::query()->where('diary_id', $id)->where('starts_at', '<', $frame->end)->where('ends_at', '>', $frame->midnight)->get() as $one) {
            $bars[] = ['from' => max(0, $minute($one->starts_at)), 'to' => min(1440, $minute($one->ends_at)), 'name' => $one->what === '' ? 'busy' : $one->what, 'what' => 'from elsewhere', 'kind' => 'elsewhere', 'reference' => null, 'call' => null, 'turn' => null, 'rehearsal' => false, 'note' => '', 'area' => null];
        }
        usort($bars, static fn (array $a, array $b): int => $a['from'] <=> $b['from']);
        $ways = [];
        foreach ($bars as $n => $bar) {
            $next = $bars[$n + 1] ?? null;
            $minutes = $next === null ? 0 : $diaries->travel->between($bar['area'] ?? $diary->base, $next['area'] ?? $diary->base);
            if ($minutes > 0 && $next !== null && $next['from'] > $bar['to']) {
                $ways[] = ['from' => $bar['to'], 'to' => min($next['from'], $bar['to'] + $minutes), 'minutes' => $minutes];
            }
        }

        return ['key' => $diary->key, 'name' => $diary->name, 'base' => $diary->base, 'shut' => $this->shut($diaries, $diary, $frame), 'bars' => array_map(static function (array $bar): array {
            unset($bar['area']);

            return $bar;
        }, $bars), 'ways' => $ways, 'starts' => $service === null ? [] : $this->starts($diaries, $diary, $frame, $service, $free, $area)];
    }

    /** The turn of the call in which the caller agreed to the time; null where no call did, or the record has it no more. */
    private function agreed(Booking $booking, \DateTimeZone $tz): ?int
    {
        $start = (new \DateTimeImmutable('@'.$booking->starts_at))->setTimezone($tz)->format('Y-m-d\TH:i');
        foreach ($booking->call->record->cells ?? [] as $cell) {
            if ($cell['value'] === $start) {
                return $cell['turn'];
            }
        }

        return null;
    }

    /** @return list<array{from: int, to: int, why: string}> */
    private function shut(Diaries $diaries, Diary $diary, Frame $frame): array
    {
        if ($diaries->closures->has($frame->date) || $diary->off->has($frame->date)) {
            return [['from' => 0, 'to' => 1440, 'why' => $diary->off->has($frame->date) ? 'off' : 'closed']];
        }
        $shut = [];
        $from = 0;
        foreach (($diary->hours ?? $diaries->hours)->on($frame->weekday) as [$open, $close]) {
            $shut[] = ['from' => $from, 'to' => $open, 'why' => 'closed'];
            $from = $close;
        }
        $shut[] = ['from' => $from, 'to' => 1440, 'why' => 'closed'];
        foreach ($from === 0 ? [] : $diary->breaks->on($frame->weekday) as [$begins, $ends]) {
            $shut[] = ['from' => $begins, 'to' => $ends, 'why' => 'break'];
        }

        return array_values(array_filter($shut, static fn (array $one): bool => $one['to'] > $one['from']));
    }

    /** @return list<array{at: int, free: bool, why: string}> */
    private function starts(Diaries $diaries, Diary $diary, Frame $frame, Service $service, FreeTimes $free, ?string $area): array
    {
        if (! in_array($service->key, $diary->services, true)) {
            return [];
        }
        $starts = [];
        foreach (($diary->hours ?? $diaries->hours)->on($frame->weekday) as [$open, $close]) {
            for ($minute = $open; $minute + $service->minutes <= $close; $minute += $service->step) {
                $at = $frame->at($minute);
                $why = $at === null ? null : $free->why($service, $diary, $at, time(), $area);
                if ($at !== null) {
                    $starts[] = ['at' => $minute, 'free' => $why === null, 'why' => $why?->inWords() ?? 'free'];
                }
            }
        }

        return $starts;
    }
}
