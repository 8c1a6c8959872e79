<?php

declare(strict_types=1);

namespace Tests\Core\Diary;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Understanding\When\Wishes\WishReader;

/** What callers say about when. */
final class WishesTest extends TestCase
{
    private const LENGTH = 30;

    /** @return iterable<string, array{string, list<string>}> */
    public static function wishes(): iterable
    {
        foreach (array_merge(...array_map(static fn (string $file): array => file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [], glob(__DIR__.'/wishes*.txt') ?: [])) as $line) {
            if ($line[0] !== ';') {
                [$said, $probes] = explode(' => ', $line);
                yield $said => [$said, explode(' ', $probes)];
            }
        }
    }

    /** @param list<string> $probes */
    #[DataProvider('wishes')]
    public function testUnderstandsTheWish(string $said, array $probes): void
    {
        $reader = new WishReader(Vocabulary::of());
        $context = new Context(new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')));
        $wish = new Wish;
        foreach (explode(' | ', $said) as $turn) {
            $wish = $reader->read($wish, $turn, $context, ['idris' => 'Idris Kane', 'vera' => 'Vera Moss']);
        }
        $wrong = [];
        foreach ($probes as $probe) {
            $at = new \DateTimeImmutable(substr($probe, 1));
            $in = $wish->day($at->format('Y-m-d'), (int) $at->format('N')) && $wish->time((int) $at->format('G') * 60 + (int) $at->format('i'), self::LENGTH);
            if ($in !== ($probe[0] === '+')) {
                $wrong[] = $probe;
            }
        }
        self::assertSame([], $wrong, json_encode($wish, JSON_THROW_ON_ERROR));
    }
}
