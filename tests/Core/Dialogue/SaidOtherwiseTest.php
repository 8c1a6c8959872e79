<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** Callers who do not answer in the words, or in the order, that the question waits for. */
final class SaidOtherwiseTest extends TestCase
{
    public function testAReplyThatTellsMoreOfTheMatterChoosesAmongTheTopics(): void
    {
        $call = self::starter('triage')->says("it's doing that thing again, you know");
        self::assertSame(Mode::Clarify, $call->state->mode);
        $call->says("I don't know");
        self::assertSame('danger', $call->state->step, 'who does not know is taken for urgent, where that is one of them');

        $late = self::starter('reservation')->says("we're going to be late for our booking", "we'll be more like half past");
        self::assertSame('change', $late->state->topic);
    }

    public function testANameSaysNothingOfTheMatter(): void
    {
        $document = json_decode((string) file_get_contents(__DIR__.'/calls/school.json'), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document)->says("hi it's about Noah, he's got a dentist appointment so he'll be late");
        self::assertContains('missing', $call->state->candidates, 'or this tries nothing');
        self::assertNotSame('missing', $call->says('Noah Pritchard')->state->topic);
        self::assertSame('Noah Pritchard', $call->value('child'), 'and answers what is asked next');
    }

    public function testWhatWasToldBeforeTheQuestionCountsOnceTheTopicIsKnown(): void
    {
        $call = self::starter('reservation')->says("it's about Friday the eleventh, four of us");
        self::assertSame(Mode::Clarify, $call->state->mode, $call->heard());
        $call->says('a new one please');
        self::assertSame('2026-12-11', $call->value('day'));
        self::assertSame(4, $call->value('people'));
    }

    /** @return iterable<string, array{string, bool}> */
    public static function alternatives(): iterable
    {
        yield 'the other one' => ['it can wait', false];
        yield 'the one the field is about' => ["it's urgent", true];
        yield 'the other one denied' => ["it can't wait", true];
        yield 'the one denied' => ["it's not urgent", false];
    }

    #[DataProvider('alternatives')]
    public function testOneOfTwoThatWereAskedAboutIsSaidAgain(string $said, bool $urgent): void
    {
        $call = self::starter('message')->says('the worktop is the wrong colour', $said);

        self::assertSame($urgent, $call->value('urgent'));
        self::assertSame('name', $call->state->step, 'nothing is put back');
    }

    public function testAloneANameOrANumberIsNoYesAndNoMessage(): void
    {
        $call = self::starter('triage')->says("it's an emergency", 'Tim');
        self::assertNull($call->value('danger'));
        self::assertSame('Tim', $call->value('caller_name'));
        $call->says('07700 900123');
        self::assertNull($call->value('danger'));
        self::assertSame('+447700900123', $call->value('phone'));

        $message = self::starter('reception')->says('something went wrong with my order', "it's Jo Bell");
        self::assertNull($message->value('details'));
        self::assertSame('Jo Bell', $message->value('caller_name'));
    }

    public function testANameThatIsAWordIsAMessage(): void
    {
        foreach (['Grace', 'mini digger', 'summer hire'] as $words) {
            $call = self::starter('reception')->says('I have a query on my invoice', $words);
            self::assertNull($call->value('caller_name'), $words);
        }
    }

    public function testTwiceUnclearIsAskedAfreshAndNotTurned(): void
    {
        $call = self::starter('triage')->says("it's an emergency", 'no hot water or heating since last night');
        self::assertSame(Mode::Confirm, $call->state->mode, $call->heard());
        $call->says('the green one with the hedge', 'round the back by the bins');
        self::assertNull($call->value('danger'), 'nobody said that anybody is in danger');
        self::assertSame('danger', $call->state->step);
    }

    public function testNobodyIsInDangerIsSaidAsPeopleSayIt(): void
    {
        $call = self::starter('triage')->says("it's an emergency", 'no hot water or heating since last night');

        self::assertStringContainsString('nobody is in danger', $call->heard());
    }

    public function testWhatIsToldOnBelongsToTheMessage(): void
    {
        $call = self::starter('reception')->says('is the manager about?', "I'd like to complain about a driver", 'he reversed over my flower bed yesterday');

        self::assertSame("I'd like to complain about a driver. he reversed over my flower bed yesterday", $call->value('details'));
        self::assertSame('name', $call->state->step);
        $call->says('Reg Tolliver');
        self::assertSame('Reg Tolliver', $call->value('caller_name'));
    }

    public function testWhoGoesOnHasNothingAgainstTheName(): void
    {
        $call = self::starter('reservation')->says('a table for two tonight', 'half seven', 'no', 'under Prenderley');
        self::assertSame(Mode::Confirm, $call->state->mode, $call->heard());
        $call->says('07700 900222');

        self::assertSame(['Prenderley', '+447700900222'], [$call->value('caller_name'), $call->value('phone')]);
    }

    public function testHalfSevenTonightIsInTheEvening(): void
    {
        $call = self::starter('reservation')->says('a table for two tonight', 'about half seven');
        self::assertSame('19:30', $call->value('time'));
        $morning = self::starter('reservation')->says('a table for two tomorrow', 'half seven in the morning');
        self::assertSame('07:30', $morning->value('time'));
    }

