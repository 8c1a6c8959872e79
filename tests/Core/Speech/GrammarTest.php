<?php

declare(strict_types=1);

namespace Tests\Core\Speech;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Speech\Prompt;

final class GrammarTest extends TestCase
{
    #[DataProvider('sentences')]
    public function testValuesAgreeWithTheirSentence(string $prompt, string $value, string $said): void
    {
        self::assertSame($said, Prompt::of($prompt)->filled(0, static fn (string $path): string => $value));
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function sentences(): iterable
    {
        foreach ([
            ['You want [a:thing].', 'mini digger', 'You want a mini digger.'], ['You want [a:thing].', 'excavator', 'You want an excavator.'], ['You want [a:thing].', 'hour', 'You want an hour.'],
            ['You want [a:thing].', 'one-way ticket', 'You want a one-way ticket.'], ['You want [a:thing].', 'MOT', 'You want an MOT.'], ['You want [a:thing].', 'used car', 'You want a used car.'],
            ['That is [count:n|night].', 'one', 'That is one night.'], ['That is [count:n|night].', 'three', 'That is three nights.'], ['For [count:n|child].', 'two', 'For two children.'],
            ['For [count:n|spare key].', 'four', 'For four spare keys.'], ['In [count:n|box].', 'six', 'In six boxes.'], ['In [count:n|city].', 'two', 'In two cities.'], ['On [count:n|shelf].', 'two', 'On two shelves.'],
        ] as $row) {
            yield $row[0].' '.$row[1] => $row;
        }
    }

    public function testAnEmptyCountDropsItsSentenceAndAnEmptyArticleUsesItsWords(): void
    {
        self::assertSame('Thanks.', Prompt::of('That is [count:n|night]. Thanks.')->filled(0, static fn (): ?string => null));
        self::assertSame('You want something.', Prompt::of('You want [a:thing|something].')->filled(0, static fn (): ?string => null));
        self::assertSame([['path' => 'thing', 'fallback' => 'something'], ['path' => 'n', 'fallback' => null]], Prompt::of('[a:thing|something] for [count:n|night]')->placeholders());
    }
}
