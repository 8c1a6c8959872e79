<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue\Order;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Order\Consideration;
use Ringo\Survey\ScriptOfSurvey;
use Ringo\Survey\Survey;
use Tests\Core\Dialogue\Conversation;

/** Who of the order of a turn deals with which words, each in several trades; and that nobody of it stands untried. */
final class ConsiderationsTest extends TestCase
{
    private const CASES = [
        'NobodyThere' => [
            ['tobin', [], 'Hello, this is Dilip, I cannot take your call right now, please leave a message after the tone'],
            ['tobin', [], 'you have reached the voicemail of zero seven seven double zero'],
        ],
        'OfferNamed' => [
            ['hall', ['we run a toddler group and need somewhere Wednesday mornings in term time'], 'what is on'],
        ],
        'Leaving' => [
            ['dentist', ['I need to book a check-up'], 'bye then'],
            ['heating', ['my boiler wants servicing'], 'please stop calling me'],
            ['bakery', [], 'goodbye'],
        ],
        'RingLater' => [
            ['corin', ['yes'], 'call me again tomorrow at ten, will you'],
            ['odile', [], "I can't talk now, ring me after six"],
            ['odile', [], 'you will have to try me another time, tomorrow morning'],
            ['odile', [], 'I am at work, call me back tonight'],
        ],
        'Objection' => [
            ['corin', ['yes'], 'no, it is too expensive for us'],
            ['corin', ['yes'], 'we have already gone with somebody else'],
            ['corin', ['yes', 'yes'], 'I would like to think it over with my wife first'],
            ['corin', ['yes'], 'your prices are too high for us'],
            ['corin', ['yes'], 'we are still looking around'],
        ],
        'Urgent' => [
            ['heating', ['my boiler wants servicing', 'a service'], 'actually I can smell gas in the kitchen'],
            ['dentist', ['I need to book a check-up'], 'my face is swollen and I cannot swallow'],
        ],
        'StandingRequests' => [
            ['dentist', [], "please don't hang up on me"],
            ['bakery', [], "I can't hear you"],
            ['heating', [], "could you slow down a bit, I'm hard of hearing"],
            ['school', [], "sorry, my English isn't very good"],
            ['dentist', ['I need to book a check-up'], 'hang on a second'],
            ['bakery', ['I want to order a cake'], 'say that again please'],
            ['heating', ['my boiler wants servicing'], 'hello are you there'],
        ],
        'BookingPutRight' => [
            ['isolde', ['I need my upright tuned', 'the north side', 'Jan Moss', 'Thursday at ten', 'yes please'], "actually could we make it eleven o'clock instead"],
        ],
        'PutRightAtOnce' => [
            ['cycles', ['I want to hire a bike', 'hiring bikes', 'Friday'], 'no, Saturday'],
        ],
        'DayTakenBack' => [
            ['cycles', ['I want to hire a bike', 'hiring bikes', 'Friday', 'three days'], "sorry, I can't do Friday after all"],
        ],
        'Correction' => [
            ['bakery', ['I want to order a cake', 'lemon drizzle', 'twenty'], 'can you change the cake to chocolate'],
            ['heating', ['my boiler wants servicing', 'a service'], 'sorry, I meant a repair'],
        ],
        'OtherMatter' => [
            ['maren', ["I'd like to extend my hire", 'keeping it longer'], 'I want to hire a mini digger from Thursday'],
            ['dentist', ['I want to cancel'], "sorry, I'd like to book an appointment"],
        ],
        'Answer' => [
            ['bakery', ['I want to order a cake'], 'lemon drizzle'],
            ['dentist', [], 'I would like to book an appointment'],
            ['heating', ['my boiler wants servicing'], 'a repair'],
        ],
        'SideQuestion' => [
            ['bakery', ['I want to order a cake'], 'what time do you close'],
            ['dentist', ['I need to book a check-up'], 'what day is it today'],
            ['odile', [], 'who gave you my number'],
            ['tobin', [], 'where did you get my details from'],
        ],
        'WrongNumber' => [
            ['corin', [], 'you have the wrong number I am afraid'],
            ['odile', [], 'wrong number love'],
            ['dentist', [], "oh sorry, I've got the wrong number"],
            ['bakery', [], 'wrong number, sorry to bother you'],
        ],
        'Preamble' => [
            ['dentist', [], "hello, I don't know if you can help me"],
            ['bakery', [], 'I had a missed call from this number'],
            ['heating', [], "I'd like to make a complaint"],
            ['school', [], 'sorry, we got cut off just now'],
            ['dentist', [], 'hi, how are you'],
            ['bakery', [], 'is this call recorded'],
        ],
        'PlaceReached' => [
            ['dentist', [], "hello, is that the vet's"],
            ['dentist', [], 'is this Harbour Row Dental'],
            ['bakery', [], 'hi, have I got through to the Crumb and Kettle'],
        ],
        'Person' => [
            ['heating', ['my boiler wants servicing'], 'it bangs and clatters at night so put me through to somebody please'],
            ['bakery', ['I want to order a cake', 'lemon drizzle', 'twelve'], 'it is rather a long story about a cousin in Peru, put me through to somebody'],
        ],
        'Patience' => [
            ['maren', ['I need a mini digger', 'this is useless', 'you are not listening'], 'oh for goodness sake this is hopeless'],
            ['heating', ['my boiler wants servicing', 'this is ridiculous', 'this is useless'], 'oh for goodness sake this is hopeless'],
        ],
        'TopicCorrection' => [
            ['dentist', ['I want to cancel', 'Ann Poole', 'yes', 'friday'], 'change the day to monday'],
            ['heating', ['my boiler wants servicing', 'a service', 'worcester', 'five years', 'no', '12 Mill Lane Oldmere', 'yes', 'friday', 'Ann Poole', 'yes', '07700 900123', 'yes'], 'sorry, I meant monday'],
        ],
        'MenuCorrection' => [
            ['courier', ['track a parcel'], 'sorry, I want to send a parcel'],
            ['courier', ['send'], 'no, actually, track a parcel'],
        ],
        'TopicChange' => [
            ['maren', ['I need a mini digger'], 'can you pass on a message for me'],
            ['maren', ['I need to keep the digger for longer'], 'I have a query on my invoice'],
        ],
        'OffTopic' => [
            ['bakery', ['I want to order a cake'], 'tell me a joke'],
            ['dentist', ['I need to book a check-up'], 'what do you think of the football'],
        ],
        'WhichMeant' => [
            ['bakery', ['I want to order a cake', 'what about the deposit'], 'for a wedding cake'],
            ['dentist', ['I need to book a check-up', 'what about the deposit'], 'the second one'],
            ['bakery', ['I want to order a cake', 'what about the deposit'], 'no, neither of those'],
        ],
        'NotUnderstood' => [
            ['dentist', ['I need to book a check-up', 'a check-up', 'yes'], 'purple monkeys'],
            ['bakery', ['I want to order a cake', 'lemon drizzle'], 'grumble mumble'],
        ],
    ];

