<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Models\BookableService;
use App\Models\Booking;
use App\Models\Business;
use App\Models\Diary;
use App\Models\DiaryBusy;
use Illuminate\Support\Carbon;
use Ringo\Brief\OpenDay;
use Ringo\Brief\OpeningHours;
use Ringo\Diary\Busy;
use Ringo\Diary\Diaries;

/** The diaries of a business as the core reads them, with all that is taken. */
final class DiariesOf
{
    /** How far back taken times still matter: yesterday's margins. */
    private const BACK = 172_800;

    /** What is further than this from a start has no say in whether it is free. */
    private const AROUND = 4 * 86_400;

    /**
     * @param bool $rehearsal whether bookings of rehearsals count as well
     * @param ?int $without call whose hold does not count
     * @param ?int $but booking that does not count: one that is being moved
     * @param ?int $around where only one start is asked for: what is taken within days of it, seconds since 1970
     * @param ?int $now from when on diaries are looked at, where it is not now: a rehearsal may be placed at any time
     */
    public function business(Business $business, bool $rehearsal = false, ?int $without = null, ?int $but = null, ?int $around = null, ?int $now = null): Diaries
    {
        return Diaries::fromArray($this->document($business))->withBusy($this->busy($business, $rehearsal, $without, $but, $around, $now));
    }

    /** @return array<string, list<Busy>> what is taken, by diary */
    public function busy(Business $business, bool $rehearsal = false, ?int $without = null, ?int $but = null, ?int $around = null, ?int $now = null): array
    {
        $keys = Diary::query()->where('business_id', $business->id)->pluck('key', 'id');
        $busy = [];
        $since = $around === null ? ($now ?? time()) - self::BACK : $around - self::AROUND;
        $until = $around === null ? PHP_INT_MAX : $around + self::AROUND;
        // Thousands of rows in a turn: read as they are, not made into models.
        foreach (Booking::standing()->toBase()->where('business_id', $business->id)->where('ends_at', '>', $since)->where('starts_at', '<', $until)->get(['id', 'diary_id', 'call_id', 'state', 'rehearsal', 'starts_at', 'ends_at', 'area', 'service', 'name', 'label']) as $one) {
            if ($one->rehearsal && ! $rehearsal || $one->state === 'held' && $one->call_id === $without && $without !== null || $one->id === $but || ! isset($keys[$one->diary_id])) {
                continue;
            }
            $busy[(string) $keys[$one->diary_id]][] = new Busy((int) $one->starts_at, (int) $one->ends_at, $one->area, $one->service, $one->name ?? $one->label);
        }
        foreach (DiaryBusy::query()->toBase()->whereIn('diary_id', $keys->keys())->where('ends_at', '>', $since)->where('starts_at', '<', $until)->get(['diary_id', 'starts_at', 'ends_at', 'what']) as $one) {
            $busy[(string) $keys[$one->diary_id]][] = new Busy((int) $one->starts_at, (int) $one->ends_at, null, null, $one->what);
        }

        return $busy;
    }

    /** Days ahead whose closures the brief tells: as far as anything is ever booked. */
    private const AHEAD = 400;

    /** @return array<string, mixed> a diaries file without busy times; what the diaries leave open, the brief says */
    public function document(Business $business): array
    {
        $own = $business->diary ?? [];
        $hours = $business->brief()->hours;
        $today = Carbon::now($business->tz);
        $apart = $hours->apart($today->format('Y-m-d'), $today->addDays(self::AHEAD)->format('Y-m-d'));
        $closed = array_keys(array_filter($apart, static fn (OpenDay $day): bool => $day->open === []));
        $days = [];
        if (($own['hours'] ?? []) === []) {
            $own['hours'] = $hours->week->toArray();
            $days = array_map(static fn (OpenDay $day): array => array_map(OpeningHours::written(...), $day->open), array_filter($apart, static fn (OpenDay $day): bool => $day->open !== []));
        }
        $written = $own['closures'] ?? [];
        $own['closures'] = [...$written, ...array_values(array_diff($closed, array_filter($written, is_string(...))))];

        return [
            'tz' => $business->tz, 'country' => $business->country, 'hours' => $own['hours'] ?? [], 'closures' => $own['closures'] ?? [],
            'services' => array_map(static fn (BookableService $one): array => ['key' => $one->key] + $one->document, array_values(BookableService::query()->where('business_id', $business->id)->get()->sortBy('id')->all())),
            'diaries' => array_map(static fn (Diary $one): array => ['key' => $one->key, 'name' => $one->name] + $one->document, array_values(Diary::query()->where('business_id', $business->id)->get()->sortBy('id')->all())),
        ] + ($days === [] ? [] : ['days' => $days]) + (isset($own['travel']) ? ['travel' => $own['travel']] : []) + ['share' => $own['share'] ?? 'first'];
    }
}
