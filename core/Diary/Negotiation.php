<?php

declare(strict_types=1);

namespace Ringo\Diary;

use Ringo\Language\Vocabulary;
use Ringo\Understanding\Context;
use Ringo\Understanding\When\Wishes\LastTime;
use Ringo\Understanding\When\Wishes\Wish;
use Ringo\Understanding\When\Wishes\WishReader;

/** What a caller says about when, turn after turn, and what is offered for it. */
final readonly class Negotiation
{
    private WishReader $reader;

    private Offers $offers;

    /** @param ?Start $last the caller's last appointment: 'the same time as last time' */
    public function __construct(private Diaries $diaries, private Vocabulary $words, private ?Start $last = null)
    {
        $this->reader = new WishReader($words);
        $this->offers = new Offers($diaries, $last?->diary);
    }

    /**
     * @param list<int> $offered starts the caller has just heard
     */
    public function wish(Wish $before, string $said, int $now, array $offered = []): Wish
    {
        $tz = $this->diaries->tz;
        $names = array_map(static fn (Diary $diary): string => $diary->name, $this->diaries->diaries);

        $wish = $this->reader->read($before, $said, new Context((new \DateTimeImmutable('@'.$now))->setTimezone($tz), $this->diaries->country), $names, array_map(static fn (int $at): \DateTimeImmutable => (new \DateTimeImmutable('@'.$at))->setTimezone($tz), $offered));

        return $this->last === null ? $wish : (new LastTime($this->words))->laid($wish, $said, $this->last->in($tz), $this->last->diary);
    }

    /** @param list<int> $refused */
    public function offer(Service $service, Wish $wish, int $now, ?string $area = null, array $refused = []): Offer
    {
        return $this->offers->for($service, $wish, $now, $area, $refused);
    }

    /**
     * All turns at once.
     *
     * @param list<string> $said
     * @param ?list<int> $offered what the caller heard before the last turn; null: the first of the earlier wish
     */
    public function after(Service $service, array $said, int $now, ?string $area = null, ?array $offered = null): Offer
    {
        $wish = new Wish;
        foreach ($said as $n => $words) {
            $last = $n === count($said) - 1;
            $heard = $n === 0 ? [] : array_map(static fn (Start $start): int => $start->at, $this->offer($service, $wish, $now, $area)->starts);
            $wish = $this->wish($wish, $words, $now, $last && $offered !== null ? $offered : $heard);
        }

        return $this->offer($service, $wish, $now, $area);
    }
}
