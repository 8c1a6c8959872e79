<?php

declare(strict_types=1);

namespace Tests\Core\Extraction;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Extraction\Extractor;
use Ringo\Extraction\Record;
use Ringo\Extraction\Score;
use Ringo\Format\LabelledCalls;
use Ringo\Sheet\RecordSheet;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

/** Records out of labelled calls of many trades, held by scripts and by people. */
final class ExtractorTest extends TestCase
{
    /** Labels that are known not to be met, a call a line: inferences a person makes and the weighing does not, and what it chose wrongly. */
    private const MISSED = __DIR__.'/cases/missed.txt';

    /** @var array<string, Extractor> */
    private static array $extractors = [];

    /**
     * @param array<string, mixed> $expected
     * @param array<string, string> $holds
     */
    #[DataProvider('calls')]
    public function testReadsWhatTheCallerSaidOrAgreedTo(string $folder, Transcript $transcript, array $expected, array $holds): void
    {
        $sheet = self::sheet($folder);
        $record = self::extractor($folder)->extract($transcript);
        $score = new Score;
        $score->add($transcript->id, $sheet, $expected, $record->values());
        $missed = array_column($score->misses(), 'field');
        $known = self::missed()[$transcript->id] ?? [];

        self::assertSame([], array_values(array_diff($missed, $known)), 'missed, and not listed in missed.txt: '.json_encode($score->misses()));
        self::assertSame([], array_values(array_diff($known, $missed)), 'listed in missed.txt, and right');
        foreach ($holds as $field => $words) {
            self::assertStringContainsStringIgnoringCase($words, (string) ($record->cells[$field]['value'] ?? ''), "{$field} is told in the caller's words");
        }
        foreach ($record->cells as $field => $cell) {
            self::assertNotNull($cell['turn'], "{$field} points at a turn");
            self::assertSame('caller', $transcript->turns[$cell['turn']]->by, "{$field} is the caller's");
            self::assertStringContainsStringIgnoringCase($cell['said'], str_replace('’', "'", $transcript->turns[$cell['turn']]->text), "{$field} points at its words");
            self::assertGreaterThan(0.0, $cell['confidence']);
            self::assertLessThan(1.0, $cell['confidence']);
        }
        $sentences = preg_match_all('/[.?!]”?\.?(?:\s|$)/u', $record->summary);
        self::assertGreaterThanOrEqual(2, $sentences, $record->summary);
    }

    /** @return iterable<string, array{string, Transcript, array<string, mixed>, array<string, string>}> */
    public static function calls(): iterable
    {
        foreach (glob(__DIR__.'/cases/*/calls.txt') ?: [] as $file) {
            foreach ((new LabelledCalls)->read((string) file_get_contents($file)) as $call) {
                yield basename(dirname($file)).' '.$call['transcript']->id => [dirname($file), $call['transcript'], $call['expected'], $call['holds']];
            }
        }
    }

