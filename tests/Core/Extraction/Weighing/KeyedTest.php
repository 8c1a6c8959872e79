<?php

declare(strict_types=1);

namespace Tests\Core\Extraction\Weighing;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Extraction\Extractor;
use Ringo\Sheet\RecordSheet;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn;

final class KeyedTest extends TestCase
{
    /** @return iterable<string, array{string, string, ?string}> the menu, what was pressed, the option */
    public static function menus(): iterable
    {
        yield 'press a key to do' => ['Press 1 to confirm, 2 to move it, or 3 to skip.', '2', 'move'];
        yield 'in words' => ['Press one to confirm, two to move it, or three to skip.', '3', 'skip'];
        yield 'the key first' => ['One confirms, two moves it, three skips it.', '1', 'confirmed'];
        yield 'the key last' => ['To move it press 2. To skip it press 3.', '2', 'move'];
        yield 'the key behind a comma' => ['Confirm, press one. Skip it, press three.', '3', 'skip'];
        yield 'said instead of pressed' => ['Press 1 to confirm, 2 to move it.', 'two', 'move'];
        yield 'yes to a menu that confirms' => ['We come on Tuesday. Press 1 to confirm or 2 to move it.', 'yes, that is fine', 'confirmed'];
        yield 'a key that is not in the menu' => ['Press 1 to confirm, 2 to move it.', '7', null];
        yield 'a digit where there is no menu' => ['One moment please. How many bags?', '2', null];
        yield 'a menu of something else' => ['Press 1 for English, 2 for Welsh.', '2', null];
    }

    #[DataProvider('menus')]
    public function testAKeyMeansWhatTheMenuSaid(string $asked, string $pressed, ?string $option): void
    {
        $sheet = RecordSheet::fromArray(['properties' => ['collection' => ['title' => 'Collection', 'enum' => ['confirmed', 'move', 'skip']]]]);
        $record = Extractor::for($sheet)->extract(new Transcript(
            'x',
            '2026-03-10T09:00:00+00:00',
            'Europe/London',
            'GB',
            'outbound',
            null,
            null,
            [new Turn('agent', $asked, 0.0, 3.0), new Turn('caller', $pressed, 4.0, 1.0, ctype_digit($pressed))],
        ));

        self::assertSame($option, $record->values()['collection'] ?? null);
    }
}
