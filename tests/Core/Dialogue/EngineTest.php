<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Actions\Listen;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Origin;

/** The order of one caller turn, with its hard cases, on the demonstration's agent and on small scripts. */
final class EngineTest extends TestCase
{
    public function testGreetsByWhoIsCalling(): void
    {
        $maren = Conversation::maren();
        $maren['agent']['greeting'] = ['known' => 'Hello again, [caller.first_name|friend].', 'unknown' => 'Welcome.', 'withheld' => 'Hello whoever you are.'];
        self::assertStringStartsWith('Hello again, Nell.', Conversation::with($maren, ['known' => true, 'first_name' => 'Nell'])->heard());
        self::assertStringStartsWith('Welcome.', Conversation::with($maren)->heard());
        self::assertStringStartsWith('Hello whoever you are.', Conversation::with($maren, ['known' => false], null)->heard());
    }

    public function testSendsWhatWasPromisedInWrittenWords(): void
    {
        $maren = Conversation::maren();
        foreach ($maren['steps'] as $i => $step) {
            if ($step['key'] === 'reserved_note') {
                $maren['steps'][$i]['next'] = 'text_it';
            }
        }
        $maren['steps'][] = ['key' => 'text_it', 'kind' => 'send', 'by' => 'text', 'to' => 'phone', 'words' => '[equipment] from [start_date]. Call [caller.number|us].', 'next' => 'more'];
        $maren['steps'][] = ['key' => 'mail_it', 'kind' => 'send', 'by' => 'email', 'to' => 'caller.email', 'words' => 'Hello.', 'otherwise' => 'message_open', 'next' => 'goodbye'];
        $call = Conversation::with($maren)->says('I need a mini digger from next Tuesday for a week', 'Oldmere', 'I will collect it', 'card', 'Dara Whitcombe', 'yes', 'yes', 'yes');
        self::assertSame([['by' => 'text', 'to' => '+447700900123', 'subject' => null, 'text' => 'Mini digger from Tuesday 17 March 2026. Call 07700 900123.', 'file' => null, 'step' => 'text_it', 'turn' => $call->state->sent[0]['turn'] ?? null]], $call->state->sent);
    }

    public function testNothingToAddIsDeclinedAndANoIsNotMetWithLovely(): void
    {
        $base = ['agent' => ['name' => 'Wren', 'business' => 'Pellbrook Hire', 'manner' => ['formality' => 'chatty', 'acknowledges' => 'much']], 'sheet' => ['type' => 'object', 'properties' => ['content' => ['type' => 'boolean'], 'comment' => ['type' => 'string']]], 'first' => 'content', 'steps' => [
            ['key' => 'content', 'kind' => 'ask', 'field' => 'content', 'prompt' => 'Were you content?', 'next' => 'comment'],
            ['key' => 'comment', 'kind' => 'ask', 'field' => 'comment', 'prompt' => 'Anything to add?', 'next' => 'bye'],
            ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
        ]];
        self::assertSame('Anything to add?', Conversation::with($base)->says('not really, no')->heard());
        foreach (['no, nothing special', 'not that I can think of', 'no', "no, that's all fine"] as $nothing) {
            self::assertSame(['comment'], Conversation::with($base)->says('yes', $nothing)->state->declined, $nothing);
        }
        self::assertSame('no parking was free when we came', Conversation::with($base)->says('yes', 'no parking was free when we came')->value('comment'));
    }

    public function testAFewBareWordsNameTheTopicByWhatTheyName(): void
    {
        $call = Conversation::withMaren()->says('digger. mini one. Monday. a week.');
        self::assertSame(['reserve', 'mini_digger', '2026-03-16', 'P1W'], [$call->state->topic, $call->value('equipment'), $call->value('start_date'), $call->value('hire_length')]);
        self::assertSame('extend', Conversation::withMaren()->says('I want to keep it another week')->state->topic);
        foreach (['the second one', 'next Tuesday', 'a week'] as $nothing) {
            self::assertNull(Conversation::withMaren()->says($nothing)->state->topic, $nothing);
        }
    }

    public function testGreetsAKnownCallerByNameAndAStrangerWithout(): void
    {
        self::assertStringContainsString('morning Dara', Conversation::withMaren(caller: ['known' => true, 'first_name' => 'Dara', 'name' => 'Dara Whitcombe'])->heard());
        self::assertStringContainsString('morning to you', Conversation::withMaren()->heard());
        self::assertStringContainsString('afternoon', Conversation::withMaren(at: '2026-03-10T14:00')->heard());
    }

