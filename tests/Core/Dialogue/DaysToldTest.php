<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Mode;

/** A stretch of days tells when something begins and ends, or how long it is, in one answer. It is a Tuesday, the tenth of March 2026. */
final class DaysToldTest extends TestCase
{
    private const FIELDS = [
        'arrive' => ['type' => 'string', 'format' => 'date', 'title' => 'Arrival'],
        'leave' => ['type' => 'string', 'format' => 'date', 'title' => 'Leaving'],
        'nights' => ['type' => 'string', 'format' => 'duration', 'title' => 'Nights'],
        'room' => ['type' => 'string', 'title' => 'Room', 'enum' => ['single', 'double']],
    ];

    #[TestWith(['Friday till Monday', '2026-03-13', '2026-03-16'])]
    #[TestWith(['from Friday morning to Sunday night', '2026-03-13', '2026-03-15'])]
    #[TestWith(['the fourteenth to the eighteenth', '2026-03-14', '2026-03-18'])]
    #[TestWith(['from the 3rd to the 7th of April', '2026-04-03', '2026-04-07'])]
    #[TestWith(['the thirtieth to the second of April', '2026-03-30', '2026-04-02'])]
    #[TestWith(['the Saturday and Sunday', '2026-03-14', '2026-03-15'])]
    public function testFromADayToADay(string $said, string $arrive, string $leave): void
    {
        $call = Conversation::asking(self::FIELDS, ['arrive' => 'Which day would they arrive?', 'leave' => 'And when are you leaving?'])->says($said);

        self::assertSame([$arrive, $leave], [$call->value('arrive'), $call->value('leave')], $call->heard());
        self::assertTrue($call->state->ended, 'neither is asked for again');
    }

    #[TestWith(['Friday and Saturday', '2026-03-13', 'P2D'])]
    #[TestWith(['Friday to Sunday', '2026-03-13', 'P2D'])]
    #[TestWith(['the weekend', '2026-03-13', 'P2D'])]
    #[TestWith(['next weekend', '2026-03-20', 'P2D'])]
    #[TestWith(['the weekend after next', '2026-03-27', 'P2D'])]
    public function testHowManyNightsThatIs(string $said, string $arrive, string $nights): void
    {
        $call = Conversation::asking(self::FIELDS, ['arrive' => 'Which night would you arrive?', 'nights' => 'For how many nights?'])->says($said);

        self::assertSame([$arrive, $nights], [$call->value('arrive'), $call->value('nights')], $call->heard());
        self::assertSame(str_contains($said, 'weekend'), $call->state->mode === Mode::Confirm, 'a weekend may begin on its Friday or its Saturday: it is read back');
    }

    #[TestWith(['Friday or Saturday'])]
    #[TestWith(['the weekend'])]
    #[TestWith(['Monday and Thursday'])]
    public function testNothingIsTakenWhereItIsNotSaidWhichDay(string $said): void
    {
        $call = Conversation::asking(self::FIELDS, ['arrive' => 'Which day shall we come?', 'room' => 'Which room?'])->says($said);

        self::assertNull($call->value('arrive'), $call->heard());
    }

    #[TestWith(['no, the twenty first to the twenty third', '2026-03-21', 'P2D'])]
    #[TestWith(['no, Friday to Monday', '2026-03-13', 'P3D'])]
    public function testAStretchCorrectsBothOfItsEnds(string $said, string $arrive, string $nights): void
    {
        $call = Conversation::with([
            'agent' => ['name' => 'Faye', 'business' => 'Saltmarsh Inn', 'country' => 'GB', 'tz' => 'Europe/London'],
            'sheet' => ['type' => 'object', 'title' => 'Stay', 'properties' => self::FIELDS],
            'first' => 'arrive',
            'steps' => [
                ['key' => 'arrive', 'kind' => 'ask', 'field' => 'arrive', 'prompt' => 'Which night would you arrive?', 'next' => 'nights'],
                ['key' => 'nights', 'kind' => 'ask', 'field' => 'nights', 'prompt' => 'For how many nights?', 'next' => 'sum'],
                ['key' => 'sum', 'kind' => 'summary', 'fields' => ['arrive', 'nights'], 'prompt' => 'So that is [summary]. Have I got that right?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
            ],
        ])->says('from the twentieth to the twenty third', $said);

        self::assertSame([$arrive, $nights], [$call->value('arrive'), $call->value('nights')], $call->heard());
    }

    #[TestWith(['2026-03-15T10:00', 'the weekend', '2026-03-20'])]
    #[TestWith(['2026-03-15T10:00', 'next weekend', '2026-03-20'])]
    #[TestWith(['2026-03-14T10:00', 'this weekend', '2026-03-14'])]
    public function testAWeekendToldOnOneBeginsNotBeforeIt(string $at, string $said, string $arrive): void
    {
        $call = Conversation::with([
            'agent' => ['name' => 'Faye', 'business' => 'Saltmarsh Inn', 'country' => 'GB', 'tz' => 'Europe/London'],
            'sheet' => ['type' => 'object', 'title' => 'Stay', 'properties' => self::FIELDS],
            'first' => 'arrive',
            'steps' => [
                ['key' => 'arrive', 'kind' => 'ask', 'field' => 'arrive', 'prompt' => 'Which night would you arrive?', 'next' => 'nights'],
                ['key' => 'nights', 'kind' => 'ask', 'field' => 'nights', 'prompt' => 'For how many nights?', 'next' => 'bye'],
                ['key' => 'bye', 'kind' => 'finish', 'prompt' => 'Goodbye.'],
            ],
        ], at: $at)->says($said);

        self::assertSame($arrive, $call->value('arrive'), $call->heard());
    }

    public function testToldBeforeItIsAsked(): void
    {
        $call = Conversation::asking(self::FIELDS, ['room' => 'A single or a double?', 'arrive' => 'Which night would you arrive?', 'nights' => 'For how many nights?'])->says('a double please, from the 20th to the 23rd');

        self::assertSame(['double', '2026-03-20', 'P3D'], [$call->value('room'), $call->value('arrive'), $call->value('nights')], $call->heard());
    }
}
