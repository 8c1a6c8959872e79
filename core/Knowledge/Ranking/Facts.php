<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Knowledge\Clock;
use Ringo\Knowledge\Days;
use Ringo\Knowledge\Question;
use Ringo\Knowledge\Units\Kind;
use Ringo\Knowledge\Units\Unit;
use Ringo\Language\Vocabulary;

/** Days, months, hours, figures and the type of answer asked for: whether a unit has the right ones, the wrong ones or none. */
final class Facts
{
    private const TELEPHONE = '/\b0\d{2,4}[ \d]{5,9}\b|\b555-\d{4}\b|\b\d{3}-\d{4}\b/';

    /** How much it counts that a day is missing where no brother has it. */
    private const NO_DAY_NEAR = 0.4;

    /** @var array<string, array{list<int>, list<int>}> days and months by text */
    private array $calendar = [];

    /** @var array<string, true> groups of units of which one names the days asked about */
    private array $dated = [];

    /** @var array<string, list<int>> months by what they are called: 'low season' */
    private array $seasons = [];

    private readonly Wants $wants;

    private readonly Ranges $ranges;

    public function __construct(private readonly Vocabulary $words, private readonly Days $days)
    {
        $this->wants = new Wants($words);
        $this->ranges = new Ranges($words);
    }

    /**
     * What the question names of these, once a question.
     *
     * @return array<string, mixed>
     */
    public function asked(Question $question): array
    {
        $line = ' '.mb_strtolower($question->said).' ';

        return [
            'type' => $this->type($question, $line), 'minute' => Clock::meant($line), 'part' => Clock::part($line), 'numbers' => $question->numbers,
            'contact' => preg_match('/\b(?:ring|call|phone|telephone|dial|contact|number)\b/', $line) === 1 && preg_match('/\b(?:who|what number|which number|number|how do i|how can i|where do i)\b/', $line) === 1,
            'doing' => preg_match('/\bhow (?:do|can|should|would) (?:i|we|you)\b|\bwhat (?:do|should|must) (?:i|we)\b|\bwhat (?:happens|if)\b/', $line) === 1,
            'rate' => $this->rate($line), 'first' => preg_match('/\b(?:first|earliest|open|opens|start|starts|begin|begins)\b/', $line) === 1, 'last' => preg_match('/\b(?:last|latest|close|closes|shut|shuts|end|ends|finish|until|till|how late)\b/', $line) === 1,
            'cheap' => preg_match('/\b(?:cheapest|least|lowest|smallest|minimum)\b/', $line) === 1,
        ];
    }

    /**
     * @param array<string, mixed> $asked
     *
     * @return array<string, float>
     */
    public function of(Question $question, Unit $unit, array $asked): array
    {
        $own = $unit->lead.' '.$unit->text;
        $whole = $unit->isTabular() ? $own.' '.$unit->beside : $own;
        $value = $unit->kind === Kind::Cell ? $unit->text : $own;
        $pattern = $asked['type'] === null ? null : $this->words->section('knowledge', 'units')[$asked['type']];
        $typed = $pattern === null ? null : preg_match('~'.$pattern.'~iu', $value) === 1;
        $denies = preg_match("/\\b(?:not|no|never|cannot|can't|only|none|closed|nobody|neither|except|without)\\b/i", $own) === 1;
        $polar = $question->yesNo();

        return [
            'type_there' => $typed === true ? 1.0 : 0.0, 'type_missing' => $typed === false ? 1.0 : 0.0,
            'price_of_cell' => $typed === true && $asked['type'] === 'money' && $unit->kind === Kind::Cell ? 1.0 : 0.0,
            'value_of_clause' => $typed === true && $unit->kind === Kind::Clause ? 1.0 : 0.0,
            'telephone_wanted' => $asked['contact'] === true ? (preg_match(self::TELEPHONE, $own) === 1 ? 1.0 : -0.5) : 0.0,
            'telephone_unwanted' => $asked['contact'] === false && preg_match(self::TELEPHONE, $own) === 1 ? 1.0 : 0.0,
            'tells_how' => $asked['doing'] === true && preg_match('/^(?:if|when|please|ring|call|tell|ask|send|bring|use|contact|go|come|fill|write|email|first|to|take|put|book|order|report|show|leave)\b|\b(?:must|should|please|you can|you need|we ring|we will)\b/i', $unit->text) === 1 ? 1.0 : 0.0,
            'last_there' => $asked['last'] === true && preg_match('/\b(?:last|latest|until|till|closes?|closing|ends?|finish\w*|by|before)\b/i', $whole) === 1 ? 1.0 : 0.0, 'first_there' => $asked['first'] === true && preg_match('/\b(?:first|earliest|from|opens?|opening|starts?|begins?)\b/i', $whole) === 1 ? 1.0 : 0.0,
            'last_missing' => $asked['last'] === true && $asked['first'] === false && preg_match('/\b(?:first|earliest)\b/i', $whole) === 1 ? 1.0 : 0.0, 'least_there' => $asked['cheap'] === true && preg_match('/\b(?:basic|budget|standard|small|smallest|single|minimum|at least|from|starts?)\b/i', $whole) === 1 ? 1.0 : 0.0,
            'polar_denies' => $polar && $denies ? 1.0 : 0.0, 'polar_value_cell' => $polar && $unit->kind === Kind::Cell ? 1.0 : 0.0, 'open_denies' => ! $polar && $denies ? 1.0 : 0.0,
            'rate_right' => $asked['rate'] !== null && $this->rate($whole) === $asked['rate'] ? 1.0 : 0.0, 'rate_wrong' => $asked['rate'] !== null && ($rate = $this->rate($whole)) !== null && $rate !== $asked['rate'] ? 1.0 : 0.0,
        ] + $this->wants->of($question, $unit, $value) + $this->calendar($question, $unit, $whole) + $this->ranges->of($unit, $asked);
    }