    /** @return array<string, list<string>> fields by call */
    private static function missed(): array
    {
        $missed = [];
        foreach (file(self::MISSED, FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            if (str_contains($line, ': ') && $line[0] !== '#') {
                [$call, $fields] = explode(': ', $line, 2);
                $missed[$call] = explode(', ', $fields);
            }
        }

        return $missed;
    }

    public function testWhatTheAgentMerelySaidIsNotTheCallers(): void
    {
        $record = $this->read(['phone' => ['format' => 'phone'], 'budget' => ['format' => 'money', 'description' => 'What the caller wants to spend'], 'visit' => ['format' => 'date']], [
            ['agent', 'Hello, this is Ivy at Hartwell on 01632 960500. We are closed on Friday and a visit costs £85.'], ['caller', 'Okay, thanks, I will think about it.'],
        ]);

        self::assertSame([], $record->values());
    }

    public function testTheLastValidValueStandsAndAgreesWithTheReadBack(): void
    {
        $record = $this->read(['phone' => ['format' => 'phone'], 'day' => ['format' => 'date', 'title' => 'Visit day']], [
            ['agent', 'What is your number?'], ['caller', '07700 900123'], ['agent', 'When shall we come?'], ['caller', 'Tuesday please'],
            ['agent', 'So that is Tuesday the 17th of March, and 07700 900123. Is that right?'], ['caller', 'No, actually make it Thursday, and the number ends in 124.'],
        ]);

        self::assertSame('2026-03-12', $record->cells['day']['value']);
        self::assertSame('corrected', $record->cells['day']['origin']);
    }

    public function testWhatIsRefusedIsEmptyAndKnownToBeRefused(): void
    {
        $record = $this->read(['email' => ['format' => 'email'], 'name' => ['format' => 'person-name', 'title' => 'Caller name']], [
            ['agent', 'What is your name?'], ['caller', 'Ada Cole'], ['agent', 'And your e-mail address?'], ['caller', "I'd rather not give that out."],
        ], ['name', 'email']);

        self::assertSame(['name' => 'Ada Cole'], $record->values());
        self::assertSame(['email'], $record->declined);
        self::assertSame([], $record->missing);
        self::assertStringContainsString('Would not give', $record->summary);
    }

    public function testTheNumberCallingCountsWhenItIsMeant(): void
    {
        $yes = $this->read(['phone' => ['format' => 'phone']], [['agent', 'Is the number you are calling from the best one?'], ['caller', 'Yes it is.']]);
        $no = $this->read(['phone' => ['format' => 'phone']], [['agent', 'Is the number you are calling from the best one?'], ['caller', "No, it isn't."]]);

        self::assertSame(['+447700900199', 'caller id'], [$yes->cells['phone']['value'], $yes->cells['phone']['origin']]);
        self::assertSame([], $no->values());
    }

    public function testAWishForAPersonIsNoMessage(): void
    {
        $sheet = ['message' => ['type' => 'string', 'title' => 'Message'], 'fault' => ['type' => 'string', 'title' => 'What is wrong with it']];
        foreach (['can I speak to a real person please', "I'd like to talk to somebody", 'could you put me through to an operator'] as $said) {
            self::assertSame([], $this->read($sheet, [['agent', 'What can I do for you?'], ['caller', $said]])->values(), $said);
        }
        self::assertSame(['message'], array_keys($this->read($sheet, [['agent', 'What can I do for you?'], ['caller', 'can I speak to somebody about the invoice for the marquee']])->values()));
    }

    public function testAMessageIsAskedForInManyWays(): void
    {
        $sheet = ['name' => ['format' => 'person-name', 'title' => 'Name'], 'message' => ['type' => 'string', 'title' => 'Message']];
        foreach (['He is out. What shall I tell him?', 'Is it about anything I can pass on?', 'And what should I say it is about?', 'What would you like him to know? I will pass on whatever you say.'] as $question) {
            $values = $this->read($sheet, [['caller', 'hello, is Mr Bright there'], ['agent', $question], ['caller', 'the tiles have come and they are the wrong colour'], ['agent', 'Thank you. Your name?'], ['caller', 'Olive Stott']])->values();
            self::assertStringContainsString('wrong colour', is_string($values['message'] ?? null) ? $values['message'] : '', $question);
        }
    }

    public function testAMenuOfTopicsIsNoQuestionOfYesAndNo(): void
    {
        $sheet = ['fitted' => ['type' => 'boolean', 'title' => 'Fitting wanted']];
        foreach (['Is it about prices, fitting times, or an invoice?', 'Is it a price or a return, fitting or delivery, or something else?'] as $question) {
            self::assertSame([], $this->read($sheet, [['agent', $question], ['caller', "it's about the price of a carpet"]])->values(), $question);
        }
        self::assertSame(['fitted' => true], $this->read($sheet, [['agent', 'Would you like it fitted?'], ['caller', 'we would like it fitted']])->values());
    }

    public function testTwoNamedLeaveADoubtAndNoValue(): void
    {
        $record = $this->read(['day' => ['format' => 'date', 'title' => 'Visit day']], [['agent', 'Which day would you like?'], ['caller', 'Tuesday or Wednesday']]);

        self::assertSame([], $record->values());
        self::assertArrayHasKey('day', $record->doubts);
    }

    public function testTheCallersOwnWordsAreTheEvidenceOfWhatTheOtherSideSaidToo(): void
    {
        $record = $this->read(['day' => ['format' => 'date', 'title' => 'Visit day'], 'seen' => ['format' => 'date', 'title' => 'Date of the follow-up']], [
            ['agent', 'Which day shall we come for the visit?'], ['caller', 'Thursday please'], ['agent', 'Thursday the 12th of March then. May I have your number?'], ['caller', 'this one'],
        ]);

        self::assertSame(['2026-03-12', 1, 'Thursday'], [$record->cells['day']['value'], $record->cells['day']['turn'], $record->cells['day']['said']]);
        self::assertSame([], $record->doubts);
    }

    public function testNumbersInPiecesAreOneNumber(): void
    {
        $record = $this->read(['phone' => ['format' => 'phone']], [['staff', 'Can I take your number?'], ['caller', 'oh seven seven double oh'], ['staff', 'yep'], ['caller', 'nine double oh'], ['staff', 'mm hm'], ['caller', 'one two three']]);

        self::assertSame('+447700900123', $record->values()['phone'] ?? null);
    }

    public function testPastDaysLieBehindTheCall(): void
    {
        $record = $this->read(['incident_date' => ['format' => 'date', 'description' => 'Day on which it happened'], 'visit' => ['format' => 'date', 'title' => 'Visit', 'description' => 'Day wanted for the visit']], [
            ['agent', 'When did it happen?'], ['caller', 'On Sunday'], ['agent', 'When would you like us to come?'], ['caller', 'On Friday'],
        ]);

        self::assertSame(['incident_date' => '2026-03-08', 'visit' => '2026-03-13'], $record->values());
    }

    /**
     * @param list<string> $words
     */
    #[DataProvider('noise')]
    public function testAnyWordsGiveARecordAndNeverAnError(array $words): void
    {
        $turns = [];
        foreach ($words as $i => $line) {
            $turns[] = new Turn($i % 2 === 0 ? 'agent' : 'caller', $line, $i * 3.0, 2.0);
        }
        $record = self::extractor(__DIR__.'/cases/hotel')->extract(new Transcript('x', '2026-03-10T09:14:00+00:00', 'Europe/London', 'GB', 'inbound', null, null, $turns));

        self::assertSame('x', $record->callId);
    }

    /** @return iterable<string, array{list<string>}> */
    public static function noise(): iterable
    {
        yield 'nothing' => [[]];
        yield 'silence' => [['', '']];
        yield 'signs' => [['???', '!!! ... ---', '💥', "\u{0}\u{FFFD}"]];
        yield 'not text' => [["\xff\xfe", "\xc3\x28 is my name"]];
        yield 'one word' => [['name?', 'yes', 'number?', 'yes', 'when?', 'no']];
        yield 'very long' => [['Go on.', str_repeat('and then the third of March at nine or maybe ten ', 200)]];
        yield 'numbers only' => [['Number?', str_repeat('07700 900123 ', 60)]];
    }

    /**
     * @param array<string, array<string, mixed>> $properties
     * @param list<array{string, string}> $lines
     * @param list<string> $required
     */
    private function read(array $properties, array $lines, array $required = []): Record
    {
        $sheet = RecordSheet::fromArray(['type' => 'object', 'properties' => array_map(static fn (array $field): array => $field + ['type' => 'string'], $properties), 'required' => $required]);
        $turns = array_map(static fn (array $line, int $i): Turn => new Turn($line[0], $line[1], $i * 4.0, 3.0), $lines, array_keys($lines));

        return Extractor::for($sheet)->extract(new Transcript('t', '2026-03-10T09:14:00+00:00', 'Europe/London', 'GB', 'inbound', '+447700900199', null, $turns));
    }

    private static function sheet(string $folder): RecordSheet
    {
        return RecordSheet::fromArray(json_decode((string) file_get_contents($folder.'/sheet.json'), true));
    }

    private static function extractor(string $folder): Extractor
    {
        if (! isset(self::$extractors[$folder])) {
            // Only the last is kept: each remembers what it has read.
            $last = reset(self::$extractors);
            self::$extractors = [$folder => $last === false ? Extractor::for(self::sheet($folder)) : $last->with(self::sheet($folder))];
        }

        return self::$extractors[$folder];
    }
}
