<?php

declare(strict_types=1);

namespace Ringo\Brief;

use Ringo\Diary\Week;

/** Writes a brief as a document that callers' questions are answered from. */
final readonly class BriefInWords
{
    private const DAYS = [1 => 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

    /** How far ahead days that are not as usual are named, days. */
    private const AHEAD = 366;

    /** @param string $today ISO 8601: from when on single days are named */
    public function markdown(Brief $brief, string $name, string $today): string
    {
        $parts = [];
        if (trim($brief->profile) !== '') {
            $parts[] = "# Who we are\n\n".trim($brief->profile);
        }
        foreach ($brief->sites as $site) {
            $parts[] = $this->site($site);
        }
        if ($brief->hours->given()) {
            $parts[] = "# Opening hours\n\n".implode("\n", $this->week($brief->hours->week, $name));
        }
        foreach ($brief->hours->seasons as $season) {
            $parts[] = "# {$season['name']}\n\nFrom {$this->monthDay($season['from'])} to {$this->monthDay($season['to'])} other hours hold.\n".implode("\n", $this->week($season['week'], $name, $season['name']));
        }
        $until = (new \DateTimeImmutable($today))->modify('+'.self::AHEAD.' days')->format('Y-m-d');
        $unusual = [];
        foreach ($brief->hours->unusual($today, $until) as $date => $day) {
            $unusual[] = $this->unusual((string) $date, $day);
        }
        if ($unusual !== []) {
            $parts[] = "# Holidays and closures\n\n".implode("\n", $unusual);
        }

        return implode("\n\n", $parts)."\n";
    }

    private function site(Site $site): string
    {
        $lines = [];
        if ($site->address !== '') {
            $lines[] = "{$site->name} is at {$site->address}.";
        }
        if ($site->phone !== '') {
            $lines[] = "The telephone number of {$site->name} is {$site->phone}.";
        }
        if ($site->area !== '') {
            $lines[] = "{$site->name} serves {$site->area}.";
        }

        return "# {$site->name}\n\n".implode("\n", [...$lines, ...$this->week($site->week, $site->name)]);
    }

    /**
     * @param string $season name of the season the week holds in, empty for the usual week
     *
     * @return list<string> a sentence a weekday, those it is closed on last
     */
    private function week(Week $week, string $who, string $season = ''): array
    {
        if ($week->toArray() === []) {
            return [];
        }
        $lead = $season === '' ? 'On' : "{$season}: on";
        $open = $closed = [];
        foreach (self::DAYS as $n => $name) {
            $spans = $week->on($n);
            $spans === [] ? $closed[] = "{$lead} {$name}s {$who} is closed." : $open[] = "{$lead} {$name}s {$who} is open from {$this->spans($spans)}.";
        }

        return [...$open, ...$closed];
    }

    /** @param list<array{int, int}> $spans */
    private function spans(array $spans): string
    {
        return implode(' and from ', array_map(fn (array $span): string => $this->clock($span[0]).' to '.$this->clock($span[1]), $spans));
    }

    private function unusual(string $date, OpenDay $day): string
    {
        $on = (new \DateTimeImmutable($date))->format('l j F Y');
        $why = $day->why === '' ? '' : " ({$day->why})";

        return $day->open === [] ? "We are closed on {$on}{$why}." : "On {$on}{$why} we are open from {$this->spans($day->open)}.";
    }

    private function clock(int $minutes): string
    {
        return $minutes === 1440 ? 'midnight' : (new \DateTimeImmutable('2000-01-01'))->setTime(intdiv($minutes, 60), $minutes % 60)->format($minutes % 60 === 0 ? 'g a' : 'g.i a');
    }

    private function monthDay(string $monthDay): string
    {
        return (new \DateTimeImmutable('2024-'.$monthDay))->format('j F');
    }
}
