<?php

declare(strict_types=1);

namespace Tests\Core\Fit;

use PHPUnit\Framework\TestCase;
use Ringo\Fit\Caution;
use Ringo\Fit\Likelihoods;

final class CautionTest extends TestCase
{
    public function testTheDearerAMistakeTheMoreItAsks(): void
    {
        $taken = static fn (float $lead): array => array_map(static fn (Caution $caution): bool => Likelihoods::from(['a' => 0.0, 'b' => 0.0], ['a' => $lead, 'b' => 0.0, '' => -3.0])->taken($caution) !== null, Caution::cases());
        self::assertSame([false, false, false], $taken(0.0), 'two alike are asked apart');
        self::assertSame([true, true, true], $taken(6.0), 'one that is sure is taken');
        $counts = [0, 0, 0];
        for ($lead = 0.0; $lead <= 4.0; $lead += 0.1) {
            foreach ($taken($lead) as $n => $yes) {
                $counts[$n] += $yes ? 1 : 0;
            }
        }
        self::assertGreaterThan($counts[1], $counts[0]);
        self::assertGreaterThan($counts[2], $counts[1]);
    }

    public function testADearerMistakeNeedsMore(): void
    {
        $likely = Likelihoods::from(['a' => 0.0, 'b' => 0.0], ['a' => 0.6, 'b' => 0.0, '' => -2.0]);
        self::assertSame('a', $likely->taken(Caution::Quick));
        self::assertNull($likely->taken(Caution::Quick, 4.0));
    }
}
