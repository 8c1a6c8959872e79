<?php

declare(strict_types=1);

namespace Tests\Core\Knowledge;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Knowledge\Answerer;
use Ringo\Knowledge\Library;

/** What a call has told chooses among answers, and answers nothing by itself; prices of a row are told together. */
final class InACallTest extends TestCase
{
    #[TestWith(['pellbrook', 'mini digger, 2 days, Oldmere', "what's the deposit", '£200'])]
    #[TestWith(['pellbrook', 'mini digger, 2 days, Oldmere', 'what does it weigh', '1.5 tonnes'])]
    #[TestWith(['pellbrook', 'mini digger', 'how much per week', '£285'])]
    #[TestWith(['harrowell', 'an upright, the coast', 'how much is it', '£78'])]
    public function testWhatIsKnownChooses(string $business, string $known, string $asked, string $told): void
    {
        $answer = self::of($business)->answer($asked, self::now(), 'GB', $known);

        self::assertTrue($answer->answered, (string) $answer->text);
        self::assertStringContainsString($told, (string) $answer->text);
    }

    #[TestWith(['can you book my sister in too'])]
    #[TestWith(['what do I need to do before he comes'])]
    #[TestWith(['where are you exactly'])]
    public function testWhatIsKnownAnswersNothing(string $asked): void
    {
        $answer = self::of('harrowell')->answer($asked, self::now(), 'GB', 'an upright, the coast');

        self::assertFalse($answer->answered, (string) $answer->text);
    }

    #[TestWith(['how much is a mini digger', '£95 a day, £142.50 for a weekend and £285 a week'])]
    #[TestWith(['what does a floor saw cost', '£38 a day, £57 for a weekend and £114 a week'])]
    #[TestWith(['how much is a mini digger per week', '£285 for a week'])]
    #[TestWith(["what's the weekly rate for a mini digger", '£285 for a week'])]
    #[TestWith(["what's the deposit on the telehandler", 'deposit £500'])]
    public function testPricesOfARow(string $asked, string $told): void
    {
        $answer = self::of('pellbrook')->answer($asked, self::now());

        self::assertTrue($answer->answered, (string) $answer->text);
        self::assertStringEndsWith($told.'.', (string) $answer->text);
    }

    private static function now(): \DateTimeImmutable
    {
        return new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));
    }

    private static function of(string $business): Answerer
    {
        static $kept = [];

        return $kept[$business] ??= Answerer::over((new Library)->folder(dirname(__DIR__, 3)."/database/demo/{$business}/knowledge", static fn (string $problem) => null));
    }
}
