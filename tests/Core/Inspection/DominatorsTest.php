<?php

declare(strict_types=1);

namespace Tests\Core\Inspection;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Ringo\Inspection\Dominators;

/** What lies on every way is what cannot be left out: held against leaving each place out in turn, on graphs drawn by seed. */
final class DominatorsTest extends TestCase
{
    public function testWhatIsOnEveryWayIsWhatCannotBeLeftOut(): void
    {
        for ($seed = 1; $seed <= 300; $seed++) {
            $dice = new Randomizer(new Mt19937($seed));
            $names = array_map(static fn (int $n): string => "s{$n}", range(0, $dice->getInt(1, 14)));
            $ways = [];
            foreach ($names as $name) {
                $ways[$name] = array_map(static fn (): string => $names[$dice->getInt(0, count($names) - 1)], array_fill(0, $dice->getInt(0, 3), 0));
            }
            $roots = array_values(array_unique([$names[0], $names[$dice->getInt(0, count($names) - 1)]]));
            $found = new Dominators($ways, $roots);
            foreach ($names as $to) {
                $expected = [];
                if (isset($this->reached($ways, $roots, null)[$to])) {
                    foreach ($names as $without) {
                        if ($without !== $to && ! isset($this->reached($ways, $roots, $without)[$to])) {
                            $expected[] = $without;
                        }
                    }
                }
                $passed = [];
                self::assertNull($found->nearest($to, static function (string $place) use (&$passed): bool {
                    $passed[] = $place;

                    return false;
                }));
                self::assertEqualsCanonicalizing($expected, $passed, "seed {$seed}, {$to}: ".json_encode([$ways, $roots]));
                // The walk goes outward and ends at the first that fits.
                self::assertSame($passed[1] ?? null, $found->nearest($to, static fn (string $place): bool => $place === ($passed[1] ?? null)));
            }
        }
    }

    /**
     * @param array<string, list<string>> $ways
     * @param list<string> $roots
     *
     * @return array<string, true>
     */
    private function reached(array $ways, array $roots, ?string $without): array
    {
        $seen = [];
        while (($one = array_pop($roots)) !== null) {
            if ($one !== $without && ! isset($seen[$one])) {
                $seen[$one] = true;
                array_push($roots, ...$ways[$one]);
            }
        }

        return $seen;
    }
}
