<?php

/**
 * Writes the memory of what callers of every trade say, as meanings: core/Language/en/memory/. Run it after training/meaning.py.
 *
 * For each business of data/trades (a trade cut into teams in one way): where it stands among meanings, its teams, and every saying of
 * one team with the number of that team; the middles of all businesses stand first.
 */

declare(strict_types=1);

use Ringo\Fit\Meaning;
use Ringo\Fit\Memory;

require dirname(__DIR__).'/vendor/autoload.php';

$meaning = Meaning::english();
$bytes = static fn (array $vector): string => implode('', array_map(static fn (float $one): string => pack('c', (int) round(127 * $one)), $vector));
$folder = dirname(__DIR__).'/core/Language/en/memory';
is_dir($folder) || mkdir($folder);
$rows = [];
$all = '';
$middles = '';
foreach (glob(dirname(__DIR__).'/data/trades/*.json') ?: [] as $file) {
    $trade = json_decode((string) file_get_contents($file), true, 32, JSON_THROW_ON_ERROR);
    foreach ($trade['splits'] as $n => $teams) {
        $vectors = array_map(static fn (array $team): array => $meaning->vectorOf(['name' => $team['name'], 'about' => $team['description']]), $teams);
        $numbers = array_flip(array_column($teams, 'key'));
        $sayings = '';
        $count = 0;
        foreach ($trade['sayings'] as $saying) {
            $fit = $saying['fit'][$n] ?? null;
            if (is_string($fit)) {
                $sayings .= $bytes($meaning->vector($saying['said'])).pack('C', $numbers[$fit]);
                $count++;
            }
        }
        $rows[] = ['trade' => $trade['trade'], 'at' => strlen($all), 'teams' => count($teams), 'sayings' => $count];
        $all .= implode('', array_map($bytes, $vectors)).$sayings;
        $middles .= $bytes(Memory::middle($vectors));
    }
}
// The middles of all come first, then each business with its teams and sayings.
$rows = array_map(static fn (array $row): array => [...$row, 'at' => $row['at'] + strlen($middles)], $rows);
$all = $middles.$all;
file_put_contents("{$folder}/memory.bin", $all);
file_put_contents("{$folder}/memory.json", json_encode(['meanings' => $meaning->version(), 'sha256' => hash('sha256', $all), 'command' => 'php training/memory.php', 'businesses' => $rows], JSON_THROW_ON_ERROR));
