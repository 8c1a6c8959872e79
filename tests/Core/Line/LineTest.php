<?php

declare(strict_types=1);

namespace Tests\Core\Line;

use PHPUnit\Framework\TestCase;
use Ringo\Brief\Brief;
use Ringo\Brief\OpeningHours;
use Ringo\Document\InvalidDocument;
use Ringo\Document\Node;
use Ringo\Line\Answer;
use Ringo\Line\Exchange;
use Ringo\Line\Line;
use Ringo\Line\LineCheck;
use Ringo\Line\Stretch;
use Ringo\Line\Way;
use Ringo\Line\Who;
use Ringo\Script\Hours;
use Ringo\Transfer\Person;
use Ringo\Transfer\StaffedTeam;
use Ringo\Transfer\Switchboard;
use Ringo\Transfer\Team;

/** Who answers a line when, and the way one call takes. */
final class LineTest extends TestCase
{
    private const STAFF_FIRST = ['who' => 'staff_first', 'target' => 'team:hire', 'seconds' => 20];

    public function testADayHasNoGapsAndWhatIsNearerGoesFirst(): void
    {
        $answering = $this->line()->answering;
        $monday = array_map(static fn (Stretch $one): string => "{$one->from}-{$one->to} {$one->answer->who->value}", $answering->on('2026-11-09', $this->hours()));
        self::assertSame(['0-480 agent', '480-720 staff_first', '720-780 nobody', '780-1020 staff_first', '1020-1440 agent'], $monday, 'opening hours, cut by a stretch of the week');
        $christmas = $answering->on('2026-12-25', $this->hours());
        self::assertSame([1, Who::Forward, 'Christmas Day'], [count($christmas), $christmas[0]->answer->who, $christmas[0]->why]);
        self::assertSame(Who::Agent, $answering->at(new \DateTimeImmutable('2026-11-08 03:00'), $this->hours())->answer->who, 'a Sunday is usually closed: no closure');
    }

