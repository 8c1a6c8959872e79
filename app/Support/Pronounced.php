<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Business;

/** Words as the voice must have them: the business's name respelled where it says it wrongly. What is read stays as it is written. */
final readonly class Pronounced
{
    public static function of(Business $business, string $text): string
    {
        $brief = $business->brief();

        return $brief->pronounced === '' ? $text : (new WholeNames([$brief->spoken => $brief->pronounced, $business->name => $brief->pronounced]))->text($text);
    }
}
