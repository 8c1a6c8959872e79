<?php

declare(strict_types=1);

namespace Tests\Core\Diary;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\When\Wishes\Cues;
use Ringo\Understanding\When\Wishes\ItemFinder;
use Ringo\Understanding\When\Wishes\Reasons;
use Ringo\Understanding\When\Wishes\Senses;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Understanding\When\Wishes\WishReader;
use Ringo\Understanding\When\Wishes\Wording;

/** What callers say about when. */
final class WishesTest extends TestCase
{
    private const LENGTH = 30;

    /** Sets that were frozen before they were run; their figures stand in docs/figures.md. */
    private const FROZEN = ['sixth' => 'f9bd09f32c8b', 'seventh' => 'ea7de4058ce3', 'eighth' => '00d5bb19f14a', 'ninth' => 'c099d2169113', 'tenth' => '7fbf59bb7141', 'eleventh' => '234e5546f94b', 'twelfth' => 'b1459e7453e1', 'thirteenth' => 'e483bac33694', 'fourteenth' => 'b55b2127d75d', 'fifteenth' => '613306c3fe4b', 'sixteenth' => 'd1603348ae85', 'seventeenth' => '7d06bcef9ed7', 'eighteenth' => 'd0ac0af3beea'];

    /** @return iterable<string, array{string, list<string>, bool}> what is said, what lies in it or not, and whether it is known to go wrong */
    public static function wishes(): iterable
    {
        $missed = file(__DIR__.'/wishes/missed.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [];
        foreach (glob(__DIR__.'/wishes/*th.txt') ?: [] as $file) {
            yield from self::of($file, $missed);
        }
        foreach (['first', 'second', 'third'] as $name) {
            yield from self::of(__DIR__."/wishes/{$name}.txt", $missed);
        }
    }

    /**
     * @param list<string> $missed
     *
     * @return iterable<string, array{string, list<string>, bool}>
     */
    private static function of(string $file, array $missed): iterable
    {
        foreach (file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $n => $line) {
            if ($line[0] !== ';') {
                [$said, $probes] = explode(' => ', $line);
                yield basename($file, '.txt')." {$n}: {$said}" => [$said, explode(' ', $probes), in_array($said, $missed, true)];
            }
        }
    }

    public function testWhatWasRuledOutAndIsWishedForIsSoNoLonger(): void
    {
        $reader = new WishReader(Vocabulary::of());
        $after = static fn (string ...$said): Wish => array_reduce($said, static fn (Wish $wish, string $one): Wish => $reader->read($wish, $one, self::context()), new Wish);
        self::assertSame([], $after('not in the morning', 'actually the morning is fine')->notTimes);
        self::assertCount(1, $after('not in the morning', 'before three')->notTimes);
        self::assertSame([], $after('not Friday afternoon', 'well Friday afternoon then')->notByDay);
        self::assertCount(1, $after('not Friday afternoon', 'Thursday afternoon')->notByDay);
    }

    public function testFrozenSetsStandAsTheyWere(): void
    {
        foreach (self::FROZEN as $name => $begins) {
            self::assertStringStartsWith($begins, (string) hash_file('sha256', __DIR__."/wishes/{$name}.txt"), $name);
        }
    }

    public function testSensesAreCountedAsTheTrainingDid(): void
    {
        $root = dirname(__DIR__, 3);
        $trained = json_decode((string) file_get_contents("{$root}/core/Language/en/wishes/wishes.json"), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame($trained['corpus_sha256'], hash_file('sha256', "{$root}/data/corpora/wishes.txt"), 'train anew: training/sayings.py wishes');
        self::assertSame($trained['weights_sha256'], hash_file('sha256', "{$root}/core/Language/en/wishes/weights.bin"));
        $words = Vocabulary::of();
        [$wording, $finder, $senses] = [new Wording($words), new ItemFinder($words), new Senses(new Cues($words), new Reasons($words))];
        foreach (json_decode((string) file_get_contents(__DIR__.'/senses.json'), true, 8, JSON_THROW_ON_ERROR) as $row) {
            $t = $wording->of($row['said'], new Wish);
            $named = Senses::named($finder->in($t, self::context()));
            self::assertEqualsWithDelta($row['of'], $senses->likelihoods($t, $named, $row['at'], $row['before']), 1e-3, $row['said']);
        }
    }

    private static function context(): Context
    {
        return new Context(new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London')));
    }

    /** @param list<string> $probes */
    #[DataProvider('wishes')]
    public function testUnderstandsTheWish(string $said, array $probes, bool $missed): void
    {
        $reader = new WishReader(Vocabulary::of());
        $context = self::context();
        $wish = new Wish;
        foreach (explode(' | ', $said) as $turn) {
            $wish = $reader->read($wish, $turn, $context, ['idris' => 'Idris Kane', 'vera' => 'Vera Moss']);
        }
        $wrong = [];
        foreach ($probes as $probe) {
            $at = new \DateTimeImmutable(substr($probe, 1));
            $in = $wish->day($at->format('Y-m-d'), (int) $at->format('N')) && $wish->time((int) $at->format('G') * 60 + (int) $at->format('i'), self::LENGTH, $at->format('Y-m-d'), (int) $at->format('N'));
            if ($in !== ($probe[0] === '+')) {
                $wrong[] = $probe;
            }
        }
        if ($missed) {
            self::assertNotSame([], $wrong, 'it is right now: take it out of wishes/missed.txt');
        } else {
            self::assertSame([], $wrong, json_encode($wish, JSON_THROW_ON_ERROR));
        }
    }
}
