<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** What was offered and is named, what was offered and is meant in other words, and what is told by more than one field at once. */
final class NamedAndMeantTest extends TestCase
{
    /** Leaves two or three topics to choose from. */
    private const BETWEEN_TOPICS = 'we run a toddler group and need somewhere Wednesday mornings in term time';

    #[TestWith(['what is on', 'on'])]
    #[TestWith(['leaving', 'leave'])]
    #[TestWith(["it's about leaving please", 'leave'])]
    public function testATopicOfferedIsTheAnswerWhateverItsNameWouldMeanElsewhere(string $named, string $topic): void
    {
        $call = self::hall()->says(self::BETWEEN_TOPICS);
        self::assertSame(Mode::Clarify, $call->state->mode, 'or this tries nothing');
        self::assertContains($topic, $call->state->candidates);

        self::assertSame($topic, $call->says($named)->state->topic, $call->heard());
    }

    public function testASecondRepeatLeadsInOnce(): void
    {
        $call = self::hall()->says(self::BETWEEN_TOPICS, 'pardon', 'say that again', 'pardon');

        self::assertLessThan(2, substr_count($call->heard(), 'Sure.'), $call->heard());
    }

    #[TestWith(['his dad', 'father'])]
    #[TestWith(["I'm her mum", 'mother'])]
    public function testTwoThingsOfOneKindAreToldApart(string $said, string $who): void
    {
        self::assertSame($who, self::asked('who')->says($said)->value('who'));
    }

    #[TestWith(["I'm his nan"])]
    #[TestWith(['that would be the caretaker'])]
    public function testWhatIsNoneOfTheOptionsIsTheRestOfThemOnceItIsAgreed(string $said): void
    {
        $call = self::asked('who')->says($said);
        self::assertSame(Mode::Confirm, $call->state->mode, $call->heard());

        self::assertSame('other', $call->says('yes')->value('who'));
    }

    #[TestWith(['mmmph grbl'])]
    #[TestWith(['what do you mean'])]
    public function testANoiseAndAQuestionAreNotTheRest(string $said): void
    {
        self::assertNull(self::asked('who')->says($said)->value('who'));
    }

    #[TestWith(["a party tonight at eight for thirty people if you've got one", '2026-03-10', '20:00', 30])]
    #[TestWith(['hire the hall on Friday at seven in the evening', '2026-03-13', '19:00', null])]
    public function testADayAndAnHourSaidTogetherFillBothFields(string $said, string $day, string $hour, ?int $people): void
    {
        $call = self::hall()->says($said);

        self::assertSame([$day, $hour, $people], [$call->value('day'), $call->value('hour'), $call->value('people')], $call->heard());
    }

    private static function hall(): Conversation
    {
        return Conversation::with(json_decode((string) file_get_contents(__DIR__.'/fixtures/hall.json'), true, 64, JSON_THROW_ON_ERROR));
    }

    /** The hall's question for one field, put at once. */
    private static function asked(string $field): Conversation
    {
        $document = json_decode((string) file_get_contents(__DIR__.'/fixtures/hall.json'), true, 64, JSON_THROW_ON_ERROR);

        return Conversation::with(['first' => $field] + $document);
    }
}
