<?php

declare(strict_types=1);

namespace Tests\Core\Sheet;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Document\InvalidDocument;
use Ringo\Sheet\RecordSheet;
use Ringo\Value\ValueType;

final class RecordSheetTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, ValueType}> */
    public static function types(): iterable
    {
        yield 'free text' => [['type' => 'string'], ValueType::Text];
        yield 'no type at all' => [[], ValueType::Text];
        yield 'may be empty' => [['type' => ['string', 'null'], 'format' => 'date'], ValueType::Date];
        yield 'a whole number' => [['type' => 'integer'], ValueType::Number];
        yield 'yes or no' => [['type' => 'boolean'], ValueType::YesNo];
        yield 'one of several' => [['enum' => ['a', 'b']], ValueType::Choice];
        foreach (['email' => ValueType::Email, 'phone' => ValueType::Phone, 'time' => ValueType::Time, 'date-time' => ValueType::DateTime, 'person-name' => ValueType::PersonName, 'postal-address' => ValueType::PostalAddress, 'money' => ValueType::Money, 'duration' => ValueType::Duration, 'reference' => ValueType::Reference] as $format => $type) {
            yield $format => [['type' => 'string', 'format' => $format], $type];
        }
        yield 'a format of the standard that is words to us' => [['type' => 'string', 'format' => 'uri'], ValueType::Text];
    }

    /** @param array<string, mixed> $property */
    #[DataProvider('types')]
    public function testTypesFollowTheSchema(array $property, ValueType $type): void
    {
        self::assertSame($type, RecordSheet::fromArray(['type' => 'object', 'properties' => ['f' => $property]])->field('f')?->type);
    }

    /** @return iterable<string, array{mixed, string, string}> sheet, path, words of the message */
    public static function wrong(): iterable
    {
        $with = static fn (array $property): array => ['type' => 'object', 'properties' => ['f' => $property]];
        yield 'not an object' => ['text', '', 'is a JSON object'];
        yield 'schema of a list' => [['type' => 'array'], 'type', 'schema of an object'];
        yield 'a key with capitals' => [['properties' => ['Name' => []]], 'properties.Name', 'lower-case'];
        yield 'required and not there' => [['properties' => ['f' => []], 'required' => ['g']], 'required', '“g”'];
        yield 'an unknown format' => [$with(['type' => 'string', 'format' => 'colour']), 'properties.f.format', 'is not one of'];
        yield 'a pattern that is none' => [$with(['type' => 'string', 'pattern' => '[a-']), 'properties.f.pattern', 'not a regular expression'];
        yield 'seen by nobody known' => [$with(['x-sees' => 'boss']), 'properties.f.x-sees', '“owner”'];
        yield 'kept no day' => [$with(['x-keep-days' => 0]), 'properties.f.x-keep-days', '1 to 3650'];
        yield 'kept for ages' => [$with(['x-keep-days' => 4000]), 'properties.f.x-keep-days', '1 to 3650'];
        yield 'kept a word' => [$with(['x-keep-days' => '30']), 'properties.f.x-keep-days', 'whole number'];
    }

    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaidWithItsPlace(mixed $sheet, string $path, string $words): void
    {
        try {
            RecordSheet::fromArray($sheet);
            self::fail('It was taken.');
        } catch (InvalidDocument $problem) {
            self::assertSame($path, $problem->problems[0]['path']);
            self::assertStringContainsString($words, $problem->problems[0]['message']);
        }
    }

    public function testASheetIsGivenBackAsItWasTaken(): void
    {
        $schema = ['$schema' => 'https://json-schema.org/draft/2020-12/schema', 'title' => 'Visit', 'type' => 'object', 'properties' => ['f' => ['type' => 'string', 'x-sees' => 'owner', 'x-keep-days' => 30, 'x-other' => [1, 2]]], 'required' => ['f'], 'x-own' => true];

        self::assertSame($schema, RecordSheet::fromArray($schema)->toArray());
    }

    public function testWhoSeesAndHowLongItIsKeptIsKnownOfEachField(): void
    {
        $sheet = RecordSheet::fromArray(['properties' => ['a' => ['x-sees' => 'owner'], 'b' => ['x-sees' => 'staff', 'x-keep-days' => 7], 'c' => []]]);

        self::assertSame([['a'], ['b' => 7]], [$sheet->ownersOnly(), $sheet->keepDays()]);
    }

    public function testPoliciesDoNotChangeHowAFieldIsRead(): void
    {
        $of = static fn (array $property) => RecordSheet::fromArray(['properties' => ['f' => $property]])->fields['f'];

        self::assertTrue($of(['title' => 'F'])->readsLike($of(['title' => 'F', 'x-sees' => 'owner', 'x-keep-days' => 3])));
        self::assertFalse($of(['title' => 'F'])->readsLike($of(['title' => 'G'])));
    }
}
