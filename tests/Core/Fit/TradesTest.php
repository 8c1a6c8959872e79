<?php

declare(strict_types=1);

namespace Tests\Core\Fit;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\TestCase;
use Ringo\Fit\Fold;

/** The trades are what their README says: two ways to cut each business into teams, and sayings that name teams there are. */
#[CoversNothing]
final class TradesTest extends TestCase
{
    public function testEveryTradeKeepsTheFormat(): void
    {
        $files = glob(__DIR__.'/../../../data/trades/*.json') ?: [];
        self::assertGreaterThanOrEqual(240, count($files));
        $held = 0;
        foreach ($files as $file) {
            $trade = json_decode((string) file_get_contents($file), true, 512, JSON_THROW_ON_ERROR);
            self::assertSame(basename($file, '.json'), $trade['trade']);
            self::assertCount(2, $trade['splits'], $trade['trade']);
            $held += Fold::heldOut($trade['trade']) ? 1 : 0;
            foreach ($trade['splits'] as $n => $teams) {
                $keys = array_column($teams, 'key');
                self::assertSame(array_unique($keys), $keys, $trade['trade']);
                foreach ($trade['sayings'] as $saying) {
                    self::assertNotSame('', trim($saying['said']));
                    self::assertSame([], array_diff((array) ($saying['fit'][$n] ?? []), $keys), "{$trade['trade']}: {$saying['said']}");
                }
            }
        }
        self::assertGreaterThanOrEqual(40, $held, 'enough is left out to measure on');
    }
}
