<?php

declare(strict_types=1);

namespace Ringo\Extraction;

/** Takes card numbers and other secrets out of what was said, before it is kept. */
final readonly class Mask
{
    public const HIDDEN = '••••';

    private const WORDS = ['zero' => '0', 'oh' => '0', 'o' => '0', 'one' => '1', 'two' => '2', 'three' => '3', 'four' => '4', 'five' => '5', 'six' => '6', 'seven' => '7', 'eight' => '8', 'nine' => '9'];

    /** Card numbers, in figures or in words, are hidden but for their last four digits. */
    public function text(string $text): string
    {
        $digit = '(?:\d|\b(?:double|triple)\b|\b(?:zero|oh|one|two|three|four|five|six|seven|eight|nine)\b)';

        return (string) preg_replace_callback('/'.$digit.'(?:[\s,.\-]*'.$digit.'){11,}/iu', function (array $m): string {
            $digits = $this->digits($m[0]);

            return strlen($digits) >= 13 && strlen($digits) <= 19 && $this->luhn($digits) ? self::HIDDEN.' '.substr($digits, -4) : $m[0];
        }, $text);
    }

    /** The words a secret was said in are hidden wholly. */
    public function words(string $text, string $said): string
    {
        return $said === '' ? $text : (string) preg_replace('/'.preg_quote($said, '/').'/iu', self::HIDDEN, $text);
    }

    private function digits(string $said): string
    {
        $digits = '';
        $times = 1;
        preg_match_all('/\d|[a-z]+/i', $said, $pieces);
        foreach ($pieces[0] as $piece) {
            $piece = strtolower($piece);
            if ($piece === 'double' || $piece === 'triple') {
                $times = $piece === 'double' ? 2 : 3;

                continue;
            }
            $digits .= str_repeat(self::WORDS[$piece] ?? (ctype_digit($piece) ? $piece : ''), $times);
            $times = 1;
        }

        return $digits;
    }

    /** The check digit of card numbers (ISO/IEC 7812-1, annex B). */
    private function luhn(string $digits): bool
    {
        $sum = 0;
        foreach (array_reverse(str_split($digits)) as $i => $digit) {
            $value = (int) $digit * ($i % 2 === 1 ? 2 : 1);
            $sum += $value > 9 ? $value - 9 : $value;
        }

        return $sum % 10 === 0;
    }
}
