<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Document\Node;
use Ringo\Script\Condition;
use Ringo\Script\Hours;

final class HoursAndConditionsTest extends TestCase
{
    public function testHoursKnowClosuresAndTheNextOpening(): void
    {
        $hours = Hours::read(Node::root(['mon' => ['08:00-12:00', '13:00-17:00'], 'tue' => ['08:00-17:00'], 'closures' => [['date' => '2026-03-10', 'why' => 'stocktaking']]]));
        $at = static fn (string $moment): \DateTimeImmutable => new \DateTimeImmutable($moment, new \DateTimeZone('Europe/London'));

        self::assertTrue($hours->openAt($at('2026-03-09T08:00')));
        self::assertFalse($hours->openAt($at('2026-03-09T12:00')));
        self::assertFalse($hours->openAt($at('2026-03-10T10:00')));
        self::assertSame('2026-03-09 13:00', $hours->nextOpening($at('2026-03-09T12:10'))?->format('Y-m-d H:i'));
        self::assertSame('2026-03-16 08:00', $hours->nextOpening($at('2026-03-09T17:00'))?->format('Y-m-d H:i'));
        self::assertNull(Hours::read(Node::root([]))->nextOpening($at('2026-03-09T17:00')));
    }

    /** @param array<string, mixed> $written */
    #[DataProvider('conditions')]
    public function testConditions(array $written, bool $expected): void
    {
        $values = ['item' => 'Digger', 'price' => ['amount' => 250, 'currency' => 'GBP'], 'count' => 3, 'day' => '2026-03-17', 'delivery' => false];
        $node = Node::root($written);
        $condition = Condition::read($node);
        $node->settle();

        self::assertSame($expected, $condition->holds(static fn (string $path): mixed => $values[$path] ?? null));
        self::assertNotSame('', $condition->inWords());
    }

    /** @return iterable<array{array<string, mixed>, bool}> */
    public static function conditions(): iterable
    {
        yield [['value' => 'item', 'is' => 'digger'], true];
        yield [['value' => 'item', 'is_not' => 'digger'], false];
        yield [['value' => 'item', 'one_of' => ['saw', 'digger']], true];
        yield [['value' => 'price', 'more_than' => 200], true];
        yield [['value' => 'price', 'less_than' => 200], false];
        yield [['value' => 'count', 'is' => 3], true];
        yield [['value' => 'day', 'before' => '2026-04-01'], true];
        yield [['value' => 'day', 'after' => '2026-04-01'], false];
        yield [['value' => 'delivery', 'is' => false], true];
        yield [['value' => 'delivery', 'known' => true], true];
        yield [['value' => 'depot', 'known' => false], true];
        yield [['value' => 'depot', 'is' => 'x'], false];
        yield [['value' => 'depot', 'is_not' => 'x'], true];
        yield [['value' => 'item', 'contains' => 'igg'], true];
        yield [['all' => [['value' => 'count', 'is' => 3], ['value' => 'delivery', 'is' => true]]], false];
        yield [['any' => [['value' => 'count', 'is' => 4], ['value' => 'delivery', 'is' => false]]], true];
    }
}
