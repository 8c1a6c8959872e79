<?php

declare(strict_types=1);

namespace Tests\Core\Delivery;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Delivery\Retries;
use Ringo\Delivery\Signature;
use Ringo\Delivery\Timing;

final class DeliveryTest extends TestCase
{
    public function testSignsAsTheSpecificationsOwnExample(): void
    {
        // The example of the Standard Webhooks specification.
        $signature = new Signature('whsec_MfKQ9r8GKYqrTwjUPD8ILPZIo2LaLaSw');
        $headers = $signature->headers('msg_p5jXN8AQM9LWM0D4loKWxJek', 1614265330, '{"test": 2432232314}');

        self::assertSame('v1,g0hM9SsE+OTPJTGt/tmIKtSyZlE3uFJELVlNIOLJ1OE=', $headers['webhook-signature']);
        self::assertTrue($signature->verifies($headers, '{"test": 2432232314}', 1614265330));
        self::assertFalse($signature->verifies($headers, '{"test": 1}', 1614265330), 'another body');
        self::assertFalse($signature->verifies($headers, '{"test": 2432232314}', 1614265330 + 301), 'too old');
        self::assertTrue($signature->verifies(['webhook-signature' => 'v1,xxx '.$headers['webhook-signature']] + $headers, '{"test": 2432232314}', 1614265330), 'one of several');
        self::assertFalse((new Signature('other'))->verifies($headers, '{"test": 2432232314}', 1614265330), 'another secret');
    }

    public function testPausesGrowAndEnd(): void
    {
        $retries = new Retries;
        $last = 0;
        for ($try = 1; ($pause = $retries->pause($try)) !== null; $try++) {
            self::assertGreaterThan($last, $pause);
            $last = $pause;
        }
        self::assertSame($retries->most(), $try);
    }

    /** @param array<string, mixed> $timing */
    #[DataProvider('moments')]
    public function testTellsWhenItIsDue(array $timing, mixed $value, ?string $due): void
    {
        $ended = new \DateTimeImmutable('2026-03-10 14:20', new \DateTimeZone('Europe/London'));

        self::assertSame($due, Timing::of($timing)->due($ended, $value)?->format('Y-m-d H:i'));
    }

    /** @return iterable<string, array{array<string, mixed>, mixed, ?string}> */
    public static function moments(): iterable
    {
        yield 'at once' => [['kind' => 'at_once'], null, '2026-03-10 14:20'];
        yield 'a day before a day' => [['kind' => 'before', 'field' => 'd', 'amount' => 1, 'unit' => 'day'], '2026-03-20', '2026-03-19 09:00'];
        yield 'an hour before a moment' => [['kind' => 'before', 'field' => 'd', 'amount' => 1, 'unit' => 'hour'], '2026-03-20T15:30', '2026-03-20 14:30'];
        yield 'a day before keeps its hour over a clock change' => [['kind' => 'before', 'field' => 'd', 'amount' => 1, 'unit' => 'day'], '2026-03-29T10:00', '2026-03-28 10:00'];
        yield 'hours are elapsed over a clock change' => [['kind' => 'before', 'field' => 'd', 'amount' => 24, 'unit' => 'hour'], '2026-03-29T10:00', '2026-03-28 09:00'];
        yield 'too late for the hour, but still to come: at once' => [['kind' => 'before', 'field' => 'd', 'amount' => 1, 'unit' => 'day'], '2026-03-11T08:00', '2026-03-10 14:20'];
        yield 'already over: nothing' => [['kind' => 'before', 'field' => 'd', 'amount' => 1, 'unit' => 'day'], '2026-03-09', null];
        yield 'no day known: nothing' => [['kind' => 'before', 'field' => 'd', 'amount' => 1, 'unit' => 'day'], null, null];
        yield 'days after the call' => [['kind' => 'after', 'amount' => 3, 'unit' => 'day'], null, '2026-03-13 14:20'];
        yield 'days after a day' => [['kind' => 'after', 'field' => 'd', 'amount' => 2, 'unit' => 'day'], '2026-03-20', '2026-03-22 09:00'];
        yield 'at the very moment it ended: nothing' => [['kind' => 'before', 'field' => 'd', 'amount' => 1, 'unit' => 'hour'], '2026-03-10T14:20', null];
        yield 'due as the call ends' => [['kind' => 'before', 'field' => 'd', 'amount' => 1, 'unit' => 'hour'], '2026-03-10T15:20', '2026-03-10 14:20'];
        yield 'no amount is none' => [['kind' => 'after', 'unit' => 'hour'], null, '2026-03-10 14:20'];
        yield 'an empty amount is none' => [['kind' => 'after', 'amount' => null], null, '2026-03-10 14:20'];
        yield 'minutes after the call' => [['kind' => 'after', 'amount' => 90, 'unit' => 'minute'], null, '2026-03-10 15:50'];
    }

    /** @param array<string, mixed> $timing */
    #[DataProvider('wrong')]
    public function testRefusesWhatCannotBeMeant(array $timing): void
    {
        $this->expectException(\InvalidArgumentException::class);
        Timing::of($timing);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function wrong(): iterable
    {
        yield 'no such kind' => [['kind' => 'sometime']];
        yield 'before nothing' => [['kind' => 'before', 'amount' => 1, 'unit' => 'day']];
        yield 'no such unit' => [['kind' => 'after', 'amount' => 1, 'unit' => 'week']];
        yield 'less than nothing' => [['kind' => 'after', 'amount' => -1, 'unit' => 'day']];
    }
}
