<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Appointments;

/** Whether a name that was heard is the one that is written: the last name by sound or one letter off, first names not against it. */
final class SameName
{
    /** Names shorter than this must be the same letter by letter. */
    private const LONG = 5;

    public static function are(string $heard, string $written): bool
    {
        $a = self::parts($heard);
        $b = self::parts($written);
        if ($a === [] || $b === []) {
            return false;
        }
        $initial = static fn (string $one, string $other): bool => mb_strlen($one) === 1 && str_starts_with($other, $one);

        return self::alike($a[count($a) - 1], $b[count($b) - 1]) && (count($a) === 1 || count($b) === 1 || self::alike($a[0], $b[0]) || $initial($a[0], $b[0]) || $initial($b[0], $a[0]));
    }

    /** @return list<string> */
    private static function parts(string $name): array
    {
        $plain = mb_strtolower((string) preg_replace('/^(?:mr|mrs|ms|miss|dr|prof|professor|sir|madam)\.?\s+/i', '', trim($name)));

        return array_values(array_filter(preg_split('/[^\p{L}]+/u', str_replace(["'", '’'], '', $plain)) ?: [], static fn (string $one): bool => $one !== ''));
    }

    private static function alike(string $a, string $b): bool
    {
        return $a === $b || min(mb_strlen($a), mb_strlen($b)) >= self::LONG && (levenshtein($a, $b) <= 1 || metaphone($a) === metaphone($b) && $a[0] === $b[0]);
    }
}