    public function testTakesSeveralFactsInOneBreathAndNeverAsksForThemAgain(): void
    {
        $call = Conversation::withMaren()->says('hi, I need a mini digger from next Tuesday for a fortnight please');

        self::assertSame('mini_digger', $call->value('equipment'));
        self::assertSame('2026-03-17', $call->value('start_date'));
        self::assertSame('P2W', $call->value('hire_length'));
        self::assertSame('depot', $call->state->step);
        self::assertSame(Origin::Volunteered, $call->state->values['equipment']->origin);
    }

    public function testKeepsAFactGivenThreeQuestionsEarly(): void
    {
        $call = Conversation::withMaren()->says('I want to reserve a breaker', 'tomorrow, and my name is Nell Ashby by the way');

        self::assertSame('2026-03-11', $call->value('start_date'));
        self::assertSame('Nell Ashby', $call->value('caller_name'));
    }

    public function testAnswersASideQuestionAndReturnsToItsOwn(): void
    {
        $call = Conversation::withMaren()->says('I need a mini digger tomorrow for two days', 'before that, how much is the deposit?');

        self::assertStringContainsString('two hundred pounds', $call->heard());
        self::assertMatchesRegularExpression('/(Back to my question|to go on)\. Which depot/', $call->heard());
        self::assertSame('depot', $call->state->step);
    }

    public function testServesAnAnswerAndAQuestionInTheSameBreath(): void
    {
        $call = Conversation::withMaren()->says('I need a mini digger tomorrow for two days', 'Stanwick Cross, and how much is it for a week?');

        self::assertSame('stanwick_cross', $call->value('depot'));
        self::assertStringContainsString('two hundred and eighty five pounds a week', $call->heard());
        self::assertSame('delivery', $call->state->step);
    }

    public function testCorrectsAnEarlierFieldFromAnywhere(): void
    {
        $call = Conversation::withMaren()->says('I need a mini digger tomorrow for two days', 'Oldmere', 'no sorry, make it three weeks');

        self::assertSame('P3W', $call->value('hire_length'));
        self::assertStringContainsString('three weeks', $call->heard());
        self::assertSame('delivery', $call->state->step);
        self::assertSame(Origin::Corrected, $call->state->values['hire_length']->origin);
    }

    public function testANoWithANewValueIsACorrectionNotASecondQuestion(): void
    {
        $call = Conversation::withMaren()->says('I need a mini digger tomorrow for two days', 'Oldmere', 'yes', '14 Mill Lane, Oldmere', 'no, 16');

        self::assertSame('16 Mill Lane, Oldmere', $call->value('site_address'));
        self::assertSame('payment', $call->state->step);
    }

    public function testMendsANameByALetter(): void
    {
        $document = $this->small('person-name', ['confirm' => 'always']);
        $call = Conversation::with($document)->says('Katherine Hale', "no, it's with a C");

        self::assertSame('Catherine Hale', $call->value('thing'));
    }

    public function testAsksWhetherAKnownValueStillHolds(): void
    {
        $call = Conversation::withMaren(caller: ['known' => true, 'name' => 'Dara Whitcombe', 'first_name' => 'Dara', 'depot' => 'tarn_bridge'])->says('a mini digger tomorrow for two days please, I want to hire it');

        self::assertMatchesRegularExpression('/still/', $call->heard());
        self::assertStringContainsString('Tarn Bridge', $call->heard());
        self::assertSame('stanwick_cross', $call->says('no, Stanwick Cross')->value('depot'));
    }

    public function testAnswersWhoMachineDayAndHours(): void
    {
        $call = Conversation::withMaren()->says('are you a robot?');
        self::assertStringContainsString('automated', $call->heard());
        $call->says('who am I speaking to?');
        self::assertStringContainsString('Maren', $call->heard());
        $call->says('what day is it?');
        self::assertStringContainsString('Tuesday the tenth of March', $call->heard());
        $call->says('are you open on Sunday?');
        self::assertStringContainsString('closed on Sunday', $call->heard());
        $call->says('are you open on Good Friday?');
        self::assertStringContainsString('Good Friday', $call->heard());
        self::assertSame('help', $call->state->step);
    }

    public function testSilenceGetsAShorterPromptThenHelpThenTheWayOut(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker')->isSilent();
        $first = $call->heard();
        self::assertStringContainsString('From which day?', $first);
        $second = $call->isSilent()->heard();
        self::assertStringContainsString('tomorrow or Tuesday', $second);
        self::assertNotSame($first, $second);
        $call->isSilent();
        self::assertSame('message', $call->state->step);
    }

    public function testHoldingWordsBuyTimeAndDoNotCount(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker', 'hang on');
        $listen = array_values(array_filter($call->last->actions, static fn ($action): bool => $action instanceof Listen))[0];
        self::assertSame(20.0, $listen->timeout);
        $call->isSilent();
        self::assertSame(0, $call->state->silences);
        self::assertSame('start_date', $call->state->step);
    }

