<?php

declare(strict_types=1);

namespace Ringo\Script\Steps;

use Ringo\Script\WayOut;

/** One way from a step to the next: where to, when, and what is known for certain on it. */
final readonly class Way
{
    /** Target of a way back to where a detour began. */
    public const BACK = 'return';

    /**
     * @param string $label when this way is taken, in words
     * @param list<string> $sets values that are there for certain on this way
     * @param list<string> $clears values that are gone on it
     */
    public function __construct(public string $to, public string $label, public WayRole $role = WayRole::On, public array $sets = [], public array $clears = [])
    {
    }

    /**
     * @param list<string> $sets
     * @param list<string> $clears
     */
    public static function on(string $to, string $label, array $sets = [], array $clears = []): self
    {
        return new self($to, $label, WayRole::On, $sets, $clears);
    }

    /** @param list<string> $sets */
    public static function option(string $to, string $label, array $sets = []): self
    {
        return new self($to, $label, WayRole::Option, $sets);
    }

    public static function out(string $to, string $label): self
    {
        return new self($to, $label, WayRole::Out);
    }

    /** @return list<self> the way a way out names; none where it names no step */
    public static function ofWayOut(WayOut $way, string $label): array
    {
        return $way->step === null ? [] : [self::out($way->step, $label)];
    }
}
