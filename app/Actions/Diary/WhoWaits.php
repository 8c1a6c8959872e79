<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\Business;
use App\Models\Waiting;
use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
use Ringo\Diary\Start;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\When\Wishes\Wish;

/** Who waits for a time, each with the times that are free inside the wish by now. */
final readonly class WhoWaits
{
    /** Shown at once; who waits longest stands first. */
    private const MOST = 40;

    /** @return list<array{waiting: Waiting, label: string, free: list<array{start: Start, words: string}>}> */
    public function in(Business $business, Diaries $diaries, bool $rehearsals): array
    {
        $negotiation = new Negotiation($diaries, Vocabulary::of());
        $list = [];
        /** @var list<Waiting> $waiting */
        $waiting = Waiting::query()->with('call')->where('business_id', $business->id)->where('state', Waiting::WAITING)->when(! $rehearsals, static fn ($q) => $q->where('rehearsal', false))->orderBy('id')->limit(self::MOST)->get()->all();
        foreach ($waiting as $one) {
            $service = $diaries->services[$one->service] ?? null;
            // What was only rehearsed is shown, and never booked.
            $offer = $service === null || $one->rehearsal ? null : $negotiation->offer($service, Wish::fromArray($one->wish), time(), $one->area);
            $list[] = ['waiting' => $one, 'label' => $service->label ?? $one->service, 'free' => array_map(static fn (Start $start): array => ['start' => $start, 'words' => $start->in($diaries->tz)->format('D j M, H:i').', '.explode(' ', $diaries->diaries[$start->diary]->name ?? $start->diary)[0]], $offer !== null && $offer->met ? $offer->starts : [])];
        }

        return $list;
    }
}
