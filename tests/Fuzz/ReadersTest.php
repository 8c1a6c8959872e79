<?php

declare(strict_types=1);

namespace Tests\Fuzz;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Brief\Brief;
use Ringo\Brief\PageReader;
use Ringo\Design\ScriptDocument;
use Ringo\Dialogue\Engine;
use Ringo\Dialogue\Event;
use Ringo\Dialogue\Opening;
use Ringo\Diary\Diaries;
use Ringo\Document\InvalidDocument;
use Ringo\Errand\ErrandFile;
use Ringo\Errand\OpenApi\Description;
use Ringo\Format\CsvTable;
use Ringo\Format\LabelledCalls;
use Ringo\Format\TranscriptFile;
use Ringo\Format\XlsxTable;
use Ringo\Inspection\Inspector;
use Ringo\Knowledge\CheckList;
use Ringo\Knowledge\LabelledQuestions;
use Ringo\Knowledge\Library;
use Ringo\Knowledge\Reading\UnreadableSource;
use Ringo\Line\Line;
use Ringo\Numbering\NumberingPlan;
use Ringo\Outreach\Campaign;
use Ringo\Outreach\Listed;
use Ringo\Rehearsal\Casebook\Casebook;
use Ringo\Sheet\RecordSheet;
use Ringo\Survey\ScriptOfSurvey;
use Ringo\Survey\Survey;
use Ringo\Trade\Trade;
use Ringo\Transfer\StaffFile;

/**
 * Every reader takes what it is given or says what is wrong with it: no fault, no warning, no waiting; and what it takes can be used.
 *
 * Seeded: FUZZ_SEED chooses others, FUZZ_TIMES how many for each.
 */
final class ReadersTest extends TestCase
{
    private const TIMES = 328;

    /** A PDF is read by a program of its own: fewer of them, and the others make up for it. */
    private const TIMES_OF_PDF = 80;

    /** Seconds one input may take. */
    private const LONGEST = 5.0;

    /** What one reader may take beyond what is held when it begins. */
    private const MOST_MEMORY = 192 * 1024 * 1024;

    /** What a reader may say. */
    private const SAID = [\DomainException::class, \InvalidArgumentException::class, \UnexpectedValueException::class, \OutOfRangeException::class, InvalidDocument::class, UnreadableSource::class];

    private static function file(string $name): string
    {
        return (string) file_get_contents(dirname(__DIR__, 2)."/{$name}");
    }

