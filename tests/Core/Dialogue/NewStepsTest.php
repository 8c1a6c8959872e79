<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;
use Ringo\Dialogue\Origin;
use Ringo\Document\InvalidDocument;
use Ringo\Script\ScriptReader;

/** Summaries, lists, outbound openings, bounds, sums, callers without an answer: what scripts can do beside asking. */
final class NewStepsTest extends TestCase
{
    public function testASummaryReadsBackInOneBreathAndTakesACorrectionToAnyOfIt(): void
    {
        $call = $this->wedding()->says('the tenth of may', 'eighty', 'buffet');
        self::assertSame('sum', $call->state->step);
        foreach (['the tenth of May', 'eighty', 'buffet'] as $part) {
            self::assertStringContainsString($part, $call->heard());
        }
        $call->says('no, make it ninety people');
        self::assertSame(90, $call->value('guests'));
        self::assertStringContainsString('ninety', $call->heard());
        self::assertSame('sum', $call->state->step);
        $call->says('yes that is right');
        self::assertTrue($call->state->ended);
        self::assertTrue($call->state->values['guests']->confirmed);
    }

    public function testABareNoAsksWhatIsWrongAndANamedFieldIsAskedAgain(): void
    {
        $call = $this->wedding()->says('the tenth of may', 'eighty', 'buffet', 'no');
        self::assertMatchesRegularExpression('/different|changing|correct/', $call->heard());
        $call->says('the date is wrong');
        self::assertSame(['when', null], [$call->state->step, $call->value('day')]);
        $call->says('the eleventh of may');
        self::assertSame('2026-05-11', $call->value('day'));
        self::assertSame('sum', $call->state->step, 'and back to the summary');
    }

    public function testASecondChildIsAskedForAndKeptInAList(): void
    {
        $call = $this->nursery()->says('Ann Poole', 'owls', 'yes there is Ben Poole', 'wrens', 'no');
        self::assertSame([['child' => 'Ann Poole', 'class' => 'owls'], ['child' => 'Ben Poole', 'class' => 'wrens']], $call->value('children'));
        self::assertTrue($call->state->ended);
        self::assertSame('Ann Poole, Owls; Ben Poole, Wrens', (new \Ringo\Speech\Display(\Ringo\Language\Vocabulary::of(), new \Ringo\Numbering\NumberingPlan))->show($call->engine->script->sheet->fields['children']->typed($call->value('children'))));
    }

    public function testAListEndsWhereItIsFull(): void
    {
        $call = $this->nursery()->says('Ann Poole', 'owls', 'yes', 'Ben Poole', 'wrens', 'yes', 'Cy Poole', 'owls');
        self::assertCount(3, (array) $call->value('children'));
        self::assertTrue($call->state->ended, 'three are all there may be');
    }

    /** @param list<string> $says */
    #[DataProvider('openings')]
    public function testAnOutboundCallFindsOutWhoPickedUp(array $says, ?string $step, ?string $outcome, ?string $again): void
    {
        $call = $this->outbound()->says(...$says);
        self::assertSame([$step, $outcome, $again], [$call->state->step, $call->state->outcome, $call->value('again')], implode(' / ', $call->spoken));
    }

