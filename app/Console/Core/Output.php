<?php

declare(strict_types=1);

namespace App\Console\Core;

/** Writes answers to standard output: one JSON object a line. */
final readonly class Output
{
    /** @param array<string, mixed> $answer */
    public static function json(array $answer, bool $pretty = false): void
    {
        fwrite(STDOUT, json_encode($answer, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE | ($pretty ? JSON_PRETTY_PRINT : 0))."\n");
    }
}
