<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** An answer, a change or a remark put in words that look like something else. It is a Tuesday, the tenth of March 2026. */
final class PutAnotherWayTest extends TestCase
{
    private const TRIAGE = 'database/starters/triage/agent.json';

    private const FIELDS = [
        'machine' => ['type' => 'string', 'title' => 'Machine', 'enum' => ['mini digger', 'floor saw', 'scaffold tower']],
        'from' => ['type' => 'string', 'format' => 'date', 'title' => 'From'],
        'length' => ['type' => 'string', 'format' => 'duration', 'title' => 'Length'],
        'pays' => ['type' => 'string', 'title' => 'Payment', 'enum' => ['card', 'cash', 'account']],
        'note' => ['type' => 'string', 'title' => 'Message'],
    ];

    private const QUESTIONS = ['machine' => 'Which machine do you need?', 'from' => 'From which day do you need it?', 'length' => 'For how long?', 'pays' => 'How will you pay?', 'note' => 'What shall I pass on?'];

    #[TestWith(['sorry, can you change that to the seventeenth of March', '2026-03-17'])]
    #[TestWith(['hold on, the twentieth would be better', '2026-03-20'])]
    #[TestWith(['no, the fifteenth', '2026-03-15'])]
    #[TestWith(['actually I meant the second of April', '2026-04-02'])]
    public function testAChangeIsHeardAsOne(string $said, string $from): void
    {
        $call = $this->call()->says('a mini digger', 'the fourteenth of March', $said);

        self::assertSame($from, $call->value('from'), $call->heard());
        self::assertNull($call->value('length'), $call->heard());
    }

    public function testAMonthThatIsNamedIsTheNextOne(): void
    {
        $call = $this->call()->says('a mini digger', 'the fourth of January', 'actually I meant the second of December');

        self::assertSame('2026-12-02', $call->value('from'), $call->heard());
    }

    #[TestWith(['hang on, the eighteenth', '2026-03-18'])]
    #[TestWith(['let me think, the eighteenth of March', '2026-03-18'])]
    #[TestWith(['not tomorrow, the day after', '2026-03-12'])]
    #[TestWith(['tomorrow, no, the day after', '2026-03-12'])]
    public function testWhatIsFoundIsTheAnswer(string $said, string $from): void
    {
        $call = $this->call()->says('a mini digger', $said);

        self::assertSame($from, $call->value('from'), $call->heard());
    }

    #[TestWith(['have you got a mini digger', 'mini digger'])]
    #[TestWith(['do you have any scaffold towers', 'scaffold tower'])]
    #[TestWith(['could I get one of those floor saws for Friday', 'floor saw'])]
    public function testAQuestionWantsWhatItNames(string $said, string $machine): void
    {
        $call = $this->call()->says($said);

        self::assertSame($machine, $call->value('machine'), $call->heard());
    }

    public function testAQuestionAboutWhatItNamesIsAnswered(): void
    {
        $call = Conversation::withMaren()->says('I want to hire something', 'do you do weekend rates on the mini digger');

        self::assertNull($call->value('equipment'), $call->heard());
        self::assertStringContainsString('weekend', $call->heard());
    }

    #[TestWith(['did you see the match last night', 'from'])]
    #[TestWith(['do you take cards', 'pays'])]
    #[TestWith(['one sec, I need to find the paper', 'length'])]
    public function testWhatIsOnlySaidOnTheWayFillsNothing(string $said, string $field): void
    {
        $call = $this->call()->says($said);

        self::assertNull($call->value($field), $call->heard());
    }

    #[TestWith(['do you know any good recipes'])]
    #[TestWith(['do you know any decent restaurants'])]
    public function testAQuestionLeavesNothingOpen(string $said): void
    {
        $call = $this->call()->says($said);

        self::assertSame([], $call->state->declined, $call->heard());
        self::assertSame('ask_machine', $call->state->step, $call->heard());
    }

