<?php

declare(strict_types=1);

namespace App\Actions\Diary;

use App\Gateways\Web\AllowedHosts;
use App\Models\Business;
use App\Models\Diary;

/** Busy times from the calendar somebody keeps elsewhere: fetched again and again; where it fails, the last good state stays. */
final readonly class FetchCalendar
{
    private const EVERY_MINUTES = 15;

    public function __construct(private AllowedHosts $web, private CalendarFile $files)
    {
    }

    /** @return int how many calendars were due and were tried */
    public function due(): int
    {
        $due = Diary::query()->whereNotNull('calendar_url')->where(static fn ($q) => $q->whereNull('calendar_tried_at')->orWhere('calendar_tried_at', '<', now()->subMinutes(self::EVERY_MINUTES)))->get();
        /** @var Diary $diary */
        foreach ($due as $diary) {
            $this->one($diary);
        }

        return $due->count();
    }

    /** @return bool whether it came in; `calendar_problem` says why not, or what of it was left out */
    public function one(Diary $diary): bool
    {
        $business = Business::query()->findOrFail($diary->business_id);
        $diary->update(['calendar_tried_at' => now()]);
        try {
            $brought = $this->files->bring($diary, $this->web->read($business->knowledge_hosts ?? [], (string) $diary->calendar_url), new \DateTimeZone($business->tz));
        } catch (\DomainException $problem) {
            $diary->update(['calendar_problem' => mb_substr($problem->getMessage(), 0, 250)]);

            return false;
        }
        $diary->update(['calendar_at' => now(), 'calendar_problem' => $brought['problems'] === [] ? '' : mb_substr('Left out: '.implode('; ', $brought['problems']), 0, 250)]);

        return true;
    }
}
