<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Appointments;

use Ringo\Dialogue\Ports\Booked;
use Ringo\Dialogue\Turn;
use Ringo\Diary\Diaries;
use Ringo\Diary\Diary;
use Ringo\Diary\Offer;
use Ringo\Diary\Place;
use Ringo\Diary\Reason;
use Ringo\Diary\Service;
use Ringo\Diary\Start;
use Ringo\Script\Steps\Book\BookStep;
use Ringo\Understanding\When\Wishes\Series;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** Times as an agent says them, and what the trace tells of an offer. */
final readonly class Talk
{
    /** Times of one day that are said in one go. */
    private const WINDOWS_TOLD = 3;

    public function offer(Turn $turn, Diaries $diaries, Offer $offer, Service $service, bool $further = false): void
    {
        $offers = $this->listed($turn, $diaries, $offer->starts);
        if ($offer->met) {
            count($offer->starts) === 1 ? $turn->standing('offer_one', ['it' => $this->start($turn, $diaries, $offer->starts[0], $service)], true) : $turn->standing('offer', ['offers' => $offers], true);

            return;
        }
        if ($further) {
            $turn->standing('offer_further', ['offers' => $offers], true);

            return;
        }
        $turn->standing('offer_nearest', ['why' => $turn->phrase('why_'.$this->why($offer->reason, $diaries, $service)), 'offers' => $offers], true);
    }

    /**
     * Who would come, and which of them is meant: what callers ask back before they choose.
     *
     * @param list<Start> $starts
     */
    public function with(Turn $turn, Diaries $diaries, array $starts): void
    {
        $names = array_values(array_unique(array_map(static fn (Start $start): string => $diaries->diaries[$start->diary]->name ?? $start->diary, $starts)));
        $turn->standing('offer_with', ['names' => $turn->listed($names)]);
    }

    /** @param list<Start> $starts */
    public function which(Turn $turn, Diaries $diaries, array $starts): void
    {
        $turn->standing('offer_which', ['offers' => $this->listed($turn, $diaries, $starts)], true);
    }

    /**
     * A series that is read back or stands booked.
     *
     * @param non-empty-list<Start> $starts
     */
    public function series(Matter $matter, string $words, array $starts, Series $series, Service $service): void
    {
        $matter->turn->standing($words, ['it' => $this->start($matter->turn, $matter->diaries, $starts[0], $service), 'rhythm' => $this->rhythm($matter->turn, $series), 'times' => (string) count($starts), 'last' => $this->day($matter->turn, $matter->diaries, $starts[count($starts) - 1]->at)], $words === 'read_series');
    }

    /**
     * Which of a series cannot be, and why.
     *
     * @param non-empty-list<Start> $good
     * @param non-empty-list<array{int, string}> $clash moment and reason
     */
    public function clash(Matter $matter, array $good, array $clash, Series $series, Service $service): void
    {
        $not = [];
        foreach ($clash as [$at, $why]) {
            $not[$why][] = $this->day($matter->turn, $matter->diaries, $at);
        }
        $told = [];
        foreach ($not as $why => $days) {
            $told[] = $matter->turn->listed($days, 'and').', '.$matter->turn->phrase('why_'.$why);
        }
        $matter->turn->standing('series_clash', ['it' => $this->start($matter->turn, $matter->diaries, $good[0], $service), 'rhythm' => $this->rhythm($matter->turn, $series), 'not' => implode('; ', $told), 'left' => (string) count($good)], true);
    }

    private function rhythm(Turn $turn, Series $series): string
    {
        $unit = $series->unit === Series::WEEKS ? 'weeks' : 'months';

        return $series->every <= 2 ? $turn->phrase("every_{$series->every}_{$unit}") : $turn->phrase("every_n_{$unit}", ['n' => (string) $series->every]);
    }

    private function day(Turn $turn, Diaries $diaries, int $at): string
    {
        return $turn->sayTyped(new Typed(ValueType::Date, (new Start($at, ''))->in($diaries->tz)->format('Y-m-d')));
    }

    /** A time with whom it would be with, where somebody could mind. */
    /** Where all who do it keep hours of their own, it is they who are not in, and not the business that is closed. */
    private function why(?Reason $reason, Diaries $diaries, Service $service): string
    {
        $own = array_filter($diaries->taking($service), static fn (Diary $diary): bool => $diary->hours === null) === [];

        return $own && in_array($reason, [Reason::Closed, Reason::Closure], true) ? 'away' : $reason->value ?? 'busy';
    }

    public function start(Turn $turn, Diaries $diaries, Start $start, Service $service): string
    {
        $people = count(array_filter($diaries->taking($service), static fn ($diary): bool => $diary->name !== $diary->key)) > 1;

        return $service->label.', '.$this->said($turn, $diaries, $start).($people && $service->place !== Place::Phone ? ', with '.$diaries->diaries[$start->diary]->name : '');
    }

    public function booking(Turn $turn, Diaries $diaries, Booked $booked): string
    {
        return $booked->label.', '.$this->said($turn, $diaries, $booked->start);
    }

    /** Where a visit is: an area of the roads that stands in what the field holds, else its postcode district. */
    public function area(Turn $turn, BookStep $step, Diaries $diaries): ?string
    {
        $value = $step->areaField === null ? null : ($turn->state->values[$step->areaField] ?? null)?->value;
        if (! is_string($value) || $value === '') {
            return null;
        }
        foreach ($diaries->travel->areas() as $area) {
            if (str_contains(mb_strtolower($value), $area) || mb_strtolower(str_replace('_', ' ', $value)) === $area) {
                return $area;
            }
        }

        return preg_match('/\b([a-z]{1,2}\d[a-z\d]?)\s*\d[a-z]{2}\b/i', $value, $m) === 1 ? mb_strtolower($m[1]) : $value;
    }

    public function trace(Turn $turn, BookStep $step, Offer $offer, Diaries $diaries): void
    {
        $windows = implode(', ', array_map(static fn (array $one): string => str_replace('T', ' ', $one[0]).' to '.substr($one[1], 11), array_slice($offer->windows, 0, self::WINDOWS_TOLD)));
        $turn->trace->rule("{$step->key()}: wished for ".($windows === '' ? 'no day that can be booked' : $windows).'; '.($offer->met ? 'offers ' : "nothing there ({$offer->why}), nearest ").implode(', ', array_map(static fn (Start $start): string => $start->in($diaries->tz)->format('D j M H:i').' '.$start->diary, $offer->starts)));
    }

    /**
     * Several times; those of one day share it and stand before it, so that no time is taken for the next day's: 'nine or half past two on
     * Tuesday the tenth, or ten on Wednesday the eleventh'.
     *
     * @param list<Start> $starts
     */
    private function listed(Turn $turn, Diaries $diaries, array $starts): string
    {
        $days = [];
        foreach ($starts as $start) {
            $days[$start->in($diaries->tz)->format('Y-m-d')][] = $start;
        }
        $parts = [];
        foreach ($days as $ofDay) {
            $last = array_pop($ofDay);
            $parts[] = $turn->listed([
                ...array_map(static fn (Start $start): string => $turn->sayTyped(new Typed(ValueType::Time, $start->in($diaries->tz)->format('H:i'))), $ofDay),
                $this->said($turn, $diaries, $last),
            ]);
        }
        // Where a day has several times, a comma parts the days: 'or' alone would join them to the wrong one.
        $or = count($parts) < count($starts) && count($parts) > 1 ? array_pop($parts) : null;

        return $turn->listed($parts).($or === null ? '' : ','.$turn->listed(['', $or]));
    }

    public function said(Turn $turn, Diaries $diaries, Start $start): string
    {
        return $turn->sayTyped(new Typed(ValueType::DateTime, $start->in($diaries->tz)->format('Y-m-d\TH:i')));
    }
}
