<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\CoversNothing;
use PHPUnit\Framework\TestCase;
use Tests\Architecture\DependencyTest;

/** The table of dependencies names every folder of the core, in an order in which nothing stands in a circle. */
#[CoversNothing]
final class EveryPartHasItsPlaceTest extends TestCase
{
    public function testEveryFolderOfTheCoreStandsInTheTable(): void
    {
        $folders = array_map(basename(...), glob(dirname(__DIR__, 2).'/core/*', GLOB_ONLYDIR) ?: []);
        $named = array_keys(DependencyTest::MAY_USE);
        sort($named);

        self::assertSame($folders, $named);
    }

    public function testNoPartUsesOneThatComesAfterIt(): void
    {
        $order = array_flip(array_keys(DependencyTest::MAY_USE));
        foreach (DependencyTest::MAY_USE as $part => $others) {
            foreach ($others as $other) {
                self::assertLessThan($order[$part], $order[explode('\\', $other)[0]], "{$part} uses {$other}");
            }
        }
    }
}
