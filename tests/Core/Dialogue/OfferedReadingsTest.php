<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Replies\OfferedReadings;
use Ringo\Dialogue\Turn;
use Ringo\Understanding\Understanding;

/** Which of the answers that stand ready is meant: by its place, by what it is called, or by none of it. */
final class OfferedReadingsTest extends TestCase
{
    #[TestWith(['the first one', 0])]
    #[TestWith(['the second one please', 1])]
    #[TestWith(['the last one', 2])]
    #[TestWith(['the one for tools', 1])]
    #[TestWith(['late return', 2])]
    #[TestWith(['a deposit', null])]
    #[TestWith(['something quite different', null])]
    public function testWhichIsMeant(string $said, ?int $place): void
    {
        $offers = array_map(static fn (string $label): array => ['source' => 'a', 'label' => $label, 'text' => $label, 'more' => []], ['the deposit for machines', 'the deposit for tools', 'a late return']);
        $understanding = Understanding::in();
        $turn = (new \ReflectionClass(Turn::class))->newInstanceWithoutConstructor();

        self::assertSame($place, (new OfferedReadings($understanding))->meant($turn, $understanding->hear($said), $offers));
    }
}
