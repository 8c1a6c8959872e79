<?php

declare(strict_types=1);

namespace Tests\Core\Recognition;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Numbering\NumberingPlan;
use Ringo\Recognition\Directory;
use Ringo\Recognition\Recogniser;

/** Odd numbers as networks really hand them over, in five countries. */
final class RecogniserTest extends TestCase
{
    private function recogniser(string $country): Recogniser
    {
        return new Recogniser(new NumberingPlan, new class implements Directory {
            public function at(string $e164): array
            {
                return match ($e164) {
                    '+447700900228', '+4930901820', '+33199001234', '+12025550143', '+353209125555' => [['name' => 'Nell Ashby', 'depot' => 'oldmere', 'last_hours' => 3]],
                    '+447700900271' => [['name' => 'Ged Holroyd'], ['name' => 'Mina Sayer']],
                    '+447700900272' => [['name' => 'Ged Holroyd'], ['name' => 'Larkhill', 'contact_kind' => 'organisation']],
                    '+441632960270' => [['name' => 'Larkhill Groundworks', 'contact_kind' => 'organisation']],
                    '+447700900666' => [['name' => 'Nuisance', 'blocked' => true]],
                    '+447700900667' => [['name' => 'Nuisance', 'blocked' => true], ['name' => 'Somebody else']],
                    '+447700900300' => [['name' => 'Half Known', 'depot' => null, 'account_number' => '']],
                    default => [],
                };
            }
        }, $country);
    }

    /** @return iterable<string, array{string, ?string, string, ?string}> country, number as it comes, kind, E.164 */
    public static function numbers(): iterable
    {
        $table = [
            ['GB', '07700 900228', 'known', '+447700900228'], ['GB', '+447700900228', 'known', '+447700900228'], ['GB', '+44 (0)7700 900228', 'known', '+447700900228'], ['GB', '00447700900228', 'known', '+447700900228'],
            ['GB', '447700900228', 'known', '+447700900228'], ['GB', 'sip:+447700900228@gateway.example', 'known', '+447700900228'], ['GB', 'tel:+447700900228;phone-context=+44', 'known', '+447700900228'], ['GB', '07700-900.228', 'known', '+447700900228'],
            ['GB', '07700 900271', 'shared', '+447700900271'], ['GB', '07700900272', 'known', '+447700900272'], ['GB', '01632 960270', 'organisation', '+441632960270'], ['GB', '07700 900666', 'blocked', '+447700900666'], ['GB', '07700 900667', 'blocked', '+447700900667'],
            ['GB', '07700 900999', 'unknown', '+447700900999'], ['GB', '+12025550143', 'known', '+12025550143'], ['GB', '0012025550143', 'known', '+12025550143'],
            ['DE', '030 901820', 'known', '+4930901820'], ['DE', '+49 30 901820', 'known', '+4930901820'], ['DE', '0049 (0)30 901820', 'known', '+4930901820'], ['DE', '030/901820', 'known', '+4930901820'], ['DE', '+44 7700 900228', 'known', '+447700900228'],
            ['FR', '01 99 00 12 34', 'known', '+33199001234'], ['FR', '01.99.00.12.34', 'known', '+33199001234'], ['FR', '+33 1 99 00 12 34', 'known', '+33199001234'], ['FR', '0033199001234', 'known', '+33199001234'],
            ['US', '(202) 555-0143', 'known', '+12025550143'], ['US', '202-555-0143', 'known', '+12025550143'], ['US', '1 202 555 0143', 'known', '+12025550143'], ['US', '+12025550143', 'known', '+12025550143'], ['US', '011 44 7700 900228', 'known', '+447700900228'],
            ['IE', '020 912 5555', 'known', '+353209125555'], ['IE', '+353 20 912 5555', 'known', '+353209125555'], ['IE', '00353 20 912 5555', 'known', '+353209125555'],
        ];
        foreach (['GB', 'DE', 'FR', 'US', 'IE'] as $country) {
            foreach ([null, '', '  ', 'anonymous', 'Anonymous', 'PRIVATE', 'Withheld', 'unavailable', 'No Caller ID', '+00000000'] as $none) {
                $table[] = [$country, $none, 'withheld', null];
            }
            foreach (['12', 'abc', '+', '++44', '07x', '0', '999999999999999999999', "07700\u{202E}", '<script>'] as $broken) {
                $table[] = [$country, $broken, 'unparseable', null];
            }
        }
        foreach ($table as $i => $case) {
            yield "{$i}: {$case[0]} ".json_encode($case[1]) => $case;
        }
    }

    #[DataProvider('numbers')]
    public function testANumberIsReadBeforeTheFirstWord(string $country, ?string $number, string $kind, ?string $e164): void
    {
        $found = $this->recogniser($country)->of($number);
        self::assertSame([$kind, $e164], [$found->kind, $found->number], implode('; ', $found->why));
        self::assertNotEmpty($found->why);
        self::assertSame($kind === 'known', (bool) $found->facts['known']);
    }

    public function testNothingOfABlockedSharedOrSwitchboardNumberIsTakenForTheCaller(): void
    {
        foreach (['07700900666', '07700900271', '01632960270', '07700900999'] as $number) {
            $found = $this->recogniser('GB')->of($number);
            self::assertArrayNotHasKey('name', $found->facts, $number);
            self::assertArrayNotHasKey('first_name', $found->facts, $number);
        }
        self::assertCount(2, $this->recogniser('GB')->of('07700900271')->people);
    }

    public function testMissingFactsOnlyMeanThatTheyAreAsked(): void
    {
        $caller = $this->recogniser('GB')->of('07700900300')->facts;
        self::assertSame('Half', $caller['first_name']);
        self::assertEmpty($caller['depot'] ?? null);
        self::assertEmpty($caller['account_number'] ?? null);
    }
}
