<?php

declare(strict_types=1);

namespace Tests\Core\Extraction;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Extraction\Mask;

final class MaskTest extends TestCase
{
    #[DataProvider('lines')]
    public function testHidesCardNumbersAndNothingElse(string $said, string $kept): void
    {
        self::assertSame($kept, (new Mask)->text($said));
    }

    /** @return iterable<string, array{string, string}> */
    public static function lines(): iterable
    {
        yield 'figures in groups' => ['it is 4111 1111 1111 1111 thanks', 'it is •••• 1111 thanks'];
        yield 'figures with dashes' => ['4111-1111-1111-1111', '•••• 1111'];
        yield 'in words' => ['four one one one one one one one one one one one one one one one', '•••• 1111'];
        yield 'with double' => ['four triple one, double one double one, double one double one, double one double one', '•••• 1111'];
        yield 'a wrong check digit is no card' => ['4111 1111 1111 1112', '4111 1111 1111 1112'];
        yield 'a telephone number stays' => ['07700 900123', '07700 900123'];
        yield 'two telephone numbers stay' => ['07700 900123 or 07700 900124', '07700 900123 or 07700 900124'];
        yield 'prose stays' => ['one of the two machines', 'one of the two machines'];
    }

    public function testHidesTheWordsOfASecret(): void
    {
        self::assertSame('my pin is ••••', (new Mask)->words('my pin is 4 1 0 7', '4 1 0 7'));
        self::assertSame('nothing said', (new Mask)->words('nothing said', ''));
    }
}
