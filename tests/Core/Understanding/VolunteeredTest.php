<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Where nothing was asked, a reader takes only what says itself what it is. */
final class VolunteeredTest extends TestCase
{
    #[DataProvider('lines')]
    public function testTakesOnlyWhatIsPlain(ValueType $type, string $words, mixed $expected): void
    {
        $context = new Context(new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), 'GB', [], false);

        self::assertSame($expected, Understanding::in()->read($type, $words, $context)->value);
    }

    /** @return iterable<string, array{ValueType, string, mixed}> */
    public static function lines(): iterable
    {
        yield 'yes is no answer to nothing' => [ValueType::YesNo, 'yes I need a digger', null];
        yield 'free words are nobody\'s' => [ValueType::Text, 'the hose has burst', null];
        yield 'a name without a cue' => [ValueType::PersonName, 'I need a breaker for Tuesday', null];
        yield 'a name with a cue' => [ValueType::PersonName, 'hello my name is Nell Ashby and I need a digger', 'Nell Ashby'];
        yield 'a name and speaking' => [ValueType::PersonName, 'Joss here, about the digger', 'Joss'];
        yield 'money without a unit' => [ValueType::Money, 'I need two of them', null];
        yield 'money with a unit' => [ValueType::Money, 'it should be under control for forty pounds', ['amount' => 40, 'currency' => 'GBP']];
        yield 'a bare number is no time' => [ValueType::Time, 'I need three breakers', null];
        yield 'a time with its half' => [ValueType::Time, 'can I have it at three pm', '15:00'];
        yield 'a day anywhere' => [ValueType::Date, 'I need it next Tuesday for a job', '2026-03-17'];
        yield 'only letters are no reference' => [ValueType::Reference, 'A B C', null];
    }
}
