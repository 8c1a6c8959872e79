<?php

declare(strict_types=1);

namespace Tests\Core\Figures;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Figures\CallFacts;
use Ringo\Figures\Handled;
use Ringo\Figures\Rates;
use Ringo\Figures\Tally;

/** Sums over calls: added up from days they are those of the span, and what is told from them is what one counts by hand. */
final class TallyTest extends TestCase
{
    public function test_the_sums_of_days_added_are_the_sums_of_all_their_calls(): void
    {
        mt_srand(7);
        for ($round = 0; $round < 20; $round++) {
            $whole = new Tally;
            $added = new Tally;
            for ($day = 1; $day <= 6; $day++) {
                $alone = new Tally;
                for ($n = mt_rand(0, 40); $n > 0; $n--) {
                    $call = $this->call($day);
                    $whole->add($call);
                    $alone->add($call);
                }
                foreach ($alone->rows() as $row) {
                    $added->count($row['what'], $row['key'], $row['total'], $row['n']);
                }
            }
            self::assertEquals($whole->rows(), $added->rows());
            self::assertSame($whole->n('call'), $whole->n('hour'));
            self::assertSame($whole->n('call'), $whole->n('handled'));
        }
    }

    public function test_outreach_objections_rules_and_parts_are_counted(): void
    {
        $at = new \DateTimeImmutable('2026-03-10 09:14');
        $tally = new Tally;
        $tally->add(new CallFacts($at, 30, 'outbound', 'booked', Handled::Agent, rules: [], outreach: 'achieved', objections: [['kind' => 'price', 'achieved' => true]], parts: ['understanding' => [2.0, 8.0], 'errands' => [420.0]]));
        $tally->add(new CallFacts($at, 30, 'outbound', 'not now', Handled::Agent, outreach: 'reached', objections: [['kind' => 'price', 'achieved' => false], ['kind' => 'no_time', 'achieved' => false]]));
        self::assertSame([0.5, 2, 1.0, 1], [$tally->share('outreach', 'achieved'), $tally->n('objection', 'price'), $tally->total('objection', 'price'), $tally->n('rules_noted')]);
        self::assertSame([5, 10, 500, null], [$tally->within(0.5, 'ms_understanding'), $tally->within(0.95, 'ms_understanding'), $tally->within(0.5, 'ms_errands'), $tally->within(0.5, 'ms_speech')]);
    }

    public function test_times_of_turns_are_told_by_the_step_they_fall_in(): void
    {
        mt_srand(11);
        $spent = array_map(static fn (): float => mt_rand(1, 60000) / 10, range(1, 999));
        $tally = new Tally;
        $tally->add(new CallFacts(new \DateTimeImmutable('2026-03-10 09:14'), 60, 'inbound', 'done', Handled::Agent, milliseconds: $spent));
        sort($spent);
        foreach ([0.5, 0.95] as $share) {
            $true = $spent[(int) ceil($share * 999) - 1];
            $told = (int) $tally->within($share);
            self::assertGreaterThanOrEqual($true, $told);
            $below = max([0, ...array_filter(Tally::EDGES, static fn (int $edge): bool => $edge < $told)]);
            self::assertLessThan($true, $below, 'the step below would be too short');
        }
        self::assertNull((new Tally)->within(0.5));
        self::assertNull((new Tally)->mean('call'));
        self::assertNull((new Tally)->share('handled', 'agent'));
    }

    /** @return array<string, array{string, bool, bool, Handled}> */
    public static function endings(): array
    {
        return [
            'the agent did it' => ['reservation taken', false, false, Handled::Agent],
            'a person took it, whoever hung up' => ['caller hung up', true, true, Handled::Staff],
            'rang and nobody came' => ['message taken', false, true, Handled::Nobody],
            'hung up while it rang' => ['caller hung up', false, true, Handled::Nobody],
            'hung up' => ['caller hung up', false, false, Handled::GivenUp],
            'fell silent' => ['no reply', false, false, Handled::GivenUp],
        ];
    }

    #[DataProvider('endings')]
    public function test_who_brought_it_to_its_end(string $outcome, bool $connected, bool $rang, Handled $expected): void
    {
        self::assertSame($expected, Handled::of($outcome, $connected, $rang));
    }

    public function test_what_it_cost(): void
    {
        $tally = new Tally;
        $at = new \DateTimeImmutable('2026-03-10 09:14');
        $tally->add(new CallFacts($at, 90, 'inbound', 'reservation taken', Handled::Agent, deliveries: [['kind' => 'text', 'state' => 'sent'], ['kind' => 'text', 'state' => 'dead'], ['kind' => 'email', 'state' => 'sent']]));
        $tally->add(new CallFacts($at, 30, 'outbound', 'no reply', Handled::GivenUp));
        // 1.5 minutes in at 0.02, half a minute out at 0.04, a text at 0.05, an e-mail at 0.001; a month of 36.525 is 1.2 a day.
        $cost = (new Rates(0.02, 0.04, 0.05, 0.001, 36.525))->of($tally, 10);
        self::assertEqualsWithDelta(0.03 + 0.02 + 0.05 + 0.001 + 12.0, $cost['all'], 1e-9);
        self::assertEqualsWithDelta($cost['all'] / 2, $cost['call'], 1e-9);
        self::assertEqualsWithDelta($cost['all'], $cost['task'], 1e-9);
        self::assertEqualsWithDelta(36.525 + 0.101 * 30.4375 / 10, $cost['month'], 1e-9);
        self::assertTrue(Rates::fromArray(['inbound' => '-3', 'text' => 'x'])->none());
        self::assertNull((new Rates(1))->of(new Tally, 7)['call']);
    }

    private function call(int $day): CallFacts
    {
        $handled = Handled::cases()[mt_rand(0, 3)];

        return new CallFacts(
            new \DateTimeImmutable(sprintf('2026-03-%02d %02d:%02d', $day, mt_rand(0, 23), mt_rand(0, 59))),
            mt_rand(10, 4000) / 10,
            mt_rand(0, 3) > 0 ? 'inbound' : 'outbound',
            ['done', 'caller hung up', '10'][mt_rand(0, 2)],
            $handled,
            mt_rand(0, 1) === 1 ? mt_rand(0, 20) : null,
            $handled === Handled::Staff ? mt_rand(0, 300) / 10 : null,
            mt_rand(0, 1) === 1 ? 'hire' : null,
            'known',
            mt_rand(1, 3),
            'complete',
            [['field' => 'name', 'verdict' => ['accepted', 'corrected'][mt_rand(0, 1)]]],
            ['booked'],
            mt_rand(0, 2),
            [['kind' => 'text', 'state' => 'sent']],
            [mt_rand(1, 3000) / 1],
        );
    }
}
