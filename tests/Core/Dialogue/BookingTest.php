<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\CallState;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Diary\Diaries;
use Ringo\Diary\Start;
use Ringo\Rehearsal\SketchBook;

/** Times agreed in conversation: offered, chosen, held, booked, moved, cancelled. It is Tuesday the tenth of March 2026, 9.14. */
final class BookingTest extends TestCase
{
    private SketchBook $book;

    private CallState $state;

    private Engine $engine;

    private string $heard = '';

    private ?string $from = '+447700900123';

    protected function setUp(): void
    {
        $this->book = new SketchBook(Diaries::fromArray(['tz' => 'Europe/London', 'hours' => ['mon' => ['09:00-17:00'], 'tue' => ['09:00-17:00'], 'wed' => ['09:00-17:00'], 'thu' => ['09:00-17:00'], 'fri' => ['09:00-17:00']], 'services' => [['key' => 'tuning', 'label' => 'a tuning', 'minutes' => 60, 'step' => 60, 'notice_hours' => 2, 'ahead_days' => 40]], 'diaries' => [['key' => 'odo', 'name' => 'Odo Ferris', 'services' => ['tuning'], 'breaks' => ['daily' => ['12:00-13:00']]]]]));
        $this->begin();
    }

    public function testOffersHoldsAndBooks(): void
    {
        $this->says('I want a tuning');
        self::assertStringContainsString('When would suit you?', $this->heard);
        $this->says('Thursday if you can');
        self::assertMatchesRegularExpression('/nine.*Thursday.*Which/', $this->heard);
        $this->says('the second one');
        self::assertStringContainsString('Shall I book', $this->heard);
        self::assertNotNull($this->state->booking['held'] ?? null);
        $this->says('yes please');
        self::assertStringContainsString('booked', $this->heard);
        self::assertCount(1, $this->book->all());
        self::assertSame('2026-03-12', substr((string) $this->state->values['start']->value, 0, 10));
        self::assertNull($this->state->booking);
    }

    public function testWhatIsNotUnderstoodTakesNoPlaceAway(): void
    {
        $this->says('I want a tuning', 'Thursday at ten', 'asdf qwer zxcv');
        self::assertNotNull($this->state->booking['held'] ?? null);
        $this->says('yes');
        self::assertStringContainsString('booked', $this->heard);
        self::assertCount(1, $this->book->all());
    }

    public function testWhatWasVolunteeredIsNotAskedAgain(): void
    {
        $this->says('I would like a tuning on Friday morning');
        self::assertStringNotContainsString('When would suit', $this->heard);
        self::assertMatchesRegularExpression('/Friday/', $this->heard);
    }

    public function testSaysWhyAWishCannotBeMetAndWhatIsNearest(): void
    {
        $this->says('I want a tuning', 'tomorrow at twelve');
        self::assertStringContainsString('there is a break at that hour', $this->heard);
        self::assertMatchesRegularExpression('/eleven|one/', $this->heard);
        $this->says('one is fine', 'yes');
        self::assertSame('2026-03-11T13:00', $this->state->values['start']->value);
    }

    public function testANewWishReplacesTheOffer(): void
    {
        $this->says('I want a tuning', 'Thursday', 'none of those, what about Friday afternoon');
        self::assertStringContainsString('Friday', $this->heard);
        $this->says('three', 'no, make it two', 'yes');
        self::assertSame('2026-03-13T14:00', $this->state->values['start']->value);
    }

    public function testLaterAndTheEarliest(): void
    {
        $this->says('I want a tuning', 'the earliest you have');
        self::assertStringContainsString('Tuesday', $this->heard);
        $this->says('something later that day');
        self::assertStringContainsString('four', $this->heard);
    }

    public function testWhatIsFoundLaterOrEarlierIsBooked(): void
    {
        $this->says('I want a tuning', 'Thursday', 'anything later', 'the first one', 'yes');
        self::assertStringContainsString('booked', $this->heard);
        $this->begin();
        $this->says('I want a tuning', 'Friday afternoon', 'have you anything earlier', 'the first one', 'yes please');
        self::assertStringContainsString('booked', $this->heard);
        self::assertCount(2, $this->book->all());
    }

    public function testLaterInTheWeekIsAnotherDay(): void
    {
        $this->says('I want a tuning', 'next week', 'have you anything later in the week');
        self::assertStringNotContainsString('Monday', $this->heard);
        self::assertStringContainsString('Tuesday the seventeenth', $this->heard);
        $this->says('a bit earlier in the week');
        self::assertStringContainsString('Monday the sixteenth', $this->heard);
    }

