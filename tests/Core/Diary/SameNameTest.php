<?php

declare(strict_types=1);

namespace Tests\Core\Diary;

use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Ringo\Dialogue\Appointments\SameName;

/** A booking is found by the name it stands under, as it was heard. */
final class SameNameTest extends TestCase
{
    #[TestWith(['Jan Moss', 'Jan Moss', true])]
    #[TestWith(['moss', 'Jan Moss', true])]
    #[TestWith(['Mrs Moss', 'Jan Moss', true])]
    #[TestWith(['J Moss', 'Jan Moss', true])]
    #[TestWith(['Jan Moss', 'J. Moss', true])]
    #[TestWith(['Tom Moss', 'Jan Moss', false])]
    #[TestWith(['Jan Mosse', 'Jan Moss', false])]
    #[TestWith(['Mary Thomson', 'Mary Thompson', true])]
    #[TestWith(['Clare Whitaker', 'Clare Whittaker', true])]
    #[TestWith(['Marie Thompson', 'Mary Thompson', false])]
    #[TestWith(["Ann O'Dell", 'Ann Odell', true])]
    #[TestWith(['Jan Wood', 'Jan Ward', false])]
    #[TestWith(['', 'Jan Moss', false])]
    #[TestWith(['Jan Moss', '', false])]
    #[TestWith(['Dr', 'Jan Moss', false])]
    public function testNamesAreTheSame(string $heard, string $written, bool $same): void
    {
        self::assertSame($same, SameName::are($heard, $written), "{$heard} / {$written}");
    }
}
