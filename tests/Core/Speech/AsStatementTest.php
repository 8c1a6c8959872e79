<?php

declare(strict_types=1);

namespace Tests\Core\Speech;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Language\Vocabulary;
use Ringo\Speech\AsStatement;

final class AsStatementTest extends TestCase
{
    /** @return iterable<array{string, ?string, ?string}> question, with yes, with no */
    public static function questions(): iterable
    {
        yield ['Have you been with us before?', 'you have been with us before', 'you have not been with us before'];
        yield ['Are you over eighteen?', 'you are over eighteen', 'you are not over eighteen'];
        yield ['Do you have a lift?', 'you have a lift', 'you do not have a lift'];
        yield ['Did it start again?', 'it did start again', 'it did not start again'];
        yield ['Is there a garage?', 'there is a garage', 'there is not a garage'];
        yield ['Can you smell gas?', 'you can smell gas', 'you cannot smell gas'];
        yield ['Is the property occupied?', null, null];
        yield ['You have no pets, do you?', null, null];
        yield ['Any allergies?', null, null];
        yield ['Are you allergic to anything?', 'you are allergic to something', 'you are not allergic to anything'];
        yield ['Does anybody use a wheelchair?', 'somebody uses a wheelchair', 'nobody uses a wheelchair'];
        yield ['Does anybody have a nut allergy?', 'somebody has a nut allergy', 'nobody has a nut allergy'];
        yield ['Does anybody in the family have glaucoma?', null, null];
    }

    #[DataProvider('questions')]
    public function testTurnsAQuestionIntoWhatItsAnswerSays(string $question, ?string $yes, ?string $no): void
    {
        $statement = new AsStatement(Vocabulary::of());
        self::assertSame($yes, $statement->of($question, true));
        self::assertSame($no, $statement->of($question, false));
    }
}
