<?php

declare(strict_types=1);

namespace App\Console\Core;

/**
 * The words of a command line, in their order: `--say="…" --key=1 --silence` tell a call what the caller does, one after another.
 */
final readonly class Arguments
{
    /**
     * @param list<string> $positional
     * @param list<array{string, ?string}> $options name and value, as given
     */
    private function __construct(public array $positional, public array $options)
    {
    }

    /** @param list<string> $argv without the program and the command */
    public static function of(array $argv): self
    {
        $positional = [];
        $options = [];
        foreach ($argv as $word) {
            if (str_starts_with($word, '--') && strlen($word) > 2) {
                $parts = explode('=', substr($word, 2), 2);
                $options[] = [$parts[0], $parts[1] ?? null];
            } else {
                $positional[] = $word;
            }
        }

        return new self($positional, $options);
    }

    public function has(string $name): bool
    {
        return in_array($name, array_column($this->options, 0), true);
    }

    public function get(string $name): ?string
    {
        foreach (array_reverse($this->options) as [$option, $value]) {
            if ($option === $name) {
                return $value;
            }
        }

        return null;
    }

    /**
     * @param list<string> $known
     *
     * @throws WrongUsage on an option that does not exist
     */
    public function allow(array $known): void
    {
        foreach ($this->options as [$name]) {
            if (! in_array($name, $known, true)) {
                throw new WrongUsage("There is no option --{$name}. The options are: ".implode(' ', array_map(static fn (string $one): string => '--'.$one, $known)).'.');
            }
        }
    }

    /** @throws WrongUsage */
    public function now(string $tz): \DateTimeImmutable
    {
        $zone = $this->zone($tz);
        $given = $this->get('now');
        if ($given === null) {
            return new \DateTimeImmutable('now', $zone);
        }

        return self::moment($given, $zone) ?? throw new WrongUsage("--now={$given} is no moment; write 2026-03-10T09:14.");
    }

    /** @throws WrongUsage */
    public function zone(string $tz): \DateTimeZone
    {
        $name = $this->get('tz') ?? $tz;
        try {
            return new \DateTimeZone($name);
        } catch (\Exception) {
            throw new WrongUsage("--tz={$name} is no time zone; write one such as Europe/London.");
        }
    }

    public static function moment(string $given, \DateTimeZone $zone): ?\DateTimeImmutable
    {
        if (preg_match('/^\d{4}-\d\d-\d\d(?:[T ]\d\d:\d\d(?::\d\d(?:\.\d+)?)?(?:Z|[+-]\d\d:?\d\d)?)?$/', $given) !== 1) {
            return null;
        }
        try {
            return (new \DateTimeImmutable($given, $zone))->setTimezone($zone);
        } catch (\Exception) {
            return null;
        }
    }
}
