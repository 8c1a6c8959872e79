<?php

declare(strict_types=1);

namespace Ringo\Inspection;

/** How much a finding weighs: an error blocks a release, a warning asks, a note only tells. */
enum Severity: string
{
    case Error = 'error';
    case Warning = 'warning';
    case Note = 'note';

    /** For sorting, the gravest first. */
    public function rank(): int
    {
        return match ($this) {
            self::Error => 0, self::Warning => 1, self::Note => 2,
        };
    }
}