    public function testTimesOfADayStandBeforeIt(): void
    {
        $this->says('I want a tuning', 'Thursday or Friday, at ten or four');
        self::assertSame(['12 10:00', '12 16:00', '13 10:00'], array_map(static fn (array $one): string => gmdate('j H:i', $one[0]), $this->state->booking['offered'] ?? []));
        self::assertMatchesRegularExpression('/ten o.clock or four o.clock on Thursday the twelfth of March, or ten o.clock on Friday/', $this->heard);
    }

    public function testTheWeekAfterIsThatAfterTheBookingThatIsMoved(): void
    {
        $this->book->book('another', 'tuning', [new Start(strtotime('2026-03-19T14:00Z'), 'odo')], ['name' => null, 'number' => $this->from, 'area' => null, 'note' => '']);
        $this->says('move my appointment please', 'could we do the week after instead');
        self::assertSame('23', gmdate('j', $this->state->booking['offered'][0][0] ?? 0), $this->heard);
        $this->begin();
        $this->says('move my appointment please', 'a day later would be better');
        self::assertSame('20', gmdate('j', $this->state->booking['offered'][0][0] ?? 0), $this->heard);
    }

    public function testOneIsNoHourWhereItStandsForAThing(): void
    {
        $this->says("I'd like to book one, a tuning");
        self::assertStringContainsString('When would suit you?', $this->heard);
        $this->says('Thursday at one', 'yes');
        self::assertSame('2026-03-12T13:00', $this->state->values['start']->value ?? null);
    }

    public function testWhatIsThereOnADayIsAWish(): void
    {
        $this->says('I want a tuning', 'what have you got on the twelfth');
        self::assertStringContainsString('Thursday the twelfth', $this->heard);
        $this->says("either, I don't mind", 'yes');
        self::assertStringContainsString('booked', $this->heard);
        self::assertSame('2026-03-12T09:00', $this->state->values['start']->value ?? null);
    }

    public function testAnotherOfThoseOfferedIsTakenInItsPlace(): void
    {
        $this->says('I want a tuning', 'Thursday', 'the first one', 'no wait, the second', 'yes');
        self::assertSame('2026-03-12T11:00', $this->state->values['start']->value ?? null);
        $this->begin();
        $this->says('I want a tuning', 'Friday', 'no, the last one', 'yes');
        self::assertSame('2026-03-13', substr((string) ($this->state->values['start']->value ?? ''), 0, 10));
    }

    public function testWhyThereIsNothingIsSaidOnce(): void
    {
        $this->says('I want a tuning', 'Sunday');
        self::assertStringContainsString('losed', $this->heard);
        $this->says('none of those');
        self::assertStringNotContainsString('losed', $this->heard);
        self::assertStringContainsString('Would one of those do?', $this->heard);
    }

    public function testWhenTheyDoNotMindTheEarliestAreOffered(): void
    {
        foreach (['whenever suits you', 'when can you come?', 'what have you got', "what's available", 'you tell me', 'how soon could you do it', "we're flexible"] as $said) {
            $this->begin();
            $this->says('I want a tuning', $said);
            self::assertStringContainsString('Tuesday the tenth', $this->heard, $said);
        }
    }

    public function testWhatIsMeantIsExplained(): void
    {
        $this->says('I want a tuning', 'what do you mean?');
        self::assertStringContainsString('Tuesday afternoon', $this->heard);
    }

    public function testNothingEarlierIsSaidSo(): void
    {
        $this->says('I want a tuning', 'Thursday', 'have you anything earlier');
        self::assertStringContainsString('nothing earlier that day', $this->heard);
    }

    public function testAnHourIsMeantOfTheDayThatWasOffered(): void
    {
        $this->says('I want a tuning', 'the earliest you have', 'three is fine', 'yes');
        self::assertSame('2026-03-10T15:00', $this->state->values['start']->value ?? null);
    }

    public function testIsThatTheEarliestIsAnswered(): void
    {
        $this->says('I want a tuning', 'Thursday', 'is that the earliest?');
        self::assertStringContainsString('Tuesday', $this->heard);
        $this->says('is that the earliest?');
        self::assertMatchesRegularExpression('/earliest I have is .*Tuesday/', $this->heard);
        $this->says('the first one');
        self::assertStringContainsString('Tuesday', $this->heard);
    }

