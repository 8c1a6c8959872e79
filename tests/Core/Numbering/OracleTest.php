<?php

declare(strict_types=1);

namespace Tests\Core\Numbering;

use PHPUnit\Framework\TestCase;
use Ringo\Numbering\NumberingPlan;

/** Our numbering plan against the npm package it is derived from, over every country's sample number and broken forms of it. */
final class OracleTest extends TestCase
{
    private const SCRIPT = <<<'JS'
        const {parsePhoneNumberFromString} = require('libphonenumber-js/min');
        const full = require('libphonenumber-js/max');
        const examples = require('libphonenumber-js/examples.mobile.json');
        const rows = [];
        const add = (text, country) => {
            const n = full.parsePhoneNumberFromString(text, country);
            const loose = parsePhoneNumberFromString(text, country);
            rows.push({text, country, e164: n ? n.number : null, valid: loose ? loose.isValid() : false, national: n && n.isValid() ? n.formatNational() : null, owner: n && n.isValid() ? n.country : null});
        };
        for (const [country, national] of Object.entries(examples)) {
            const n = full.parsePhoneNumberFromString(national, country);
            if (!n || !n.isValid()) continue;
            add(n.formatNational(), country);
            add(n.number, 'GB');
            add(n.number.slice(0, -3), 'GB');
        }
        for (const text of ['02079460123', '(212) 555-0123', '07700 900', '999', '+1 416 555 0199', '+44 20 7946 0123']) add(text, text.includes('(') ? 'US' : 'GB');
        console.log(JSON.stringify(rows));
        JS;

    public function testAgreesWithThePackage(): void
    {
        $root = dirname(__DIR__, 3);
        $output = shell_exec('cd '.escapeshellarg($root).' && node -e '.escapeshellarg(self::SCRIPT));
        self::assertIsString($output, 'node and the front-end packages are needed; ./ringo test installs them');
        /** @var list<array{text: string, country: string, e164: ?string, valid: bool, national: ?string, owner: ?string}> $rows */
        $rows = json_decode($output, true, 16, JSON_THROW_ON_ERROR);
        self::assertGreaterThan(600, count($rows));
        $plan = new NumberingPlan;
        $wrong = [];
        foreach ($rows as $row) {
            $number = $plan->parse($row['text'], $row['country']);
            $agrees = $row['valid'] === ($number->valid ?? false)
                && (! $row['valid'] || $number?->e164 === $row['e164'])
                && ($row['national'] === null || $number?->inNationalFormat() === $row['national'])
                && ($row['owner'] === null || ! str_starts_with($row['text'], '+') || $number?->country === $row['owner']);
            if (! $agrees) {
                $wrong[] = json_encode($row).' but here '.json_encode($number === null ? null : [$number->e164, $number->valid, $number->inNationalFormat(), $number->country]);
            }
        }
        self::assertSame([], $wrong);
    }

    public function testRangesKeptForFictionAreNumbersThatNobodyHas(): void
    {
        foreach (['01632 960 147' => '+441632960147', '07700 900123' => '+447700900123'] as $written => $e164) {
            $number = (new NumberingPlan)->parse($written, 'GB');
            self::assertSame($e164, $number?->e164);
            self::assertTrue($number->valid);
            self::assertFalse($number->assigned);
        }
        self::assertNull((new NumberingPlan)->parse('07700', 'GB'));
        self::assertFalse((new NumberingPlan)->parse('00000 000000', 'GB')->valid ?? false);
    }
}
