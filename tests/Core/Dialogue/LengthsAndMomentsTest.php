<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** Numbers told as lengths, moments told by the one before. It is a Tuesday, the tenth of March 2026. */
final class LengthsAndMomentsTest extends TestCase
{
    #[TestWith(['a week', 7])]
    #[TestWith(['a fortnight', 14])]
    #[TestWith(['two weeks', 14])]
    #[TestWith(['till the Sunday', 2])]
    #[TestWith(['until the twentieth', 7])]
    #[TestWith(['till Monday, so three', 3])]
    #[TestWith(['just the one', 1])]
    #[TestWith(['three nights', 3])]
    public function testNights(string $said, int $nights): void
    {
        $call = self::stay('For how many nights?')->says('Friday', $said);

        self::assertSame($nights, $call->value('nights'), $call->heard());
    }

    /** What may be another number is read back. */
    #[TestWith(['a long weekend', 'three nights'])]
    #[TestWith(['just the weekend', 'two nights'])]
    #[TestWith(['a month', 'thirty nights'])]
    public function testWhatIsReckonedIsReadBack(string $said, string $heard): void
    {
        self::assertStringContainsString($heard, self::stay('For how many nights?')->says('Friday', $said)->heard());
    }

    #[TestWith(['Friday to Monday', 'three days'])]
    #[TestWith(['we get in on the Friday and leave on the Monday', 'three days'])]
    #[TestWith(['from the fifteenth to the nineteenth', 'four days'])]
    public function testALengthIsToldByWhenItBeginsAndEnds(string $said, string $length): void
    {
        $call = Conversation::asking(['length' => ['type' => 'string', 'format' => 'duration', 'title' => 'Stay']], ['length' => 'How long are you staying?']);

        self::assertStringContainsString($length, $call->says($said)->heard());
    }

    /** A day that has been tells how long it is since: in days up to a fortnight, then in weeks, then in months. */
    #[TestWith(['since last Thursday', 'five days'])]
    #[TestWith(['since the tenth of February', 'four weeks'])]
    #[TestWith(['since the tenth of January', 'eight weeks'])]
    #[TestWith(['since the tenth of October', 'five months'])]
    public function testSinceADayThatHasBeen(string $said, string $length): void
    {
        $call = Conversation::asking(['length' => ['type' => 'string', 'format' => 'duration', 'title' => 'How long it has hurt']], ['length' => 'How long has it hurt?']);

        self::assertStringContainsString($length, $call->says($said)->heard());
    }

    /** Nights are told as nights, any other length as what it is. */
    public function testALengthIsReadBackInWhatWasAskedFor(): void
    {
        $call = Conversation::asking(['length' => ['type' => 'string', 'format' => 'duration', 'title' => 'Stay']], ['length' => 'How many nights?'])->says('just the weekend');
        self::assertStringContainsString('two nights', $call->heard());
        $call = Conversation::asking(['length' => ['type' => 'string', 'format' => 'duration', 'title' => 'Hire']], ['length' => 'How long do you need it for?'])->says('just the weekend');
        self::assertStringContainsString('two days', $call->heard());
        $call = Conversation::asking(['windows' => ['type' => 'integer', 'title' => 'Windows']], ['windows' => 'How many windows?'])->says('one upstairs and one down');
        self::assertStringContainsString('two windows', $call->heard());
        $call = Conversation::asking(['share' => ['type' => 'number', 'title' => 'Share'], 'day' => ['type' => 'string', 'format' => 'date', 'title' => 'Day']], ['share' => 'What share is yours?', 'day' => 'Which day?'])->says('two and a half');
        self::assertSame(2.5, $call->value('share'));
    }

    public function testAWeekendIsALengthByCustom(): void
    {
        $call = Conversation::asking(['length' => ['type' => 'string', 'format' => 'duration', 'title' => 'Length']], ['length' => 'How long for?']);

        self::assertStringContainsString('two days', $call->says('just the weekend')->heard());
        self::assertSame('P2D', $call->says('yes')->value('length'));
    }

    public function testAWholeNumberIsWhole(): void
    {
        $call = self::stay('For how many weeks?')->says('Friday', 'a week and a half');
        self::assertNull($call->value('nights'));
        self::assertStringContainsString('whole number', $call->heard());
        self::assertSame(2, $call->says('two then')->value('nights'));
        self::assertNull(self::stay('For how many weeks?')->says('Friday', 'ten days')->value('nights'));
    }

    #[TestWith(['ninety minutes', 1.5])]
    #[TestWith(['half an hour', 0.5])]
    #[TestWith(['half a day', 12])]
    public function testHours(string $said, int|float $hours): void
    {
        $call = Conversation::asking(['long' => ['type' => 'number', 'title' => 'Hours']], ['long' => 'How many hours do you need?']);

        self::assertSame($hours, $call->says($said)->value('long'), $call->heard());
    }

    #[TestWith(['same day, leaving there at half two', '2027-01-23T14:30'])]
    #[TestWith(['the same evening, about six', '2027-01-23T18:00'])]
    #[TestWith(['the next day at noon', '2027-01-24T12:00'])]
    #[TestWith(['two days later, same time', '2027-01-25T08:45'])]
    #[TestWith(['the twenty fifth at ten at night', '2027-01-25T22:00'])]
    public function testWhenOneComesBack(string $said, string $back): void
    {
        $call = self::trip()->says('the twenty third of January, quarter to nine', $said);

        self::assertSame($back, $call->value('back'), $call->heard());
    }

