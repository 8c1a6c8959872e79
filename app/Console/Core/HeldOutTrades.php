<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Fit\Fold;

/** The trades of a folder that nobody trained on. */
final class HeldOutTrades
{
    /**
     * @return iterable<string, array{splits: list<list<array{key: string, name: string, description: string}>>, sayings: list<array{said: string, fit: list<string|list<string>|null>}>}> by name
     *
     * @throws BadInput where a file is no trade
     */
    public static function in(string $folder): iterable
    {
        foreach (glob("{$folder}/*.json") ?: throw new BadInput("{$folder}: there are no trades in it.") as $file) {
            $trade = json_decode((string) file_get_contents($file), true);
            if (! is_array($trade) || ! isset($trade['trade'], $trade['splits'], $trade['sayings'])) {
                throw new BadInput("{$file}: this is no trade; it needs trade, splits and sayings.");
            }
            if (Fold::heldOut((string) $trade['trade'])) {
                yield (string) $trade['trade'] => $trade;
            }
        }
    }
}
