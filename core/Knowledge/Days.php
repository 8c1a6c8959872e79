<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\Vocabulary;

/** Which days of the week words speak of: 'Monday to Friday', 'weekends', 'every day'. */
final readonly class Days
{
    private string $name;

    /** @var array<string, int> */
    private array $days;

    public function __construct(Vocabulary $words)
    {
        /** @var array<string, int> $days */
        $days = $words->section('knowledge', 'days');
        $this->days = $days;
        $names = array_keys($days);
        usort($names, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));
        $this->name = '('.implode('|', $names).')(?:s|\'s)?\b';
    }

    /** @return list<int> ISO weekdays */
    public function in(string $text): array
    {
        $line = mb_strtolower(str_replace(['–', '—'], '-', $text));
        $found = [];
        if (preg_match('/\b(?:every day|daily|seven days|7 days|all week|each day|24\/7)\b/', $line) === 1) {
            $found = range(1, 7);
        }
        if (preg_match('/\bweekdays?\b|during the week/', $line) === 1) {
            $found = [...$found, 1, 2, 3, 4, 5];
        }
        if (preg_match('/\bweekends?\b/', $line) === 1) {
            $found = [...$found, 6, 7];
        }
        $line = (string) preg_replace_callback('/\b'.$this->name.'\s*(?:to|-|until|till|through)\s*'.$this->name.'/', function (array $m) use (&$found): string {
            for ($day = $this->days[$m[1]], $last = $this->days[$m[2]]; ; $day = $day % 7 + 1) {
                $found[] = $day;
                if ($day === $last) {
                    break;
                }
            }

            return ' ';
        }, $line);
        preg_match_all('/\b'.$this->name.'/', $line, $names);
        foreach ($names[1] as $name) {
            // 'Sat' is also a verb and 'sun' shines; written short they are days only beside a time or another day.
            if (strlen($name) > 3 || preg_match('/\d/', $line) === 1 && ! in_array($name, ['sun', 'sat', 'wed'], true) || count($names[1]) > 1 || preg_match('/\b'.$name.'\b\s*[:\d]/', $line) === 1) {
                $found[] = $this->days[$name];
            }
        }
        $found = array_values(array_unique($found));
        sort($found);

        return $found;
    }
}
