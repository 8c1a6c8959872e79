<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** Values that depend on what was asked: the moment of the call, large and small sums, the number one rings from, days that are not the one meant. */
final class ToldInOtherWordsTest extends TestCase
{
    private const FIELDS = [
        'pick' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Pick-up'],
        'rent' => ['type' => 'string', 'format' => 'money', 'title' => 'Rent'],
        'fare' => ['type' => 'string', 'format' => 'money', 'title' => 'Pay an hour'],
        'miles' => ['type' => 'number', 'title' => 'Miles'],
        'phone' => ['type' => 'string', 'format' => 'phone', 'title' => 'Phone'],
        'since' => ['type' => 'string', 'format' => 'date', 'title' => 'Since', 'x-bounds' => ['when' => 'past']],
        'born' => ['type' => 'string', 'format' => 'date', 'title' => 'Date of birth', 'x-bounds' => ['when' => 'past']],
        'height' => ['type' => 'number', 'title' => 'Height in metres'],
        'trees' => ['type' => 'integer', 'title' => 'Trees'],
        'shoot' => ['type' => 'string', 'format' => 'date', 'title' => 'Day'],
        'length' => ['type' => 'string', 'format' => 'duration', 'title' => 'How long'],
        'waste' => ['type' => 'string', 'title' => 'Waste', 'enum' => ['take', 'leave'], 'x-labels' => ['take' => 'take it away', 'leave' => 'leave it']],
        'note' => ['type' => 'string', 'title' => 'Message'],
        'house' => ['type' => 'string', 'format' => 'money', 'title' => 'Price of the house'],
        'most' => ['type' => 'string', 'format' => 'money', 'title' => 'Most to spend'],
        'tall' => ['type' => 'number', 'title' => 'Height in centimetres'],
        'day' => ['type' => 'string', 'title' => 'Class', 'enum' => ['mon', 'wed', 'sat'], 'x-labels' => ['mon' => 'Monday', 'wed' => 'Wednesday', 'sat' => 'Saturday']],
        'email' => ['type' => 'string', 'format' => 'email', 'title' => 'E-mail'],
        'make' => ['type' => 'string', 'title' => 'Make'],
        'from' => ['type' => 'string', 'format' => 'time', 'title' => 'From'],
        'until' => ['type' => 'string', 'format' => 'time', 'title' => 'Until'],
        'guests' => ['type' => 'integer', 'title' => 'Guests'],
        'who' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name'],
        'beds' => ['type' => 'integer', 'title' => 'Bedrooms'],
        'children' => ['type' => 'integer', 'title' => 'Children'],
        'lesson' => ['type' => 'string', 'format' => 'duration', 'title' => 'Length of lesson'],
        'seen' => ['type' => 'boolean', 'title' => 'Been before'],
        'name' => ['type' => 'string', 'title' => 'Pet'],
        'age' => ['type' => 'string', 'format' => 'duration', 'title' => 'Age'],
    ];

    #[TestWith(['now please', '2026-03-10T09:14'])]
    #[TestWith(['as soon as you can', '2026-03-10T09:14'])]
    #[TestWith(['not now, tomorrow at ten', '2026-03-11T10:00'])]
    #[TestWith(["I can't right now|tomorrow at ten", '2026-03-11T10:00'])]
    #[TestWith(['one evening next week|Tuesday at six', '2026-03-17T18:00'])]
    public function testTheMomentOfTheCall(string $said, string $moment): void
    {
        self::assertSame($moment, Conversation::asking(self::FIELDS, ['pick' => 'When do you want to go?'])->says(...explode('|', $said))->value('pick'));
    }

    #[TestWith(['rent', 'Up to how much rent a month?', 'eight fifty tops', 850])]
    #[TestWith(['rent', 'Up to how much rent a month?', 'eight pounds fifty', 8.5])]
    #[TestWith(['fare', 'What do you want an hour?', 'twelve fifty', 12.5])]
    #[TestWith(['house', 'What price was agreed?', 'three hundred and twenty five', 325000])]
    #[TestWith(['house', 'What price was agreed?', 'two fifty', 250000])]
    #[TestWith(['house', 'What price was agreed?', 'half a million', 500000])]
    #[TestWith(['most', 'What is the most you would pay?', "I don't want to go over a hundred and fifty", 150])]
    public function testHundredsOrPoundsAndPence(string $field, string $question, string $said, int|float $amount): void
    {
        self::assertEquals(['amount' => $amount, 'currency' => 'GBP'], Conversation::asking(self::FIELDS, [$field => $question])->says($said)->value($field));
    }

