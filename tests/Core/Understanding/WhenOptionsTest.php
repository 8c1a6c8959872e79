<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Options that are times of the day or days of the week, told by a time or a day. It is a Tuesday, the tenth of March 2026. */
final class WhenOptionsTest extends TestCase
{
    private const PARTS = ['the morning', 'the afternoon'];

    private const SLOTS = ['before ten', 'ten to two', '2pm-6pm'];

    private const DAYS = ['Mondays', 'Wednesdays', 'Fridays', 'Saturday mornings'];

    #[TestWith(["I'm at work till twelve so after that", 'the afternoon'])]
    #[TestWith(['after lunch', 'the afternoon'])]
    #[TestWith(['not before noon', 'the afternoon'])]
    #[TestWith(['first thing', 'the morning'])]
    #[TestWith(["ten o'clock", 'the morning'])]
    #[TestWith(['between ten and three', null])]
    #[TestWith(['either', null])]
    #[TestWith(["it's a Kestrel", null])]
    public function testAPartOfTheDayIsToldByATime(string $said, ?string $wanted): void
    {
        self::assertSame($wanted, $this->read(ValueType::Choice, self::PARTS, $said), $said);
    }

    #[TestWith(['nine', 'before ten'])]
    #[TestWith(['about half three', '2pm-6pm'])]
    #[TestWith(["eleven o'clock", 'ten to two'])]
    public function testOneOfSeveralTimes(string $said, ?string $wanted): void
    {
        self::assertSame($wanted, $this->read(ValueType::Choice, self::SLOTS, $said), $said);
    }

    /** @param ?list<string> $wanted */
    #[TestWith(['Saturdays or a Monday', ['Mondays', 'Saturday mornings']])]
    #[TestWith(['Mondays and Fridays', ['Mondays', 'Fridays']])]
    #[TestWith(['weekdays', ['Mondays', 'Wednesdays', 'Fridays']])]
    #[TestWith(['not Wednesdays', ['Mondays', 'Fridays', 'Saturday mornings']])]
    #[TestWith(["any except Wednesdays, he's got cubs", ['Mondays', 'Fridays', 'Saturday mornings']])]
    #[TestWith(['c beddoes, all one word', null])]
    public function testDaysOfTheWeek(string $said, ?array $wanted): void
    {
        self::assertSame($wanted, $this->read(ValueType::Several, self::DAYS, $said), $said);
    }

    public function testNumbersAndThingsAreNoTimes(): void
    {
        self::assertNull($this->read(ValueType::Choice, ['two', 'three', 'four'], 'after lunch'));
        self::assertNull($this->read(ValueType::Choice, ['a mini digger', 'a dumper'], 'tomorrow at ten'));
    }

    public function testNobodyAskedForThem(): void
    {
        self::assertNull($this->read(ValueType::Choice, self::PARTS, 'after lunch', false));
        self::assertSame(['Saturday mornings'], $this->read(ValueType::Several, self::DAYS, 'Saturdays', false));
        self::assertNull($this->read(ValueType::Several, self::DAYS, 'it broke on Saturday at ten', false));
    }

    /** The no of an option takes nothing back, and is no nothing. */
    public function testAnOptionThatBeginsWithANo(): void
    {
        $options = ['noise', 'a leak', 'no hot water', 'nothing at all'];
        foreach (["it's leaking and there's no hot water" => ['a leak', 'no hot water'], 'no hot water' => ['no hot water'], 'leaking, no sorry, noise' => ['noise'], "it's all fine" => ['nothing at all'], 'it bangs and the tap runs cold' => ['noise', 'no hot water']] as $said => $wanted) {
            self::assertSame($wanted, $this->read(ValueType::Several, $options, $said), $said);
        }
    }

    /**
     * @param list<string> $labels
     *
     * @return string|list<string>|null
     */
    private function read(ValueType $type, array $labels, string $said, bool $asked = true): string|array|null
    {
        $understanding = Understanding::in();
        $options = array_map(static fn (string $label): array => ['key' => $label, 'label' => $label, 'phrases' => []], $labels);
        $value = $understanding->read($type, $understanding->hear($said), new Context(new \DateTimeImmutable('2026-03-10T10:00'), options: $options, asked: $asked))->value;

        return is_string($value) || $value === null ? $value : array_values(array_map(strval(...), (array) $value));
    }
}
