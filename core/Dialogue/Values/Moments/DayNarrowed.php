<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values\Moments;

use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Understanding\When\Wishes\WishReader;

/** A day that is told step by step: 'some time in January', 'the second week', 'the Tuesday'. Each step is laid upon those before. */
final class DayNarrowed
{
    /** Between what was said turn by turn. */
    public const NEXT = ' | ';

    /** How sure the day is that is left. */
    private const LEFT = 0.85;

    private ?WishReader $wishes = null;

    public function __construct(private readonly Vocabulary $words)
    {
    }

    /** The one day that is left; null where the words do not choose one among those spoken of before. */
    public function one(string $before, Heard $words, Context $context): ?Reading
    {
        $spokenOf = $this->read(new Wish, $before, $context);
        $wish = $this->read($spokenOf, $words->original, $context);
        [$from, $to] = self::stretch($wish);
        $frame = $wish->frame ?? $spokenOf->frame;
        $within = $frame !== null && $from >= $frame[0] && $to <= $frame[1];

        return $from === $to && $within && ! $context->past ? Reading::of($from, self::LEFT, $words->original, 0, strlen($words->original)) : null;
    }

    /** Whether other days are spoken of than before, and still more than one: fewer of them, or another week. */
    public function narrows(string $before, Heard $words, Context $context): bool
    {
        $spokenOf = $this->read(new Wish, $before, $context);
        [$from, $to] = self::stretch($this->read($spokenOf, $words->original, $context));
        [$first, $last] = self::stretch($spokenOf);

        return ! $context->past && $from !== '' && $from < $to && $to !== Wish::NEVER && [$from, $to] !== [$first, $last];
    }

    private function read(Wish $wish, string $said, Context $context): Wish
    {
        $this->wishes ??= new WishReader($this->words);
        foreach (explode(self::NEXT, $said) as $turn) {
            $wish = $this->wishes->read($wish, $turn, $context);
        }

        return $wish;
    }

    /** @return array{string, string} */
    private static function stretch(Wish $wish): array
    {
        return $wish->days !== null && count($wish->days) === 1 ? $wish->days[0] : ['', '-'];
    }
}
