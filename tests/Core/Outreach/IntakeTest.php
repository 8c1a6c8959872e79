<?php

declare(strict_types=1);

namespace Tests\Core\Outreach;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Document\InvalidDocument;
use Ringo\Outreach\Held;
use Ringo\Outreach\Intake;

final class IntakeTest extends TestCase
{
    /** @return iterable<string, array{array<string, string>, ?Held}> */
    public static function forms(): iterable
    {
        $well = ['name' => 'Ann Birkett', 'phone' => '07700 900123', 'consent' => 'yes', 'wish' => 'a digger'];
        yield 'well' => [$well, null];
        yield 'other names of fields' => [['Full name' => 'Ann', 'Mobile' => '07700 900123', 'I agree' => 'on'], null];
        yield 'one link of their own' => [['wish' => 'as on https://www.example.com/digger'] + $well, null];
        yield 'a field nobody sees' => [['website' => 'https://x.example'] + $well, Held::Trap];
        yield 'full of links' => [['wish' => 'http://a.example http://b.example'] + $well, Held::Links];
        yield 'no telephone' => [['phone' => ' '] + $well, Held::NoPhone];
        yield 'no number' => [['phone' => 'call me'] + $well, Held::BadNumber];
        yield 'no consent' => [['consent' => 'no'] + $well, Held::NoConsent];
        yield 'nothing of what is needed' => [['colour' => 'blue'], Held::NoPhone];
    }

    /** @param array<string, string> $fields */
    #[DataProvider('forms')]
    public function testReadsWhatAFormBrings(array $fields, ?Held $held): void
    {
        self::assertSame($held, (new Intake)->read($fields, 'GB', true)->held);
    }

    public function testFieldsAreWhatTheyAreMappedToElseWhatTheirNamesSay(): void
    {
        $intake = Intake::fromArray(['map' => ['q1' => 'phone', 'phone' => 'fact:other_phone', 'memo' => 'leave', 'wish' => 'fact:call_about']]);
        $entry = $intake->read(['q1' => '01632 960110', 'phone' => 'none', 'memo' => 'secret', 'wish' => 'a digger', 'Site name' => 'Mill Lane', 'name' => 'Ann Birkett'], 'GB', false);
        self::assertSame(['+441632960110', 'Ann Birkett', null], [$entry->e164, $entry->name, $entry->held]);
        self::assertSame(['other_phone' => 'none', 'call_about' => 'a digger', 'site_name' => 'Mill Lane', 'name' => 'Ann Birkett', 'first_name' => 'Ann'], $entry->facts);
        self::assertEquals($intake, Intake::fromArray($intake->toArray()));
    }

    public function testWhatIsWrongIsNamedWithItsPlace(): void
    {
        try {
            Intake::fromArray(['map' => ['a' => 'phone', 'b' => 'phone', 'c' => 'fact:Not A Key'], 'origins' => ['example.com/page']]);
            self::fail('taken');
        } catch (InvalidDocument $problem) {
            $paths = array_column($problem->problems, 'path');
            self::assertContains('map.c', $paths);
            self::assertContains('origins[0]', $paths);
            self::assertCount(3, $paths);
        }
    }
}