    public function testNeverSaysTheSameRepromptTwiceRunning(): void
    {
        $call = Conversation::with($this->small('date', ['tries' => 9]));
        $before = '';
        for ($i = 0; $i < 7; $i++) {
            $call->says('wibble wobble '.str_repeat('x', $i));
            self::assertNotSame($before, $call->heard());
            $before = $call->heard();
        }
    }

    public function testSaysItAgain(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker');
        $asked = $call->heard();
        self::assertStringContainsString($asked, $call->says('sorry, can you repeat that?')->heard());
    }

    public function testWhatWasCutShortIsSaidAgainWhole(): void
    {
        $call = Conversation::withMaren();
        $greeting = $call->heard();
        $call->happens(Event::interrupted(0.8, 1));
        self::assertLessThan(strlen($greeting), strlen($call->state->lastHeard));
        self::assertStringContainsString($greeting, $call->says('sorry, what was that?')->heard());
    }

    public function testGoesBackOneQuestion(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker', 'tomorrow', 'go back');

        self::assertSame('start_date', $call->state->step);
        self::assertNull($call->value('start_date'));
        self::assertSame('2026-03-13', $call->says('Friday')->value('start_date'));
    }

    public function testStartsAgain(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker', 'tomorrow', 'can we start again');

        self::assertNull($call->value('equipment'));
        self::assertSame('help', $call->state->step);
    }

    public function testAWrongKeySaysSoAndARightOneChooses(): void
    {
        $call = Conversation::withMaren()->says('a mini digger tomorrow for two days, I want to hire it', 'Oldmere', 'no');
        self::assertSame('payment', $call->state->step);
        self::assertStringContainsString('not on the list', $call->presses('7')->heard());
        self::assertSame('payment', $call->state->step);
        self::assertSame('card', $call->presses('2')->value('payment'));
    }

    public function testDigitsAreCollectedWithHash(): void
    {
        $call = Conversation::with($this->small('phone'))->presses('07700900456#');

        self::assertSame('+447700900456', $call->value('thing'));
        self::assertSame(Origin::Keyed, $call->state->values['thing']->origin);
    }

    public function testZeroAndWordsLeadToAPerson(): void
    {
        self::assertSame('message', Conversation::withMaren()->presses('0')->state->step);
        self::assertSame('message', Conversation::withMaren()->says('can I speak to a real person please')->state->step);
    }

    public function testAnUrgentTopicIsReachedFromAnywhere(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker', "actually the generator has broken down, it won't start");

        self::assertSame('breakdown', $call->state->topic);
        self::assertStringContainsString('sorry to hear', $call->heard());
    }

    public function testAnOptionalFieldMayBeRefusedAndARequiredOneSaysWhy(): void
    {
        $optional = Conversation::with($this->small('email'))->says("I'd rather not say");
        self::assertSame(['thing'], $optional->state->declined);
        self::assertTrue($optional->state->ended);

        $required = Conversation::with($this->small('email', ['required' => true, 'why' => 'The papers go there.']))->says("I'd rather not say");
        self::assertStringContainsString('The papers go there.', $required->heard());
        self::assertFalse($required->state->ended);
    }

    public function testTwoFailedConfirmationsLeadToSpellingOrKeys(): void
    {
        $name = Conversation::with($this->small('person-name', ['confirm' => 'always']))->says('Jon Smythe', 'no', 'John Smith', 'no');
        self::assertStringContainsStringIgnoringCase('spell', $name->heard());
        $phone = Conversation::with($this->small('phone', ['confirm' => 'always']))->says('07700 900123', 'no', '07700 900124', 'no');
        self::assertStringContainsString('hash', $phone->heard());
    }

    public function testGoodbyeEndsWithLastWordsAndAnOutcome(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker', 'oh never mind, goodbye');

        self::assertTrue($call->state->ended);
        self::assertSame('caller left', $call->state->outcome);
        self::assertNotSame('', $call->heard());
    }

    public function testStopCallingMeIsRecordedAtOnce(): void
    {
        $call = Conversation::withMaren()->says('stop calling me');

        self::assertTrue($call->state->doNotCall);
        self::assertSame('do not call', $call->state->outcome);
    }

    public function testAHangUpKeepsWhatIsKnown(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker tomorrow')->happens(Event::hungUp(30));

        self::assertTrue($call->state->ended);
        self::assertSame('breaker', $call->value('equipment'));
        self::assertSame('caller hung up', $call->state->outcome);
    }

    public function testInventsNothing(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker', 'do you sell second hand forklifts as well?');

        self::assertMatchesRegularExpression('/do not know|nothing on that/', $call->heard());
        self::assertStringContainsString('which day', $call->heard());
    }

