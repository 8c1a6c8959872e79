<?php

declare(strict_types=1);

namespace Tests\Core\Fit;

use PHPUnit\Framework\TestCase;
use Ringo\Fit\Fold;
use Ringo\Fit\Meaning;

/** The table of meanings belongs to its figures and data, and counts here as it did in training. */
final class MeaningTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../../core/Language/en/meaning';

    public function testTableFiguresAndTradesBelongTogether(): void
    {
        $trained = self::trained();
        self::assertSame($trained['words_sha256'], hash_file('sha256', self::FOLDER.'/words.bin'));
        self::assertSame($trained['rows_sha256'], hash_file('sha256', self::FOLDER.'/rows.bin'));
        $files = glob(__DIR__.'/../../../data/trades/*') ?: [];
        sort($files);
        self::assertSame($trained['trades_sha256'], hash('sha256', implode('', array_map(static fn (string $file): string => (string) file_get_contents($file), $files))), 'the trades have changed: train again (training/README.md)');
    }

    public function testCountsAsTheTrainingDid(): void
    {
        $meaning = Meaning::english();
        $sample = json_decode((string) file_get_contents(__DIR__.'/meaning.json'), true, 512, JSON_THROW_ON_ERROR);
        self::assertNotEmpty($sample);
        foreach ($sample as $business) {
            self::assertTrue(Fold::heldOut($business['trade']));
            $descriptions = [];
            foreach ($business['teams'] as $team) {
                $descriptions[$team['key']] = ['name' => implode(' ', $team['name']), 'about' => implode(' ', $team['about'])];
            }
            foreach ($business['sayings'] as $n => $said) {
                self::assertEqualsWithDelta($business['scores'][$n], array_values($meaning->scores(implode(' ', $said), $descriptions)), 1e-3, implode(' ', $said));
            }
        }
    }

    public function testProbabilitiesSumToOneAndWordsNobodyKnowsTellNothing(): void
    {
        $teams = ['a' => ['name' => 'Accounts', 'about' => 'bills and payments'], 'b' => ['name' => 'Yard', 'about' => 'deliveries and collections']];
        $meaning = Meaning::english();
        $of = $meaning->of('it is about my bill', $teams);
        self::assertEqualsWithDelta(1.0, array_sum($of), 1e-9);
        self::assertGreaterThan($of['b'], $of['a']);
        $nothing = $meaning->scores('xqzzv wrrft', $teams);
        self::assertSame([0.0, 0.0], [$nothing['a'], $nothing['b']]);
        self::assertGreaterThan(0.3, $meaning->of('who won the football', $teams)['']);
    }

    /** @return array<string, mixed> */
    private static function trained(): array
    {
        return json_decode((string) file_get_contents(self::FOLDER.'/meaning.json'), true, 512, JSON_THROW_ON_ERROR);
    }
}
