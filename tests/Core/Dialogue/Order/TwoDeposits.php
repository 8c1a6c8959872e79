<?php

declare(strict_types=1);

namespace Tests\Core\Dialogue\Order;

use Ringo\Dialogue\Ports\Knowledge;
use Ringo\Dialogue\Ports\Known;

/** Knowledge that has two answers about deposits, and nothing else. */
final class TwoDeposits implements Knowledge
{
    public function ask(string $question, \DateTimeImmutable $now, string $country, string $known): Known
    {
        if (! str_contains($question, 'deposit')) {
            return new Known(null, '', '', 0.0, 'not covered', [], null, false);
        }

        return new Known('Which do you mean: ordinary orders or a wedding cake?', 'terms.md#Deposits', 'Deposits', 0.4, 'which one', [], null, true, [
            ['source' => 'terms.md#Ordinary orders', 'label' => 'ordinary orders', 'text' => 'Half the price is paid with the order.', 'more' => []],
            ['source' => 'terms.md#Wedding cakes', 'label' => 'a wedding cake', 'text' => 'A wedding cake is held for fifty pounds.', 'more' => []],
        ]);
    }

    public function follows(string $words): ?string
    {
        return null;
    }
}
