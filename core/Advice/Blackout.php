<?php

declare(strict_types=1);

namespace Ringo\Advice;

/**
 * Takes out of words what leaves the house under no circumstances: what is kept back, and every longer number, said in digits or in
 * words: a card, an account, a telephone number.
 */
final readonly class Blackout
{
    public const OUT = '•••';

    /** Digits in a row from which a number is taken out, with spaces and hyphens between them. */
    private const MOST_DIGITS = 4;

    private const SPOKEN = 'zero|oh|nought|one|two|three|four|five|six|seven|eight|nine|double|triple';

    /** @param list<string> $keptBack words and values that are kept back */
    public function of(string $text, array $keptBack = []): string
    {
        usort($keptBack, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));
        foreach ($keptBack as $words) {
            if (trim($words) !== '') {
                $text = (string) preg_replace('/(?<![\pL\pN])'.implode('\s+', array_map(static fn (string $word): string => preg_quote($word, '/'), preg_split('/\s+/u', trim($words)) ?: [])).'(?![\pL\pN])/iu', self::OUT, $text);
            }
        }
        $text = (string) preg_replace('/[\pL\pN._%+-]+@[\pL\pN.-]+/u', self::OUT, $text);
        $text = (string) preg_replace('/\d(?:[ .\/-]?\d){'.(self::MOST_DIGITS - 1).',}/', self::OUT, $text);

        return (string) preg_replace('/\b(?:'.self::SPOKEN.')(?:[ ,-]+(?:'.self::SPOKEN.'|\d)){'.(self::MOST_DIGITS - 1).',}\b/i', self::OUT, $text);
    }
}
