<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;

/** What a request brings, as text: lists and objects where a text belongs are none. */
final class Input
{
    public static function text(Request $request, string $key, string $else = ''): string
    {
        $given = $request->input($key, $else);

        return is_scalar($given) ? (string) $given : $else;
    }

    public static function number(Request $request, string $key, int $else = 0): int
    {
        $given = $request->input($key);

        return is_numeric($given) ? (int) $given : $else;
    }
}
