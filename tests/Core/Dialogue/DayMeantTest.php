<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Days that are whole only with what was told before them; the call is held on Tuesday 10 March 2026. */
final class DayMeantTest extends TestCase
{
    #[TestWith(['a fortnight later', '2026-08-17'])]
    #[TestWith(['two weeks', '2026-08-17'])]
    #[TestWith(['ten nights', '2026-08-13'])]
    #[TestWith(['three nights later', '2026-08-06'])]
    #[TestWith(['the day after', '2026-08-04'])]
    #[TestWith(['the Sunday', '2026-08-09'])]
    #[TestWith(['on the first', '2026-09-01'])]
    #[TestWith(['the eighth', '2026-08-08'])]
    #[TestWith(['the Friday after', '2026-08-07'])]
    #[TestWith(['the twentieth of September', '2026-09-20'])]
    public function testTheEndIsReckonedFromTheBeginning(string $said, string $day): void
    {
        $call = self::stay('Which day would they arrive?', 'And when are you fetching them?')->says('the third of August', $said);

        self::assertSame('2026-08-03', $call->value('arrive'));
        self::assertSame($day, $call->value('second'));
    }

    #[TestWith(['till the end of the month', 'P17D'])]
    #[TestWith(['until the end of April', 'P47D'])]
    #[TestWith(['until the twentieth', 'P6D'])]
    public function testALengthIsToldByItsEnd(string $said, string $length): void
    {
        $call = Conversation::withMaren()->says('I want to hire a mini digger from the fourteenth', $said);

        self::assertSame(['2026-03-14', $length], [$call->value('start_date'), $call->value('hire_length')], $call->heard());
    }

    public function testADayThatEndsNothingIsReckonedFromToday(): void
    {
        $call = self::stay('Which day would they arrive?', 'And which day shall we ring you?')->says('the third of August', 'on Thursday');

        self::assertSame('2026-03-12', $call->value('second'));
    }

    public function testNothingToComeIsReckonedFromADayOfBirth(): void
    {
        $call = self::stay('What is your date of birth?', 'And when would you like to come?')->says('the third of May 1980', 'the following Friday');

        self::assertSame('2026-03-13', $call->value('second'), $call->heard());
    }

    public function testTheMonthThatWasToldAloneIsMeant(): void
    {
        $call = self::stay('When would you like to come?', 'And when would you leave?', 'What sort of room is it?')
            ->says("a double, we're away in June", 'the sixth', 'the twentieth');

        self::assertSame('2026-06-06', $call->value('arrive'));
        self::assertSame('2026-06-20', $call->value('second'));
    }

    public function testOverChristmasIsNoDay(): void
    {
        self::assertNull(self::stay('Which day would they arrive?', 'And when are you leaving?')->says('over Christmas')->value('arrive'));
    }

    /** @param list<string> $said */
    #[TestWith([['next week some time', 'Tuesday'], '2026-03-17'])]
    #[TestWith([['over Easter', 'the sixth of April'], '2026-04-06'])]
    public function testDaysToChooseFromAreAskedAbout(array $said, string $day): void
    {
        $call = self::stay('Which day would they arrive?', 'And when are you leaving?')->says($said[0]);
        self::assertSame('Which day would that be?', end($call->spoken));

        self::assertSame($day, $call->says($said[1])->value('arrive'));
    }

    public function testThePartOfTheDayIsKeptUntilTheHourIsTold(): void
    {
        $call = Conversation::asking(['visit' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Visit']], ['visit' => 'When shall we come?'])
            ->says('next week', 'Wednesday', 'in the evening', 'seven');

        self::assertSame('2026-03-18T19:00', $call->value('visit'), $call->heard());
    }

    public function testADayWithAnyHourIsAskedOnFrom(): void
    {
        $call = Conversation::asking([
            'visit' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Visit'],
            'panes' => ['type' => 'number', 'title' => 'Panes'],
        ], ['visit' => 'When shall we come?', 'panes' => 'How many panes are there?'])->says('Friday would be best, any time', 'nine');

        self::assertSame('2026-03-13T09:00', $call->value('visit'), $call->heard());
        self::assertNull($call->value('panes'), 'an hour counts no panes');
    }

    private static function stay(string $arrive, string $leave, ?string $first = null): Conversation
    {
        return Conversation::asking([
            'kind' => ['type' => 'string', 'title' => 'Kind of room'],
            'arrive' => ['type' => 'string', 'format' => 'date', 'title' => 'Arriving'],
            'second' => ['type' => 'string', 'format' => 'date', 'title' => 'The other day'],
        ], [...($first === null ? [] : ['kind' => $first]), 'arrive' => $arrive, 'second' => $leave]);
    }
}
