<?php

declare(strict_types=1);

namespace Ringo\Format;

use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

/**
 * Reads transcripts with what must come out of them, as a person writes them:
 *
 *     = id | 2026-03-10T09:14 | GB | +447700900123
 *     A: agent   S: staff   C: caller
 *     > field: value that must come out
 *     ~ field: words that a free text must hold
 *
 * A typed field that is not named must stay empty. Where the country is not GB, a time zone may follow it: `US America/Chicago`.
 */
final readonly class LabelledCalls
{
    private const BY = ['A' => 'agent', 'S' => 'staff', 'C' => 'caller'];

    private const ZONES = ['GB' => 'Europe/London', 'IE' => 'Europe/Dublin', 'US' => 'America/New_York', 'CA' => 'America/Toronto', 'AU' => 'Australia/Sydney', 'NZ' => 'Pacific/Auckland'];

    /**
     * @return list<array{transcript: Transcript, expected: array<string, mixed>, holds: array<string, string>}>
     *
     * @throws \UnexpectedValueException naming the line that cannot be read
     */
    public function read(string $text): array
    {
        /** @var list<array{string, string, string, string, ?string, string}> $heads */
        $heads = [];
        /** @var array<int, list<Turn>> $turns */
        $turns = [];
        /** @var array<int, array<string, mixed>> $expected */
        $expected = [];
        /** @var array<int, array<string, string>> $holds */
        $holds = [];
        $n = -1;
        foreach (explode("\n", $text) as $at => $line) {
            $line = rtrim($line);
            if ($line === '' || $line[0] === '#') {
                continue;
            }
            if ($line[0] === '=') {
                $parts = array_map(trim(...), explode('|', substr($line, 1)));
                $where = explode(' ', ($parts[2] ?? '') === '' ? 'GB' : $parts[2]);
                $country = $where[0];
                $tz = $where[1] ?? null;
                $tz ??= self::ZONES[$country] ?? 'UTC';
                $n++;
                try {
                    $begins = (new \DateTimeImmutable($parts[1] ?? 'now', new \DateTimeZone($tz)))->format('c');
                } catch (\Exception|\ValueError) {
                    throw new \UnexpectedValueException('line '.($at + 1).': a call begins with = id | time | country and zone');
                }
                $heads[] = [$parts[0], $begins, $tz, $country, ($parts[3] ?? '') === '' ? null : $parts[3], ($parts[4] ?? '') === 'outbound' ? 'outbound' : 'inbound'];
            } elseif ($n >= 0 && preg_match('/^([ASC]): ?(.*)$/', $line, $m) === 1) {
                $turns[$n][] = new Turn(self::BY[$m[1]], $m[2], 4.0 * count($turns[$n] ?? []), 3.0);
            } elseif ($n >= 0 && preg_match('/^([>~]) ?(\w+): ?(.*)$/', $line, $m) === 1) {
                if ($m[1] === '>') {
                    $expected[$n][$m[2]] = json_decode($m[3], true) ?? $m[3];
                } else {
                    $holds[$n][$m[2]] = $m[3];
                }
            } else {
                throw new \UnexpectedValueException('line '.($at + 1).': begins with none of =, A:, S:, C:, > and ~');
            }
        }

        $calls = [];
        foreach ($heads as $i => [$id, $at, $tz, $country, $from, $direction]) {
            $calls[] = ['transcript' => new Transcript($id, $at, $tz, $country, $direction, $from, null, $turns[$i] ?? []), 'expected' => $expected[$i] ?? [], 'holds' => $holds[$i] ?? []];
        }

        return $calls;
    }
}
