<?php

declare(strict_types=1);

namespace Ringo\Understanding\When\Days;

use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\When\Day;

/** Feasts and the days beside them: 'Christmas Eve', 'Good Friday', 'the Saturday after Easter'. */
final readonly class Feasts
{
    /** Words before a feast by which more than its one day is meant. */
    private const AROUND_A_FEAST = ['over', 'around', 'during', 'near', 'throughout'];

    /** On which side of a feast these name the day that is nearest to it. */
    private const NEAREST = ['last' => 'before', 'first' => 'after'];

    /** @var array<string, int> */
    private array $weekdays;

    public function __construct(private Vocabulary $words, private Years $years)
    {
        $this->weekdays = $words->section('calendar', 'weekdays');
    }

    /**
     * @param list<Token> $t
     *
     * @return array{Day, int}|null
     */
    public function feast(array $t, int $i): ?array
    {
        $easter = $this->words->phrases('calendar', 'easter')->at($t, $i);
        $feast = $easter === null ? $this->words->phrases('calendar', 'feasts')->at($t, $i) : null;
        // 'Over Christmas' is a time of the year, and no day of it.
        if ($easter === null && $feast === null || in_array($t[$i - 1]->text ?? '', self::AROUND_A_FEAST, true)) {
            return null;
        }
        $length = $easter[1] ?? $feast[1] ?? 0;
        [$year, $more] = $this->years->year($t, $i + $length, false);
        $day = $easter !== null
            ? new Day(easter: $easter[0], year: $year)
            : new Day(day: $feast[0][1], month: $feast[0][0], year: $year);

        return [$day, $length + $more];
    }

    /**
     * 'The Thursday before Easter', 'the first Saturday after Christmas'.
     *
     * @param list<Token> $t
     *
     * @return array{Day, int}|null
     */
    public function besideFeast(array $t, int $i, Context $context): ?array
    {
        $j = $i + ($t[$i]->text === 'the' ? 1 : 0);
        $nearest = self::NEAREST[$t[$j]->text ?? ''] ?? null;
        $j += $nearest === null ? 0 : 1;
        $weekday = $this->weekdays[$t[$j]->text ?? ''] ?? null;
        $side = $t[$j + 1]->text ?? '';
        if ($nearest !== null && $side !== $nearest) {
            return null;
        }
        if ($weekday === null || ! in_array($side, ['before', 'after'], true) || ! isset($t[$j + 2])) {
            return null;
        }
        $easter = $t[$j + 2]->text === 'easter';
        $turn = $this->feast($t, $j + 2) === null ? $this->words->phrases('calendar', 'turns')->at($t, $j + 2) : null;
        $feast = match (true) {
            $easter => [new Day(easter: 0), 1],
            $turn !== null => [new Day(day: $turn[0][1], month: $turn[0][0]), $turn[1]],
            default => $this->feast($t, $j + 2),
        };
        $date = $feast === null ? null : $feast[0]->resolve($context->now, $context->past);
        if ($feast === null || $date === null) {
            return null;
        }
        $step = $side === 'before' ? '-1 day' : '+1 day';
        do {
            $date = $date->modify($step) ?: $date;
        } while ((int) $date->format('N') !== $weekday);

        return [new Day(exact: $date), $j + 2 + $feast[1] - $i];
    }
}
