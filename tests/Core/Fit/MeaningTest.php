<?php

declare(strict_types=1);

namespace Tests\Core\Fit;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Fit\Fold;
use Ringo\Fit\Meaning;
use Ringo\Fit\Meaning\Comparison;

/** The table of meanings belongs to its figures and data, and counts here as it did in training. */
final class MeaningTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../../core/Language/en/';

    #[TestWith(['meaning'])]
    #[TestWith(['meaning_glosses'])]
    public function testTableFiguresAndTradesBelongTogether(string $table): void
    {
        $trained = self::trained($table);
        self::assertSame($trained['words_sha256'], hash_file('sha256', self::FOLDER.$table.'/words.bin'));
        self::assertSame($trained['rows_sha256'], hash_file('sha256', self::FOLDER.$table.'/rows.bin'));
        $files = glob(__DIR__.'/../../../data/trades/*') ?: [];
        sort($files);
        self::assertSame($trained['trades_sha256'], hash('sha256', implode('', array_map(static fn (string $file): string => (string) file_get_contents($file), $files))), 'the trades have changed: train again (training/README.md)');
    }

    #[TestWith(['meaning'])]
    #[TestWith(['meaning_glosses'])]
    public function testCountsAsTheTrainingDid(string $table): void
    {
        $meaning = new Meaning(self::FOLDER.$table, Comparison::ALL);
        $sample = json_decode((string) file_get_contents(__DIR__."/{$table}.json"), true, 512, JSON_THROW_ON_ERROR);
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

    /** What is hardly looked at is left out when a call runs: that changes scores a little, and hardly ever the order. */
    public function testWhatIsHardlyLookedAtChangesLittle(): void
    {
        $whole = new Meaning(self::FOLDER.'meaning', Comparison::ALL);
        $same = $all = 0;
        foreach (json_decode((string) file_get_contents(__DIR__.'/meaning.json'), true, 512, JSON_THROW_ON_ERROR) as $business) {
            $descriptions = array_map(static fn (array $team): array => ['name' => implode(' ', $team['name']), 'about' => implode(' ', $team['about'])], array_column($business['teams'], null, 'key'));
            foreach ($business['sayings'] as $said) {
                $some = Meaning::english()->scores(implode(' ', $said), $descriptions);
                $every = $whole->scores(implode(' ', $said), $descriptions);
                self::assertEqualsWithDelta($every, $some, 0.6, implode(' ', $said));
                arsort($some);
                arsort($every);
                $same += array_key_first($some) === array_key_first($every) ? 1 : 0;
                $all++;
            }
        }
        self::assertGreaterThanOrEqual($all - 2, $same);
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
    private static function trained(string $table): array
    {
        return json_decode((string) file_get_contents(self::FOLDER.$table.'/meaning.json'), true, 512, JSON_THROW_ON_ERROR);
    }
}