    /** @return iterable<string, array{string, string, list<string>, string}> */
    public static function cases(): iterable
    {
        foreach (self::CASES as $who => $cases) {
            foreach ($cases as [$trade, $before, $said]) {
                yield "{$who}, {$trade}: {$said}" => [$who, $trade, $before, $said];
            }
        }
    }

    /** @param list<string> $before */
    #[DataProvider('cases')]
    public function testDealsWithTheWords(string $who, string $trade, array $before, string $said): void
    {
        $script = dirname(__DIR__).(['maren' => '/../../../database/demo/pellbrook/maren.json', 'tobin' => '/../../../database/demo/quillmoor/tobin.json', 'corin' => '/../../../database/starters/web_form/agent.json', 'hall' => '/fixtures/hall.json'][$trade] ?? "/calls/{$trade}.json");
        $document = $trade === 'odile' || $trade === 'isolde' ? self::survey() : json_decode((string) file_get_contents($script), true, 64, JSON_THROW_ON_ERROR);
        $call = $trade === 'isolde' ? Conversation::withIsolde() : Conversation::with($document, knowledge: $who === 'WhichMeant' ? new TwoDeposits : null);
        $call->says(...[...$before, $said]);

        self::assertSame($who, $call->last->trace->decided, implode(' / ', $call->last->trace->rules).' → '.$call->heard());
    }