    public function testAWishHeldToIsLookedForAgain(): void
    {
        $this->says('I want a tuning', 'Sunday');
        self::assertStringContainsString('losed', $this->heard);
        $this->says('Sunday, I could do no other day');
        self::assertStringContainsString('losed', $this->heard);
    }

    public function testSomebodyQuickerIsToldOfAndTheNearestOffered(): void
    {
        $this->says('I want a tuning', 'tomorrow');
        self::assertTrue($this->book->hold('another', 'tuning', [new Start(strtotime('2026-03-11T11:00Z'), 'odo')], null));
        $this->says('the second one please');
        self::assertStringContainsString('just taken', $this->heard);
        self::assertStringContainsString('Wednesday', $this->heard);
        $this->says('nine', 'yes');
        self::assertSame('2026-03-11T09:00', $this->state->values['start']->value);
    }

    public function testAHangUpFreesWhatIsHeld(): void
    {
        $this->says('I want a tuning', 'tomorrow at ten');
        self::assertFalse($this->book->hold('another', 'tuning', [new Start(strtotime('2026-03-11T10:00Z'), 'odo')], null));
        $this->state = $this->engine->step($this->state, Event::hungUp(90.0))->state;
        self::assertTrue($this->book->hold('another', 'tuning', [new Start(strtotime('2026-03-11T10:00Z'), 'odo')], null));
    }

    public function testABookingIsMovedAndCancelled(): void
    {
        $this->says('I want a tuning', 'tomorrow at ten', 'yes');
        self::assertCount(1, $this->book->all());
        $this->begin();
        $this->says('I need to move my appointment');
        self::assertStringContainsString('Wednesday', $this->heard);
        $this->says('Thursday at two', 'yes');
        self::assertStringContainsString('moved', $this->heard);
        self::assertSame('2026-03-12 14:00', gmdate('Y-m-d H:i', $this->book->all()[0]->start->at));
        $this->begin();
        $this->says('please cancel my appointment');
        self::assertStringContainsString('Shall I cancel', $this->heard);
        $this->says('no');
        self::assertCount(1, $this->book->all());
        $this->begin();
        $this->says('please cancel my appointment', 'yes');
        self::assertSame([], $this->book->all());
    }

    public function testAStrangerHasNothingToCancel(): void
    {
        $this->says('please cancel my appointment');
        self::assertStringContainsString('cannot find a booking', $this->heard);
    }

    public function testTooNearToChange(): void
    {
        $this->says('I want a tuning', 'today at three', 'yes');
        $this->begin();
        $this->says('please cancel my appointment');
        self::assertStringContainsString('less than 24 hours', $this->heard);
        self::assertCount(1, $this->book->all());
    }

    public function testASideQuestionComesBackToTheOffer(): void
    {
        $this->says('I want a tuning', 'Thursday');
        $offered = $this->state->booking['offered'] ?? [];
        $this->says('are you a real person');
        self::assertSame($offered, $this->state->booking['offered'] ?? []);
        $this->says('the first', 'yes');
        self::assertCount(1, $this->book->all());
    }

    public function testTheStateGoesThroughItsArrayAtEveryTurn(): void
    {
        foreach (['I want a tuning', 'Thursday morning', 'no, Friday', 'the last one', 'yes'] as $words) {
            $this->says($words);
            $this->state = CallState::fromArray(json_decode(json_encode($this->state->toArray(), JSON_THROW_ON_ERROR), true, 64, JSON_THROW_ON_ERROR));
        }
        self::assertCount(1, $this->book->all());
    }

    /** Each of two days that are named is heard of. */
    public function testOfTwoDaysBothAreOffered(): void
    {
        $this->says('I want a tuning', 'I am free on Wednesday and on Friday this week');
        self::assertMatchesRegularExpression('/Wednesday.*Friday/', $this->heard);
    }

    /** 'Not this week' leaves one of those offered, and 'the Tuesday' is none of this week. */
    public function testWhatWasRuledOutStaysOut(): void
    {
        $this->says('I want a tuning', 'Thursday or Tuesday', 'not this week', 'the Thursday');
        self::assertStringContainsString('nineteenth', $this->heard);
    }

