<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** Replies of a few words that are only whole with their question. */
final class ShortAnswersTest extends TestCase
{
    private const FIELDS = [
        'limit' => ['type' => 'string', 'format' => 'money', 'title' => 'Limit'],
        'party' => ['type' => 'string', 'title' => 'Owner or tenant', 'enum' => ['owner', 'tenant', 'agent'], 'x-labels' => ['owner' => 'the owner', 'tenant' => 'a tenant', 'agent' => 'a letting agent']],
        'guests' => ['type' => 'integer', 'title' => 'Guests'],
        'nights' => ['type' => 'string', 'format' => 'duration', 'title' => 'Nights'],
        'dog' => ['type' => 'boolean', 'title' => 'Dog'],
        'home' => ['type' => 'boolean', 'title' => 'Lives there'],
        'heavy' => ['type' => 'array', 'title' => 'Diets', 'items' => ['type' => 'string', 'enum' => ['vegan', 'vegetarian', 'nut'], 'x-labels' => ['vegan' => 'vegan', 'vegetarian' => 'vegetarian', 'nut' => 'no nuts']]],
        'phone' => ['type' => 'string', 'format' => 'phone', 'title' => 'Phone'],
    ];

    /** What is added up is read back. */
    #[TestWith(['four at the front, five at the back', 9])]
    #[TestWith(['nine, four at the front and five at the back', 9])]
    #[TestWith(['two upstairs and one down', 3])]
    #[TestWith(['six in all, two in the bay', 6])]
    #[TestWith(['two or three at the front', null])]
    public function testHowManyIsToldByPlaces(string $said, ?int $windows): void
    {
        $call = Conversation::asking(['windows' => ['type' => 'integer', 'title' => 'Windows']], ['windows' => 'How many windows?'])->says($said);

        self::assertSame($windows === null ? null : Mode::Confirm, $windows === null ? null : $call->state->mode, $call->heard());
        self::assertSame($windows, $windows === null ? $call->value('windows') : $call->says('yes')->value('windows'));
    }

    #[TestWith(['eighty, and ten tables', 80])]
    #[TestWith(['eighty, two of them for children', 80])]
    #[TestWith(['fifty chairs and ten tables', 50])]
    #[TestWith(['a round hundred', 100])]
    public function testWhatIsCountedStandsAmongOtherNumbers(string $said, int $chairs): void
    {
        $call = Conversation::asking(['chairs' => ['type' => 'integer', 'title' => 'Chairs']], ['chairs' => 'How many chairs do you need?'])->says($said);

        self::assertSame(Mode::Confirm, $call->state->mode, $call->heard());
        self::assertSame($chairs, $call->says('yes')->value('chairs'));
    }

    #[TestWith(['not the grey, the navy', 'navy'])]
    #[TestWith(['navy I think, the dark one', 'navy, the dark one'])]
    public function testAThingIsToldWithoutWhatItIsNot(string $said, string $colour): void
    {
        self::assertSame($colour, Conversation::asking(['colour' => ['type' => 'string', 'title' => 'Colour']], ['colour' => 'Which colour would you like?'])->says($said)->value('colour'));
    }

    #[TestWith(['a boy and two girls', 3])]
    #[TestWith(['twins and a baby', 3])]
    #[TestWith(["twins, they're five", 2])]
    #[TestWith(['two boys, seven and nine', 2])]
    #[TestWith(['four, two boys and two girls', 4])]
    #[TestWith(['two adults and three children', 3])]
    #[TestWith(["a boy, he's four", 1])]
    #[TestWith(['none yet, one on the way', 0])]
    public function testChildrenAreCountedByWhatTheyAre(string $said, int $children): void
    {
        $call = Conversation::asking(['children' => ['type' => 'integer', 'title' => 'Children']], ['children' => 'How many children?'])->says($said);

        self::assertSame(Mode::Confirm, $call->state->mode, $call->heard());
        self::assertSame($children, $call->says('yes')->value('children'));
    }