    public function testWhoeverDoesNotGoOnIsHelped(): void
    {
        $document = json_decode((string) file_get_contents(dirname(__DIR__).'/calls/dentist.json'), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document)->says("I don't know if you can help me", "it's a bit complicated");
        self::assertNotSame('Preamble', $call->last->trace->decided, $call->heard());

        $call = Conversation::with($document)->says("I don't know if you can help me", 'I need to book a check-up');
        self::assertSame('book', $call->state->topic, $call->heard());
    }

    /** A number that is spoken of is that one which is wrong, and what asks for something asks nobody's name. */
    #[TestWith(['heating', 'you put the wrong number on my invoice'])]
    #[TestWith(['dentist', 'is it the same price for a check up'])]
    #[TestWith(['bakery', 'is this about my cake'])]
    #[TestWith(['dentist', "is that the tooth I lost on Friday you're going to put right"])]
    #[TestWith(['bakery', 'I want a cake, is that the right number'])]
    #[TestWith(['dentist', "I don't know if you can help me but I've lost a filling"])]
    #[TestWith(['heating', 'I had a missed call from you about my boiler service'])]
    public function testWhoeverWantsSomethingIsNoStranger(string $trade, string $said): void
    {
        $document = json_decode((string) file_get_contents(dirname(__DIR__)."/calls/{$trade}.json"), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document)->says($said);

        self::assertNotContains($call->last->trace->decided, ['WrongNumber', 'PlaceReached', 'Preamble'], $call->heard());
        self::assertFalse($call->state->ended);
    }

    public function testWhatNoneOfTheOfferedReadingsAnswersIsKeptAsUnanswered(): void
    {
        $document = json_decode((string) file_get_contents(dirname(__DIR__).'/calls/bakery.json'), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document, knowledge: new TwoDeposits)->says('I want to order a cake', 'what about the deposit');
        self::assertSame([], $call->last->trace->unanswered, 'it may still be one of them');
        $open = $call->state->step;
        $call->says('none of those');
        self::assertSame([['question' => 'what about the deposit', 'why' => 'not covered']], $call->last->trace->unanswered);
        self::assertSame($open, $call->state->step, 'and the open question is asked again');
        $call->says('no');
        self::assertNotSame('WhichMeant', $call->last->trace->decided, 'offers stand for one turn');
        $call = Conversation::with($document, knowledge: new TwoDeposits)->says('I want to order a cake', 'what about the deposit', 'no, how much is delivery');
        self::assertNotSame('WhichMeant', $call->last->trace->decided, 'another question is a question');
    }

    public function testWhoeverAsksForAnotherTimeIsRungThenOrAskedWhen(): void
    {
        $call = Conversation::with(self::survey(), at: '2026-03-10T09:14')->says("I'm driving, ring me after six");
        self::assertSame(['asked for later', '2026-03-10T18:00'], [$call->state->outcome, $call->state->ringAgain]);
        self::assertStringContainsString('six', $call->heard());
        $call = Conversation::with(self::survey(), at: '2026-03-10T09:14')->says('call me another time');
        self::assertSame('', $call->state->ringAgain, 'asks when');
        $call->says('Thursday afternoon');
        self::assertSame('2026-03-12T14:00', $call->state->ringAgain);
        $call = Conversation::with(self::survey(), at: '2026-03-10T09:14')->says('call me another time', 'I do not know');
        self::assertSame(['asked for later', null], [$call->state->outcome, $call->state->ringAgain]);
    }

    public function testAnObjectionIsAnsweredTwiceThenTheAgentLetsGo(): void
    {
        $document = json_decode((string) file_get_contents(dirname(__DIR__, 4).'/database/starters/web_form/agent.json'), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document)->says('yes', 'it costs too much');
        self::assertStringContainsString('the smallest way', $call->heard());
        self::assertStringContainsString('looking for this', $call->heard(), 'then the open question again');
        $call->says('we really cannot afford it');
        self::assertStringContainsString('costs nothing to hear', $call->heard(), 'other words the second time');
        $call->says('still too expensive');
        self::assertSame('no longer interested', $call->state->outcome);
        self::assertSame(['price', 'price', 'price'], $call->state->objections);
    }

