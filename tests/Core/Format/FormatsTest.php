<?php

declare(strict_types=1);

namespace Tests\Core\Format;

use PHPUnit\Framework\TestCase;
use Ringo\Format\RecordCsv;
use Ringo\Format\Vcon;
use Ringo\Format\WebVtt;
use Ringo\Sheet\RecordSheet;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

final class FormatsTest extends TestCase
{
    public function testCsvQuotesAndDisarmsFormulas(): void
    {
        $csv = new RecordCsv(RecordSheet::fromArray(['type' => 'object', 'properties' => ['note' => ['type' => 'string'], 'price' => ['type' => 'object', 'format' => 'money'], 'ok' => ['type' => 'boolean'], 'phone' => ['type' => 'string', 'format' => 'phone']]]));
        $line = $csv->line($csv->row('c1', '2026-03-10T09:14:00+00:00', '+447700900123', 'done', ['note' => '=HYPERLINK("x"), "q"', 'price' => ['amount' => 5, 'currency' => 'GBP'], 'ok' => true, 'phone' => '+447700900123']));

        self::assertSame(['call', 'started_at', 'from', 'outcome', 'note', 'price', 'ok', 'phone'], $csv->header());
        self::assertSame(['c1', '2026-03-10T09:14:00+00:00', '+447700900123', 'done', "'=HYPERLINK(\"x\"), \"q\"", '5.00 GBP', 'true', '+447700900123'], str_getcsv(trim($line), ',', '"', ''));
    }

    public function testWebVttHasACueATurn(): void
    {
        $vtt = (new WebVtt)->write($this->transcript(), ['agent' => 'Maren']);

        self::assertStringStartsWith("WEBVTT\n", $vtt);
        self::assertStringContainsString("00:00:00.000 --> 00:00:04.200\n<v Maren>Hello &amp; welcome.", $vtt);
        self::assertStringContainsString("00:01:05.500 --> 00:01:06.500\n<v Caller>presses 1", $vtt);
    }

    public function testVconNamesPartiesAndKeepsTimes(): void
    {
        $vcon = (new Vcon)->write($this->transcript(), 'Maren', 'Dara', ['equipment' => ['value' => 'saw']], 'Dara called.');

        self::assertSame('+447700900123', $vcon['parties'][1]['tel']);
        self::assertCount(2, $vcon['dialog']);
        self::assertSame('2026-03-10T09:15:05.500+00:00', $vcon['dialog'][1]['start']);
        self::assertMatchesRegularExpression('/^[0-9a-f]{8}-[0-9a-f]{4}-8[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/', $vcon['uuid']);
        self::assertSame($vcon['uuid'], (new Vcon)->write($this->transcript(), 'Maren', 'Dara')['uuid']);
        self::assertSame(['record', 'summary'], array_column($vcon['analysis'], 'type'));
    }

    private function transcript(): Transcript
    {
        return new Transcript('c1', '2026-03-10T09:14:00+00:00', 'Europe/London', 'GB', 'inbound', '+447700900123', null, [new Turn('agent', 'Hello & welcome.', 0.0, 4.2), new Turn('caller', '1', 65.5, 1.0, true)]);
    }
}
