<?php

declare(strict_types=1);

use Ringo\Diary\Diaries;
use Ringo\Diary\Negotiation;
use Ringo\Language\Vocabulary;

/*
 * Free times of one wish over so many diaries with 150 bookings each in 60 days: the slowest of several kinds of wishes.
 */
return static function (Table $table): void {
    $slowest = static function (int $count): Spent {
        mt_srand(20260310);
        $zone = new DateTimeZone('Europe/London');
        $now = new DateTimeImmutable('2026-03-10T09:00', $zone);
        $diaries = [];
        for ($n = 0; $n < $count; $n++) {
            $busy = [];
            for ($b = 0; $b < 150; $b++) {
                $from = $now->setTime(8, 0)->modify('+'.mt_rand(0, 59).' days')->modify('+'.(15 * mt_rand(0, 36)).' minutes');
                $busy[] = ['from' => $from->format('Y-m-d\TH:i'), 'to' => $from->modify('+1 hour')->format('Y-m-d\TH:i'), 'area' => 'a'.mt_rand(0, 9)];
            }
            $diaries[] = ['key' => "d{$n}", 'services' => ['visit'], 'base' => 'a1', 'busy' => $busy];
        }
        $all = Diaries::fromArray(['tz' => 'Europe/London', 'hours' => array_fill_keys(['mon', 'tue', 'wed', 'thu', 'fri'], ['08:00-18:00']), 'services' => [['key' => 'visit', 'minutes' => 60, 'before' => 10, 'after' => 10, 'step' => 15, 'ahead_days' => 60, 'place' => 'visit']], 'diaries' => $diaries, 'travel' => ['default' => 25]]);
        $slowest = new Spent(0, 0);
        foreach (['next week in the afternoon', 'any day', 'Thursday at ten', 'the earliest you have', 'not Monday, after four'] as $words) {
            $took = [];
            for ($n = 0; $n < 5; $n++) {
                $negotiation = new Negotiation($all, Vocabulary::of());
                $took[] = Spent::on(static fn (): mixed => $negotiation->after($all->services['visit'], [$words], $now->getTimestamp(), 'a3'));
            }
            usort($took, static fn (Spent $a, Spent $b): int => $a->processor <=> $b->processor);
            $slowest = $took[2]->processor > $slowest->processor ? $took[2] : $slowest;
        }

        return $slowest;
    };
    $slowest(5);
    $once = $slowest(20);
    $table->row('free times of one wish, 20 diaries, 60 days, 3,000 bookings', $once, 0.020);
    $table->growth('the diaries', $once, $slowest(40));
};