    /** @return iterable<string, array{list<string>, ?string, ?string, ?string}> */
    public static function openings(): iterable
    {
        yield 'speaking' => [['speaking'], 'good_time', null, null];
        yield 'yes' => [['yes this is she'], 'good_time', null, null];
        yield 'fetched' => [["hold on I'll get her", 'hello?', 'yes it is'], 'good_time', null, null];
        yield 'not in, try after five' => [["no she's at work, try after five"], null, 'not reached', '2026-03-10T17:00'];
        yield 'not in, on Monday' => [["she's away, she'll be back on monday"], null, 'not reached', '2026-03-16T10:00'];
        yield 'not in' => [["she's not in"], null, 'not reached', null];
        yield 'wrong number' => [["you've got the wrong number, nobody of that name here"], null, 'wrong number', null];
        yield 'voicemail' => [["hi you've reached Dana, I can't take your call right now, please leave a message after the tone"], null, 'voicemail', null];
        yield 'no it is not' => [['no it is not'], null, 'not reached', null];
        yield 'I am not' => [['I am not'], null, 'not reached', null];
        yield 'her boss' => [['I am her boss', 'no'], null, 'not reached', null];
        yield 'it is' => [['it is'], 'good_time', null, null];
        yield 'yes I am' => [['yes I am, go on'], 'good_time', null, null];
        yield 'her mother' => [["no this is her mum, she's at college"], null, 'not reached', null];
        yield 'his wife, and he is out' => [['this is his wife, he is out till six'], null, 'not reached', '2026-03-10T18:00'];
        yield 'whom it is for' => [['who?', 'sorry, who do you want', 'oh yes, speaking'], 'good_time', null, null];
        yield 'yes, and who asks' => [['yes, who is this please'], 'good_time', null, null];
        yield 'in the middle of dinner' => [["I'm in the middle of my dinner"], 'who', null, null];
        yield 'what they cannot do' => [["I can't do it all today", 'yes'], 'good_time', null, null];
        yield 'who wants to know' => [["who's asking", 'yes it is'], 'good_time', null, null];
        yield 'who is asking' => [["who's calling please", 'yes speaking'], 'good_time', null, null];
    }

    public function testAVoicemailHearsItsMessage(): void
    {
        self::assertStringContainsString('collect on Thursday', $this->outbound()->says('please leave a message after the beep')->heard());
    }

    public function testAnyTwoFactsProveACaller(): void
    {
        $step = ['key' => 'check', 'kind' => 'verify', 'by' => 'any_two', 'facts' => ['postcode', 'birth_date', 'reference'], 'prompt' => 'Your postcode, please?', 'second' => 'And your date of birth?', 'tries' => 2, 'next' => 'in', 'failed' => 'out', 'locked' => 'out'];
        $caller = ['known' => true, 'postcode' => 'OX1 4AB', 'birth_date' => '1980-05-03', 'reference' => 'AC4471'];
        $call = $this->checked($step, $caller)->says('ox1 4ab');
        self::assertSame([false, 'check'], [$call->state->verified, $call->state->step]);
        self::assertStringContainsString('date of birth', $call->heard());
        self::assertTrue($call->says('third of may nineteen eighty')->state->verified);
        self::assertFalse($this->checked($step, $caller)->says('ox1 4ab', 'fourth of may nineteen eighty', 'fifth of may nineteen eighty')->state->verified);
        self::assertSame('nothing on file', $this->checked($step, ['known' => true, 'postcode' => 'OX1 4AB'])->state->outcome ?? 'nothing on file', 'one fact alone cannot prove anybody');
        self::assertTrue($this->checked(['key' => 'check', 'kind' => 'verify', 'by' => 'reference', 'prompt' => 'Your number?', 'next' => 'in', 'failed' => 'out', 'locked' => 'out'], $caller)->says('A C four four seven one')->state->verified);
    }

    /** What is said to be checked is kept nowhere, whether it is right or not. */
    #[TestWith(['A C four four seven one'])]
    #[TestWith(['A C four four seven two'])]
    public function testWhatIsSaidToBeCheckedIsKeptNowhere(string $said): void
    {
        $call = $this->checked(['key' => 'check', 'kind' => 'verify', 'by' => 'reference', 'prompt' => 'Your number?', 'next' => 'in', 'failed' => 'out', 'locked' => 'out'], ['known' => true, 'reference' => 'AC4471'])->says($said);
        $trace = $call->last->trace;

        self::assertTrue($trace->masked);
        self::assertSame(['••••', '••••', [], []], [$trace->heard, $trace->cleaned, $trace->readings, $trace->acts]);
        self::assertStringNotContainsString('four seven', (string) json_encode($trace->toArray()));
        self::assertFalse($this->checked(['key' => 'check', 'kind' => 'say', 'prompt' => 'Hello.', 'next' => 'in'], ['known' => false])->last->trace->masked, 'nothing was checked');
    }

