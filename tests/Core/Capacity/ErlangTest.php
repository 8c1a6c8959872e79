<?php

declare(strict_types=1);

namespace Tests\Core\Capacity;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Capacity\ErlangA;
use Ringo\Capacity\ErlangB;
use Ringo\Capacity\ErlangC;
use Ringo\Capacity\Load;
use Ringo\Capacity\Staffing;

/** Lines and people for a load: against published tables, against other ways to the same figure, and against a simulated hour. */
final class ErlangTest extends TestCase
{
    /** @return iterable<string, array{float, int, float}> erlangs, lines, share turned away */
    public static function published(): iterable
    {
        // From the usual tables of Erlang's first formula.
        yield '1 on 1' => [1.0, 1, 0.5];
        yield '2 on 3' => [2.0, 3, 0.210526];
        yield '5 on 10' => [5.0, 10, 0.018385];
        yield '10 on 10' => [10.0, 10, 0.214582];
        yield '12.03 on 20 is one in a hundred' => [12.0306, 20, 0.0100];
        yield '84.06 on 100 is one in a hundred' => [84.064, 100, 0.0100];
        yield 'nothing on nothing' => [0.0, 0, 1.0];
    }

    #[DataProvider('published')]
    public function test_lines_without_a_queue(float $erlangs, int $lines, float $blocked): void
    {
        self::assertEqualsWithDelta($blocked, (new ErlangB(self::offering($erlangs)))->blocked($lines), 6e-7 + ($blocked === 0.0100 ? 1e-5 : 0));
    }

    public function test_the_recursion_gives_the_formula(): void
    {
        foreach ([0.3, 4.0, 17.5] as $erlangs) {
            $term = $sum = 1.0;
            for ($lines = 1; $lines <= 30; $lines++) {
                $term *= $erlangs / $lines;
                $sum += $term;
                self::assertEqualsWithDelta($term / $sum, (new ErlangB(self::offering($erlangs)))->blocked($lines), 1e-12);
            }
        }
    }

    public function test_the_fewest_lines(): void
    {
        $sum = new ErlangB(self::offering(12.0));
        $lines = $sum->lines(0.01);
        self::assertSame(20, $lines);
        self::assertLessThanOrEqual(0.01, $sum->blocked($lines));
        self::assertGreaterThan(0.01, $sum->blocked($lines - 1));
        self::assertSame(0, $sum->lines(1.0));
        self::assertSame(0, (new ErlangB(self::offering(0.0)))->lines(1.0));
    }

    public function test_people_with_a_queue(): void
    {
        $service = (new ErlangC(self::offering(8.0, 100.0)))->with(10, 20.0);
        self::assertEqualsWithDelta(0.409180, $service->waits, 5e-7);
        self::assertEqualsWithDelta(0.409180 * 100 / 2, $service->meanWait, 1e-4);
        self::assertEqualsWithDelta(1 - $service->waits * exp(-2 * 20 / 100), $service->answeredWithin, 1e-12);
        self::assertEqualsWithDelta(0.8, $service->occupancy, 1e-12);
        self::assertTrue($service->stable);

        $full = (new ErlangC(self::offering(10.0)))->with(10, 20.0);
        self::assertFalse($full->stable);
        self::assertNull($full->meanWait);
        self::assertSame(0.0, $full->answeredWithin);
    }

    public function test_one_person_is_the_single_queue_of_the_textbooks(): void
    {
        $service = (new ErlangC(self::offering(0.5, 60.0)))->with(1, null);
        self::assertEqualsWithDelta(0.5, $service->waits, 1e-12);
        self::assertEqualsWithDelta(60.0, $service->meanWait, 1e-9);
        self::assertNull($service->answeredWithin);
    }

    /** @return iterable<string, array{float, float, float, int}> */
    public static function impatient(): iterable
    {
        yield 'a small team with enough people' => [120, 180, 60, 8];
        yield 'too few people' => [120, 180, 60, 4];
        yield 'long patience, light load' => [30, 300, 3000, 5];
        yield 'overloaded for ever, long patience' => [2000, 300, 3600, 100];
        yield 'short patience' => [400, 240, 2, 20];
        yield 'a large hall' => [60000, 240, 120, 4100];
    }

    #[DataProvider('impatient')]
    public function test_who_waits_long_enough_is_answered(float $calls, float $seconds, float $patience, int $people): void
    {
        $queue = new ErlangA(Load::of($calls, $seconds), $patience);
        // Whoever does not give up is answered in the end: two sums that share no step.
        $end = $queue->with($people, 1e6);
        self::assertEqualsWithDelta(1 - $end->givenUp, $end->answeredWithin, 1e-8);
        self::assertEqualsWithDelta(1 - $end->waits, $queue->with($people, 0.0)->answeredWithin, 1e-12);
        // Those who give up are those who waited, each for so long in so many.
        self::assertEqualsWithDelta($end->meanWait, $end->givenUp * $patience, 1e-9 * $patience);
        $before = 0.0;
        foreach ([0, 1, 5, 20, 60, 300, 5000] as $within) {
            $share = $queue->with($people, (float) $within)->answeredWithin;
            self::assertGreaterThanOrEqual($before - 1e-10, $share);
            $before = $share;
        }
    }

