<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** What is out of the question is no answer to when. It is a Tuesday, the tenth of March 2026. */
final class DayRuledOutTest extends TestCase
{
    #[TestWith(['not Monday'])]
    #[TestWith(["I can't make Wednesday"])]
    #[TestWith(['Fridays are out'])]
    #[TestWith(['anything but a Tuesday'])]
    #[TestWith(['any day except Thursday'])]
    #[TestWith(["I'm away on the fifteenth"])]
    #[TestWith(["Tuesday's my day off so not then"])]
    #[TestWith(["my wife can't do the eighteenth"])]
    #[TestWith(['Mondays are never good'])]
    #[TestWith(["Friday's never a good day"])]
    #[TestWith(["oh hang on, I'm away on Friday"])]
    #[TestWith(['Wednesday would be awkward'])]
    public function testWhatIsRuledOutIsAskedBeside(string $said): void
    {
        foreach (['date', 'date-time'] as $format) {
            $call = $this->asked($format)->says($said);
            self::assertNull($call->value('start'), $said);
            self::assertStringContainsString('Which day', $call->heard());
            self::assertSame([], $call->state->parts, 'nothing of it is kept as half of an answer');
        }
    }

    #[TestWith(['not Monday, Thursday', '2026-03-12'])]
    #[TestWith(["can't do Wednesday, how about Thursday", '2026-03-12'])]
    #[TestWith(["Saturday's no good, Sunday maybe", '2026-03-15'])]
    #[TestWith(['the twentieth, not the nineteenth', '2026-03-20'])]
    #[TestWith(['I work Mondays, so Thursday', '2026-03-12'])]
    #[TestWith(["Wednesday's good", '2026-03-11'])]
    #[TestWith(['nothing on Friday so Friday', '2026-03-13'])]
    #[TestWith(["I'm off on Thursday so Thursday", '2026-03-12'])]
    #[TestWith(['how does Thursday sound', '2026-03-12'])]
    #[TestWith(['any day next week really, Wednesday', '2026-03-18'])]
    #[TestWith(["how's next Monday looking", '2026-03-16'])]
    public function testTheOneThatIsLeftIsMeant(string $said, string $day): void
    {
        $call = $this->asked('date')->says($said);
        if ($call->state->mode === Mode::Confirm) {
            $call->says('yes');
        }

        self::assertSame($day, $call->value('start'), $call->heard());
    }

    public function testTheDayThatIsNamedNextStands(): void
    {
        self::assertSame('2026-03-16', $this->asked('date')->says("I can't do Fridays", 'Monday')->value('start'));
        self::assertSame('2026-03-16T10:00', $this->asked('date-time')->says("I can't do Fridays", 'Monday at ten')->value('start'));
        self::assertSame('2026-03-12T14:00', $this->asked('date-time')->says('Thursday, not Friday', 'at two')->value('start'));
    }

    /** @param list<string> $said */
    #[TestWith([['some time in May', 'the second week', 'the Tuesday'], '2026-05-12'])]
    #[TestWith([['next week', 'no actually the week after', 'Monday'], '2026-03-23'])]
    #[TestWith([['next month', 'towards the middle', 'the fifteenth'], '2026-04-15'])]
    #[TestWith([['April', 'the first'], '2026-04-01'])]
    #[TestWith([['next week', 'the end of it', 'Thursday'], '2026-03-19'])]
    public function testADayIsToldStepByStep(array $said, string $day): void
    {
        self::assertSame($day, $this->asked('date')->says(...$said)->value('start'));
    }

    public function testNothingIsTakenUnaskedOfADayThatIsOut(): void
    {
        $fields = ['name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name'], 'start' => ['type' => 'string', 'format' => 'date', 'title' => 'Start']];
        $prompts = ['name' => 'What is your name?', 'start' => 'When would you like to start?'];

        self::assertNull(Conversation::asking($fields, $prompts)->says("Ann Poole, and we're away on the fifteenth")->value('start'));
        self::assertSame('2026-03-13', Conversation::asking($fields, $prompts)->says("Ann Poole, I'd like to start on Friday")->value('start'));
    }

    #[TestWith(["sorry, I can't do Friday after all"])]
    #[TestWith(["actually Friday's no good"])]
    #[TestWith(['sorry, not Friday'])]
    public function testADayThatIsTakenBackIsAskedForAgain(string $said): void
    {
        $fields = ['start' => ['type' => 'string', 'format' => 'date', 'title' => 'Start'], 'name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name']];
        $call = Conversation::asking($fields, ['start' => 'When would you like to start?', 'name' => 'What is your name?'])->says('Friday', $said);
        self::assertNull($call->value('start'));
        self::assertStringContainsString('start', $call->heard());
        $call->says('Monday', 'Ann Poole');
        self::assertSame(['2026-03-16', 'Ann Poole'], [$call->value('start'), $call->value('name')]);
    }

    #[TestWith(['no wait, not Friday, Monday', '2026-03-16'])]
    #[TestWith(["sorry, we can't do Mondays", '2026-03-13'])]
    public function testADayThatIsPutRightOrNotSpokenOfIsNotAskedFor(string $said, string $day): void
    {
        $fields = ['start' => ['type' => 'string', 'format' => 'date', 'title' => 'Start'], 'name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name']];
        $call = Conversation::asking($fields, ['start' => 'When would you like to start?', 'name' => 'What is your name?'])->says('Friday', $said);

        self::assertSame($day, $call->value('start'), $call->heard());
        self::assertStringContainsString('name', $call->heard());
    }

    /** Of what has been nothing is ruled out. */
    public function testWhatHasBeenIsAsItWas(): void
    {
        $call = Conversation::asking(['lost' => ['type' => 'string', 'format' => 'date', 'title' => 'Lost on']], ['lost' => 'When did you lose it?'])->says("it was Friday, I couldn't find it on Saturday");

        self::assertNotSame('2026-03-07', $call->value('lost'));
    }

    private function asked(string $format): Conversation
    {
        return Conversation::asking(['start' => ['type' => 'string', 'format' => $format, 'title' => 'Start']], ['start' => 'When would you like to start?']);
    }
}