    public function testAnHourAloneIsOfThatDayAndReadBack(): void
    {
        $call = self::trip()->says('the twenty third of January, quarter to nine', 'half past four');
        self::assertStringContainsString('twenty third of January', $call->heard());
        self::assertSame('2027-01-23T16:30', $call->says('yes')->value('back'));
    }

    public function testTheSameDayWithoutItsHourIsAskedForIt(): void
    {
        $call = self::trip()->says('the twenty third of January, quarter to nine', 'the same day');

        self::assertNull($call->value('back'));
        self::assertStringContainsString('time', $call->heard());
    }

    #[TestWith(['since 2018', 'P8Y'])]
    #[TestWith(['since January', 'P2M'])]
    #[TestWith(['since last Tuesday', 'P7D'])]
    #[TestWith(['coming up to four years', 'P4Y'])]
    #[TestWith(['just over a year', 'P1Y'])]
    public function testHowLongIsReckonedAndReadBack(string $said, string $length): void
    {
        $call = Conversation::asking(['long' => ['type' => 'string', 'format' => 'duration', 'title' => 'Length']], ['long' => 'How long have you been with them?'])->says($said);
        self::assertStringContainsString('?', $call->heard());
        self::assertSame($length, $call->says('yes')->value('long'), $call->heard());
    }

    /** A birthday is no day of birth. */
    public function testTheYearOfABirthIsAskedFor(): void
    {
        $call = Conversation::asking(['born' => ['type' => 'string', 'format' => 'date', 'title' => 'Born']], ['born' => 'What is your date of birth?'])->says('the fourth of September');
        self::assertNull($call->value('born'));
        self::assertStringContainsString('year', $call->heard());
        self::assertSame('1971-09-04', $call->says('nineteen seventy one')->value('born'));
        self::assertSame('1981-03-03', Conversation::asking(['born' => ['type' => 'string', 'format' => 'date', 'title' => 'Born']], ['born' => 'What is your date of birth?'])->says('nineteen eighty one, the third of March')->value('born'));
    }

    #[TestWith(['the week before Christmas', '2025-12-18'])]
    #[TestWith(['the last Saturday before Christmas', '2025-12-20'])]
    #[TestWith(['this morning', '2026-03-10'])]
    #[TestWith(['yesterday', '2026-03-09'])]
    #[TestWith(['the ninth of March', '2026-03-09'])]
    #[TestWith(['the eleventh of March', '2025-03-11'])]
    #[TestWith(['the tenth of March', '2026-03-10'])]
    public function testWhatHasBeenIsNotAhead(string $said, string $day): void
    {
        $call = Conversation::asking(['moved' => ['type' => 'string', 'format' => 'date', 'title' => 'Moved in']], ['moved' => 'When did you move in?'])->says($said);
        if ($call->state->mode === Mode::Confirm) {
            $call->says('yes');
        }

        self::assertSame($day, $call->value('moved'), $call->heard());
    }

    /** Half eleven of what began at seven in the evening is of the evening; what begins is told by nothing before it. */
    #[TestWith(['And until when?', '23:30'])]
    #[TestWith(['And when does the band come?', '11:30'])]
    public function testWhatEndsDoesSoAfterItBegan(string $question, string $time): void
    {
        $call = Conversation::asking(
            ['begins' => ['type' => 'string', 'format' => 'time', 'title' => 'Begins'], 'second' => ['type' => 'string', 'format' => 'time', 'title' => 'Second']],
            ['begins' => 'From what time?', 'second' => $question],
        )->says('seven in the evening', 'half eleven');
        if ($call->state->mode === Mode::Confirm) {
            $call->says('yes');
        }

        self::assertSame(['19:00', $time], [$call->value('begins'), $call->value('second')], $call->heard());
    }

    #[TestWith(['nothing under fourteen', 14])]
    #[TestWith(['between twelve and fourteen', 12])]
    #[TestWith(['fourteen fifty minimum', 14.5])]
    public function testTheLeastSomebodyWouldEarn(string $said, int|float $sum): void
    {
        $call = Conversation::asking(['pay' => ['type' => 'string', 'format' => 'money', 'title' => 'Pay']], ['pay' => 'What would you like to earn an hour?'])->says($said);

        self::assertSame($sum, ((array) $call->value('pay'))['amount'] ?? null, $call->heard());
    }

    #[TestWith(['no', 0])]
    #[TestWith(['no kids', 0])]
    #[TestWith(["we haven't any", 0])]
    #[TestWith(['just the little one', 1])]
    #[TestWith(['only him', 1])]
    #[TestWith(['just the princess', 1])]
    #[TestWith(['just the boys', null])]
    #[TestWith(['just the boy and his cousin', null])]
    #[TestWith(['just after the others come', null])]
    #[TestWith(['the little one', null])]
    #[TestWith(['just the girl that my sister brings along', null])]
    #[TestWith(['no idea', null])]
    public function testNoneAndOneWithoutANumber(string $said, ?int $count): void
    {
        $call = Conversation::asking(['kids' => ['type' => 'integer', 'title' => 'Children']], ['kids' => 'And children?'])->says($said);

        self::assertSame($count, $call->value('kids'), $call->heard());
    }

    private static function stay(string $asks): Conversation
    {
        return Conversation::asking(
            ['arrival' => ['type' => 'string', 'format' => 'date', 'title' => 'Arrival'], 'nights' => ['type' => 'integer', 'title' => 'How long']],
            ['arrival' => 'When will you come?', 'nights' => $asks],
        );
    }

    private static function trip(): Conversation
    {
        return Conversation::asking(
            ['out' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Leaves'], 'back' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Comes back']],
            ['out' => 'When would you like to leave?', 'back' => 'And when do you come back?'],
        );
    }
}