    public function testSomebodyIsAskedForByName(): void
    {
        foreach (['is Helen there please', 'could I have a word with Mr Ashby', 'can I speak to Gareth Price please'] as $said) {
            $call = self::starter('reception')->says($said);
            self::assertSame('details', $call->state->step, $said);
        }
    }

    public function testCourtesiesAreSaidOnce(): void
    {
        $call = self::starter('reception')->says('the pots you delivered were smashed, I am really cross');
        self::assertSame(1, substr_count($call->heard(), 'I am sorry to hear that'));
        $call->says('eight pots, all broken', 'Reg Tolliver', '07700 900812');
        self::assertSame(1, substr_count($call->heard(), 'Thank you'), $call->heard());
    }

    public function testAnOptionIsMeantWithoutItsWords(): void
    {
        $call = self::starter('reminder')->says('is it possible to come a bit later that day?');
        self::assertStringContainsString('another time', $call->heard());
        self::assertSame('new_time', $call->says('yes please')->state->step);
        $other = self::starter('reminder')->says('is it possible to come a bit later that day?', 'about three');
        self::assertNotSame('reason', $other->state->step, 'an hour is no third option');
    }

    public function testHalfOfATimeIsTakenThoughItIsPutAsAQuestion(): void
    {
        $call = self::starter('reminder')->says("I can't make that", 'could we do the week after, Wednesday say');
        self::assertStringContainsString('what time', $call->heard());
        self::assertSame('2026-12-09T15:00', $call->says('at three')->value('new_time'));
    }

    public function testWhatWasSpokenOfIsSaidAgain(): void
    {
        $call = self::starter('reminder')->says('what check-up?');
        self::assertStringContainsString('Your check-up is', $call->heard());
    }

    public function testWhoIsRungIsNotThankedForCalling(): void
    {
        $call = self::starter('reminder')->says('wrong number');
        self::assertTrue($call->state->ended);
        self::assertStringNotContainsString('calling', $call->heard());
    }

    public function testHoursAreToldOfTheDaysAskedAbout(): void
    {
        $weekend = Conversation::withMaren()->says('are you open at weekends')->heard();
        self::assertStringContainsString('Saturday', $weekend);
        self::assertStringContainsString('Sunday', $weekend);
        self::assertStringNotContainsString('open until', Conversation::withMaren()->says('are you open bank holidays')->heard(), 'today is no bank holiday');
        self::assertTrue(Conversation::withMaren()->says('what time do you close on Saturday', 'cheers')->state->ended);
    }

    public function testWhatIsFreeIsAskedAtTheOpenQuestion(): void
    {
        $document = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/harrowell/isolde.json'), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document)->says('have you got anything on Saturday');
        self::assertSame('visit', $call->state->topic);
    }

    /** One of the starters with its blanks filled, called on a Monday morning. */
    #[DataProvider('repliesToShortQuestions')]
    public function testAShortThingIsToldWithoutWhatLeadsUpToIt(string $question, string $said, mixed $kept): void
    {
        $fields = [
            'make' => ['type' => 'string', 'title' => 'Make of car'],
            'reg' => ['type' => 'string', 'title' => 'Registration', 'pattern' => '^[A-Z]{2}[0-9]{2}[A-Z]{3}$'],
            'floor' => ['type' => 'integer', 'title' => 'Floor'],
            'fault' => ['type' => 'string', 'title' => 'What is wrong'],
        ];
        $key = (string) array_key_first(array_filter($fields, static fn (array $field): bool => str_contains($question, explode(' ', strtolower($field['title']))[0])));
        $call = Conversation::asking($fields, [$key => $question])->says($said);

        self::assertSame($kept, $call->value($key), $call->heard());
    }

    /** @return iterable<array{string, string, mixed}> */
    public static function repliesToShortQuestions(): iterable
    {
        yield ['What make is it?', "it's a Tolland Swift", 'Tolland Swift'];
        yield ['What make is it?', 'oh, a Tolland I think', 'Tolland'];
        yield ['What is the registration?', "hang on, I'll go and look ... BK67 XRT", 'BK67XRT'];
        yield ['What is the registration?', 'golf november one eight, x-ray yankee zulu', 'GN18XYZ'];
        yield ['What is the registration?', 'the blue one', null];
        yield ['Which floor are you on?', 'second', 2];
        yield ['Which floor are you on?', "we're on the third", 3];
        yield ['Which floor are you on?', 'ground floor', 0];
        yield ['Which floor are you on?', '12', 12];
        yield ['And what is wrong with it?', 'a rattle when it idles', 'a rattle when it idles'];
    }

    private static function starter(string $name): Conversation
    {
        $folder = dirname(__DIR__, 3)."/database/starters/{$name}";
        $samples = json_decode((string) file_get_contents("{$folder}/starter.json"), true, 8, JSON_THROW_ON_ERROR)['samples'];

        return Conversation::with(json_decode(strtr((string) file_get_contents("{$folder}/agent.json"), $samples), true, 64, JSON_THROW_ON_ERROR), from: null, at: '2026-11-30T10:00');
    }
}
