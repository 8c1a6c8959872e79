<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Sheet\RecordSheet;
use Ringo\Speech\Display;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Several options of a list, as many as were meant. */
final class SeveralReaderTest extends TestCase
{
    private const DAYS = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday'];

    /** @param ?list<string> $expected */
    #[DataProvider('sayings')]
    public function testReadsAllThatWereMeant(string $said, ?array $expected): void
    {
        self::assertSame($expected, $this->read($said, self::DAYS)->value, $said);
    }

    /** @return iterable<string, array{string, ?list<string>}> */
    public static function sayings(): iterable
    {
        $cases = [
            ['Tuesday and Thursday', ['tuesday', 'thursday']], ['Thursdays, or Tuesdays', ['tuesday', 'thursday']], ['Monday to Wednesday', ['monday', 'tuesday', 'wednesday']],
            ['any but Tuesday', ['monday', 'wednesday', 'thursday', 'friday']], ['any day except Friday', ['monday', 'tuesday', 'wednesday', 'thursday']], ['all of them', self::DAYS],
            ['Monday and Friday, not Wednesday', ['monday', 'friday']], ["Tuesdays are out, Thursday's good", ['thursday']], ['just Fridays', ['friday']],
            ['Monday and Tuesday, I mean Monday and Friday', ['monday', 'friday']], ['Monday, sorry, and Tuesday', ['monday', 'tuesday']], ['not at all', null],
            ['no idea', null], ['not Monday', ['tuesday', 'wednesday', 'thursday', 'friday']], ['weekends', null], ['', null],
        ];
        foreach ($cases as $case) {
            yield $case[0] => $case;
        }
    }

    /** @param ?list<string> $expected */
    #[TestWith(['the arms are all threadbare', null])]
    #[TestWith(["don't have any", ['none']])]
    #[TestWith(['not on any', ['none']])]
    #[TestWith(["that's the lot", null])]
    #[TestWith(['the lot', ['gone springs', 'torn covers']])]
    #[TestWith(['the springs have gone', ['gone springs']])]
    #[TestWith(['the covers are torn and the springs gone', ['gone springs', 'torn covers']])]
    public function testAllAreMeantOnlyWhereAllAreSaid(string $said, ?array $expected): void
    {
        self::assertSame($expected, $this->read($said, ['gone springs', 'torn covers', 'none'])->value, $said);
    }

    public function testALongerNameIsNotTheShorterOneInIt(): void
    {
        self::assertSame(['garden waste'], $this->read('a skip of garden waste', ['garden', 'garden waste', 'soil'])->value);
    }

    /** Words for a kind of option are looked for among those that are left, too. */
    public function testWhatIsSaidAnewIsAllThatIsLookedAt(): void
    {
        self::assertSame(['gears'], $this->read('a full service and brakes, no sorry, gears', ['brakes', 'gears', 'puncture', 'full service'])->value);
    }

    public function testAFieldThatTakesSeveralIsAnArrayOfASchema(): void
    {
        $sheet = RecordSheet::fromArray(['type' => 'object', 'properties' => ['goods' => ['type' => 'array', 'title' => 'Goods', 'items' => ['enum' => ['sofa', 'bed_frame']], 'x-labels' => ['bed_frame' => 'bed'], 'x-phrases' => ['sofa' => ['settee']]]]]);
        $field = $sheet->fields['goods'];

        self::assertSame(ValueType::Several, $field->type);
        self::assertSame([['key' => 'sofa', 'label' => 'sofa', 'phrases' => ['settee']], ['key' => 'bed_frame', 'label' => 'bed', 'phrases' => []]], $field->options);
        self::assertSame('Sofa, bed', (new Display(Vocabulary::of(), new NumberingPlan))->show($field->typed(['sofa', 'bed_frame'])));
        self::assertSame(['sofa', 'bed_frame'], Understanding::in()->read($field->type, 'a settee and a bed', new Context(new \DateTimeImmutable('2026-03-10T09:00'), 'GB', $field->options))->value);
    }

    /** @param list<string> $keys */
    private function read(string $said, array $keys): \Ringo\Understanding\Reading
    {
        return Understanding::in()->read(ValueType::Several, $said, new Context(new \DateTimeImmutable('2026-03-10T09:00'), 'GB', array_map(static fn (string $key): array => ['key' => $key, 'label' => $key, 'phrases' => []], $keys)));
    }
}