    public function testAnObjectionWithOneAnswerHearsItAgain(): void
    {
        $document = json_decode((string) file_get_contents(dirname(__DIR__, 4).'/database/starters/web_form/agent.json'), true, 64, JSON_THROW_ON_ERROR);
        foreach ($document['standing']['objections'] as $n => $one) {
            $document['standing']['objections'][$n]['say'] = array_slice((array) $one['say'], 0, 1);
        }
        $call = Conversation::with($document)->says('yes', 'it costs too much', 'we really cannot afford it');

        self::assertStringContainsString('the smallest way', $call->heard());
    }

    #[DataProvider('heldAgainst')]
    public function testWhatIsHeldAgainstItIsHeardInWordsNobodyWroteDown(string $said, ?string $objection): void
    {
        $document = json_decode((string) file_get_contents(dirname(__DIR__, 4).'/database/starters/web_form/agent.json'), true, 64, JSON_THROW_ON_ERROR);
        self::assertSame($objection === null ? [] : [$objection], Conversation::with($document)->says('yes', $said)->state->objections);
    }

    /** @return iterable<array{string, ?string}> */
    public static function heldAgainst(): iterable
    {
        yield ['we have had somebody in to do it', 'somebody_else'];
        yield ['let me sleep on it', 'thinking'];
        yield ['I am rushed off my feet', 'no_time'];
        yield ['you never came last time', 'went_badly'];
        yield ['how do I know you are genuine', 'trust'];
        yield ['hang on a second', null];
        yield ['are you a robot', null];
        yield ['who gave you my number', null];
        yield ['how much would it cost', null];
    }

    /** @return array<string, mixed> */
    private static function survey(): array
    {
        $survey = Survey::fromArray(json_decode((string) file_get_contents(dirname(__DIR__, 4).'/database/demo/quillmoor/survey.json'), true, 16, JSON_THROW_ON_ERROR));

        return (new ScriptOfSurvey)->of($survey, ['name' => 'Odile', 'business' => 'Quillmoor Linen', 'country' => 'GB', 'tz' => 'Europe/London', 'voice' => ['engine' => 'flite', 'name' => 'slt', 'pace' => 1.0, 'pitch' => 1.0]]);
    }

    public function testAMachineIsLeftItsMessageAndPeopleAreNotTakenForOne(): void
    {
        $document = json_decode((string) file_get_contents(dirname(__DIR__, 4).'/database/demo/quillmoor/tobin.json'), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document)->says('please leave your name and number after the beep');
        self::assertSame('voicemail', $call->state->outcome);
        self::assertStringContainsString('please ring the office', $call->heard());
        unset($document['standing']['words']['voicemail']);
        $call = Conversation::with($document)->says('please leave your name and number after the beep');
        self::assertSame(['voicemail', ''], [$call->state->outcome, $call->heard()], 'hangs up without a word');
        foreach ([['I will get back to you on that'], ['she is not here, can I take a message'], ['the third one', 'can I leave a message']] as $said) {
            self::assertNotSame('voicemail', Conversation::with($document)->says(...$said)->state->outcome);
        }
    }

    public function testAskingBackWaitsAndTheChosenAnswerIsSaidThenTheQuestionAgain(): void
    {
        $document = json_decode((string) file_get_contents(dirname(__DIR__).'/calls/bakery.json'), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($document, knowledge: new TwoDeposits)->says('I want to order a cake', 'what about the deposit');
        self::assertStringEndsWith('or a wedding cake?', $call->heard(), 'no second question in the same breath');
        $call->says('the wedding one');
        self::assertStringContainsString('fifty pounds', $call->heard());
        self::assertStringEndsWith('?', $call->heard(), 'back to the question it was on');
        self::assertSame(['terms.md#Wedding cakes'], $call->last->trace->sources);
        $call->says('and what about the deposit', 'lemon drizzle');
        self::assertSame('Answer', $call->last->trace->decided, 'whoever goes on is not held up');
    }

    public function testNobodyOfTheOrderStandsUntried(): void
    {
        $folder = dirname(__DIR__, 4).'/core/Dialogue/Order';
        $names = array_map(static fn (string $file): string => basename($file, '.php'), glob("{$folder}/*.php") ?: []);
        $considerations = array_values(array_filter($names, static fn (string $name): bool => is_subclass_of('Ringo\Dialogue\Order\\'.$name, Consideration::class)));
        $tried = array_keys(self::CASES);
        sort($tried);

        self::assertSame($considerations, $tried);
    }
}