    public function testASeriesIsBookedWhole(): void
    {
        $this->says('I want a tuning every other Thursday at ten, three times');
        self::assertMatchesRegularExpression('/ten.*Thursday/', $this->heard);
        $this->says('yes');
        self::assertStringContainsString('every other week, 3 times, the last on', $this->heard);
        self::assertFalse($this->book->hold('another', 'tuning', [new Start(strtotime('2026-03-26T10:00Z'), 'odo')], null), 'each of them is held');
        $this->says('yes please');
        self::assertSame(['2026-03-12 10:00', '2026-03-26 10:00', '2026-04-09 09:00'], array_map(static fn ($one): string => gmdate('Y-m-d H:i', $one->start->at), $this->book->all()), 'ten by the clock, also in summer time');
        self::assertSame('2026-03-12T10:00', $this->state->values['start']->value);
        self::assertCount(3, $this->state->booked);
    }

    public function testWhatClashesInASeriesIsSaidAndTheOthersBooked(): void
    {
        $this->book->book('another', 'tuning', [new Start(strtotime('2026-03-19T10:00Z'), 'odo')], ['name' => 'Perrin Oake', 'number' => null, 'area' => null, 'note' => '']);
        $this->says('I want a tuning', 'weekly, Thursday at ten');
        self::assertStringContainsString('How many times', $this->heard);
        $this->says('four');
        $this->says('yes');
        self::assertMatchesRegularExpression('/not on .*nineteenth.*taken.*other 3/', $this->heard);
        $this->says('yes');
        self::assertCount(4, $this->book->all());
    }

    public function testCountingOnlyMakesNoSeries(): void
    {
        $this->says('I want a tuning, I have tried to ring you three times', 'Thursday at ten');
        self::assertNull($this->state->booking['series'] ?? null);
        $this->says('yes');
        self::assertCount(1, $this->book->all());
    }

    public function testFoundByReference(): void
    {
        $this->says('I want a tuning', 'tomorrow at ten', 'yes');
        $this->from = null;
        $this->begin();
        $this->says('I need to move my appointment');
        self::assertStringContainsString('reference', $this->heard);
        $this->says('it is R H B two zero one');
        self::assertMatchesRegularExpression('/Wednesday/', $this->heard);
        $this->says('Thursday at two', 'yes');
        self::assertSame('2026-03-12 14:00', gmdate('Y-m-d H:i', $this->book->all()[0]->start->at));
    }

    public function testFoundByNameAndDay(): void
    {
        $this->book->book('another', 'tuning', [new Start(strtotime('2026-03-12T11:00Z'), 'odo')], ['name' => 'Perrin Oake', 'number' => null, 'area' => null, 'note' => '']);
        $this->says('I need to move my appointment', "I haven't got it here", 'Perrin Oake');
        self::assertStringContainsString('which day', $this->heard);
        $this->says('this Thursday');
        self::assertMatchesRegularExpression('/eleven.*Thursday.*When would you like instead/', $this->heard);
        $this->says('Friday at two', 'yes');
        self::assertSame('2026-03-13 14:00', gmdate('Y-m-d H:i', $this->book->all()[0]->start->at));
    }

    public function testANameAloneOpensNothing(): void
    {
        $this->book->book('another', 'tuning', [new Start(strtotime('2026-03-12T11:00Z'), 'odo')], ['name' => 'Perrin Oake', 'number' => null, 'area' => null, 'note' => '']);
        $this->says('I need to move my appointment', 'Perrin Oake, on Friday');
        self::assertStringContainsString('nothing under that', $this->heard);
        $this->says('Marcus Thorne, on Thursday');
        self::assertStringContainsString('cannot find a booking', $this->heard);
    }

    public function testOfSeveralBookingsOneIsChosen(): void
    {
        $for = ['name' => null, 'number' => $this->from, 'area' => null, 'note' => ''];
        $this->book->book('another', 'tuning', [new Start(strtotime('2026-03-12T11:00Z'), 'odo'), new Start(strtotime('2026-03-17T09:00Z'), 'odo')], $for);
        $this->says('please cancel my appointment');
        self::assertMatchesRegularExpression('/You have .*twelfth.* or .*seventeenth/', $this->heard);
        $this->says('the one on the seventeenth', 'yes');
        self::assertSame(['2026-03-12'], array_map(static fn ($one): string => gmdate('Y-m-d', $one->start->at), $this->book->all()));
    }

