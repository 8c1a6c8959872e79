<?php

declare(strict_types=1);

namespace Tests\Core\Speech;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Speech\Display;
use Ringo\Speech\Locale;
use Ringo\Speech\Prompt;
use Ringo\Speech\Speakable;
use Ringo\Speech\Ssml;
use Ringo\Speech\Timing;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

final class PromptTest extends TestCase
{
    #[DataProvider('prompts')]
    public function testFillsPlaceholders(string $written, string $expected): void
    {
        $values = ['name' => 'Dara', 'item' => 'mini digger'];

        self::assertSame($expected, Prompt::of($written)->filled(0, static fn (string $path): ?string => $values[$path] ?? null));
    }

    /** @return iterable<array{string, string}> */
    public static function prompts(): iterable
    {
        yield ['Good morning [name].', 'Good morning Dara.'];
        yield ['Good morning [other|there].', 'Good morning there.'];
        yield ['Good morning[other|].', 'Good morning.'];
        yield ['Your [other] is ready. Shall we deliver?', 'Shall we deliver?'];
        yield ['One [item], then. The deposit is [deposit].', 'One mini digger, then.'];
        yield ['Hello [other|Mr. Smith]. How are you?', 'Hello Mr. Smith. How are you?'];
        yield ['[other]', ''];
    }

    public function testKnowsItsPlaceholders(): void
    {
        self::assertSame([['path' => 'a', 'fallback' => null], ['path' => 'b.c', 'fallback' => 'x']], Prompt::of(['Hi [a].', 'Ho [b.c|x].'])->placeholders());
    }

    #[DataProvider('spoken')]
    public function testSaysValuesAsAPersonWould(ValueType $type, mixed $value, string $country, string $expected): void
    {
        $speakable = new Speakable(Vocabulary::of(), new NumberingPlan);
        $locale = new Locale(new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), $country);

        self::assertSame($expected, $speakable->say(new Typed($type, $value), $locale));
    }

    /** @return iterable<array{ValueType, mixed, string, string}> */
    public static function spoken(): iterable
    {
        yield [ValueType::Time, '14:30', 'GB', 'half past two'];
        yield [ValueType::Time, '14:30', 'US', 'two thirty'];
        yield [ValueType::Time, '07:45', 'GB', 'quarter to eight'];
        yield [ValueType::Time, '19:05', 'GB', 'five past seven in the evening'];
        yield [ValueType::Time, '12:00', 'GB', 'midday'];
        yield [ValueType::Date, '2026-03-17', 'GB', 'Tuesday the seventeenth of March'];
        yield [ValueType::Date, '2026-03-17', 'US', 'Tuesday, March seventeenth'];
        yield [ValueType::Date, '1985-06-12', 'GB', 'Wednesday the twelfth of June, nineteen eighty five'];
        yield [ValueType::Phone, '+447700900123', 'GB', 'oh double seven double oh, nine double oh, one two three'];
        yield [ValueType::Phone, '+12125550123', 'US', 'two one two, five five five, oh one two three'];
        yield [ValueType::Money, ['amount' => 249.5, 'currency' => 'GBP'], 'GB', 'two hundred and forty nine pounds fifty'];
        yield [ValueType::Money, ['amount' => 0.99, 'currency' => 'GBP'], 'GB', 'ninety nine pence'];
        yield [ValueType::Money, ['amount' => 1, 'currency' => 'USD'], 'US', 'one dollar'];
        yield [ValueType::Number, 1206, 'GB', 'one thousand two hundred and six'];
        yield [ValueType::Duration, 'P2W', 'GB', 'two weeks'];
        yield [ValueType::Duration, 'PT1H30M', 'GB', 'one hour and thirty minutes'];
        yield [ValueType::Reference, 'PH-2043', 'GB', 'P H dash, two zero four three'];
        yield [ValueType::Email, 'd.w_9@example.co.uk', 'GB', 'd dot w underscore nine at example dot co dot uk'];
        yield [ValueType::PostalAddress, '14 Mill Lane, Oldmere, OM3 4TP', 'GB', '14 Mill Lane, Oldmere, O M, three, four, T P'];
        yield [ValueType::YesNo, false, 'GB', 'no'];
    }

    public function testSpellsInTheAgentsStyle(): void
    {
        $speakable = new Speakable(Vocabulary::of(), new NumberingPlan);
        $name = new Typed(ValueType::PersonName, 'Jo Lee');
        $now = new \DateTimeImmutable;

        self::assertSame('J for jam, O for orange; L for lemon, E for egg, E for egg', $speakable->spelled($name, new Locale($now, 'GB', 'plain')));
        self::assertSame('J for juliet, O for oscar; L for lima, E for echo, E for echo', $speakable->spelled($name, new Locale($now, 'GB', 'phonetic')));
        self::assertSame('J, O; L, E, E', $speakable->spelled($name, new Locale($now, 'GB', 'letters')));
    }

    #[DataProvider('shown')]
    public function testShowsValuesForReading(ValueType $type, mixed $value, string $expected): void
    {
        self::assertSame($expected, (new Display(Vocabulary::of(), new NumberingPlan))->show(new Typed($type, $value)));
    }

    /** @return iterable<array{ValueType, mixed, string}> */
    public static function shown(): iterable
    {
        yield [ValueType::Date, '2026-03-17', 'Tuesday 17 March 2026'];
        yield [ValueType::Phone, '+441632960147', '01632 960147'];
        yield [ValueType::Money, ['amount' => 249.5, 'currency' => 'GBP'], '£249.50'];
        yield [ValueType::Money, ['amount' => 40, 'currency' => 'CHF'], '40 CHF'];
        yield [ValueType::Duration, 'P1Y6M', '1 year 6 months'];
        yield [ValueType::Choice, 'mini_digger', 'Mini digger'];
        yield [ValueType::Number, 1200, '1,200'];
        yield [ValueType::YesNo, true, 'yes'];
        yield [ValueType::Text, null, ''];
    }

    public function testSecondsGrowWithTheWordsAndShrinkWithThePace(): void
    {
        $timing = new Timing;
        $short = $timing->ofAgent('Which day?');
        $long = $timing->ofAgent('Pellbrook Hire, Maren speaking. I can reserve equipment, change a hire or send help to a site.');

        self::assertGreaterThan(0.3, $short);
        self::assertGreaterThan(4.0, $long);
        self::assertLessThan(9.0, $long);
        self::assertLessThan($long, $timing->ofAgent('Pellbrook Hire, Maren speaking. I can reserve equipment, change a hire or send help to a site.', 1.5));
        self::assertSame('Which', $timing->heardAfter('Which day would you like?', 0.4));
    }

    public function testSsmlIsWellFormedWhateverTheWords(): void
    {
        $ssml = (new Ssml)->of('Fish & chips <now>? "Yes". It\'s £5.', 'en-GB', 1.2, 0.9);
        $document = new \DOMDocument;

        self::assertTrue($document->loadXML($ssml));
        self::assertSame('http://www.w3.org/2001/10/synthesis', $document->documentElement?->namespaceURI);
        self::assertSame('Fish & chips <now>?"Yes".It\'s £5.', $document->textContent);
    }
}