    /**
     * What the business calls parts of the year: 'Low season is March, April and October.'
     *
     * @param list<Unit> $units
     */
    public function define(array $units): void
    {
        $this->seasons = [];
        foreach ($units as $unit) {
            foreach (preg_split('/[.;]\s+/', $unit->text) ?: [] as $part) {
                if (preg_match('/^(?:the )?((?:low|mid|middle|high|peak|off|winter|summer|main)[ -]?(?:season|time|term|rate)?|off-peak|winter|summer) (?:is|runs|means|goes|lasts|are)\b/i', $part, $m) === 1 && ($months = $this->days->months($part)) !== []) {
                    $this->seasons[mb_strtolower($m[1])] = $months;
                }
            }
        }
    }

    /** @return array<string, float> */
    private function calendar(Question $question, Unit $unit, string $text): array
    {
        $heading = $unit->passage->heading;
        [$days, $months] = $this->named($text);
        foreach ($question->months === [] || $months !== [] ? [] : $this->seasons as $season => $its) {
            $months = str_contains(mb_strtolower($text), $season) ? $its : $months;
        }
        [$headDays, $headMonths] = $this->named($heading);
        $days = $days === [] ? $headDays : $days;
        $months = $months === [] ? $headMonths : $months;
        $rate = static fn (array $asked, array $there): array => $asked === [] ? [0.0, 0.0, 0.0] : ($there === [] ? [0.0, 0.0, 1.0] : (array_diff($asked, $there) === [] ? [count($there) <= count($asked) + 1 ? 1.2 : 1.0, 0.0, 0.0] : [0.0, 1.0, 0.0]));
        [$right, $wrong, $missing] = $rate($question->days, $days);
        [$monthRight, $monthWrong, $monthMissing] = $rate($question->months, $months);
        // A row without a day is no worse for it where no other row has the day that was asked.
        $missing *= isset($this->dated[$unit->group]) ? 1.0 : self::NO_DAY_NEAR;

        return ['day_right' => $right, 'day_wrong' => $wrong, 'day_missing' => $missing, 'day_unasked' => $question->days === [] && $days !== [] ? 1.0 : 0.0, 'month_right' => $monthRight, 'month_wrong' => $monthWrong, 'month_missing' => $monthMissing];
    }

    /**
     * Looks at which groups of units name the days that are asked about.
     *
     * @param list<Unit> $units
     */
    public function date(Question $question, array $units): void
    {
        $this->dated = [];
        foreach ($question->days === [] ? [] : $units as $unit) {
            [$days] = $this->named($unit->lead.' '.$unit->text.($unit->isTabular() ? ' '.$unit->beside : ''));
            if ($days !== [] && array_diff($question->days, $days) === []) {
                $this->dated[$unit->group] = true;
            }
        }
    }

    /** @return array{list<int>, list<int>} */
    private function named(string $text): array
    {
        if (count($this->calendar) > 5000) {
            $this->calendar = [];
        }

        return $this->calendar[$text] ??= [$this->days->in($text), $this->days->months($text)];
    }

    /** 'A week', 'per month', 'yearly': the length a price is for. */
    private function rate(string $text): ?string
    {
        if (preg_match('/\b(?:per|an?|each|every|one|for the|the)\s(hour|day|night|week|month|year|person|head|mile)\b|\b(hour|dai|week|month|year|annual|night)ly\b|\bannual\b/i', $text, $m, PREG_UNMATCHED_AS_NULL) !== 1) {
            return null;
        }
        $rate = mb_strtolower($m[1] ?? $m[2] ?? 'year');

        return ['dai' => 'day', 'annual' => 'year', 'head' => 'person'][$rate] ?? $rate;
    }

    /** The kind of value that is asked for, by its name in the table of units. */
    private function type(Question $question, string $line): ?string
    {
        return match ($question->kind) {
            'price' => 'money', 'amount' => 'number', 'when' => 'time', 'clock' => 'clock', 'age' => 'age', 'howlong' => 'duration', 'howoften' => 'often', 'where' => 'place', 'number' => 'number',
            default => preg_match('/\b(?:price|cost|costs|charge|fee|fare|deposit|discount)\b/', $line) === 1 && ! $question->yesNo() ? 'money' : null,
        };
    }
}