    /** @param array<string, mixed> $bounds */
    #[DataProvider('bounds')]
    public function testABoundIsSaidAndTheQuestionPutAgain(string $format, array $bounds, string $said, string $heard, string $then, mixed $value): void
    {
        $call = $this->one(['type' => $format === 'number' ? 'number' : 'string'] + ($format === 'number' ? [] : ['format' => $format]) + ['title' => 'Thing', 'x-bounds' => $bounds])->says($said);
        self::assertNull($call->value('thing'), $said);
        self::assertMatchesRegularExpression($heard, $call->heard());
        self::assertSame($value, $call->says($then)->value('thing'));
    }

    /** @return iterable<string, array{string, array<string, mixed>, string, string, string, mixed}> */
    public static function bounds(): iterable
    {
        yield 'a day in the past' => ['date', ['when' => 'future'], 'the third of march this year', '/past already|passed/', 'the third of april', '2026-04-03'];
        yield 'a day to come' => ['date', ['when' => 'past'], 'next friday', '/future|yet to come/', 'last friday', '2026-03-06'];
        yield 'too early' => ['date', ['earliest' => 'today+7'], 'tomorrow', '/earliest/', 'the first of april', '2026-04-01'];
        yield 'too late' => ['date', ['latest' => '2026-04-30'], 'the second of may', '/latest/', 'the second of april', '2026-04-02'];
        yield 'closed' => ['date', ['open' => true], 'on sunday', '/closed/', 'on monday', '2026-03-16'];
        yield 'notice' => ['date-time', ['notice' => 'PT24H'], 'today at five', '/notice/', 'thursday at five', '2026-03-12T17:00'];
        yield 'an hour too early' => ['time', ['earliest' => '09:00'], 'seven in the morning', '/earliest/', 'ten in the morning', '10:00'];
        yield 'too many' => ['number', ['largest' => 12], 'twenty', '/12 at most|most/', 'twelve', 12];
        yield 'too few' => ['number', ['smallest' => 2, 'say' => 'Two is the least we seat.'], 'one', '/Two is the least we seat\./', 'four', 4];
    }

    public function testABoundBrokenTooOftenTakesTheWayOut(): void
    {
        $call = $this->one(['type' => 'number', 'title' => 'Thing', 'x-bounds' => ['largest' => 5]], ['tries' => 2])->says('nine', 'eight');
        self::assertTrue($call->state->ended);
        self::assertNull($call->value('thing'));
    }

    public function testAValueIsWorkedOutAndTheTraceShowsHow(): void
    {
        $document = Conversation::maren();
        $document['sheet']['properties']['total'] = ['type' => 'string', 'format' => 'money', 'title' => 'Total'];
        $document['sheet']['properties']['equipment']['x-facts']['mini_digger']['day_rate'] = 95;
        $document['steps'] = [
            ['key' => 'what', 'kind' => 'ask', 'field' => 'equipment', 'prompt' => 'Which machine?', 'next' => 'long'],
            ['key' => 'long', 'kind' => 'ask', 'field' => 'hire_length', 'prompt' => 'For how long?', 'next' => 'brought'],
            ['key' => 'brought', 'kind' => 'ask', 'field' => 'delivery', 'prompt' => 'Shall we deliver?', 'next' => 'sum'],
            ['key' => 'sum', 'kind' => 'note', 'work_out' => ['total' => ['base' => 'equipment.day_rate', 'times' => 'hire_length', 'add' => [['amount' => 30, 'when' => ['value' => 'delivery', 'is' => true]], ['percent' => 10]]]], 'next' => 'say'],
            ['key' => 'say', 'kind' => 'finish', 'prompt' => 'That is [total].'],
        ];
        $document['first'] = 'what';
        $document['standing'] = [];
        unset($document['transfers']);
        $call = Conversation::with($document)->says('a mini digger', 'two days', 'yes');
        self::assertSame(['amount' => 239.0, 'currency' => 'GBP'], $call->value('total'));
        self::assertStringContainsString('95 × 2', implode(' ', $call->last->trace->rules));
        self::assertStringContainsString('delivery', implode(' ', $call->last->trace->rules));
        self::assertSame(Origin::Set, $call->state->values['total']->origin);
        self::assertNull(Conversation::with($document)->says('a mini digger', "I don't know", 'yes')->value('total'), 'nothing comes of it while a part is missing');
    }

