<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Business;
use App\Models\Call;
use App\Models\Line;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Ringo\Brief\OpeningHours;
use Ringo\Line\Answering;
use Ringo\Line\InWords;
use Ringo\Line\Line as Design;
use Ringo\Line\Stretch;

/** What the page of a line shows: its week as stretches to draw, and the calls that came in each hour of the day. */
final readonly class LinePage
{
    /** Weeks whose calls are counted by hour. */
    public const WEEKS = 4;

    public const DAYS = [1 => 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

    /**
     * A usual week, drawn.
     *
     * @return array<int, list<array{from: int, to: int, who: string, words: string, full: string, first: string, then: string}>> by ISO weekday
     */
    public function week(Design $line, OpeningHours $hours, InWords $words): array
    {
        $week = [];
        foreach (self::DAYS as $weekday => $name) {
            $week[$weekday] = array_map(static function (Stretch $one) use ($line, $words, $name): array {
                $answer = $one->answer;
                $agent = $words->agent($answer->agent ?? $line->agent);
                $opening = $answer->opening === null ? '' : ', '.str_replace('_', ' ', $answer->opening);

                return [
                    'from' => $one->from, 'to' => $one->to, 'who' => $answer->who->value, 'words' => $words->answer($answer, $line),
                    'full' => $name.' '.Answering::clock($one->from).' to '.Answering::clock($one->to).': '.$words->answer($answer, $line),
                    'first' => $answer->who->rings() ? $words->to((string) $answer->target).", {$answer->seconds} s" : '',
                    'then' => match ($answer->who->value) {
                        'agent' => $agent.$opening, 'staff_first' => 'then '.$agent.$opening, 'staff' => 'else rings out', 'forward' => 'on to '.$words->to((string) $answer->target), default => 'nobody',
                    },
                ];
            }, $line->answering->usual($weekday, $hours));
        }

        return $week;
    }

    /** @return array<int, int> calls by hour of the day over the last weeks */
    public function hours(Business $business, Line $line): array
    {
        $hours = array_fill(0, 24, 0);
        $rows = Call::query()->toBase()->where('line_id', $line->id)->where('kind', '!=', 'rehearsal')->where('started_at', '>=', now()->subWeeks(self::WEEKS))
            ->selectRaw('substr(cast(started_at as varchar(19)), 1, 13) as hour, count(*) as n')->groupBy(DB::raw('substr(cast(started_at as varchar(19)), 1, 13)'))->get();
        foreach ($rows as $row) {
            $hours[(int) Carbon::parse($row->hour.':00', 'UTC')->setTimezone($business->tz)->format('G')] += (int) $row->n;
        }

        return $hours;
    }
}