    /** @return iterable<string, array{string, \Closure(array<array-key, mixed>): mixed}> */
    public static function documents(): iterable
    {
        $demo = 'database/demo';
        yield 'script' => [self::file("{$demo}/quillmoor/tobin.json"), self::script(...)];
        yield 'script with everything' => [self::file("{$demo}/pellbrook/maren.json"), self::script(...)];
        yield 'record sheet' => [(string) json_encode(json_decode(self::file("{$demo}/pellbrook/maren.json"), true)['sheet']), self::sheet(...)];
        yield 'diaries' => [self::file("{$demo}/harrowell/diaries.json"), static fn (array $data): mixed => Diaries::fromArray($data)];
        yield 'lines' => [self::file("{$demo}/pellbrook/lines.json"), static fn (array $data): mixed => array_map(static fn (mixed $line): Line => Line::fromArray(is_array($line) ? $line : []), is_array($data['lines'] ?? null) ? $data['lines'] : [])];
        yield 'brief' => [self::file("{$demo}/pellbrook/brief.json"), static fn (array $data): mixed => Brief::fromArray($data)];
        yield 'casebook' => [self::file("{$demo}/pellbrook/casebook.json"), static fn (array $data): mixed => Casebook::fromArray($data)];
        yield 'errands' => [self::file("{$demo}/pellbrook/errands.json"), static fn (array $data): mixed => ErrandFile::fromArray($data)];
        yield 'trade' => [self::file('data/trades/accountant.json'), static fn (array $data): mixed => Trade::read($data)];
        yield 'survey' => [self::file("{$demo}/quillmoor/survey.json"), static fn (array $data): mixed => ScriptDocument::fromArray((new ScriptOfSurvey)->of(Survey::fromArray($data), ['name' => 'Odile', 'business' => 'A', 'country' => 'GB', 'tz' => 'Europe/London', 'voice' => ['engine' => 'flite', 'name' => 'slt', 'pace' => 1.0, 'pitch' => 1.0]]))];
        yield 'campaign' => [(string) json_encode(['key' => 'a', 'purpose' => 'b', 'tz' => 'Europe/London', 'country' => 'GB', 'windows' => ['mon' => ['09:00-12:30', '13:30-19:00']], 'holidays' => ['2026-05-25', ['from' => '2026-05-26', 'to' => '2026-05-27']], 'start' => '2026-05-04', 'end' => '2026-05-29', 'attempts' => ['most' => 4, 'after' => ['busy' => 'PT20M']], 'per_person' => ['day' => 1, 'week' => 3], 'consent' => true, 'complaint_days' => 90, 'cost' => ['minute' => 0.03, 'attempt' => 0.01], 'rates' => ['reached' => 0.35, 'busy' => 0.1, 'no_answer' => 0.4, 'voicemail' => 0.1, 'minutes' => 1.5]]), static fn (array $data): mixed => Campaign::fromArray($data)];
        yield 'person of a list' => [(string) json_encode(['id' => '1', 'phone' => '07700 900123', 'tz' => 'Europe/London', 'consent' => '2026-01-01', 'consent_purpose' => 'x', 'do_not_call' => 'yes', 'attempts' => '2026-05-05T10:02 busy; 2026-05-05T14:00 other:no_answer', 'asked_for' => '2026-05-05T18:00', 'complaint' => '2026-05-01', 'done' => '']), static fn (array $data): mixed => Listed::of(array_map(static fn (mixed $one): string => is_scalar($one) ? (string) $one : '', $data) + ['id' => '', 'phone' => ''])];
        $transcript = ['id' => 'a', 'started_at' => '2026-03-10T09:14:00+00:00', 'tz' => 'Europe/London', 'country' => 'GB', 'direction' => 'inbound', 'from' => '+447700900123', 'to' => null, 'turns' => [['by' => 'agent', 'text' => 'Hello', 'at' => 0], ['by' => 'caller', 'text' => 'Hi', 'at' => 2.5]]];
        yield 'transcript' => [(string) json_encode($transcript), static fn (array $data): mixed => (new TranscriptFile)->read($data, new \DateTimeImmutable('2026-03-10'))];
        yield 'vcon' => [(string) json_encode(['vcon' => '0.3.0', 'uuid' => 'x', 'created_at' => '2026-03-10T09:14:00Z', 'parties' => [['name' => 'Maren', 'role' => 'agent'], ['tel' => '+447700900123', 'role' => 'caller']], 'dialog' => [['type' => 'text', 'start' => '2026-03-10T09:14:00Z', 'parties' => [0], 'body' => 'Hello', 'encoding' => 'none'], ['type' => 'text', 'start' => '2026-03-10T09:14:03Z', 'parties' => [1], 'body' => 'Hi']]]), static fn (array $data): mixed => (new TranscriptFile)->read($data, new \DateTimeImmutable('2026-03-10'))];
        yield 'teams' => [self::file("{$demo}/pellbrook/teams.json"), static fn (array $data): mixed => (new StaffFile(new NumberingPlan, 'GB'))->read((string) json_encode($data, JSON_PARTIAL_OUTPUT_ON_ERROR))];
        yield 'openapi' => [(string) json_encode(\App\Api\Description::document('https://api.example/v1')), static fn (array $data): mixed => Description::of((string) json_encode($data, JSON_PARTIAL_OUTPUT_ON_ERROR))->operations()];
    }

    /** @return iterable<string, array{string, \Closure(string): mixed}> */
    public static function texts(): iterable
    {
        $demo = 'database/demo';
        $library = static fn (string $name): \Closure => static fn (string $text): mixed => (new Library)->read($name, $text);
        yield 'script as text' => [self::file("{$demo}/quillmoor/tobin.json"), static fn (string $text): mixed => ScriptDocument::fromJson($text)];
        yield 'markdown' => [self::glob("{$demo}/pellbrook/knowledge/*.md"), $library('a.md')];
        yield 'html' => ['<html><body><h1>Terms</h1><table><tr><th>Machine<th>Day</tr><tr><td>Mini digger<td>£95</tr></table><ul><li>One<li>Two</ul><p>Closed on <b>Sundays</b>.</p><!-- x --></body></html>', $library('a.html')];
        yield 'plain text' => ["Opening hours\n\nMonday to Friday 8 to 5.\n- one\n- two\n", $library('a.txt')];
        yield 'csv of knowledge' => ["machine,day,week\nmini digger,£95,£380\n\"big, digger\",£190,£760\n", $library('a.csv')];
        yield 'pdf' => ["%PDF-1.4\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj\n3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 300 300]/Contents 4 0 R/Resources<</Font<</F1 5 0 R>>>>>>endobj\n4 0 obj<</Length 44>>stream\nBT /F1 12 Tf 20 200 Td (Closed on Sundays) Tj ET\nendstream endobj\n5 0 obj<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF", $library('a.pdf')];
        yield 'list as csv' => [self::file("{$demo}/quillmoor/collection-list.csv"), static fn (string $text): mixed => self::inFile($text, static fn (string $path): mixed => iterator_to_array(CsvTable::of($path)->rows(), false))];
        yield 'workbook' => [self::workbook(), static fn (string $text): mixed => self::inFile($text, static fn (string $path): mixed => iterator_to_array(XlsxTable::of($path)[1], false))];
        yield 'labelled calls' => ["# a call\nagent: Hello\ncaller: a digger please\n= outcome: reserved\n", static fn (string $text): mixed => (new LabelledCalls)->read($text)];
        yield 'labelled questions' => ["how much is a digger | £95 | prices.csv\n", static fn (string $text): mixed => (new LabelledQuestions)->read($text)];
        yield 'checks' => [self::file("{$demo}/pellbrook/checks.txt"), static fn (string $text): mixed => (new CheckList)->read($text)];
        yield 'client’s page' => ['<html><body><p>Open Mon–Fri 8am–5pm, Sat 9–12. Call 01632 960100. Closed 25 December.</p></body></html>', static fn (string $text): mixed => (new PageReader)->facts($text)];
    }