    public function testAVagueSumIsNoDistance(): void
    {
        $call = Conversation::asking(self::FIELDS, ['fare' => 'What do you want an hour?', 'miles' => 'How many miles would you travel?'])->says('fifteen an hour at least');

        self::assertNull($call->value('miles'), $call->heard());
        self::assertStringContainsString('figure', $call->heard());
    }

    #[TestWith(["this one's fine", true])]
    #[TestWith(["you've got it on your screen", true])]
    #[TestWith(['call me back on the one I rang from please', true])]
    #[TestWith(['not this one', false])]
    #[TestWith(['a different number to this one', false])]
    #[TestWith(['my number is', false])]
    public function testTheNumberOneRingsFrom(string $said, bool $taken): void
    {
        $call = Conversation::asking(self::FIELDS, ['phone' => 'What is the best number for you?'])->says($said);

        self::assertSame($taken ? '+447700900123' : null, $call->value('phone'), $call->heard());
    }

    #[TestWith(['yes, he has been limping since Saturday', '2026-03-07'])]
    #[TestWith(['yes, could somebody see him today', null])]
    #[TestWith(['yes, and he comes out of hospital on Friday', null])]
    public function testOnlyWhatHasBeenTellsSinceWhen(string $said, ?string $since): void
    {
        $call = Conversation::asking(self::FIELDS, ['seen' => 'Have you been to us before?', 'since' => 'Since when?', 'born' => 'And the date of birth?'])->says($said);

        self::assertSame($since, $call->value('since'), $call->heard());
        self::assertNull($call->value('born'), 'nobody is born last week unasked');
    }

    #[TestWith(['eight foot', 2.4])]
    #[TestWith(['about thirty feet', 9.1])]
    #[TestWith(['ten metres', 10])]
    #[TestWith(['forty', 40])]
    public function testAMeasureIsReckonedOver(string $said, int|float $metres): void
    {
        self::assertSame($metres, Conversation::asking(self::FIELDS, ['height' => 'About how tall?'])->says($said)->value('height'));
    }

    #[TestWith(['six foot two', 188])]
    #[TestWith(['one metre eighty', 180])]
    #[TestWith(['one eighty', 180])]
    #[TestWith(['five eleven', 180])]
    public function testAHeightIsToldInMoreThanOneMeasure(string $said, int $centimetres): void
    {
        self::assertSame($centimetres, Conversation::asking(self::FIELDS, ['tall' => 'How tall is the tallest?'])->says($said)->value('tall'));
    }

    public function testWhatNamesNobodyCorrectsNoName(): void
    {
        $call = Conversation::asking(self::FIELDS, ['who' => 'What is the name?', 'day' => 'Monday, Wednesday or Saturday?', 'guests' => 'How many guests?'])->says('Gareth Moss', 'not Saturdays, whichever of the others');
        self::assertSame('Gareth Moss', $call->value('who'), $call->heard());

        self::assertSame('Gareth Voss', $call->says("sorry, it's Gareth Voss")->value('who'));
    }

    public function testAMeasureOfSomethingElseIsReadBack(): void
    {
        $call = Conversation::asking(self::FIELDS, ['trees' => 'How many trees are there?'])->says('about twenty metres of it');

        self::assertSame(Mode::Confirm, $call->state->mode, $call->heard());
    }

    public function testADayThatHasBeenIsNotTheOneInMindNorAWindowALength(): void
    {
        $call = Conversation::asking(self::FIELDS, ['shoot' => 'Which day did you have in mind?', 'length' => 'For how long?'])->says('she was born last Tuesday, so within the next fortnight really');

        self::assertSame([null, null], [$call->value('shoot'), $call->value('length')], $call->heard());
    }

    public function testOfTwoNumbersTheOneIsTakenThatCountsWhatIsAskedFor(): void
    {
        $call = Conversation::asking(self::FIELDS, ['seen' => 'Have you moved with us before?', 'beds' => 'How many bedrooms are there?'])->says("no, it's only a two bed flat and we're going about nine miles");

        self::assertSame(2, $call->value('beds'), $call->heard());
    }

    #[TestWith(['two, eight and eleven', 2])]
    #[TestWith(["three, they're five, seven and nine", 3])]
    #[TestWith(['eight and eleven', null])]
    public function testHowManyAndHowOldEachIs(string $said, ?int $children): void
    {
        self::assertSame($children, Conversation::asking(self::FIELDS, ['children' => 'How many children are there?'])->says($said)->value('children'));
    }

    public function testALengthInOtherUnitsThanTheQuestionNamesIsAnother(): void
    {
        $call = Conversation::asking(self::FIELDS, ['seen' => 'Do you have a licence yet?', 'lesson' => 'Would you like one hour or two at a time?'])->says("yes, I've had it two years");

        self::assertNull($call->value('lesson'), $call->heard());
    }

