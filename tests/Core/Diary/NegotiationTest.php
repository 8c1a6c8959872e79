<?php

declare(strict_types=1);

namespace Tests\Core\Diary;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
use Ringo\Diary\Offer;
use Ringo\Diary\Start;
use Ringo\Language\Vocabulary;

/** What is offered for what callers say, turn after turn. It is Tuesday the tenth of March 2026, 9.14 in London. */
final class NegotiationTest extends TestCase
{
    private const DATA = ['tz' => 'Europe/London', 'country' => 'GB', 'hours' => ['mon' => ['09:00-17:30'], 'tue' => ['09:00-17:30'], 'wed' => ['09:00-17:30'], 'thu' => ['09:00-20:00'], 'fri' => ['09:00-17:30']], 'closures' => ['2026-04-03'], 'services' => [['key' => 'check', 'label' => 'a check-up', 'minutes' => 30, 'step' => 30, 'notice_hours' => 2, 'ahead_days' => 60]], 'diaries' => [['key' => 'idris', 'name' => 'Idris Kane', 'services' => ['check'], 'breaks' => ['daily' => ['12:30-13:30']]], ['key' => 'vera', 'name' => 'Vera Moss', 'services' => ['check'], 'hours' => ['wed' => ['09:00-12:00']]]]];

    /** @return iterable<string, array{list<string>, bool, list<string>}> turns, whether met, the offers */
    public static function talks(): iterable
    {
        yield 'nothing said' => [[], true, ['2026-03-10T11:30', '2026-03-10T13:30', '2026-03-10T15:30']];
        yield 'the earliest' => [['the earliest you have please'], true, ['2026-03-10T11:30', '2026-03-10T13:30']];
        yield 'one exact time' => [['tomorrow at ten'], true, ['2026-03-11T10:00']];
        yield 'a break' => [['Friday at one'], false, ['2026-03-13T12:00', '2026-03-13T13:30', '2026-03-13T14:30']];
        yield 'later' => [['tomorrow morning', 'anything later that day?'], true, ['2026-03-11T11:30']];
        yield 'later than a full part of the day gives way' => [['Wednesday at half eleven', 'later'], true, ['2026-03-11T12:00', '2026-03-11T13:30', '2026-03-11T14:30']];
        yield 'earlier' => [['Thursday afternoon', 'something earlier'], true, ['2026-03-12T09:30', '2026-03-12T10:30', '2026-03-12T11:30']];
        yield 'the day after' => [['Thursday morning', 'what about the day after'], true, ['2026-03-13T09:00', '2026-03-13T11:00']];
        yield 'by name' => [['with Vera, some time next week'], true, ['2026-03-18T09:00', '2026-03-18T11:00']];
        yield 'first thing' => [['first thing on Friday'], true, ['2026-03-13T09:00']];
        yield 'a closed day' => [['on Saturday'], false, ['2026-03-13T15:00', '2026-03-13T16:00', '2026-03-13T17:00']];
        yield 'each day with its own hours' => [['Wednesday at ten or at half two, or Thursday at eleven'], true, ['2026-03-11T10:00', '2026-03-11T14:30', '2026-03-12T11:00']];
        yield 'the latest' => [['the latest you have on Thursday'], true, ['2026-03-12T19:30', '2026-03-12T17:30', '2026-03-12T15:30']];
        yield 'ruled out' => [['Friday', 'I can\'t do Friday after all'], true, ['2026-03-10T11:30', '2026-03-10T13:30', '2026-03-10T15:30']];
    }

    /**
     * @param list<string> $said
     * @param list<string> $wanted
     */
    #[DataProvider('talks')]
    public function testOffersWhatIsWished(array $said, bool $met, array $wanted): void
    {
        $offer = $this->after($said);
        self::assertSame($met, $offer->met, $offer->why);
        $given = array_map(static fn (Start $start): string => $start->in(new \DateTimeZone('Europe/London'))->format('Y-m-d\TH:i'), $offer->starts);
        sort($wanted);
        sort($given);
        self::assertSame($wanted, $given);
    }

    public function testTheEarliestIsAmongThemAndNoneStandsTwice(): void
    {
        foreach (['next week', 'mornings', 'Thursday evening', 'after the twentieth'] as $said) {
            $starts = array_map(static fn (Start $start): int => $start->at, $this->after([$said])->starts);
            self::assertSame($starts, array_unique($starts));
            $inOrder = $starts;
            sort($inOrder);
            self::assertNotSame([], $starts);
            self::assertSame($inOrder[0], $starts[0], $said);
        }
    }

    public function testWishesThatDoNotClashMayComeInAnyOrder(): void
    {
        $parts = ['next week', 'mornings', 'not Monday'];
        $first = $this->after($parts)->starts;
        foreach ([[0, 2, 1], [1, 0, 2], [2, 0, 1], [2, 1, 0]] as $order) {
            self::assertEquals($first, $this->after(array_map(static fn (int $n): string => $parts[$n], $order))->starts, implode(', ', $order));
        }
    }

    public function testWorkIsSharedOut(): void
    {
        $data = self::DATA;
        $data['diaries'][1]['hours'] = ['wed' => ['09:00-17:00']];
        $data['diaries'][0]['busy'] = [['from' => '2026-03-16T09:00', 'to' => '2026-03-16T10:00']];
        foreach (['first' => 'idris', 'least_booked' => 'vera', 'in_turn' => 'vera'] as $share => $diary) {
            $diaries = Diaries::fromArray(['share' => $share] + $data);
            $offer = (new Negotiation($diaries, Vocabulary::of()))->after($diaries->services['check'], ['tomorrow at ten'], strtotime('2026-03-10T09:14Z'));
            self::assertSame($diary, $offer->starts[0]->diary, $share);
        }
    }

    public function testSaysWhyAWishIsNotMet(): void
    {
        self::assertSame('runs into a break', $this->after(['Friday at one'])->why);
        self::assertSame('outside opening hours', $this->after(['Friday after half six in the evening'])->why);
        self::assertSame('closed that day', $this->after(['on the third of April'])->why);
        self::assertSame('further ahead than is booked', $this->after(['in September'])->why);
    }

    /** @param list<string> $said */
    private function after(array $said): Offer
    {
        $diaries = Diaries::fromArray(self::DATA);

        return (new Negotiation($diaries, Vocabulary::of()))->after($diaries->services['check'], $said, strtotime('2026-03-10T09:14Z'));
    }
}
