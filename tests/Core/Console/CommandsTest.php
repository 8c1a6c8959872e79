<?php

declare(strict_types=1);

namespace Tests\Core\Console;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The commands as others call them: output, order, exit status. */
final class CommandsTest extends TestCase
{
    public function testReadPrintsAValue(): void
    {
        $done = $this->ringo(['read', 'date', 'a week on Tuesday', '--now=2026-03-10T09:14']);

        self::assertSame(0, $done->getExitCode());
        self::assertSame(['value' => '2026-03-24', 'display' => 'Tuesday 24 March 2026'], array_slice(json_decode($done->getOutput(), true), 0, 2));
    }

    public function testReadAnswersABatchInOrderAndGoesOnAfterABadLine(): void
    {
        $done = $this->ringo(['read', '--batch=-'], implode("\n", [
            '{"id":"a","type":"phone","text":"07700 900123","now":"2026-03-10T09:14","tz":"Europe/London","country":"GB"}',
            'not json',
            '{"id":"c","type":"choice","text":"the second one","options":[{"key":"x","label":"one thing"},{"key":"y","label":"another","phrases":[]}]}',
            '{"id":"d","type":"money","text":"fifty","country":"US"}',
            '{"id":"e","type":"colour","text":"green"}',
        ]));
        $answers = array_map(static fn (string $line): array => json_decode($line, true), explode("\n", trim($done->getOutput())));

        self::assertSame(1, $done->getExitCode());
        self::assertSame(['+447700900123', null, 'y', ['amount' => 50, 'currency' => 'USD'], null], array_map(static fn (array $answer): mixed => $answer['value'] ?? null, $answers));
        self::assertStringContainsString('line 2', $done->getErrorOutput());
        self::assertStringContainsString('line 5', $done->getErrorOutput());
    }

    public function testEveryCaseOfTheDemonstrationPasses(): void
    {
        $demo = 'database/demo/pellbrook';
        $done = $this->ringo(['rehearse', "{$demo}/casebook.json", "--teams={$demo}/teams.json", "--knowledge={$demo}/knowledge", "--diaries={$demo}/diaries.json", "--errands={$demo}/errands.json"]);
        $cases = array_map(static fn (string $line): array => json_decode($line, true), explode("\n", trim($done->getOutput())));

        self::assertCount(25, $cases);
        self::assertSame([], array_column(array_filter($cases, static fn (array $case): bool => ! $case['passed']), 'failures', 'case'));
    }

    public function testCallFinishesTheDemonstrationsReservation(): void
    {
        $done = $this->ringo(['call', 'database/demo/pellbrook/maren.json', '--lines=database/demo/pellbrook/calls/reservation.txt', '--now=2026-03-10T09:14', '--from=07700 900742']);
        $call = json_decode($done->getOutput(), true);

        self::assertSame(0, $done->getExitCode(), $done->getErrorOutput());
        self::assertSame([
            'caller_name' => 'Dara Whitcombe', 'phone' => '+447700900123', 'equipment' => 'mini_digger', 'start_date' => '2026-03-17', 'hire_length' => 'P3W', 'depot' => 'stanwick_cross',
            'delivery' => true, 'site_address' => '14 Mill Lane, Oldmere', 'payment' => 'account',
        ], $call['values']);
        self::assertSame('reservation taken', $call['outcome']);
        self::assertSame([], $call['missing']);
        foreach ($call['record'] as $field => $cell) {
            self::assertStringContainsStringIgnoringCase($cell['said'], $call['turns'][$cell['turn']]['text'], "{$field} points at its words");
        }
    }

    public function testTheSameCallIsTheSameByteForByte(): void
    {
        $run = fn (): string => $this->ringo(['call', 'database/demo/pellbrook/maren.json', '--say=I need a breaker', '--key=7', '--silence', '--say=tomorrow', '--now=2026-03-10T09:14', '--seed=5', '--trace'])->getOutput();

        self::assertSame($run(), $run());
    }

