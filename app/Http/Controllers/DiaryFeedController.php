<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Diary\CalendarFile;
use App\Models\Diary;
use Illuminate\Http\Response;

/** A diary to subscribe to, by an address nobody guesses. */
final class DiaryFeedController
{
    public function __invoke(string $feed, CalendarFile $files): Response
    {
        $diary = Diary::query()->where('feed', $feed)->firstOrFail();

        return response($files->of($diary), 200, ['Content-Type' => 'text/calendar; charset=utf-8', 'Content-Disposition' => "inline; filename=\"{$diary->key}.ics\"", 'Cache-Control' => 'private, max-age=60']);
    }
}
