<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Understanding\Context;
use Ringo\Understanding\OptionKinds;
use Ringo\Understanding\Reading;
use Ringo\Understanding\Understanding;
use Ringo\Value\ValueType;

/** Options that are meant without their names. */
final class OptionKindsTest extends TestCase
{
    /** How many of all replies of data/corpora/options.jsonl that mean an option come to it, and how many come to another: a little worse than measured. */
    private const RIGHT_AT_LEAST = 0.70;

    private const WRONG_AT_MOST = 0.06;

    public function testRepliesToQuestionsOfManyTradesComeToTheirOptions(): void
    {
        $right = $wrong = $all = 0;
        foreach (file(dirname(__DIR__, 3).'/data/corpora/options.jsonl') ?: [] as $line) {
            /** @var array{said: string, option: ?string, options: list<array{key: string, label: string}>} $case */
            $case = json_decode($line, true, 16, JSON_THROW_ON_ERROR);
            $value = self::meant($case['said'], array_map(static fn (array $option): array => [...$option, 'phrases' => []], $case['options']))->value;
            $all += $case['option'] === null ? 0 : 1;
            $right += $case['option'] !== null && $value === $case['option'] ? 1 : 0;
            $wrong += $value !== null && $value !== $case['option'] ? 1 : 0;
        }

        self::assertGreaterThanOrEqual(500, $all);
        self::assertGreaterThanOrEqual(self::RIGHT_AT_LEAST, $right / $all);
        self::assertLessThanOrEqual(self::WRONG_AT_MOST, $wrong / $all);
    }

    #[TestWith(['he is a labradoodle', 'a dog'])]
    #[TestWith(['two guinea pigs', 'a small animal'])]
    #[TestWith(['a tabby', 'a cat'])]
    #[TestWith(['not a dog, a tabby', 'a cat'])]
    #[TestWith(['a spaniel and a tabby', null])]
    #[TestWith(['a gate', null])]
    public function testAnimals(string $said, ?string $option): void
    {
        self::assertSame($option, self::meant($said, self::options('a cat', 'a dog', 'a small animal'))->value);
    }

    /** @param list<string> $options */
    #[TestWith(["I've had a temperature and I feel faint", ['a fever', 'dizziness']])]
    #[TestWith(['a bit queasy', ['feeling sick']])]
    #[TestWith(['no bleeding but a bit dizzy', ['dizziness']])]
    #[TestWith(['nothing like that', ['none of these']])]
    public function testSeveralComplaints(string $said, array $options): void
    {
        $understanding = Understanding::in();
        $value = $understanding->read(ValueType::Several, $understanding->hear($said), new Context(new \DateTimeImmutable('2026-03-10T10:00'), options: self::options('a fever', 'feeling sick', 'bleeding', 'dizziness', 'none of these')))->value;

        self::assertSame($options, $value);
    }

    public function testOneOfALineIsCalledWithoutItsByOrAt(): void
    {
        $understanding = Understanding::in();
        $news = $understanding->read(ValueType::Several, $understanding->hear('email only please'), new Context(new \DateTimeImmutable('2026-03-10T10:00'), options: self::options('by post', 'by e-mail', 'not at all')))->value;

        self::assertSame(['by e-mail'], $news);
        self::assertSame('at home', self::meant("I'm working from home", self::options('at head office', 'at home'))->value);
        self::assertNull(self::meant('an eight', self::options('fast enough', 'all right', 'too slow'))->value);
    }

    #[TestWith(['year four', 'year 4'])]
    #[TestWith(['year 4', 'year 4'])]
    #[TestWith(['four', null])]
    public function testANumberInANameIsNoPlaceInTheList(string $said, ?string $option): void
    {
        self::assertSame($option, self::meant($said, self::options('reception', 'year 1', 'year 2', 'year 3', 'year 4'))->value);
    }

    #[TestWith(['two', 'sheep'])]
    #[TestWith(['number two please', 'sheep'])]
    #[TestWith(['two goats', null])]
    #[TestWith(["there's one at the top", null])]
    public function testAPlaceInTheListStandsAlone(string $said, ?string $option): void
    {
        self::assertSame($option, self::meant($said, self::options('cattle', 'sheep', 'poultry'))->value);
    }

    /** @param list<array{key: string, label: string, phrases: list<string>}> $options */
    private static function meant(string $said, array $options): Reading
    {
        $understanding = Understanding::in();
        $heard = $understanding->hear($said);
        $read = $understanding->read(ValueType::Choice, $heard, new Context(new \DateTimeImmutable('2026-03-10T09:14'), options: $options));

        return $read->found() || $read->doubt !== null ? $read : (new OptionKinds($understanding->words))->said($options, $heard) ?? $read;
    }

    /** @return list<array{key: string, label: string, phrases: list<string>}> */
    private static function options(string ...$labels): array
    {
        return array_map(static fn (string $label): array => ['key' => $label, 'label' => $label, 'phrases' => []], array_values($labels));
    }
}
