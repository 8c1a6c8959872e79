<?php

declare(strict_types=1);

namespace Ringo\Brief;

/** Reads opening hours as pages write them: “Mon–Fri 8am–5.30pm”, “Mo-Fr 08:00-17:00”, “Saturday 9 to 12”, “Sundays closed”. */
final readonly class WrittenHours
{
    private const DAYS = ['mo' => 'mon', 'tu' => 'tue', 'we' => 'wed', 'th' => 'thu', 'fr' => 'fri', 'sa' => 'sat', 'su' => 'sun'];

    private const DAY = '(mo(?:n(?:days?)?)?|tu(?:e(?:s(?:days?)?)?)?|we(?:d(?:nesdays?)?)?|th(?:u(?:r(?:s(?:days?)?)?)?)?|fr(?:i(?:days?)?)?|sa(?:t(?:urdays?)?)?|su(?:n(?:days?)?)?)\b\.?';

    private const CLOCK = '(\d{1,2})(?:[:.](\d\d))?\s*([ap]\.?m\.?)?';

    /** An afternoon hour written without its ‘pm’: what closes before it opens closes after noon. */
    private const HALF_DAY = 720;

    /** @return array<string, list<string>> as a week is written, `{"mon": ["08:00-17:00"]}`; empty where nothing was understood */
    public function week(string $text): array
    {
        $text = mb_strtolower((string) preg_replace(['/[–—−]/u', '/\s+/u', '/\bnoon\b/iu', '/\bmidnight\b/iu', '/\b(?:daily|every day|seven days a week|7 days(?: a week)?)\b/iu', '/\bweekdays\b/iu', '/\bweekends\b/iu'], ['-', ' ', '12:00', '24:00', 'mon-sun', 'mon-fri', 'sat-sun'], $text));
        $days = self::DAY.'(?:\s*(?:-|to|until|through)\s*'.self::DAY.')?(?:\s*(?:,|and|&)\s*'.self::DAY.')*';
        $span = self::CLOCK.'\s*(?:-|to|until|till)\s*'.self::CLOCK;
        preg_match_all('~(?<days>(?:^|(?<=[^\\pL]))(?:'.str_replace('(mo', '(?:mo', $days).'))[\s:,]*(?<hours>closed|(?:(?:from\s*)?'.preg_replace('/\((?!\?)/', '(?:', $span).'(?:\s*(?:,|and|&|/)\s*)?)+)~u', $text, $found, PREG_SET_ORDER);
        $week = [];
        foreach ($found as $one) {
            $spans = $one['hours'] === 'closed' ? [] : $this->spans($one['hours'], "~{$span}~u");
            foreach ($this->named($one['days']) as $day) {
                if ($spans !== []) {
                    $week[$day] = [...$week[$day] ?? [], ...$spans];
                }
            }
        }
        $order = array_values(self::DAYS);
        uksort($week, static fn (string $a, string $b): int => array_search($a, $order, true) <=> array_search($b, $order, true));

        return array_map(static function (array $spans): array {
            $spans = array_values(array_unique($spans));
            sort($spans);

            return $spans;
        }, $week);
    }

    /** @return list<string> */
    private function named(string $text): array
    {
        preg_match_all('~'.self::DAY.'(\s*(?:-|to|until|through)\s*'.self::DAY.')?~u', $text, $found, PREG_SET_ORDER);
        $order = array_values(self::DAYS);
        $days = [];
        foreach ($found as $one) {
            $from = (int) array_search(self::DAYS[substr($one[1], 0, 2)], $order, true);
            $to = isset($one[3]) && $one[3] !== '' ? (int) array_search(self::DAYS[substr($one[3], 0, 2)], $order, true) : $from;
            for ($n = $from; $n !== $to; $n = ($n + 1) % 7) {
                $days[] = $order[$n];
            }
            $days[] = $order[$to];
        }

        return array_values(array_unique($days));
    }

    /** @return list<string> */
    private function spans(string $text, string $pattern): array
    {
        preg_match_all($pattern, $text, $found, PREG_SET_ORDER);
        $spans = [];
        foreach ($found as $one) {
            $from = $this->minutes((int) $one[1], (int) ($one[2] ?: 0), $one[3] ?? '');
            $to = $this->minutes((int) $one[4], (int) (($one[5] ?? '') ?: 0), $one[6] ?? '');
            if ($from === null || $to === null) {
                continue;
            }
            if ($to <= $from && ($one[6] ?? '') === '' && $to + self::HALF_DAY > $from && $to < self::HALF_DAY) {
                $to += self::HALF_DAY;
            }
            // ‘1–5 pm’: the half of the day is written once.
            if (($one[3] ?? '') === '' && str_starts_with($one[6] ?? '', 'p') && $from + self::HALF_DAY < $to && $from < 7 * 60) {
                $from += self::HALF_DAY;
            }
            if ($from < $to) {
                $spans[] = OpeningHours::written([$from, $to]);
            }
        }

        return $spans;
    }

    private function minutes(int $hour, int $minute, string $half): ?int
    {
        if ($hour > 24 || $minute > 59 || $hour === 24 && $minute > 0) {
            return null;
        }
        $hour = match (true) {
            $half !== '' && $half[0] === 'p' && $hour < 12 => $hour + 12,
            $half !== '' && $half[0] === 'a' && $hour === 12 => 0,
            default => $hour,
        };

        return 60 * $hour + $minute;
    }
}
