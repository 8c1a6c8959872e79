<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Fit\Memory;
use Ringo\Transfer\Team;

/**
 * Businesses with sayings of which one knows the team: trades nobody trained on, cut both ways, or businesses of their own
 * (`{business, teams, utterances: [{text, expect: {team | clarify | none}, follow?}]}`), which no training has seen.
 *
 * @phpstan-type Saying array{said: string, wanted: string|list<string>|null, then: ?array{said: string, wanted: ?string}}
 */
final class LabelledBusinesses
{
    /**
     * @return iterable<array{name: string, teams: list<Team>, sayings: list<Saying>, memory: Memory}>
     *
     * @throws BadInput where a file is neither
     */
    public static function in(string $folder): iterable
    {
        $files = glob("{$folder}/*.json") ?: throw new BadInput("{$folder}: there are no trades and no businesses in it.");
        $first = json_decode((string) file_get_contents($files[0]), true);
        if (is_array($first) && isset($first['utterances'])) {
            foreach ($files as $file) {
                yield self::business($file);
            }

            return;
        }
        foreach (HeldOutTrades::in($folder) as $name => $trade) {
            foreach ($trade['splits'] as $n => $teams) {
                $sayings = [];
                foreach ($trade['sayings'] as $saying) {
                    $then = $saying['then'] ?? null;
                    $sayings[] = ['said' => (string) $saying['said'], 'wanted' => $saying['fit'][$n] ?? null, 'then' => is_array($then) && is_string($then['fit'][$n] ?? null) ? ['said' => (string) $then['said'], 'wanted' => $then['fit'][$n]] : null];
                }

                yield ['name' => $name, 'teams' => array_values(array_map(static fn (array $team): Team => new Team($team['key'], $team['name'], $team['description']), $teams)), 'sayings' => $sayings, 'memory' => Memory::english()->without($name)];
            }
        }
    }

    /** @return array{name: string, teams: list<Team>, sayings: list<Saying>, memory: Memory} */
    private static function business(string $file): array
    {
        $data = json_decode((string) file_get_contents($file), true);
        if (! is_array($data) || ! is_array($data['teams'] ?? null) || ! is_array($data['utterances'] ?? null)) {
            throw new BadInput("{$file}: this is no business; it needs teams and utterances.");
        }
        $sayings = [];
        foreach ($data['utterances'] as $one) {
            $follow = $one['follow'][0] ?? null;
            $sayings[] = ['said' => (string) $one['text'], 'wanted' => $one['expect']['team'] ?? $one['expect']['clarify'] ?? null, 'then' => is_array($follow) ? ['said' => (string) $follow['text'], 'wanted' => $follow['expect']['team'] ?? null] : null];
        }

        return ['name' => basename($file, '.json'), 'teams' => array_values(array_map(Team::fromArray(...), $data['teams'])), 'sayings' => $sayings, 'memory' => Memory::english()];
    }
}
