<?php

declare(strict_types=1);

namespace Tests\Core\Format;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Document\InvalidDocument;
use Ringo\Format\TranscriptFile;
use Ringo\Format\Vcon;
use Ringo\Format\Xlsx;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

final class OpenFormatsTest extends TestCase
{
    private \DateTimeImmutable $now;

    protected function setUp(): void
    {
        $this->now = new \DateTimeImmutable('2026-03-10T09:14:00+00:00');
    }

    public function testAVconThatWasWrittenIsReadAgain(): void
    {
        $turns = [new Turn('agent', 'How can I help?', 0.0, 1.2), new Turn('caller', 'My boiler — it’s cold', 2.0, 2.5), new Turn('staff', 'Pete here.', 6.0, 1.0)];
        $vcon = (new Vcon)->write(new Transcript('call-1', '2026-03-10T09:14:00+00:00', 'Europe/London', 'GB', 'inbound', '+447700900123', '+441632960500', $turns), 'Maren', 'Dara Whitcombe');
        $read = (new TranscriptFile)->read(json_decode((string) json_encode($vcon), true), $this->now);

        self::assertSame([['agent', 'How can I help?'], ['caller', 'My boiler — it’s cold'], ['staff', 'Pete here.']], array_map(static fn (Turn $turn): array => [$turn->by, $turn->text], $read->turns));
        self::assertSame('+447700900123', $read->from);
        self::assertStringStartsWith('2026-03-10T09:14', $read->startedAt);
    }

    public function testOwnTranscriptsKeepWhatTheySay(): void
    {
        $read = (new TranscriptFile)->read(['id' => 'a', 'started_at' => '2026-03-10T09:14', 'tz' => 'America/New_York', 'country' => 'us', 'direction' => 'outbound', 'from' => '', 'to' => '+15035550142', 'turns' => [['by' => 'agent', 'text' => 'Hello'], ['by' => 'caller', 'text' => 'Hi', 'at' => 3]]], $this->now);

        self::assertSame(['a', '2026-03-10T09:14:00-04:00', 'US', 'outbound', null, '+15035550142', 2], [$read->id, $read->startedAt, $read->country, $read->direction, $read->from, $read->to, count($read->turns)]);
    }

    /** @param array<string, mixed> $data */
    #[DataProvider('wrong')]
    public function testSaysWhereATranscriptIsWrong(array $data, string $path): void
    {
        try {
            (new TranscriptFile)->read($data, $this->now);
            self::fail('was taken');
        } catch (InvalidDocument $problem) {
            self::assertSame($path, $problem->problems[0]['path']);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        yield 'no turns' => [['id' => 'x'], 'turns'];
        yield 'turns are no list' => [['turns' => ['a' => 1]], 'turns'];
        yield 'who spoke' => [['turns' => [['by' => 'somebody', 'text' => 'hi']]], 'turns[0].by'];
        yield 'no text' => [['turns' => [['by' => 'agent', 'text' => 'hi'], ['by' => 'caller']]], 'turns[1].text'];
        yield 'no time zone' => [['tz' => 'Mars/Olympus', 'turns' => [['by' => 'agent', 'text' => 'hi']]], 'tz'];
        yield 'no moment' => [['started_at' => 'yesterday', 'turns' => [['by' => 'agent', 'text' => 'hi']]], 'started_at'];
        yield 'only recordings' => [['vcon' => '0.3.0', 'parties' => [], 'dialog' => [['type' => 'recording']]], 'dialog'];
        yield 'too many' => [['turns' => array_fill(0, 2001, ['by' => 'agent', 'text' => 'hi'])], 'turns'];
    }

    public function testFilesHoldOneManyOrOneALine(): void
    {
        $file = new TranscriptFile;
        self::assertSame([1], array_keys(iterator_to_array($file->pieces('{"a":1}'))));
        self::assertSame([1, 2], array_keys(iterator_to_array($file->pieces('[{"a":1},{"b":2}]'))));
        $lines = iterator_to_array($file->pieces("{\"a\":1}\n\nnot json\n{\"c\":3}"));
        self::assertSame([1, 3, 4], array_keys($lines));
        self::assertIsString($lines[3]);
    }

    public function testAWorkbookHoldsItsCellsAsText(): void
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'xlsx');
        (new Xlsx)->write($path, [['Name', 'Telephone'], ['Ada & "Bob" <x>', '07700 900123'], ['=1+1', "line\none"], array_fill(0, 28, 'wide')], 'A/B: test');
        $zip = new \ZipArchive;
        self::assertTrue($zip->open($path));
        $sheet = simplexml_load_string((string) $zip->getFromName('xl/worksheets/sheet1.xml'));
        self::assertNotFalse($sheet);
        self::assertCount(4, $sheet->sheetData->row);
        self::assertSame('Ada & "Bob" <x>', (string) $sheet->sheetData->row[1]->c[0]->is->t);
        self::assertSame('07700 900123', (string) $sheet->sheetData->row[1]->c[1]->is->t);
        self::assertSame('=1+1', (string) $sheet->sheetData->row[2]->c[0]->is->t);
        self::assertSame('AB4', (string) $sheet->sheetData->row[3]->c[27]['r']);
        self::assertStringContainsString('A B  test', (string) $zip->getFromName('xl/workbook.xml'));
        unlink($path);
    }
}