    public function testWhatEndsDoesSoAfterItBegan(): void
    {
        $call = Conversation::asking(self::FIELDS, ['shoot' => 'Which day is it?', 'from' => 'From what time?', 'until' => 'And until when?'])->says('Saturday, in the evening', 'seven', 'half eleven');

        self::assertSame(['19:00', '23:30'], [$call->value('from'), $call->value('until')], $call->heard());
    }

    #[TestWith(["I haven't got one"])]
    #[TestWith(['about two'])]
    public function testNeitherAPronounNorAnHourCountsAnybody(string $said): void
    {
        $call = Conversation::asking(self::FIELDS, ['pick' => 'When do you want to go?', 'guests' => 'How many of you?'])->says($said);

        self::assertNull($call->value('guests'), $call->heard());
    }

    public function testUpToAHundredGuestsAreAHundred(): void
    {
        self::assertSame(100, Conversation::asking(self::FIELDS, ['guests' => 'How many guests do you expect?'])->says('up to a hundred')->value('guests'));
    }

    #[TestWith(['none'])]
    #[TestWith(["I haven't got one"])]
    #[TestWith(['no'])]
    public function testWhoHasNoneIsNotAskedAgain(string $said): void
    {
        $call = Conversation::asking(self::FIELDS, ['email' => 'And your e-mail address?', 'guests' => 'How many guests?'])->says($said);

        self::assertSame('ask_guests', $call->state->step, $call->heard());
    }

    #[TestWith(['yes, actually no, they will be tired', false])]
    #[TestWith(['no, actually yes', true])]
    #[TestWith(['yes, no problem', true])]
    public function testWhatComesLastHolds(string $said, bool $meant): void
    {
        self::assertSame($meant, Conversation::asking(self::FIELDS, ['seen' => 'Would you like dinner with us?'])->says($said)->value('seen'));
    }

    public function testANoToWhenLeavesNothingOpen(): void
    {
        $call = Conversation::asking(self::FIELDS, ['pick' => 'When do you want to go?', 'guests' => 'How many guests?'])->says('no');

        self::assertSame('ask_pick', $call->state->step, $call->heard());
    }

    public function testAVehicleIsNoName(): void
    {
        $call = Conversation::asking(self::FIELDS, ['make' => 'What car is it?', 'who' => 'What is the name?'])->says('van');

        self::assertSame(['van', null], [$call->value('make'), $call->value('who')], $call->heard());
    }

    #[TestWith(['R. Osman', 'R Osman', false])]
    #[TestWith(['Pope', 'Pope', true])]
    public function testAnInitialAndAWordOfEverydayAreNames(string $said, string $name, bool $readBack): void
    {
        $call = Conversation::asking(self::FIELDS, ['who' => 'And your name?', 'guests' => 'How many guests?'])->says($said);

        self::assertSame($name, $call->value('who'), $call->heard());
        self::assertSame($readBack, $call->state->mode === Mode::Confirm);
    }

    public function testATitleComesBeforeASurname(): void
    {
        self::assertSame('Ryan', Conversation::asking(self::FIELDS, ['who' => 'And your name?'])->says('Mrs Ryan')->value('who'));
    }

    #[TestWith(['what lorry'])]
    #[TestWith(['how much did you say'])]
    public function testWhatWasSpokenOfIsSaidAgain(string $said): void
    {
        $call = Conversation::asking(self::FIELDS, ['seen' => 'The lorry costs forty pounds. Is that right?'])->says($said);

        self::assertStringContainsString('forty pounds', $call->heard());
        self::assertNull($call->value('seen'));
    }

    public function testAVerbIsNoPartOfAnOption(): void
    {
        $call = Conversation::asking(self::FIELDS, ['seen' => 'Have you been to us before?', 'waste' => 'Shall we take it away or leave it?'])->says('yes, and the hedge wants taking right down');

        self::assertNull($call->value('waste'), $call->heard());
    }

    #[TestWith(["I want to know what's on this Monday evening"])]
    #[TestWith(['just ask them when the pool opens'])]
    public function testAMessageThatAsksIsTakenWhole(string $said): void
    {
        $taken = Conversation::asking(self::FIELDS, ['note' => 'What is it about?'])->says($said)->value('note');

        self::assertStringContainsString((string) preg_replace('/^just /', '', $said), (string) $taken);
    }

    public function testANameIsNotGoneOnWith(): void
    {
        $call = Conversation::asking(self::FIELDS, ['name' => 'What is your pet called?', 'age' => 'How old is it?'])->says('Bruno', 'I got him from a farm in Wales');

        self::assertSame('Bruno', $call->value('name'), $call->heard());
    }
}
