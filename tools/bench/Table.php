<?php

declare(strict_types=1);

/** The table that ./ringo bench prints, a row at a time. */
final class Table
{
    /** Twice the work may cost so many times as much. */
    private const GROWTH = 2.2;

    /** @var list<string> */
    private array $over = [];

    /** @param int $calls how many calls are stored for the pages */
    public function __construct(public readonly int $calls)
    {
        $this->line('what', 'processor', 'wall', 'budget', '');
    }

    /** @param float $budget seconds of processor, INF for a row without one */
    public function row(string $what, Spent $spent, float $budget = INF): void
    {
        $this->line($what, self::time($spent->processor), self::time($spent->clock), is_finite($budget) ? '<= '.self::time($budget) : '', $this->held($what, $spent->processor <= $budget));
    }

    /** Twice the work against once. */
    public function growth(string $what, Spent $once, Spent $twice): void
    {
        $ratio = $twice->processor / max(1e-6, $once->processor);
        $this->line("  twice {$what}", sprintf('x %.2f', $ratio), sprintf('x %.2f', $twice->clock / max(1e-6, $once->clock)), sprintf('<= x %.1f', self::GROWTH), $this->held("twice {$what}", $ratio <= self::GROWTH));
    }

    /** A count or a size. */
    public function number(string $what, float $number, string $unit, float $budget): void
    {
        $this->line($what, sprintf('%.0f %s', $number, $unit), '', sprintf('<= %.0f %s', $budget, $unit), $this->held($what, $number <= $budget));
    }

    public function end(): int
    {
        echo $this->over === [] ? "\nAll within.\n" : "\nOver: ".implode('; ', array_map(trim(...), $this->over)).".\n";

        return $this->over === [] ? 0 : 1;
    }

    private function held(string $what, bool $held): string
    {
        if (! $held) {
            $this->over[] = $what;
        }

        return $held ? 'within' : 'OVER';
    }

    private function line(string ...$cells): void
    {
        vprintf("%-66s %12s %12s %14s   %s\n", $cells);
    }

    private static function time(float $seconds): string
    {
        return $seconds < 1 ? sprintf($seconds < 0.01 ? '%.2f ms' : '%.0f ms', $seconds * 1000) : sprintf('%.2f s', $seconds);
    }
}
