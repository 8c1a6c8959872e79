<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** How often what was said is read as it was meant: remarks on spelling, or any file of lines `{said, name | email | type and value}`. */
final class ReadScore
{
    private const NOW = '2026-03-10T10:00';

    /** @return iterable<array<string, mixed>> a line a type, then all */
    public function of(string $file): iterable
    {
        $lines = is_file($file) ? file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) : false;
        if ($lines === false) {
            throw new BadInput("{$file}: there is no such file.");
        }
        $understanding = new Understanding(Vocabulary::of(), new NumberingPlan);
        $context = new Context(new \DateTimeImmutable(self::NOW, new \DateTimeZone('Europe/London')));
        $counts = [];
        foreach ($lines as $n => $line) {
            [$type, $said, $wanted] = $this->row($line) ?? throw new BadInput($file.', line '.($n + 1).': this is no labelled saying; it needs said, and name, email, or type and value.');
            $value = $understanding->read($type, $understanding->hear($said), $context)->value;
            $same = is_string($value) && is_string($wanted) ? mb_strtolower($value) === mb_strtolower($wanted) : $value === $wanted;
            foreach ([$type->value, 'all'] as $set) {
                $counts[$set] ??= ['lines' => 0, 'right' => 0, 'none' => 0, 'none_read' => 0];
                $counts[$set]['lines']++;
                $counts[$set]['right'] += $same ? 1 : 0;
                $counts[$set]['none'] += $wanted === null ? 1 : 0;
                $counts[$set]['none_read'] += $wanted === null && $value !== null ? 1 : 0;
            }
        }
        $all = $counts['all'] ?? null;
        unset($counts['all']);
        foreach ([...$counts, ...($all === null ? [] : ['all' => $all])] as $set => $one) {
            yield ['set' => $set, 'lines' => $one['lines'], 'right' => round($one['right'] / $one['lines'], 3), 'none' => $one['none'], 'none_read' => round($one['none_read'] / max(1, $one['none']), 3)];
        }
    }

    /** @return array{ValueType, string, mixed}|null */
    private function row(string $line): ?array
    {
        $row = json_decode($line, true);
        if (! is_array($row) || ! is_string($row['said'] ?? null)) {
            return null;
        }
        $type = match (true) {
            array_key_exists('email', $row) => ValueType::Email,
            array_key_exists('name', $row) => ValueType::PersonName,
            default => is_string($row['type'] ?? null) ? ValueType::tryFrom($row['type']) : null,
        };

        return $type === null ? null : [$type, $row['said'], $row['email'] ?? $row['name'] ?? $row['value'] ?? null];
    }
}
