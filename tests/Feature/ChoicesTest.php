<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Support\Book\Form;
use App\Support\Choices;
use PHPUnit\Framework\TestCase;

/** Options of a choice as rows of a form, and back. */
final class ChoicesTest extends TestCase
{
    private const PROPERTY = ['enum' => ['digger', 'saw', 3], 'x-labels' => ['digger' => 'mini digger'], 'x-phrases' => ['digger' => ['micro digger', 'small digger'], 'saw' => 'cutter'], 'x-facts' => ['digger' => ['day' => 'ninety pounds', 'tonnes' => 1.5, 'licence' => false], 'saw' => ['note' => 'loud; heavy', 'opens' => '8:30']]];

    public function testWhatWasReadIsWhatIsWritten(): void
    {
        $rows = Choices::rows(self::PROPERTY);
        self::assertSame(['key' => 'digger', 'label' => 'mini digger', 'phrases' => 'micro digger, small digger', 'facts' => 'day: ninety pounds; tonnes: 1.5; licence: no'], $rows[0]);
        $again = Choices::read(self::forms($rows), self::PROPERTY);
        self::assertSame(self::PROPERTY['x-facts'], $again['x-facts'] ?? [], 'numbers, answers and semicolons stay what they were');
        self::assertSame([['digger' => 'mini digger'], ['digger' => ['micro digger', 'small digger'], 'saw' => ['cutter']]], [$again['x-labels'] ?? [], $again['x-phrases'] ?? []]);
        self::assertSame(['digger', 'saw', '3'], $again['enum']);
    }

    public function testAKeyComesFromTheNameAndTwoOfOneNameAreTwo(): void
    {
        $read = Choices::read(self::forms([['label' => 'Water Pump', 'facts' => 'day rate: £26; : nothing; empty:'], ['label' => 'water pump'], ['key' => '', 'label' => ' '], ['key' => 'Site Heater', 'phrases' => 'heater, ,heater']]));
        self::assertSame(['enum' => ['water_pump', 'water_pump_2', 'site_heater'], 'x-labels' => ['water_pump' => 'Water Pump', 'water_pump_2' => 'water pump'], 'x-phrases' => ['site_heater' => ['heater']], 'x-facts' => ['water_pump' => ['day_rate' => '£26', 'note' => 'nothing']]], $read);
        self::assertSame(['enum' => []], Choices::read([]));
    }

    public function testAFactThatChangesTakesOnlyItselfAlong(): void
    {
        $read = Choices::read(self::forms([['key' => 'digger', 'facts' => 'day: a hundred pounds; tonnes: 1.5']]), self::PROPERTY);
        self::assertSame(['day' => 'a hundred pounds', 'tonnes' => 1.5], $read['x-facts']['digger'] ?? []);
    }

    public function testAFactWithoutAColonIsKept(): void
    {
        $read = Choices::read(self::forms([['label' => 'digger', 'facts' => 'day rate £45; needs a licence; fits a gate;; weight: 1.5 t; weight 2 t']]));
        self::assertSame(['day_rate' => '£45', 'note' => 'needs a licence', 'note_2' => 'fits a gate', 'weight' => '1.5 t', 'weight_2' => '2 t'], $read['x-facts']['digger'] ?? []);
    }

    public function testWhatIsNoListOfOptionsGivesNoRows(): void
    {
        self::assertSame([], Choices::rows(['enum' => 'digger']));
        self::assertSame([['key' => 'a', 'label' => '', 'phrases' => '', 'facts' => '']], Choices::rows(['items' => ['enum' => ['a', ['b']]], 'x-labels' => 'no list', 'x-phrases' => ['a' => [['deep']]], 'x-facts' => ['a' => 7]]));
    }

    /**
     * @param list<array<string, string>> $rows
     *
     * @return list<Form>
     */
    private static function forms(array $rows): array
    {
        return array_map(static fn (array $row): Form => new Form($row), $rows);
    }
}
