<?php

declare(strict_types=1);

/** What some work took: seconds of processor and of the clock, and what it gave. */
final readonly class Spent
{
    public function __construct(public float $processor, public float $clock, public mixed $gave = null)
    {
    }

    public static function on(callable $work): self
    {
        $clock = hrtime(true);
        $processor = self::used();
        $gave = $work();

        return new self(self::used() - $processor, (hrtime(true) - $clock) / 1e9, $gave);
    }

    /**
     * Each of several pieces of work by itself; their 95th percentile, by processor time or by the clock.
     *
     * @param iterable<callable> $pieces
     * @param 'processor'|'clock' $by
     */
    public static function p95(iterable $pieces, string $by = 'processor'): self
    {
        $each = [];
        foreach ($pieces as $piece) {
            $each[] = self::on($piece);
        }
        usort($each, static fn (self $a, self $b): int => $a->{$by} <=> $b->{$by});
        $at = $each[(int) (count($each) * 0.95)];

        return new self($at->processor, $at->clock, count($each));
    }

    /**
     * A part in a process of its own, with the settings that pages are served with, which prints JSON.
     *
     * @return array<string, mixed>
     */
    public static function apart(string $part, string ...$arguments): array
    {
        return self::process([], $part, $arguments);
    }

    /**
     * The same with the settings the queue runs with.
     *
     * @return array<string, mixed>
     */
    public static function queued(string $part, string ...$arguments): array
    {
        return self::process(['-d', 'opcache.jit=tracing', '-d', 'opcache.jit_buffer_size=64M'], $part, $arguments);
    }

    /**
     * @param list<string> $settings
     * @param array<string> $arguments
     *
     * @return array<string, mixed>
     */
    private static function process(array $settings, string $part, array $arguments): array
    {
        $told = json_decode((string) shell_exec(implode(' ', array_map(escapeshellarg(...), [PHP_BINARY, '-d', 'opcache.enable_cli=1', '-d', 'memory_limit=512M', ...$settings, __DIR__."/{$part}.php", ...$arguments]))), true);
        if (! is_array($told)) {
            fwrite(STDERR, "The part {$part} ended without a result.\n");
            exit(1);
        }

        return $told;
    }

    /** Seconds of processor this process has used. */
    private static function used(): float
    {
        $used = getrusage() ?: [];

        return ($used['ru_utime.tv_sec'] ?? 0) + ($used['ru_stime.tv_sec'] ?? 0) + (($used['ru_utime.tv_usec'] ?? 0) + ($used['ru_stime.tv_usec'] ?? 0)) / 1e6;
    }
}
