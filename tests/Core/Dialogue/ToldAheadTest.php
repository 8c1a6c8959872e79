<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** An answer in whose breath something else is told, or why. It is a Tuesday, the tenth of March 2026. */
final class ToldAheadTest extends TestCase
{
    private const FIELDS = [
        'rooms' => ['type' => 'integer', 'title' => 'Bedrooms'],
        'floor' => ['type' => 'integer', 'title' => 'Floor'],
        'rent' => ['type' => 'string', 'format' => 'money', 'title' => 'Most rent'],
        'pets' => ['type' => 'boolean', 'title' => 'Pets'],
        'diets' => ['type' => 'array', 'title' => 'Diets', 'items' => ['enum' => ['vegan', 'no nuts', 'halal']]],
        'name' => ['type' => 'string', 'format' => 'person-name', 'title' => 'Name'],
        'reference' => ['type' => 'string', 'format' => 'reference', 'title' => 'Reference', 'pattern' => '^[A-Z]{2}\\d{4}$'],
        'born' => ['type' => 'string', 'format' => 'date', 'title' => 'Date of birth'],
        'phone' => ['type' => 'string', 'format' => 'phone', 'title' => 'Telephone'],
    ];

    private const QUESTIONS = ['rooms' => 'How many bedrooms do you need?', 'floor' => 'Which floor would you like?', 'rent' => 'What is the most you could pay a month?', 'pets' => 'Do you have any pets?', 'diets' => 'Does anybody eat vegan, without nuts or halal?', 'name' => 'What is your name?', 'reference' => 'What is your reference?', 'born' => 'When were you born?', 'phone' => 'What is your telephone number?'];

    #[TestWith(['three, and the floor is six', 3, 6])]
    #[TestWith(['the floor would be two. three bedrooms please', 3, 2])]
    #[TestWith(['three. Oh and my floor is the ground one', 3, 0])]
    #[TestWith(['the floor is four', null, 4])]
    public function testWhatNamesAnotherFieldIsNoAnswer(string $said, ?int $rooms, ?int $floor): void
    {
        $call = $this->call()->says($said);

        self::assertSame([$rooms, $floor], [$call->value('rooms'), $call->value('floor')], $call->heard());
    }

    public function testASumWithAnAndIsWhole(): void
    {
        $call = $this->call()->says('three, the most rent is two hundred and ninety three pounds');

        self::assertEquals(['amount' => 293, 'currency' => 'GBP'], $call->value('rent'), $call->heard());
    }

    #[TestWith(['no, and my name is Cornel Dent', false])]
    #[TestWith(["yes please. I'm Cornel Dent", true])]
    public function testAYesOrNoStandsBesideAName(string $said, bool $pets): void
    {
        $call = $this->call()->says('three', 'two', 'eight hundred pounds', $said);

        self::assertSame($pets, $call->value('pets'), $call->heard());
    }

    public function testNotAtAllIsNotAllOfThem(): void
    {
        $call = $this->call()->says('three', 'two', 'eight hundred pounds', 'no', 'vegan and halal', 'not at all, for six weeks');

        self::assertSame(['vegan', 'halal'], $call->value('diets'), $call->heard());
    }

    public function testTheNoOfAnOptionDeniesNothingElse(): void
    {
        $call = $this->call()->says('three', 'two', 'eight hundred pounds', 'no', 'no nuts and vegan');

        self::assertSame(['vegan', 'no nuts'], $call->value('diets'), $call->heard());
    }

    #[TestWith(['three, and the date of birth was the eighth of November 1986'])]
    #[TestWith(['three. the reference is F H eight three one oh. Oh and it was on the eighth of November 1986'])]
    public function testFiguresOfOtherThingsAreNoTelephone(string $said): void
    {
        $call = $this->call()->says($said);

        self::assertSame([3, null, null], [$call->value('rooms'), $call->value('phone'), $call->value('floor')], $call->heard());
    }

    /** Why somebody says what they say fills nothing else. */
    #[TestWith(['the twentieth of March, I\'ve got the morning off work'])]
    #[TestWith(['the twentieth of March, my husband gets back the night before'])]
    #[TestWith(['the twentieth of March, that is enough for one day'])]
    #[TestWith(['it was going to be sooner but the twentieth of March 2026 now'])]
    #[TestWith(['the twentieth of March, you have spoken to my mother before'])]
    public function testReasonsFillNothing(string $said): void
    {
        $call = Conversation::asking([
            'day' => ['type' => 'string', 'format' => 'date', 'title' => 'Day'],
            'shift' => ['type' => 'array', 'title' => 'Shift', 'items' => ['enum' => ['morning', 'afternoon', 'night']]],
            'who' => ['type' => 'string', 'title' => 'Who', 'enum' => ['mother', 'father', 'somebody else']],
            'length' => ['type' => 'string', 'format' => 'duration', 'title' => 'Length'],
            'people' => ['type' => 'integer', 'title' => 'People'],
        ], ['day' => 'Which day would you like?', 'shift' => 'Morning, afternoon or night?', 'who' => 'Is it for a mother or a father?', 'length' => 'How long would you like it for?', 'people' => 'How many will you be?'])->says($said);

        self::assertSame(['day' => '2026-03-20'], array_map(static fn (mixed $held): mixed => $held->value, $call->state->values), $call->heard());
    }

    #[TestWith(['8 May, my husband gets back the night before', '2026-05-08'])]
    #[TestWith(['the day after', '2026-04-02'])]
    public function testADayThatIsNamedIsReckonedFromNoOther(string $said, string $end): void
    {
        $call = Conversation::asking(['first' => ['type' => 'string', 'format' => 'date', 'title' => 'First day'], 'back' => ['type' => 'string', 'format' => 'date', 'title' => 'Back'], 'note' => ['type' => 'string', 'title' => 'Note']], ['first' => 'From which day?', 'back' => 'When do you come back?', 'note' => 'Anything else?'])
            ->says('the first of April', $said);

        self::assertSame($end, $call->value('back'), $call->heard());
    }

    private function call(): Conversation
    {
        return Conversation::asking(self::FIELDS, self::QUESTIONS);
    }
}