    /** @param array<string, mixed> $instead */
    #[DataProvider('withoutAnswer')]
    public function testACallerWithoutAnAnswerHasAWayOfTheirOwn(array $instead, string $said, mixed $value, ?string $outcome): void
    {
        $call = $this->one(['type' => 'string', 'enum' => ['red', 'blue', 'any'], 'title' => 'Colour'], $instead)->says($said);
        self::assertSame([$value, $outcome], [$call->value('thing'), $call->state->outcome], $call->heard());
    }

    /** @return iterable<string, array{array<string, mixed>, string, mixed, ?string}> */
    public static function withoutAnswer(): iterable
    {
        yield 'does not mind: a value' => [['if_any' => ['take' => 'any']], "I'm easy, whatever you've got", 'any', 'finished'];
        yield 'does not mind: left open' => [[], "I'm not fussed", null, 'finished'];
        yield 'does not know: a step' => [['if_unknown' => ['go' => 'aside']], "haven't the foggiest", null, 'aside'];
        yield 'refuses: a step' => [['if_refused' => ['go' => 'aside']], "I'd rather keep that to myself", null, 'aside'];
        yield 'an answer all the same' => [['if_any' => ['take' => 'any']], 'blue please', 'blue', 'finished'];
    }

    public function testARequiredValueIsInsistedOnOnce(): void
    {
        $call = $this->one(['type' => 'string', 'enum' => ['red', 'blue'], 'title' => 'Colour'], ['required' => true, 'why' => 'We paint it on Friday.'])->says("I don't know");
        self::assertStringContainsString('We paint it on Friday.', $call->heard());
        self::assertFalse($call->state->ended);
    }

    public function testAFieldTakesWhateverElseWasTold(): void
    {
        $document = $this->document(['type' => 'string', 'format' => 'date', 'title' => 'Day'], []);
        $document['sheet']['properties']['rest'] = ['type' => 'string', 'title' => 'Also told', 'x-rest' => true];
        $call = Conversation::with($document)->says('the goat has eaten the garden hose again', 'friday');
        self::assertSame('the goat has eaten the garden hose again', $call->value('rest'));
    }

    public function testSomebodyElseComesToTheTelephone(): void
    {
        $document = $this->document(['type' => 'string', 'format' => 'date', 'title' => 'Day'], []);
        $document['sheet']['properties']['speaker'] = ['type' => 'string', 'format' => 'person-name', 'title' => 'Speaker'];
        $document['standing'] = ['new_speaker' => 'speaker'];
        $call = Conversation::with($document)->says("hang on, I'll put my wife on");
        self::assertSame(Mode::Handover, $call->state->mode);
        self::assertStringContainsString('Wren', $call->says('hello?')->heard());
        $other = Conversation::with($document)->says("I'll put my wife on", 'hello, this is Mary Dunn, it is for Friday');
        self::assertSame(['Mary Dunn', '2026-03-13'], [$other->value('speaker'), $other->value('thing')]);
    }

