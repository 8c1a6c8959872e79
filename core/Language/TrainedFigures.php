<?php

declare(strict_types=1);

namespace Ringo\Language;

/**
 * The figures a training wrote beside its weights as JSON. tools/trained-figures.php writes the same out as PHP, which processes share: to
 * decode the larger of them takes a millisecond, and every turn of a call is a process of its own.
 */
final class TrainedFigures
{
    /** @return array<string, mixed> */
    public static function of(string $folder, string $name): array
    {
        return require "{$folder}/{$name}.php";
    }
}