    #[TestWith(["couldn't tell you", 'not_sure'])]
    #[TestWith(['no idea', 'not_sure'])]
    #[TestWith(["I don't know", 'not_sure'])]
    public function testNotKnowingIsAnOptionWhereThereIsOne(string $said, string $option): void
    {
        $field = ['type' => 'string', 'title' => 'Asbestos', 'enum' => ['yes', 'no', 'not_sure'], 'x-labels' => ['yes' => 'yes', 'no' => 'no', 'not_sure' => 'not sure']];
        $call = Conversation::asking(['asbestos' => $field], ['asbestos' => 'Is there any asbestos?'])->says($said);

        self::assertSame($option, $call->state->mode === Mode::Confirm ? $call->says('yes')->value('asbestos') : $call->value('asbestos'), $call->heard());
    }

    #[TestWith(['no'])]
    #[TestWith(['not really'])]
    public function testANoToWhetherThereIsOneLeavesItOpen(string $no): void
    {
        $call = Conversation::asking(self::FIELDS, ['limit' => 'Is there a limit we should keep to?', 'guests' => 'How many people?'])->says($no);

        self::assertSame('ask_guests', $call->state->step, $call->heard());
        self::assertContains('limit', $call->state->declined);
    }

    #[TestWith(['the letting agent', 'agent'])]
    #[TestWith(['I rent it', 'tenant'])]
    #[TestWith(['we bought it last year', 'owner'])]
    public function testAnOptionIsToldByItsNameOrItsKind(string $said, string $option): void
    {
        $call = Conversation::asking(self::FIELDS, ['party' => 'Are you the owner, a tenant or a letting agent?'])->says($said);

        self::assertSame($option, $call->value('party'), $call->heard());
    }

    public function testAnAgentWhoIsAskedForIsAPerson(): void
    {
        $call = Conversation::asking(self::FIELDS, ['party' => 'Are you the owner, a tenant or a letting agent?'])->says('can I speak to an agent');

        self::assertNull($call->value('party'), $call->heard());
    }

    public function testAVagueNumberIsAskedForAsOneFigure(): void
    {
        $call = Conversation::asking(self::FIELDS, ['guests' => 'How many people?'])->says('sixty odd');
        self::assertNull($call->value('guests'));
        self::assertStringContainsString('figure', (string) end($call->spoken));

        self::assertSame(62, $call->says('say sixty two')->value('guests'));
    }

    #[TestWith(['two but they will be shut in', true])]
    #[TestWith(['one, a whippet', true])]
    public function testACountSaysThatThereIsOne(string $said, bool $value): void
    {
        $call = Conversation::asking(self::FIELDS, ['dog' => 'Do you have a dog?', 'guests' => 'How many people?'])->says($said, 'yes');

        self::assertSame($value, $call->value('dog'), $call->heard());
        self::assertNull($call->value('guests'));
    }

    #[TestWith(['yeah I rent it', true])]
    #[TestWith(['I do, yeah', true])]
    #[TestWith(["no it's my daughter's house, I only stop here", false])]
    public function testALeadingYesOrNoIsBelieved(string $said, bool $value): void
    {
        $call = Conversation::asking(self::FIELDS, ['home' => 'Do you live there yourself?', 'guests' => 'How many people?'])->says($said);

        self::assertSame($value, $call->value('home'), $call->heard());
        self::assertSame('ask_guests', $call->state->step, 'and not read back');
    }

    public function testAQuestionBesideTheYesDoesNotTurnIt(): void
    {
        $call = Conversation::asking(['content' => ['type' => 'boolean', 'title' => 'Content'], 'guests' => self::FIELDS['guests']], ['content' => 'Were you content with it?', 'guests' => 'How many people?'])
            ->says('oh hello yes, can I just say he was brilliant');

        self::assertTrue($call->value('content'), $call->heard());
    }

    public function testAnHourSaysYesToAnOffer(): void
    {
        $call = Conversation::asking(['ring' => ['type' => 'boolean', 'title' => 'Ring'], 'guests' => self::FIELDS['guests']], ['ring' => 'Shall the manager ring you about it?', 'guests' => 'How many people?'])
            ->says('after five', 'yes');

        self::assertTrue($call->value('ring'), $call->heard());
    }