    public function testNobodyIsAskedForEverForWhatTheySayWasSaid(): void
    {
        $call = $this->call()->says('a mini digger', 'Friday', 'two days', 'card', 'the same as the last time');
        self::assertSame('the same as the last time', $call->value('note'), $call->heard());

        $told = $this->call()->says('I already told you that', 'I already told you that', 'I already told you that', 'I already told you that');
        self::assertGreaterThan(1, $told->state->failures + ($told->state->step === 'ask_machine' ? 0 : 2), $told->heard());
    }

    public function testTheFirstOfThoseIsOneOfWhatWasAsked(): void
    {
        $call = $this->call()->says('a mini digger or a floor saw', 'the first of those');

        self::assertSame('mini digger', $call->value('machine'), $call->heard());
    }

    #[TestWith(['what do you think of the new road'])]
    #[TestWith(['is there parking'])]
    #[TestWith(['are you open on Saturdays'])]
    public function testAQuestionIsNoAnswer(string $said): void
    {
        $fields = ['bike' => ['type' => 'string', 'title' => 'Bike', 'enum' => ['road bike', 'mountain bike', 'somewhere else']], 'day' => ['type' => 'string', 'format' => 'date', 'title' => 'Day']];
        $first = Conversation::asking($fields, ['bike' => 'What sort of bike is it?', 'day' => 'Which day suits you?'])->says($said);
        $second = Conversation::asking($fields, ['bike' => 'What sort of bike is it?', 'day' => 'Which day suits you?'])->says('a road bike', $said);

        self::assertNull($first->value('bike'), $first->heard());
        self::assertNull($second->value('day'), $second->heard());
    }

    public function testNothingElseIsNothingMoreThoughSomethingElseIsATopic(): void
    {
        $starter = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/'.self::TRIAGE), true, 64, JSON_THROW_ON_ERROR);
        $call = Conversation::with($starter)->says('I need a repair', 'it is leaking at the back', 'Friday', 'Kaley Botello', 'yes', 'nothing else, thank you very much');

        self::assertTrue($call->state->ended, $call->heard());
        self::assertNotNull($call->value('problem'), $call->heard());
    }

    public function testADayThatHasBeenMendsOneThatHasBeen(): void
    {
        $call = Conversation::asking(['served' => ['type' => 'string', 'format' => 'date', 'title' => 'Last served'], 'day' => ['type' => 'string', 'format' => 'date', 'title' => 'Day'], 'note' => ['type' => 'string', 'title' => 'Message']], ['served' => 'When was it last serviced?', 'day' => 'Which day can you bring it in?', 'note' => 'Anything else?'])
            ->says('the twentieth of February', 'the sixteenth of March', 'actually, make that the eighteenth of February 2026');

        self::assertSame(['2026-02-18', '2026-03-16'], [$call->value('served'), $call->value('day')], $call->heard());
    }

    public function testMakeThatSpeaksOfWhatWasToldBefore(): void
    {
        $call = Conversation::asking(['people' => ['type' => 'integer', 'title' => 'People'], 'cases' => ['type' => 'integer', 'title' => 'Cases']], ['people' => 'How many of you?', 'cases' => 'How many cases?'])->says('eight', 'actually, make that six');

        self::assertSame([6, null], [$call->value('people'), $call->value('cases')], $call->heard());
    }

    #[TestWith(['that depends'])]
    #[TestWith(["I'm not quite sure yet"])]
    #[TestWith(['difficult to say'])]
    public function testWhoHasNotDecidedIsAskedForARoughIdeaOnce(string $said): void
    {
        $call = $this->call()->says('a mini digger', $said);
        self::assertSame(['ask_from', []], [$call->state->step, $call->state->declined], $call->heard());
        self::assertMatchesRegularExpression('/rough/i', $call->heard());

        $twice = $this->call()->says('a mini digger', $said, $said);
        self::assertSame(['from'], $twice->state->declined, $twice->heard());
    }

    private function call(): Conversation
    {
        return Conversation::asking(self::FIELDS, self::QUESTIONS);
    }
}