    public function testOffTopicGetsOnePoliteLine(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker', 'tell me a joke');

        self::assertMatchesRegularExpression('/Pellbrook|not something/', $call->heard());
        self::assertSame('start_date', $call->state->step);
    }

    public function testToldYouAlreadyIsCheckedAgainstWhatIsKnown(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker', 'I already told you that');

        self::assertMatchesRegularExpression('/did not reach|lost that/', $call->heard());
        self::assertSame(1, $call->state->frustration);
    }

    public function testAWhyIsAnsweredAndTheQuestionPutAgain(): void
    {
        $call = Conversation::with($this->small('email', ['why' => 'The receipt goes there.']))->says('what do you need that for?');

        self::assertSame('The receipt goes there. The thing, please.', $call->heard(), 'the question in other words: it was just said');
    }

    public function testPatienceEndsWithAPerson(): void
    {
        $call = Conversation::withMaren()->says('I want to hire a breaker', 'this is useless', 'this is ridiculous!!', 'you are hopeless, this is stupid');

        self::assertSame('message', $call->state->step);
    }

    public function testEachLimitHasItsOwnEnding(): void
    {
        $time = Conversation::withMaren(['limits' => ['minutes' => 1]])->happens(Event::said('what day is it', 61));
        self::assertSame('time limit reached', $time->state->outcome);
        self::assertStringContainsString('as long as it can', $time->heard());

        $document = $this->small('date');
        $document['limits'] = ['repeats' => 2];
        $document['steps'][1] = ['key' => 'end', 'kind' => 'note', 'forget' => ['thing'], 'next' => 'ask'];
        $step = Conversation::with($document)->says('tomorrow', 'Friday');
        self::assertSame('step limit reached', $step->state->outcome);
        self::assertStringContainsString('the same thing', $step->heard());

        $document['steps'] = [['key' => 'ask', 'kind' => 'say', 'prompt' => 'Hm.', 'next' => 'end'], ['key' => 'end', 'kind' => 'note', 'next' => 'ask']];
        self::assertSame('script runs in circles', Conversation::with($document)->state->outcome);
    }

    public function testTheTurnLimitEndsTheCallWithWords(): void
    {
        $call = Conversation::withMaren(['limits' => ['turns' => 4]])->says('what day is it', 'what day is it', 'what day is it', 'what day is it');

        self::assertTrue($call->state->ended);
        self::assertSame('turn limit reached', $call->state->outcome);
        self::assertNotSame('', $call->heard());
    }

    public function testAFollowUpQuestionKeepsItsSubject(): void
    {
        $call = Conversation::withMaren()->says('how much is a cement mixer?', 'and for the generator?');

        self::assertStringContainsString('generator is thirty five pounds', $call->heard());
    }

    public function testTheSecondOfTwoDatesIsNotGuessed(): void
    {
        $call = Conversation::with($this->small('date'))->says('Tuesday or Wednesday');

        self::assertNull($call->value('thing'));
        self::assertMatchesRegularExpression('/more than one|two/', $call->heard());
    }

    public function testNeverSaysWhatMustNotBeSaid(): void
    {
        $document = $this->small('date');
        $document['steps'][0]['prompt'] = 'We guarantee it. Which day?';
        $document['standing'] = ['never_say' => ['guarantee']];

        self::assertSame('Which day?', Conversation::with($document)->heard());
    }

    public function testTheTraceTellsWhatWasUnderstood(): void
    {
        $trace = Conversation::withMaren()->says('uh I need a mini digger from next Tuesday')->last->trace->toArray();

        self::assertSame('i need a mini digger from next tuesday', $trace['cleaned']);
        self::assertContains('equipment', array_column($trace['readings'], 'field'));
        self::assertContains('start_date', array_column($trace['changes'], 'field'));
        self::assertSame('help', $trace['from_step']);
        self::assertNotEmpty($trace['rules']);
    }

    /**
     * A script that asks for one thing.
     *
     * @param array<string, mixed> $ask
     *
     * @return array<string, mixed>
     */
    private function small(string $format, array $ask = []): array
    {
        return [
            'agent' => ['name' => 'Tobin', 'business' => 'Quillmoor Linen', 'country' => 'GB', 'tz' => 'Europe/London'],
            'sheet' => ['type' => 'object', 'properties' => ['thing' => ['type' => 'string', 'format' => $format, 'title' => 'Thing', 'examples' => ['an example']]]],
            'first' => 'ask',
            'steps' => [
                ['key' => 'ask', 'kind' => 'ask', 'field' => 'thing', 'prompt' => 'What is it?', 'next' => 'end', ...$ask],
                ['key' => 'end', 'kind' => 'finish', 'prompt' => 'Thank you. Goodbye.', 'outcome' => 'done'],
            ],
        ];
    }
}
