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

    /** @return list<int> months, 1 to 12, that words speak of: 'from June to September', 'in August' */
    public function months(string $text): array
    {
        $names = ['january' => 1, 'february' => 2, 'march' => 3, 'april' => 4, 'may' => 5, 'june' => 6, 'july' => 7, 'august' => 8, 'september' => 9, 'october' => 10, 'november' => 11, 'december' => 12];
        $name = '('.implode('|', array_keys($names)).')';
        $line = mb_strtolower(str_replace(['–', '—'], '-', $text));
        $found = [];
        $line = (string) preg_replace_callback('/\b'.$name.'\b(?:\s+\d{1,2}(?:st|nd|rd|th)?)?\s*(?:to|-|until|till|through|and the end of)\s*(?:the\s+)?(?:end of\s+)?(?:\d{1,2}(?:st|nd|rd|th)?\s+)?'.$name.'\b/', static function (array $m) use (&$found, $names): string {
            for ($month = $names[$m[1]], $last = $names[$m[2]]; ; $month = $month % 12 + 1) {
                $found[] = $month;
                if ($month === $last) {
                    break;
                }
            }

            return ' ';
        }, $line);
        preg_match_all('/\b'.$name.'\b/', $line, $each);
        foreach ($each[1] as $one) {
            // 'May' and 'march' are verbs more often than months.
            if (! in_array($one, ['may', 'march'], true) || preg_match('/\b(?:in|of|until|from|since|by|during|early|late|mid|to|and|or|,|\d(?:st|nd|rd|th)?)\s+'.$one.'\b|\b'.$one.'\s+\d|\b'.$one.',/', $line) === 1) {
                $found[] = $names[$one];
            }
        }
        $found = array_values(array_unique($found));
        sort($found);

        return $found;
    }

    /** @return list<int> ISO weekdays */
    public function in(string $text): array
    {
        $line = mb_strtolower(str_replace(['–', '—'], '-', $text));
        $found = [];
        if (preg_match('/\b(?:every day|daily|seven days|7 days|all week|each day|24\/7)\b/', $line) === 1) {
            $found = range(1, 7);
        }
        if (preg_match('/\b(?:week|mid-?week ?)days?\b|\bmid-?week\b|\b(?:during|in|through) the week\b/', $line) === 1) {
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
            if (strlen($name) > 3 || preg_match('/\d/', $line) === 1 && ! in_array($name, ['sun', 'sat', 'wed'], true) || count($names[1]) > 1 && array_diff($names[1], ['sun', 'sat', 'wed']) !== [] || preg_match('/\b'.$name.'\b\s*[:\d]/', $line) === 1) {
                $found[] = $this->days[$name];
            }
        }
        $found = array_values(array_unique($found));
        sort($found);

        return $found;
    }
}
