<?php

declare(strict_types=1);

namespace Tests\Core\Understanding;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Readers\ChoiceReader;

/** Options that tell how often. */
final class CadenceTest extends TestCase
{
    #[TestWith(['every other week', 'fortnightly'])]
    #[TestWith(['every second Friday', 'fortnightly'])]
    #[TestWith(['every two weeks', 'fortnightly'])]
    #[TestWith(['twice a month', 'fortnightly'])]
    #[TestWith(['alternate Mondays', 'fortnightly'])]
    #[TestWith(['every Friday', 'weekly'])]
    #[TestWith(['once a week please', 'weekly'])]
    #[TestWith(['each week', 'weekly'])]
    #[TestWith(['every four weeks', 'monthly'])]
    #[TestWith(['every three months', 'quarterly'])]
    #[TestWith(['four times a year', 'quarterly'])]
    #[TestWith(['just the once', 'once'])]
    #[TestWith(['twice a week', null])]
    #[TestWith(['every day', null])]
    #[TestWith(['every six months', null])]
    public function testTheOneThatIsAsOften(string $said, ?string $option): void
    {
        $options = array_map(static fn (string $key): array => ['key' => $key, 'label' => $key, 'phrases' => []], ['once', 'weekly', 'fortnightly', 'monthly', 'quarterly']);
        $words = Vocabulary::of();
        $context = new Context(new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')), 'GB', $options, true);

        self::assertSame($option, (new ChoiceReader($words))->read(Heard::of($said, $words), $context)->value);
    }
}
