<?php

declare(strict_types=1);

namespace Tests\Core\Script;

use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Document\InvalidDocument;
use Ringo\Script\ScriptReader;
use Ringo\Script\Spine;
use Tests\Core\Dialogue\Conversation;

final class ScriptReaderTest extends TestCase
{
    public function testReadsTheDemonstration(): void
    {
        $script = Conversation::script();

        self::assertGreaterThanOrEqual(15, count($script->steps));
        self::assertSame('Maren', $script->agent->name);
        self::assertSame(['caller_name', 'phone'], array_keys(array_filter($script->sheet->fields, static fn ($field): bool => $field->required)));
    }

    public function testThePublishedSchemaAcceptsTheDemonstrationAndRefusesUnknownKeys(): void
    {
        $root = dirname(__DIR__, 3);
        $schema = (string) file_get_contents($root.'/docs/formats/script.schema.json');
        $document = (string) file_get_contents($root.'/database/demo/pellbrook/maren.json');
        $validator = new Validator;
        self::assertTrue($validator->validate(json_decode($document), $schema)->isValid());

        $broken = json_decode($document);
        self::assertInstanceOf(\stdClass::class, $broken);
        $broken->steps[0]->colour = 'green';
        self::assertFalse($validator->validate($broken, $schema)->isValid());
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $break */
    #[DataProvider('faults')]
    public function testTellsWhereAndWhat(callable $break, string $path, string $message): void
    {
        try {
            (new ScriptReader)->fromArray($break(Conversation::maren()));
            self::fail('The script was accepted.');
        } catch (InvalidDocument $problem) {
            $found = array_map(static fn (array $one): string => $one['path'].': '.$one['message'], $problem->problems);
            self::assertStringContainsString($path, implode("\n", $found));
            self::assertStringContainsString($message, implode("\n", $found));
        }
    }

    /** @return iterable<string, array{callable, string, string}> */
    public static function faults(): iterable
    {
        yield 'unknown key with the nearest known one' => [static fn (array $d): array => self::step($d, 2, ['promt' => 'x']), 'steps[2].promt', 'did you mean “prompt”'];
        yield 'dangling step' => [static fn (array $d): array => self::step($d, 0, ['next' => 'hepl']), 'steps[0]', 'leads to “hepl”'];
        yield 'dangling step, nearest' => [static fn (array $d): array => self::step($d, 0, ['next' => 'hepl']), 'steps[0]', 'did you mean “help”'];
        yield 'unknown kind' => [static fn (array $d): array => self::step($d, 0, ['kind' => 'shout']), 'steps[0].kind', 'not one of say, ask'];
        yield 'unknown field' => [static fn (array $d): array => self::step($d, 2, ['field' => 'colour']), 'steps[2].field', 'has no field “colour”'];
        yield 'two steps of one name' => [static fn (array $d): array => self::step($d, 1, ['key' => 'open']), 'steps[1].key', 'another step “open”'];
        yield 'wrong type' => [static fn (array $d): array => self::step($d, 2, ['tries' => 'three']), 'steps[2].tries', 'must be a number, not text'];
        yield 'out of range' => [static fn (array $d): array => self::step($d, 2, ['tries' => 0]), 'steps[2].tries', 'between 1 and 9'];
        yield 'missing key' => [static fn (array $d): array => self::step($d, 0, ['next' => null]), 'steps[0].next', 'must be text, not null'];
        yield 'no first step' => [static fn (array $d): array => [...$d, 'first' => 'nowhere'], 'first', 'no step “nowhere”'];
        yield 'no such zone' => [static fn (array $d): array => [...$d, 'agent' => [...$d['agent'], 'tz' => 'Europe/Oldmere']], 'agent.tz', 'no time zone'];
        yield 'hours the wrong way round' => [static fn (array $d): array => [...$d, 'hours' => ['mon' => ['17:00-08:00']]], 'hours.mon', 'no range of hours'];
        yield 'a date that does not exist' => [static fn (array $d): array => [...$d, 'hours' => ['closures' => [['date' => '2026-02-30']]]], 'hours.closures[0].date', 'no date'];
        yield 'a required field that is none' => [static fn (array $d): array => [...$d, 'sheet' => [...$d['sheet'], 'required' => ['age']]], 'sheet.required', '“age” is required'];
        yield 'a format that is none' => [static function (array $d): array {
            $d['sheet']['properties']['phone']['format'] = 'telefone';

            return $d;
        }, 'sheet.properties.phone.format', 'is not one of person-name, phone, email'];
        yield 'a condition without a comparison' => [static function (array $d): array {
            foreach ($d['steps'] as $i => $step) {
                if ($step['kind'] === 'branch') {
                    $d['steps'][$i]['ways'][0]['when'] = ['value' => 'delivery'];
                }
            }

            return $d;
        }, 'when', 'exactly one comparison'];
    }

    public function testReportsEveryProblemAtOnce(): void
    {
        $document = self::step(self::step(Conversation::maren(), 0, ['next' => 'x']), 2, ['tries' => 99]);
        $document['colour'] = 'green';
        try {
            (new ScriptReader)->fromArray($document);
            self::fail('The script was accepted.');
        } catch (InvalidDocument $problem) {
            self::assertCount(3, $problem->problems);
        }
    }

    public function testPointsAtTheLineAndColumnOfBrokenJson(): void
    {
        $this->expectException(InvalidDocument::class);
        $this->expectExceptionMessage('line 3, column 12');
        (new ScriptReader)->fromJson("{\n  \"format\": \"ringo-script/1\",\n  \"first\": oops\n}");
    }

    public function testTheSpineForksAndJoins(): void
    {
        $script = Conversation::script();
        $spine = Spine::of($script);
        $rows = array_column($spine->rows, null, 'key');

        self::assertCount(count($script->steps), $spine->rows);
        self::assertGreaterThanOrEqual(4, count($rows['help']['forks']), 'an open question forks into its topics');
        $shared = array_intersect(array_column($rows['equipment']['forks'], 'lane'), $rows['equipment']['through']);
        self::assertNotEmpty($shared, 'a way out joins the lane that runs to the same step');
        self::assertNotEmpty($rows['payment']['joins'], 'the two ways of a branch meet again');
        self::assertSame(0, $rows['payment']['lane'], 'and go on along the margin');
        self::assertContains('equipment', $rows['more']['back'], 'what leads back up is marked, not drawn');
        foreach ($spine->rows as $row) {
            self::assertNotContains($row['lane'], $row['through'], 'no lane runs through a step that is not on it');
        }
    }

    /**
     * @param array<string, mixed> $document
     * @param array<string, mixed> $changes
     *
     * @return array<string, mixed>
     */
    private static function step(array $document, int $n, array $changes): array
    {
        $document['steps'][$n] = [...$document['steps'][$n], ...$changes];

        return $document;
    }
}