    public function testOwnWordsAfterADetourAndOnASecondVisit(): void
    {
        $call = $this->one(['type' => 'string', 'format' => 'date', 'title' => 'Day'], ['after_detour' => 'So, about the day?', 'second_visit' => 'The day once more?'])->says('are you a robot?');
        self::assertStringEndsWith('So, about the day?', $call->heard());
    }

    /** @param array<string, mixed> $step */
    #[DataProvider('wrongSteps')]
    public function testWrongOnesAreRefusedWithTheirPath(array $step, string $path, string $message): void
    {
        $document = $this->document(['type' => 'string', 'title' => 'Thing'], []);
        $document['steps'][] = $step;
        try {
            (new ScriptReader)->fromArray($document);
            self::fail('was taken');
        } catch (InvalidDocument $problem) {
            self::assertStringContainsString($path.': '.$message, implode("\n", array_map(static fn (array $one): string => $one['path'].': '.$one['message'], $problem->problems)));
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function wrongSteps(): iterable
    {
        yield 'a summary of nothing' => [['key' => 's', 'kind' => 'summary', 'fields' => [], 'next' => 'bye'], 'steps[3].fields', 'names no field'];
        yield 'a summary of a field that is not there' => [['key' => 's', 'kind' => 'summary', 'fields' => ['nope'], 'next' => 'bye'], 'steps[3].fields[0]', 'the record sheet has no field'];
        yield 'a list that is none' => [['key' => 'r', 'kind' => 'repeat', 'list' => 'thing', 'fields' => ['thing'], 'prompt' => 'More?', 'first' => 'ask', 'next' => 'bye'], 'steps[3].list', 'the field “thing” is no list'];
        yield 'two facts of one' => [['key' => 'v', 'kind' => 'verify', 'by' => 'any_two', 'facts' => ['pin'], 'prompt' => 'PIN?', 'next' => 'bye', 'failed' => 'bye', 'locked' => 'bye'], 'steps[3].facts', 'needs at least two'];
        yield 'neither a value nor a step' => [['key' => 'a', 'kind' => 'ask', 'field' => 'thing', 'prompt' => 'What?', 'if_any' => [], 'next' => 'bye'], 'steps[3].if_any', 'says neither'];
        yield 'a sum of both' => [['key' => 'n', 'kind' => 'note', 'work_out' => ['thing' => ['base' => 1, 'add' => [['amount' => 1, 'percent' => 2]]]], 'next' => 'bye'], 'steps[3].work_out.thing.add[0]', 'needs either'];
        yield 'when to ring again goes nowhere' => [['key' => 'o', 'kind' => 'reach', 'prompt' => 'Is it you?', 'ring_again' => 'nope', 'next' => 'bye'], 'steps[3].ring_again', 'the record sheet has no field'];
    }

    private function wedding(): Conversation
    {
        return Conversation::with(['agent' => ['name' => 'Wren', 'business' => 'Orchard Barn', 'manner' => ['acknowledges' => 'little']], 'sheet' => ['type' => 'object', 'properties' => [
            'day' => ['type' => 'string', 'format' => 'date', 'title' => 'Date'], 'guests' => ['type' => 'number', 'title' => 'Guests'], 'meal' => ['type' => 'string', 'enum' => ['buffet', 'seated'], 'title' => 'Meal'],
        ]], 'first' => 'when', 'steps' => [
            ['key' => 'when', 'kind' => 'ask', 'field' => 'day', 'prompt' => 'When is it?', 'next' => 'many'],
            ['key' => 'many', 'kind' => 'ask', 'field' => 'guests', 'prompt' => 'How many guests?', 'next' => 'meal'],
            ['key' => 'meal', 'kind' => 'ask', 'field' => 'meal', 'prompt' => 'A buffet or a seated meal?', 'next' => 'sum'],
            ['key' => 'sum', 'kind' => 'summary', 'fields' => ['day', 'guests', 'meal'], 'next' => 'bye'],
            ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
        ]]);
    }

    private function nursery(): Conversation
    {
        $child = ['type' => 'string', 'format' => 'person-name', 'title' => 'Child'];
        $class = ['type' => 'string', 'enum' => ['owls', 'wrens'], 'title' => 'Class'];

        return Conversation::with(['agent' => ['name' => 'Wren', 'business' => 'Acorn Nursery'], 'sheet' => ['type' => 'object', 'properties' => [
            'child' => $child, 'class' => $class, 'children' => ['type' => 'array', 'title' => 'Children', 'items' => ['type' => 'object', 'properties' => ['child' => $child, 'class' => $class]]],
        ]], 'first' => 'name', 'steps' => [
            ['key' => 'name', 'kind' => 'ask', 'field' => 'child', 'prompt' => 'What is the name?', 'confirm' => 'never', 'next' => 'class'],
            ['key' => 'class', 'kind' => 'ask', 'field' => 'class', 'prompt' => 'Owls or wrens?', 'next' => 'more'],
            ['key' => 'more', 'kind' => 'repeat', 'list' => 'children', 'fields' => ['child', 'class'], 'prompt' => 'Is there another child?', 'first' => 'name', 'most' => 3, 'next' => 'bye'],
            ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
        ]]);
    }

    private function outbound(): Conversation
    {
        return Conversation::with(['agent' => ['name' => 'Tobin', 'business' => 'Quillmoor Linen', 'direction' => 'outbound'], 'sheet' => ['type' => 'object', 'properties' => [
            'again' => ['type' => 'string', 'format' => 'date-time', 'title' => 'Ring again'], 'ok' => ['type' => 'boolean', 'title' => 'Good moment'],
        ]], 'first' => 'who', 'steps' => [
            ['key' => 'who', 'kind' => 'reach', 'prompt' => 'Am I speaking to [caller.first_name|the owner]?', 'ring_again' => 'again', 'voicemail' => 'Quillmoor Linen here. We collect on Thursday.', 'next' => 'good_time'],
            ['key' => 'good_time', 'kind' => 'ask', 'field' => 'ok', 'prompt' => 'Is this a good moment?', 'next' => 'bye'],
            ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
        ]], ['known' => true, 'first_name' => 'Dana', 'name' => 'Dana Frew']);
    }

    /**
     * @param array<string, mixed> $step
     * @param array<string, scalar> $caller
     */
    private function checked(array $step, array $caller): Conversation
    {
        return Conversation::with(['agent' => ['name' => 'Wren', 'business' => 'Pellbrook Hire'], 'first' => 'check', 'steps' => [$step, ['key' => 'in', 'kind' => 'finish', 'prompt' => 'Welcome.'], ['key' => 'out', 'kind' => 'finish', 'prompt' => 'Sorry.', 'outcome' => 'nothing on file']]], $caller);
    }

    /**
     * @param array<string, mixed> $field
     * @param array<string, mixed> $step
     */
    private function one(array $field, array $step = []): Conversation
    {
        return Conversation::with($this->document($field, $step));
    }

    /**
     * @param array<string, mixed> $field
     * @param array<string, mixed> $step
     *
     * @return array<string, mixed>
     */
    private function document(array $field, array $step): array
    {
        return [
            'agent' => ['name' => 'Wren', 'business' => 'Pellbrook Hire', 'manner' => ['acknowledges' => 'little']],
            'hours' => ['mon' => ['08:00-18:00'], 'tue' => ['08:00-18:00'], 'wed' => ['08:00-18:00'], 'thu' => ['08:00-18:00'], 'fri' => ['08:00-18:00']],
            'sheet' => ['type' => 'object', 'properties' => ['thing' => $field]],
            'first' => 'ask',
            'steps' => [['key' => 'ask', 'kind' => 'ask', 'field' => 'thing', 'prompt' => 'What is it?', 'next' => 'bye'] + $step, ['key' => 'aside', 'kind' => 'note', 'outcome' => 'aside', 'next' => 'bye'], ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.']],
        ];
    }
}