    public function testOfSeveralBookingsOneIsKeyed(): void
    {
        $for = ['name' => null, 'number' => $this->from, 'area' => null, 'note' => ''];
        $this->book->book('another', 'tuning', [new Start(strtotime('2026-03-12T11:00Z'), 'odo'), new Start(strtotime('2026-03-17T09:00Z'), 'odo')], $for);
        $this->says('please cancel my appointment');
        $this->state = $this->engine->step($this->state, Event::keys('2', $this->state->clock + 3))->state;
        $this->says('yes');
        self::assertSame(['2026-03-12'], array_map(static fn ($one): string => gmdate('Y-m-d', $one->start->at), $this->book->all()));
    }

    public function testTimesOfferedAreApart(): void
    {
        $this->says('I want a tuning', 'Thursday morning');
        self::assertSame(['09:00', '11:00'], array_map(static fn (array $one): string => gmdate('H:i', $one[0]), $this->state->booking['offered'] ?? []));
    }

    public function testNothingSuitsAndTheCallerWaits(): void
    {
        $this->says('I want a tuning', 'Thursday', 'no, put me on the waiting list please');
        self::assertStringContainsString('on the waiting list', $this->heard);
        self::assertSame('tuning', $this->book->waiting()[0]['service']);
        self::assertSame([['2026-03-12', '2026-03-12']], $this->book->waiting()[0]['wish']['days'] ?? null);
    }

    public function testTheWaitingListIsOfferedWhereNothingSuits(): void
    {
        $this->says('I want a tuning', 'Thursday', 'none of those', 'none of those', 'none of those', 'none of those');
        self::assertStringContainsString('waiting list', $this->heard);
        $this->says('no');
        self::assertSame([], $this->book->waiting());
        self::assertNull($this->state->booking);
    }

    public function testTheSameTimeAsLastTime(): void
    {
        $this->book->book('another', 'tuning', [new Start(strtotime('2026-03-03T14:00Z'), 'odo')], ['name' => null, 'number' => $this->from, 'area' => null, 'note' => '']);
        $this->says('I want a tuning', 'Thursday, the same time as last time', 'yes');
        self::assertSame('2026-03-12T14:00', $this->state->values['start']->value ?? null);
    }

    private function begin(): void
    {
        $finish = static fn (string $key): array => ['key' => $key, 'kind' => 'finish', 'prompt' => 'Goodbye.', 'outcome' => $key];
        $script = ScriptDocument::fromArray([
            'agent' => ['name' => 'Fern', 'business' => 'Ferris Pianos', 'tz' => 'Europe/London'],
            'sheet' => ['type' => 'object', 'properties' => ['start' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Appointment']]],
            'first' => 'open',
            'steps' => [
                ['key' => 'open', 'kind' => 'listen', 'prompt' => 'How can I help?', 'topics' => [
                    ['key' => 'book', 'label' => 'a tuning', 'description' => 'booking a tuning', 'next' => 'agree'],
                    ['key' => 'change', 'label' => 'moving an appointment', 'description' => 'changing the time of an appointment', 'phrases' => ['move my appointment'], 'next' => 'move'],
                    ['key' => 'cancel', 'label' => 'cancelling', 'description' => 'cancelling an appointment', 'phrases' => ['cancel my appointment'], 'next' => 'drop'],
                ]],
                ['key' => 'agree', 'kind' => 'book', 'does' => 'book', 'service' => 'tuning', 'field' => 'start', 'prompt' => 'When would suit you?', 'next' => 'done', 'none' => 'sorry', 'series' => 8, 'waiting' => 'listed'],
                ['key' => 'move', 'kind' => 'book', 'does' => 'change', 'field' => 'start', 'prompt' => 'When would you like instead?', 'next' => 'done', 'none' => 'sorry', 'find' => ['number', 'reference', 'name']],
                ['key' => 'drop', 'kind' => 'book', 'does' => 'cancel', 'prompt' => 'Cancelling.', 'notice_hours' => 24, 'next' => 'done', 'none' => 'sorry'],
                $finish('done'), $finish('sorry'), $finish('listed'),
            ],
        ])->script;
        $this->engine = Engine::for($script, appointments: $this->book);
        $fresh = (new Opening($script))->state('call'.mt_rand(), new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), '1', $this->from, null, ['known' => false]);
        $this->state = $this->engine->step($fresh, Event::started())->state;
    }

    private function says(string ...$lines): void
    {
        foreach ($lines as $line) {
            $outcome = $this->engine->step($this->state, Event::said($line, $this->state->clock + 5));
            $this->state = $outcome->state;
            $this->heard = $outcome->spoken();
        }
    }
}