    public function testACallIsTakenUpAgainInAnotherProcess(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'call');
        $head = ['call', 'database/demo/pellbrook/maren.json', '--now=2026-03-10T09:14', '--seed=3'];
        $whole = json_decode($this->ringo([...$head, '--say=I need a breaker', '--say=tomorrow', '--say=for two days'])->getOutput(), true);
        $this->ringo([...$head, '--say=I need a breaker', "--save={$file}"]);
        $this->ringo([...$head, '--say=tomorrow', "--resume={$file}", "--save={$file}"]);
        $last = json_decode($this->ringo([...$head, '--say=for two days', "--resume={$file}"])->getOutput(), true);
        self::assertSame($whole['turns'], $last['turns']);
        self::assertSame($whole['values'], $last['values']);

        file_put_contents($file, '{"state":1}');
        self::assertSame(1, $this->ringo([...$head, "--resume={$file}"])->getExitCode());
        unlink($file);
    }

    public function testContactsGreetTheCallerEvenWithGapsInTheirData(): void
    {
        $file = tempnam(sys_get_temp_dir(), 'contacts');
        file_put_contents((string) $file, "name,phone,depot,email\n\"Dara Whitcombe,\",07700 900742,,;\n");
        $call = json_decode($this->ringo(['call', 'database/demo/pellbrook/maren.json', '--contacts='.$file, '--from=+447700900742', '--say=goodbye', '--now=2026-03-10T09:14'])->getOutput(), true);
        unlink((string) $file);

        self::assertStringContainsString('Dara', $call['turns'][0]['text']);
    }

    public function testWrongUsageAndBadInputHaveTheirOwnStatus(): void
    {
        self::assertSame(2, $this->ringo(['read', 'date'])->getExitCode());
        self::assertSame(2, $this->ringo(['read', 'date', 'x', '--wibble'])->getExitCode());
        self::assertSame(2, $this->ringo(['read', 'date', 'x', '--tz=Nowhere'])->getExitCode());
        self::assertSame(1, $this->ringo(['read', 'colour', 'x'])->getExitCode());
        $broken = tempnam(sys_get_temp_dir(), 'script');
        file_put_contents((string) $broken, '{"agent":{"name":"A","business":"B"},"first":"x","steps":[{"key":"x","kind":"say","prompt":"Hi.","next":"y"}]}');
        $done = $this->ringo(['call', (string) $broken]);
        unlink((string) $broken);
        self::assertSame(1, $done->getExitCode());
        self::assertStringContainsString('steps[0]', $done->getErrorOutput());
        self::assertStringContainsString('“y”', $done->getErrorOutput());
    }

    public function testATeamFromAFileIsRungAndMayNotAnswer(): void
    {
        $base = ['call', 'database/demo/pellbrook/maren.json', '--teams=database/demo/pellbrook/teams.json', '--now=2026-03-10T10:00', '--from=07700 900123', '--say=put me through to a person please about a reservation'];
        $taken = json_decode($this->ringo([...$base, '--answered=bea', '--staff=Hello', '--say=hi', '--hang-up'])->getOutput(), true);
        self::assertSame(['transferred to Bea Cresswell', 'bea'], [$taken['outcome'], $taken['connected']['person']]);
        self::assertSame(['staff', 'caller'], array_slice(array_column($taken['turns'], 'by'), -2));
        $missed = json_decode($this->ringo([...$base, '--no-answer', '--busy', '--busy', '--declined=lunch', '--say=tomorrow at ten', '--say=no thanks'])->getOutput(), true);
        self::assertSame(['call-back promised', null], [$missed['outcome'], $missed['connected']]);
        file_put_contents($file = (string) tempnam(sys_get_temp_dir(), 'teams'), '{"people": [{"key": "a", "name": "A", "number": "rubbish"}], "teams": []}');
        $bad = $this->ringo(['call', 'database/demo/pellbrook/maren.json', '--teams='.$file]);
        unlink($file);
        self::assertSame(1, $bad->getExitCode());
        self::assertStringContainsString('people[0]: "rubbish" is no telephone number', $bad->getErrorOutput());
    }

    public function testACallAnswersFromAFolderOfKnowledge(): void
    {
        $ask = fn (string ...$more): string => implode(' ', array_column(json_decode($this->ringo(['call', 'database/demo/pellbrook/maren.json', ...array_values($more), '--say=what happens if I bring it back late', '--now=2026-03-10T09:14'])->getOutput(), true)['turns'] ?? [], 'text'));

        self::assertStringContainsString('late', $ask('--knowledge=database/demo/pellbrook/knowledge'));
        self::assertNotSame($ask(), $ask('--knowledge=database/demo/pellbrook/knowledge'));
        $nowhere = $this->ringo(['call', 'database/demo/pellbrook/maren.json', '--knowledge=/nowhere', '--say=hello']);
        self::assertSame([1, true], [$nowhere->getExitCode(), str_contains($nowhere->getErrorOutput(), '/nowhere: there is no such folder')]);
    }

    public function testRouteAndCheckAnswerAsOthersCallThem(): void
    {
        $found = $this->ringo(['route', '--teams=database/demo/pellbrook/teams.json', '--batch=-'], '{"id":"a","turn":0,"text":"I have a query on my invoice"}'."\n".'{"id":"b","turn":0,"text":"somebody please"}'."\n");
        [$one, $two] = array_map(static fn (string $line): array => json_decode($line, true), explode("\n", trim($found->getOutput())));
        self::assertSame('accounts', $one['team']);
        self::assertNull($two['team']);
        self::assertSame(0, $this->ringo(['check', 'database/demo/pellbrook/maren.json'])->getExitCode());
    }

    public function testLineTellsTheWayOfACallAndWhatIsWrong(): void
    {
        $demo = 'database/demo/pellbrook';
        $way = json_decode($this->ringo(['line', "{$demo}/lines.json", '--at=2026-11-30T09:00', "--brief={$demo}/brief.json", "--teams={$demo}/teams.json"])->getOutput(), true);
        self::assertSame(['main', [['people' => ['nora', 'bea'], 'seconds' => 15]], 'agent'], [$way['line'], $way['rings'], $way['then']]);
        $batch = $this->ringo(['line', "{$demo}/lines.json", "--brief={$demo}/brief.json", '--batch=-'], '{"id":1,"line":"main","at":"2026-12-25T09:00"}'."\n".'{"id":2,"line":"none","at":"2026-12-25T09:00"}'."\n".'{"id":3,"line":"web","at":"2026-12-25T09:00","busy":10}'."\n");
        [$one, $two, $three] = array_map(static fn (string $line): array => json_decode($line, true), explode("\n", trim($batch->getOutput())));
        self::assertSame(['after-hours', 'words', 1], [$one['line'], $three['then'], $batch->getExitCode()]);
        self::assertStringContainsString('there is no line “none”', $two['error']);
        self::assertSame(0, $this->ringo(['line', 'database/demo/quillmoor/lines.json', '--check'])->getExitCode());
        self::assertSame(1, $this->ringo(['line', "{$demo}/lines.json", '--check'])->getExitCode(), 'without the teams, whoever is to ring is not there');
        self::assertSame(2, $this->ringo(['line', "{$demo}/lines.json"])->getExitCode());
        self::assertStringContainsString('“at” is no moment', $this->ringo(['line', "{$demo}/lines.json", '--at=soonish'])->getErrorOutput());
    }

    public function testExtractReadsTranscriptsInOrderAndGoesOnAfterABadLine(): void
    {
        $sheet = (string) tempnam(sys_get_temp_dir(), 'sheet');
        file_put_contents($sheet, '{"type":"object","properties":{"caller_name":{"type":"string","format":"person-name","title":"Name"},"visit":{"type":"string","format":"date","title":"Visit"},"fault":{"type":"string","title":"Fault"}},"required":["caller_name"]}');
        $call = static function (string $id, string ...$texts): string {
            $turns = [];
            foreach ($texts as $text) {
                $turns[] = ['by' => count($turns) % 2 === 0 ? 'agent' : 'caller', 'text' => $text];
            }

            return (string) json_encode(['id' => $id, 'tz' => 'Europe/London', 'started_at' => '2026-03-10T09:14:00', 'turns' => $turns]);
        };
        $done = $this->ringo(['extract', "--sheet={$sheet}", '--batch=-'], implode("\n", [
            $call('a', 'Your name, please?', "it's Orla Teale", 'Which day shall we come?', 'next Friday', 'So, next Friday. Is that right?', 'no sorry, make it Thursday'),
            '{"id":"b","turns":"none"}',
            $call('c', 'How can I help?', 'do you sell ladders', 'We do not, I am afraid.', 'never mind, bye'),
        ]));
        unlink($sheet);
        $answers = array_map(static fn (string $line): array => json_decode($line, true), explode("\n", trim($done->getOutput())));

        self::assertSame(1, $done->getExitCode());
        self::assertSame(['a', 'b', 'c'], array_column($answers, 'id'));
        // The Thursday of the week the talk is of.
        self::assertSame(['caller_name' => 'Orla Teale', 'visit' => '2026-03-19'], array_intersect_key($answers[0]['record'], ['caller_name' => 0, 'visit' => 0]));
        self::assertSame(1, $answers[0]['evidence']['caller_name']['turn']);
        self::assertStringContainsString('turns', (string) json_encode($answers[1]['error']));
        self::assertSame(['caller_name'], $answers[2]['missing']);
    }

    public function testAnswerSaysWhereItStandsAsksWhichAndRefuses(): void
    {
        $ask = fn (string $question): array => (array) json_decode($this->ringo(['answer', '--knowledge=database/demo/pellbrook/knowledge', $question, '--now=2026-03-10T09:14'])->getOutput(), true);

        self::assertSame([true, 'prices.csv#Mini digger'], [$ask('how much is the mini digger for a week')['answered'], $ask('how much is the mini digger for a week')['source']]);
        $which = $ask('how much is a digger for a week');
        self::assertFalse($which['answered']);
        self::assertStringStartsWith('Which do you mean', $which['text']);
        self::assertSame(['source', 'label', 'text'], array_keys($which['offer'][0]));
        $refused = $ask('do you groom dogs');
        self::assertSame([false, null, 'not covered'], [$refused['answered'], $refused['source'], $refused['refused']]);
        self::assertSame(1, $this->ringo(['answer', '--knowledge=no-such-folder', 'hello'])->getExitCode());
        self::assertSame(2, $this->ringo(['answer', 'hello'])->getExitCode());
    }

    public function testScoreHoldsToItsAims(): void
    {
        $last = fn (string ...$what): array => (array) json_decode((string) strrchr("\n".trim($this->ringo(array_values(['score', ...$what]))->getOutput()), "\n"), true);
        // Nobody has looked at these; the aims are 0.95 and 0.04: docs/figures.md tells by how much they are missed, and why.
        $records = $last('extract', 'data/corpora/calls/blind_third');
        self::assertGreaterThanOrEqual(0.84, $records['f1']);
        self::assertLessThan(0.13, $records['invented']);
        $answers = $last('answer');
        self::assertGreaterThanOrEqual(0.7, $answers['right_share']);
        self::assertGreaterThanOrEqual(0.95, $answers['refused_share']);
        self::assertSame(1, $this->ringo(['score', 'extract', 'no-such-folder'])->getExitCode());
    }

    /** Seconds a command may take, on a machine that does other things as well. */
    private const PATIENCE = 120.0;

    /** @param list<string> $arguments */
    private function ringo(array $arguments, string $input = ''): Process
    {
        $process = new Process([PHP_BINARY, 'tools/commands.php', ...$arguments], dirname(__DIR__, 3), null, $input, self::PATIENCE);
        $process->run();

        return $process;
    }
}
