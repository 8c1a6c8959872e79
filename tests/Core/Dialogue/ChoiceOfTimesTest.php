<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Appointments\Choice;
use Ringo\Diary\Diaries;
use Ringo\Diary\Start;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Understanding;

/** Which of the times offered is taken: Thursday at ten, Thursday at half past two, Friday at ten. */
final class ChoiceOfTimesTest extends TestCase
{
    private const NOW = '2026-03-10T09:14Z';

    private const OFFERED = ['2026-03-12T10:00Z', '2026-03-12T14:30Z', '2026-03-13T10:00Z'];

    #[TestWith(['the first one', 0])]
    #[TestWith(["the first one's fine", 0])]
    #[TestWith(["the second one'll do", 1])]
    #[TestWith(['the last one please', 2])]
    #[TestWith(['the third', 2])]
    #[TestWith(['the fourth one', null])]
    #[TestWith(['Friday', 2])]
    #[TestWith(['half two is fine', 1])]
    #[TestWith(['Thursday', null])]
    #[TestWith(['at ten', null])]
    #[TestWith(['Friday at ten', 2])]
    #[TestWith(['yes', null])]
    public function testWhichIsTaken(string $said, ?int $place): void
    {
        $offered = self::offered();

        self::assertEquals($place === null ? null : $offered[$place], $this->choice()->of($this->heard($said), $offered, $said === 'yes' ? true : null, self::diaries(), (int) strtotime(self::NOW)));
    }

    public function testAYesTakesTheOnlyOneAndNoneOfNone(): void
    {
        $now = (int) strtotime(self::NOW);
        $one = array_slice(self::offered(), 1, 1);

        self::assertEquals($one[0], $this->choice()->of($this->heard('yes'), $one, true, self::diaries(), $now));
        self::assertNull($this->choice()->of($this->heard('hm'), $one, null, self::diaries(), $now));
        self::assertNull($this->choice()->of($this->heard('the first one'), [], true, self::diaries(), $now));
    }

    #[TestWith(['could you do Wednesday', true, false])]
    #[TestWith(['is there anything at four', true, false])]
    #[TestWith(['Friday', false, false])]
    #[TestWith(['I do not mind', false, true])]
    public function testWhoeverHoldsToAnotherDayAndWhoeverNamesNone(string $said, bool $holds, bool $none): void
    {
        $now = (int) strtotime(self::NOW);

        self::assertSame($holds, $this->choice()->holdsTo($this->heard($said), self::offered(), self::diaries(), $now));
        self::assertSame($none, $this->choice()->namesNone($this->heard($said), self::offered(), self::diaries(), $now));
    }

    #[TestWith(['is that the earliest', true])]
    #[TestWith(['is that the earliest in the day', false])]
    #[TestWith(['that is early', false])]
    public function testAsksWhetherItIsTheEarliest(string $said, bool $asks): void
    {
        self::assertSame($asks, $this->choice()->asksEarliest($this->heard($said)));
    }

    public function testRefuses(): void
    {
        self::assertTrue($this->choice()->refuses($this->heard('hm'), false));
        self::assertTrue($this->choice()->refuses($this->heard('none of those'), null));
        self::assertFalse($this->choice()->refuses($this->heard('the first of those'), null));
    }

    private function choice(): Choice
    {
        return new Choice(Understanding::in()->words);
    }

    private function heard(string $said): Heard
    {
        return Understanding::in()->hear($said);
    }

    /** @return list<Start> */
    private static function offered(): array
    {
        return array_map(static fn (string $at): Start => new Start((int) strtotime($at), 'north'), self::OFFERED);
    }

    private static function diaries(): Diaries
    {
        return Diaries::fromArray(json_decode((string) file_get_contents(dirname(__DIR__, 3).'/database/demo/harrowell/diaries.json'), true, 32, JSON_THROW_ON_ERROR));
    }
}