    public function testTheEndOfAStayTellsItsLength(): void
    {
        $call = Conversation::asking(['day' => ['type' => 'string', 'format' => 'date', 'title' => 'Arrival'], 'nights' => self::FIELDS['nights']], ['day' => 'Which night would you arrive?', 'nights' => 'For how many nights?'])
            ->says('Wednesday the first of April', 'till Friday');

        self::assertSame('P2D', $call->value('nights'), $call->heard());
    }

    #[TestWith(['yes, two tyres on a Vorran V5', null])]
    #[TestWith(['yes, it has done forty thousand miles', 40000])]
    public function testANumberTellsOnlyOfWhatItCounts(string $said, ?int $miles): void
    {
        $call = Conversation::asking(['work' => ['type' => 'boolean', 'title' => 'Tyres'], 'miles' => ['type' => 'number', 'title' => 'Mileage']], ['work' => 'Does it need tyres?', 'miles' => 'How many miles has it done?'])->says($said);

        self::assertSame($miles, $call->value('miles'), $call->heard());
    }

    public function testAnAgeToldInPassingIsKeptWhereItIsAskedFor(): void
    {
        $fields = ['gear' => ['type' => 'boolean', 'title' => 'Manual'], 'age' => ['type' => 'integer', 'title' => 'Age']];
        $call = Conversation::asking($fields, ['gear' => 'Would you like a manual?', 'age' => 'How old is the learner?'])->says("yes please, she's seventeen");

        self::assertSame(17, $call->value('age'), $call->heard());
    }

    public function testAVagueLengthIsAskedForAsOneFigure(): void
    {
        $call = Conversation::asking(['stay' => ['type' => 'string', 'format' => 'duration', 'title' => 'Stay']], ['stay' => 'How long will you stay?'])->says('a few days');

        self::assertStringContainsString('figure', (string) end($call->spoken));
    }

    public function testATownIsAskedForItsStreet(): void
    {
        $call = Conversation::asking(['where' => ['type' => 'string', 'format' => 'postal-address', 'title' => 'Where']], ['where' => 'Where are you moving to?'])->says('somewhere in Chester');
        self::assertStringContainsString('street', (string) end($call->spoken));

        self::assertSame('12 Orchard Way, Chester', $call->says('12 Orchard Way')->value('where'), $call->heard());
    }

    public function testAFieldWithoutANameIsAskedForByWhatItIs(): void
    {
        $call = Conversation::asking(['when' => ['type' => 'string', 'format' => 'date', 'title' => 'When']], ['when' => 'When shall we come?'])->says('purple monkeys');

        self::assertStringContainsString('day', (string) end($call->spoken));
        self::assertStringNotContainsString('the when', strtolower($call->heard()));
    }

    public function testWhatSomebodyCannotHaveIsWanted(): void
    {
        $call = Conversation::asking(self::FIELDS, ['heavy' => 'Does anybody eat vegan, vegetarian or without nuts?'])->says("my nephew can't have nuts and there's a couple of veggies");

        self::assertSame(['vegetarian', 'nut'], $call->value('heavy'), $call->heard());
    }

    #[TestWith(["same as I'm calling from"])]
    #[TestWith(["the same number I'm ringing from"])]
    public function testTheNumberTheyRingFrom(string $said): void
    {
        self::assertSame('+447700900123', Conversation::asking(self::FIELDS, ['phone' => 'What is the best number?'])->says($said)->value('phone'));
    }

    public function testNumbersAreReadBackWithWhatTheyCount(): void
    {
        $script = Conversation::maren();
        $call = Conversation::with([
            'agent' => $script['agent'],
            'sheet' => ['type' => 'object', 'title' => 'Stay', 'properties' => self::FIELDS],
            'first' => 'nights',
            'steps' => [
                ['key' => 'nights', 'kind' => 'ask', 'field' => 'nights', 'prompt' => 'For how many nights?', 'next' => 'guests'],
                ['key' => 'guests', 'kind' => 'ask', 'field' => 'guests', 'prompt' => 'How many of you will there be?', 'next' => 'sum'],
                ['key' => 'sum', 'kind' => 'summary', 'fields' => ['nights', 'guests'], 'prompt' => 'So that is [summary]. Is that right?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
            ],
        ])->says('two', 'one');

        self::assertStringContainsString('two nights and one guest.', $call->heard());
    }
}