    public function test_endless_patience_is_the_queue_of_those_who_wait(): void
    {
        $load = self::offering(6.0, 180.0);
        $waiting = (new ErlangC($load))->with(8, 20.0);
        $patient = (new ErlangA($load, 1e9))->with(8, 20.0);
        self::assertEqualsWithDelta($waiting->waits, $patient->waits, 1e-6);
        self::assertEqualsWithDelta($waiting->meanWait, $patient->meanWait, 1e-4);
        self::assertEqualsWithDelta($waiting->answeredWithin, $patient->answeredWithin, 1e-6);
        self::assertEqualsWithDelta(0.0, $patient->givenUp, 1e-6);
    }

    public function test_no_patience_is_lines_without_a_queue(): void
    {
        $load = self::offering(6.0, 180.0);
        self::assertEqualsWithDelta((new ErlangB($load))->blocked(8), (new ErlangA($load, 1e-6))->with(8, null)->givenUp, 1e-6);
    }

    public function test_a_simulated_hall_agrees(): void
    {
        $load = Load::of(150, 200);
        foreach ([[9, 90.0], [7, 45.0]] as [$people, $patience]) {
            [$waits, $meanWait, $within, $givenUp] = $this->hall($load, $people, $patience, 20.0, 120_000);
            $service = (new ErlangA($load, $patience))->with($people, 20.0);
            self::assertEqualsWithDelta($service->waits, $waits, 0.012);
            self::assertEqualsWithDelta($service->meanWait, $meanWait, 0.03 * $service->meanWait);
            self::assertEqualsWithDelta($service->answeredWithin, $within, 0.012);
            self::assertEqualsWithDelta($service->givenUp, $givenUp, 0.006);
        }
    }

    public function test_the_fewest_people(): void
    {
        foreach ([new ErlangC(self::offering(6.0, 180.0)), new ErlangA(self::offering(6.0, 180.0), 60.0)] as $queue) {
            $people = (new Staffing(self::offering(6.0, 180.0), $queue))->people(0.8, 20.0);
            self::assertGreaterThanOrEqual(0.8, $queue->with($people, 20.0)->answeredWithin);
            self::assertLessThan(0.8, $queue->with($people - 1, 20.0)->answeredWithin);
        }
        self::assertSame(0, (new Staffing(Load::of(0, 60), new ErlangC(Load::of(0, 60))))->people(0.8, 20.0));
    }

    public function test_one_more_never_makes_it_worse(): void
    {
        mt_srand(7);
        for ($n = 0; $n < 60; $n++) {
            $load = Load::of(mt_rand(1, 900), mt_rand(10, 600));
            $people = mt_rand(1, 60);
            foreach ([new ErlangC($load), new ErlangA($load, mt_rand(2, 600))] as $queue) {
                $now = $queue->with($people, 15.0);
                $more = $queue->with($people + 1, 15.0);
                self::assertGreaterThanOrEqual($now->answeredWithin - 1e-9, $more->answeredWithin);
                self::assertLessThanOrEqual($now->waits + 1e-9, $more->waits);
                self::assertLessThanOrEqual(1.0 + 1e-12, $now->occupancy);
            }
        }
    }

    public function test_figures_that_are_none_are_named(): void
    {
        foreach ([[-1.0, 60.0, 'calls'], [10.0, 0.0, 'seconds'], [NAN, 60.0, 'calls'], [1e9, 3600.0, 'erlangs']] as [$calls, $seconds, $word]) {
            try {
                Load::of($calls, $seconds);
                self::fail("{$calls} calls of {$seconds} seconds were taken.");
            } catch (\DomainException $problem) {
                self::assertStringContainsString($word, $problem->getMessage());
            }
        }
        $this->expectExceptionMessage('patience');
        new ErlangA(self::offering(1.0), 0.0);
    }

    private static function offering(float $erlangs, float $seconds = 180.0): Load
    {
        return Load::of($erlangs * 3600 / $seconds, $seconds);
    }

    /**
     * Callers who come, wait in order, are answered or give up, drawn one by one.
     *
     * @return array{float, float, float, float} share that waits, mean seconds waited, share answered within, share that gave up
     */
    private function hall(Load $load, int $people, float $patience, float $within, int $callers): array
    {
        mt_srand(1);
        $drawn = static fn (float $mean): float => -$mean * log((mt_rand() + 1) / (mt_getrandmax() + 2));
        $free = array_fill(0, $people, 0.0);
        $now = $waited = 0.0;
        $waits = $answered = $gone = 0;
        for ($n = 0; $n < $callers; $n++) {
            $now += $drawn(1 / $load->perSecond());
            $first = array_search(min(INF, ...$free), $free, true);
            $wait = max(0.0, $free[$first] - $now);
            $limit = $drawn($patience);
            $waits += $wait > 0 ? 1 : 0;
            $waited += min($wait, $limit);
            if ($wait > $limit) {
                $gone++;

                continue;
            }
            $answered += $wait <= $within ? 1 : 0;
            $free[$first] = $now + $wait + $drawn($load->seconds);
        }

        return [$waits / $callers, $waited / $callers, $answered / $callers, $gone / $callers];
    }
}
