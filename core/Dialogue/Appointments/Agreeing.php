<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Appointments;

use Ringo\Dialogue\Walk\Move;
use Ringo\Diary\FreeTimes;
use Ringo\Diary\Service;
use Ringo\Diary\Start;
use Ringo\Understanding\When\Wishes\Series;

/** Offers times, holds what is read back, and books it; all of a series or those that can be. Somebody quicker is told of. */
final readonly class Agreeing
{
    public function __construct(private Talk $talk, private Agreed $agreed, private WaitingList $waiting)
    {
    }

    /** @param bool $further others for the same wish, after those offered were refused: why there is nothing inside it was said */
    public function offer(Matter $matter, Service $service, bool $further = false): Move
    {
        $series = $matter->going()['series'];
        if ($series !== null && $series['times'] === null) {
            $matter->turn->standing('series_times', ['most' => (string) $matter->step->series], true);
            $matter->asked('times');

            return Move::stay();
        }
        $going = $matter->going();
        $matter->book->release($matter->turn->state->id);
        $offer = $matter->negotiation->offer($service, $matter->wish(), $matter->now(), $going['area'], $going['refused']);
        $this->talk->trace($matter->turn, $matter->step, $offer, $matter->diaries);
        if ($offer->starts === [] || $going['tries'] >= $matter->step->tries) {
            $offer->starts === [] && $matter->turn->standing('nothing_free');

            return $this->waiting->ask($matter);
        }
        $one = $offer->met && count($offer->starts) === 1 && $matter->series() === null ? $offer->starts[0] : null;
        // The one time there is is kept while it is offered: a yes books it.
        $held = $one !== null && $matter->book->hold($matter->turn->state->id, $service->key, [$one], $going['area']);
        $this->talk->offer($matter->turn, $matter->diaries, $offer, $service, $further);
        $matter->set(['pressed' => false, 'tries' => $going['tries'] + 1, 'offered' => array_map(static fn (Start $start): array => [$start->at, $start->diary], $offer->starts), 'held' => $held && $one !== null ? [$one->at, $one->diary] : null, 'all' => []]);
        $matter->asked('choice');

        return Move::stay();
    }

    /**
     * The earliest there is, whatever day was wished for; what is excluded stays out.
     *
     * @param non-empty-list<Start> $starts what the caller has heard
     */
    public function earliest(Matter $matter, Service $service, array $starts): Move
    {
        $wish = $matter->wish()->but(['days' => null, 'weekdays' => null, 'times' => null, 'half' => null, 'firstOfDay' => false, 'after' => null, 'before' => null, 'order' => 'earliest']);
        $first = $matter->negotiation->offer($service, $wish, $matter->now(), $matter->going()['area'])->starts[0] ?? null;
        if ($first === null || min(array_map(static fn (Start $start): int => $start->at, $starts)) <= $first->at) {
            $matter->turn->standing('earliest_is', ['it' => $this->talk->said($matter->turn, $matter->diaries, $first ?? $starts[0])]);

            return Move::again();
        }
        $matter->set(['wish' => $wish->toArray()]);

        return $this->offer($matter, $service);
    }

    /** The time is kept while it is read back. */
    public function hold(Matter $matter, Service $service, Start $start): Move
    {
        $series = $matter->series();
        if ($series !== null) {
            return $this->holdSeries($matter, $service, $start, $series);
        }
        if (! $matter->book->hold($matter->turn->state->id, $service->key, [$start], $matter->going()['area'])) {
            return $this->quicker($matter, $start);
        }
        $matter->turn->trace->rule("{$matter->step->key()}: holds ".$start->in($matter->diaries->tz)->format('Y-m-d H:i').' with '.$start->diary);
        $matter->turn->standing('read_booking', ['it' => $this->talk->start($matter->turn, $matter->diaries, $start, $service)], true);
        $matter->set(['held' => [$start->at, $start->diary], 'all' => []]);
        $matter->asked('choice');

        return Move::stay();
    }

    /** Books, or moves, what is held. */
    public function settle(Matter $matter, Service $service): Move
    {
        $going = $matter->going();
        $starts = array_map(static fn (array $one): Start => new Start($one[0], $one[1]), $going['all'] !== [] ? $going['all'] : [$going['held'] ?? throw new \LogicException('Nothing is held.')]);
        if ($going['reference'] !== null) {
            $moved = $matter->book->move($matter->turn->state->id, $going['reference'], $starts[0]);
            $booked = $moved === null ? null : [$moved];
        } else {
            $booked = $matter->book->book($matter->turn->state->id, $service->key, $starts, $matter->caller());
        }
        if ($booked === null) {
            return $this->quicker($matter, $starts[0]);
        }
        $series = $matter->series();
        count($booked) > 1 && $series !== null
            ? $this->talk->series($matter, 'booked_series', $starts, $series, $service)
            : $matter->turn->standing($going['reference'] === null ? 'booked' : 'moved', ['it' => $this->talk->start($matter->turn, $matter->diaries, $starts[0], $service)]);
        $this->agreed->keep($matter->turn, $matter->step, $booked, $matter->diaries);
        $matter->over();

        return Move::on($matter->step->next);
    }

    /** All that are free are kept; those that are not are said, with what stands against them. */
    private function holdSeries(Matter $matter, Service $service, Start $first, Series $series): Move
    {
        $free = new FreeTimes($matter->diaries);
        $with = $matter->wish()->with;
        $good = [];
        $clash = [];
        foreach ($series->from($first->at, $matter->diaries->tz) as $at) {
            $why = null;
            // The one of the first, wherever he can.
            $diaries = array_filter($matter->diaries->taking($service), static fn ($one): bool => $with === null || $one->key === $with);
            usort($diaries, static fn ($a, $b): int => ($b->key === $first->diary) <=> ($a->key === $first->diary));
            foreach ($diaries as $diary) {
                $stands = $free->why($service, $diary, $at, $matter->now(), $matter->going()['area']);
                if ($stands === null) {
                    $good[] = new Start($at, $diary->key);

                    continue 2;
                }
                $why ??= $stands;
            }
            $clash[] = [$at, $why->value ?? 'busy'];
        }
        if ($good === [] || $good[0]->at !== $first->at || ! $matter->book->hold($matter->turn->state->id, $service->key, $good, $matter->going()['area'])) {
            return $this->quicker($matter, $first);
        }
        $matter->turn->trace->rule("{$matter->step->key()}: holds ".count($good).' of a series of '.$series->times.($clash === [] ? '' : ', not '.implode(', ', array_map(static fn (array $one): string => (new Start($one[0], ''))->in($matter->diaries->tz)->format('Y-m-d').' ('.$one[1].')', $clash))));
        $clash === [] ? $this->talk->series($matter, 'read_series', $good, $series, $service) : $this->talk->clash($matter, $good, $clash, $series, $service);
        $matter->set(['held' => [$first->at, $first->diary], 'all' => array_map(static fn (Start $one): array => [$one->at, $one->diary], $good)]);
        $matter->asked('choice');

        return Move::stay();
    }

    /** Somebody else has it: that is said, and the nearest are offered. */
    private function quicker(Matter $matter, Start $start): Move
    {
        $matter->turn->trace->rule("{$matter->step->key()}: somebody was quicker");
        $matter->turn->standing('booking_taken');
        $matter->set(['held' => null, 'all' => [], 'refused' => [...$matter->going()['refused'], $start->at]]);
        $now = $matter->again();
        $service = $now->service();

        return $service === null ? Move::to($matter->step->none) : $this->offer($now, $service);
    }
}