    /** @param \Closure(array<array-key, mixed>): mixed $read */
    #[DataProvider('documents')]
    public function testADocumentIsTakenOrToldWhatIsWrongWithIt(string $sound, \Closure $read): void
    {
        $document = json_decode($sound, true, 64, JSON_THROW_ON_ERROR);
        $this->tries(static fn (Mutator $mutator): mixed => $read($mutator->document($document)));
    }

    /** @param \Closure(string): mixed $read */
    #[DataProvider('texts')]
    public function testATextIsTakenOrToldWhatIsWrongWithIt(string $sound, \Closure $read): void
    {
        $this->tries(static fn (Mutator $mutator): mixed => $read($mutator->text($sound)));
    }

    /** Seconds of processor, those of readers in processes of their own with them: a busy machine makes nothing slower. */
    private static function spent(): float
    {
        $seconds = 0.0;
        foreach ([0, 1] as $whose) {
            $used = getrusage($whose) ?: [];
            $seconds += ($used['ru_utime.tv_sec'] ?? 0) + ($used['ru_stime.tv_sec'] ?? 0) + (($used['ru_utime.tv_usec'] ?? 0) + ($used['ru_stime.tv_usec'] ?? 0)) / 1e6;
        }

        return $seconds;
    }

    private function tries(\Closure $once): void
    {
        $seed = getenv('FUZZ_SEED') ?: '1';
        $times = (int) (getenv('FUZZ_TIMES') ?: ($this->dataName() === 'pdf' ? self::TIMES_OF_PDF : self::TIMES));
        $held = memory_get_usage();
        memory_reset_peak_usage();
        set_error_handler(static fn (int $level, string $words, string $file, int $line): bool => (error_reporting() & $level) === 0 ? false : throw new \ErrorException($words, 0, $level, $file, $line));
        try {
            for ($n = 1; $n <= $times; $n++) {
                $began = self::spent();
                try {
                    $once(new Mutator("{$this->name()}|{$this->dataName()}|{$seed}|{$n}"));
                } catch (\Throwable $problem) {
                    self::assertTrue(array_filter(self::SAID, static fn (string $class): bool => $problem instanceof $class) !== [], "seed {$seed}, input {$n}: ".$problem::class." {$problem->getMessage()} at {$problem->getFile()}:{$problem->getLine()}\n".substr($problem->getTraceAsString(), 0, 900));
                    self::assertNotSame('', trim($problem->getMessage()), "seed {$seed}, input {$n}: it says nothing");
                }
                self::assertLessThan(self::LONGEST, self::spent() - $began, "seed {$seed}, input {$n} takes too long");
            }
        } finally {
            restore_error_handler();
        }
        self::assertLessThan(self::MOST_MEMORY, memory_get_peak_usage() - $held);
    }

    /** @param array<array-key, mixed> $data */
    private static function script(array $data): mixed
    {
        $document = ScriptDocument::fromArray($data);
        // What is taken is shown, inspected and rung.
        (new Inspector)->inspect($document);
        $engine = Engine::for($document->script);
        $state = (new Opening($document->script))->state('x', new \DateTimeImmutable('2026-03-10T09:14'), '1', '+447700900123', null, ['known' => false]);
        $outcome = $engine->step($state, Event::started());

        return $engine->step($outcome->state, Event::said('I need a mini digger tomorrow at ten', 5.0));
    }

    /** @param array<array-key, mixed> $data */
    private static function sheet(array $data): mixed
    {
        $sheet = RecordSheet::fromArray($data);

        return array_map(static fn ($field): mixed => [$field->typed('x'), $field->readsLike($field)], $sheet->fields);
    }

    private static function glob(string $pattern): string
    {
        return (string) file_get_contents((glob(dirname(__DIR__, 2).'/'.$pattern) ?: [''])[0]);
    }

    private static function inFile(string $text, \Closure $read): mixed
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'fuzz');
        file_put_contents($path, $text);
        try {
            return $read($path);
        } finally {
            unlink($path);
        }
    }

    private static function workbook(): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'book');
        (new \Ringo\Format\Xlsx)->write($path, [['a', 'b'], ['1', 'x'], ['2', 'y']]);
        $bytes = (string) file_get_contents($path);
        unlink($path);

        return $bytes;
    }
}
