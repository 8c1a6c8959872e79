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
        $calls = [];
        $head = null;
        $turns = [];
        $expected = [];
        $holds = [];
        $close = function () use (&$calls, &$head, &$turns, &$expected, &$holds): void {
            if ($head !== null) {
                $calls[] = ['transcript' => new Transcript($head[0], $head[1], $head[2], $head[3], $head[5], $head[4], null, $turns), 'expected' => $expected, 'holds' => $holds];
            }
            [$turns, $expected, $holds] = [[], [], []];
        };
        foreach (explode("\n", $text) as $n => $line) {
            $line = rtrim($line);
            if ($line === '' || $line[0] === '#') {
                continue;
            }
            if ($line[0] === '=') {
                $close();
                $parts = array_map(trim(...), explode('|', substr($line, 1)));
                [$country, $tz] = [...explode(' ', ($parts[2] ?? '') === '' ? 'GB' : $parts[2]), null];
                $tz ??= self::ZONES[$country] ?? 'UTC';
                $head = [$parts[0], (new \DateTimeImmutable($parts[1] ?? 'now', new \DateTimeZone($tz)))->format('c'), $tz, $country, ($parts[3] ?? '') === '' ? null : $parts[3], ($parts[4] ?? '') === 'outbound' ? 'outbound' : 'inbound'];
            } elseif (preg_match('/^([ASC]): ?(.*)$/', $line, $m) === 1) {
                $turns[] = new Turn(self::BY[$m[1]], $m[2], 4.0 * count($turns), 3.0);
            } elseif (preg_match('/^([>~]) ?(\w+): ?(.*)$/', $line, $m) === 1) {
                if ($m[1] === '>') {
                    $expected[$m[2]] = json_decode($m[3], true) ?? $m[3];
                } else {
                    $holds[$m[2]] = $m[3];
                }
            } else {
                throw new \UnexpectedValueException('line '.($n + 1).': begins with none of =, A:, S:, C:, > and ~');
            }
        }
        $close();

        return $calls;
    }
}
