<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Dialogue\Trace;
use Ringo\Figures\Traffic;
use Ringo\Statistics\Share;

/** What a crowd found, added up caller by caller in constant memory. */
final class Report
{
    private int $callers = 0;

    private int $achieved = 0;

    /** @var array{right: int, wrong: int, missing: int} */
    private array $fields = ['right' => 0, 'wrong' => 0, 'missing' => 0];

    private int $turns = 0;

    private float $seconds = 0.0;

    private int $repeats = 0;

    /** @var array<string, int> */
    private array $outcomes = [];

    /** @var array<string, array{callers: int, achieved: int, turns: int, repeats: int}> */
    private array $tempers = [];

    /** @var array<string, array{callers: int, achieved: int, turns: int, repeats: int}> by what they ring on */
    private array $lines = [];

    private Traffic $traffic;

    /** @var array<string, array{step: string, cause: string, count: int, call: int}> */
    private array $failures = [];

    /** @var array<int, bool> who achieved what they came for, for comparisons */
    public array $by = [];

    public function __construct()
    {
        $this->traffic = new Traffic;
    }

    /** @return array<string, mixed> all that it has summed up, to go on from */
    public function sums(): array
    {
        return ['callers' => $this->callers, 'achieved' => $this->achieved, 'fields' => $this->fields, 'turns' => $this->turns, 'seconds' => round($this->seconds, 3), 'repeats' => $this->repeats, 'outcomes' => $this->outcomes, 'tempers' => $this->tempers, 'lines' => $this->lines, 'traffic' => $this->traffic->toArray(), 'failures' => $this->failures, 'by' => array_map(intval(...), $this->by)];
    }

    /** @param array<string, mixed> $sums as sums() gave them */
    public static function goingOn(array $sums): self
    {
        $report = new self;
        foreach (['callers', 'achieved', 'fields', 'turns', 'repeats', 'outcomes', 'tempers', 'failures'] as $name) {
            $report->{$name} = $sums[$name];
        }
        $report->lines = $sums['lines'] ?? [];
        $report->traffic = Traffic::goingOn($sums['traffic'] ?? []);
        $report->seconds = (float) $sums['seconds'];
        $report->by = array_map(boolval(...), $sums['by']);

        return $report;
    }

    public function add(Walked $walked): void
    {
        $this->callers++;
        $this->achieved += $walked->achieved ? 1 : 0;
        foreach ($walked->fields as $how) {
            $this->fields[$how === 'right' ? 'right' : ($how === 'wrong' ? 'wrong' : 'missing')]++;
        }
        $this->turns += $walked->turns;
        $this->seconds += $walked->seconds;
        $this->repeats += $walked->repeats;
        $this->outcomes[$walked->outcome] = ($this->outcomes[$walked->outcome] ?? 0) + 1;
        $this->slice($this->tempers, $walked->who->temper->value, $walked);
        $this->slice($this->lines, $walked->who->line->value, $walked);
        $this->traffic->add(array_merge(...array_map(static fn (Trace $trace): array => $trace->steps, $walked->call->traces)));
        foreach ($walked->failures as $failure) {
            $key = $failure['step'].'|'.$failure['cause'];
            $this->failures[$key] ??= [...$failure, 'count' => 0, 'call' => $walked->who->n];
            $this->failures[$key]['count']++;
        }
        $this->by[$walked->who->n] = $walked->achieved;
    }

    /** @param array<string, array{callers: int, achieved: int, turns: int, repeats: int}> $slices */
    private function slice(array &$slices, string $name, Walked $walked): void
    {
        $one = $slices[$name] ?? ['callers' => 0, 'achieved' => 0, 'turns' => 0, 'repeats' => 0];
        $slices[$name] = ['callers' => $one['callers'] + 1, 'achieved' => $one['achieved'] + ($walked->achieved ? 1 : 0), 'turns' => $one['turns'] + $walked->turns, 'repeats' => $one['repeats'] + $walked->repeats];
    }

    /** How the calls went through the script. */
    public function traffic(): Traffic
    {
        return $this->traffic;
    }

    /** @return array<string, mixed> shares with their 95 % intervals; turns, seconds and repeats a call */
    public function toArray(): array
    {
        $n = max(1, $this->callers);
        $failures = array_values($this->failures);
        usort($failures, static fn (array $a, array $b): int => [$b['count'], $a['step'], $a['cause']] <=> [$a['count'], $b['step'], $b['cause']]);
        arsort($this->outcomes);
        ksort($this->tempers);
        $told = static fn (array $slices): array => array_map(static fn (array $one): array => ['callers' => $one['callers'], 'achieved' => $one['achieved'], 'turns' => round($one['turns'] / $one['callers'], 2), 'repeats' => round($one['repeats'] / $one['callers'], 2)], $slices);

        return [
            'callers' => $this->callers,
            'achieved' => $this->achieved,
            'achieved_share' => round($this->achieved / $n, 4),
            'achieved_interval' => Share::interval($this->achieved, $this->callers),
            'fields' => $this->fields,
            'turns' => round($this->turns / $n, 2),
            'seconds' => round($this->seconds / $n, 1),
            'repeats' => round($this->repeats / $n, 3),
            'outcomes' => $this->outcomes,
            'by_temper' => $told($this->tempers),
            'by_line' => $told(array_replace(array_intersect_key(['clean' => [], 'usual' => [], 'bad' => []], $this->lines), $this->lines)),
            'failures' => $failures,
        ];
    }
}