    public function testEveryMinuteOfEveryDayIsAnsweredOnce(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 200; $round++) {
            $answering = $this->line()->answering;
            for ($n = 0; $n < 6; $n++) {
                $from = mt_rand(0, 95) * 15;
                $answering = $answering->with([mt_rand(1, 7), mt_rand(1, 7)], $from, min(1440, $from + mt_rand(1, 30) * 15), mt_rand(0, 4) === 0 ? null : new Answer(Who::cases()[mt_rand(0, 4)], 'team:hire'));
            }
            for ($weekday = 1; $weekday <= 7; $weekday++) {
                $end = 0;
                foreach ($answering->usual($weekday, $this->hours()) as $stretch) {
                    self::assertSame($end, $stretch->from);
                    self::assertGreaterThan($stretch->from, $stretch->to);
                    $end = $stretch->to;
                }
                self::assertSame(1440, $end);
            }
        }
    }

    public function testALaterStretchCutsWhatLayThere(): void
    {
        $answering = $this->line()->answering->with([1], 690, 750, new Answer(Who::Agent))->with([1], 700, 710, null);
        $monday = array_map(static fn (Stretch $one): string => "{$one->from}-{$one->to} {$one->answer->who->value}", $answering->usual(1, $this->hours()));
        self::assertSame(['0-480 agent', '480-690 staff_first', '690-700 agent', '700-710 staff_first', '710-750 agent', '750-780 nobody', '780-1020 staff_first', '1020-1440 agent'], $monday);
    }

    public function testStaffRingFirstThenTheAgent(): void
    {
        $way = $this->exchange()->way('main', new \DateTimeImmutable('2026-11-09 09:00'));
        self::assertSame(['team:hire', [['people' => ['ann', 'bob'], 'seconds' => 20]], Way::AGENT, 'maren'], [$way->target, $way->rings, $way->then, $way->agent]);
        self::assertStringContainsString('Monday 08:00 to 12:00: Hire desk for 20 s, then maren', $way->why[0]);
    }

    public function testInTurnTheyShareTheSeconds(): void
    {
        $way = $this->exchange('turn')->way('main', new \DateTimeImmutable('2026-11-09 09:00'));
        self::assertSame([['people' => ['ann'], 'seconds' => 12], ['people' => ['bob'], 'seconds' => 8]], $way->rings);
        self::assertSame(20, $way->seconds());
    }

    public function testNobodyFreeIsTheAgentAtOnce(): void
    {
        $way = $this->exchange('all', 'away')->way('main', new \DateTimeImmutable('2026-11-09 09:00'));
        self::assertSame([[], Way::AGENT], [$way->rings, $way->then]);
        self::assertStringContainsString('nobody is free', implode(' ', $way->why));
    }

    public function testAFullLineAndAnHourNobodyAnswersSayTheirWords(): void
    {
        $full = $this->exchange(busy: ['main' => 2])->way('main', new \DateTimeImmutable('2026-11-09 09:00'));
        self::assertSame([Way::WORDS, 'All taken.'], [$full->then, $full->words]);
        self::assertStringContainsString('takes 2 calls at once, and has 2', $full->why[0]);
        $lunch = $this->exchange()->way('main', new \DateTimeImmutable('2026-11-09 12:15'));
        self::assertSame([Way::WORDS, Line::WORDS['nobody']], [$lunch->then, $lunch->words]);
    }

    public function testAClosedDayIsForwardedToTheOtherLine(): void
    {
        $way = $this->exchange()->way('main', new \DateTimeImmutable('2026-12-25 09:00'));
        self::assertSame(['after', Way::AGENT, 'maren', 'after_hours'], [$way->line->key, $way->then, $way->agent, $way->opening]);
        self::assertStringContainsString('Christmas Day', $way->why[0]);
        self::assertStringContainsString('forwarded from Main line', implode(' ', $way->why));
    }

    public function testForwardingInACircleIsFoundAndNeverRuns(): void
    {
        $lines = ['main' => $this->line(), 'after' => $this->line(['otherwise' => ['who' => 'forward', 'target' => 'line:main']], 'after')];
        $check = new LineCheck($lines, $this->hours(), $this->switchboard(), ['maren' => ['greeting', 'after_hours']]);
        self::assertSame(['main', 'after', 'main'], $check->circle('main'));
        self::assertStringContainsString('Calls would go round in a circle: Main line → Main line → Main line.', $check->of($lines['main'])[0]['words']);
        $round = ['a' => $this->line(['otherwise' => ['who' => 'forward', 'target' => 'line:b']], 'a'), 'b' => $this->line(['otherwise' => ['who' => 'forward', 'target' => 'line:a']], 'b')];
        $way = (new Exchange($round, $this->hours(), $this->switchboard()))->way('a', new \DateTimeImmutable('2026-11-09 09:00'));
        self::assertSame([Way::WORDS, Line::WORDS['failed']], [$way->then, $way->words]);
    }

    public function testFindingsNameWhatWouldGoWrong(): void
    {
        $line = $this->line(['otherwise' => ['who' => 'agent', 'agent' => 'olga'], 'open' => ['who' => 'agent', 'opening' => 'nowhere'], 'week' => ['sun' => [['from' => '10:00', 'to' => '16:00', 'who' => 'nobody']], 'sat' => [['from' => '00:00', 'to' => '24:00', 'who' => 'staff', 'target' => 'team:ghosts']]]]);
        $words = implode("\n", array_column((new LineCheck(['main' => $line], $this->hours(), $this->switchboard(), ['maren' => ['greeting']]))->of($line), 'words'));
        foreach (['olga answers and has no release', '“nowhere”, and its release has no such step', '“team:ghosts” is to ring', 'Sunday 10:00 to 16:00: nobody answers.'] as $expected) {
            self::assertStringContainsString($expected, $words);
        }
    }

    public function testATeamThatIsClosedWhenItIsToRingIsFound(): void
    {
        $shut = new StaffedTeam(new Team('hire', 'Hire desk', 'hires'), [], Hours::read(Node::root(['tue' => ['08:00-17:00']])));
        $found = (new LineCheck(['main' => $this->line()], $this->hours(), new Switchboard(['hire' => $shut], []), ['maren' => ['greeting', 'after_hours']]))->of($this->line());
        self::assertStringContainsString('Monday 08:00 to 12:00: Hire desk is to ring and is closed; the agent answers at once.', implode("\n", array_column($found, 'words')));
    }

    public function testWrittenAndReadAgainItIsTheSame(): void
    {
        self::assertEquals($this->line(), Line::fromArray($this->line()->toArray()));
    }

    public function testWhatIsWrongIsNamedWithItsPlace(): void
    {
        try {
            $this->line(['week' => ['mon' => [['from' => '9', 'to' => '10:00', 'who' => 'agent'], ['from' => '10:00', 'to' => '12:00', 'who' => 'staff'], ['from' => '11:00', 'to' => '13:00', 'who' => 'robot']], 'tue' => [['from' => '12:00', 'to' => '12:00', 'who' => 'nobody']]], 'otherwise' => ['who' => 'forward', 'target' => 'hire']]);
            self::fail('It was taken.');
        } catch (InvalidDocument $problem) {
            $told = implode("\n", array_map(static fn (array $one): string => $one['path'].' '.$one['message'], $problem->problems));
        }
        foreach (['answers.week.mon[0].from', 'answers.week.mon[1].target says which telephones ring', 'answers.week.mon[2].who', 'answers.week.mon[2].from lies over another', 'answers.week.tue[0].to ends before it begins', 'answers.otherwise.target says where the call goes'] as $place) {
            self::assertStringContainsString($place, $told);
        }
    }

    /** @param array<string, mixed> $answers */
    private function line(array $answers = [], string $key = 'main'): Line
    {
        return Line::fromArray(['format' => 'ringo-line/1', 'key' => $key, 'name' => 'Main line', 'number' => '+441632960140', 'agent' => 'maren', 'at_once' => 2, 'answers' => $answers ?: ['week' => ['mon' => [['from' => '12:00', 'to' => '13:00', 'who' => 'nobody']]], 'open' => self::STAFF_FIRST, 'closed' => ['who' => 'forward', 'target' => 'line:after']], 'hears' => ['full' => 'All taken.']]);
    }

    private function hours(): OpeningHours
    {
        return Brief::fromArray(['hours' => ['mon' => ['08:00-17:00'], 'fri' => ['08:00-17:00']], 'holidays' => ['region' => 'GB-ENG']])->hours;
    }

    private function switchboard(string $ring = 'all', string $presence = 'available'): Switchboard
    {
        $people = ['ann' => new Person('ann', 'Ann', null, $presence, null, ''), 'bob' => new Person('bob', 'Bob', null, $presence, null, '')];

        return new Switchboard(['hire' => new StaffedTeam(new Team('hire', 'Hire desk', 'hires'), array_values($people), Hours::read(Node::root([])), $ring, 12)], $people);
    }

    /** @param array<string, int> $busy */
    private function exchange(string $ring = 'all', string $presence = 'available', array $busy = []): Exchange
    {
        return new Exchange(['main' => $this->line(), 'after' => $this->line(['otherwise' => ['who' => 'agent', 'opening' => 'after_hours']], 'after')], $this->hours(), $this->switchboard($ring, $presence), $busy);
    }
}
