<?php

declare(strict_types=1);

namespace Ringo\Recognition;

/**
 * What an agent knows of a caller before the first word.
 *
 * A missing or broken fact is left out, so that it only means 'ask'.
 */
final readonly class CallerFacts
{
    /**
     * @param list<array<string, string>> $contacts those found under the number
     *
     * @return array<string, scalar|null>
     */
    public static function of(array $contacts): array
    {
        if (count($contacts) !== 1) {
            return ['known' => false, 'shared' => count($contacts) > 1];
        }
        $facts = ['known' => true, 'shared' => false];
        foreach ($contacts[0] as $name => $value) {
            $value = trim($value, " \t\n\r\0\x0B,;");
            if ($value !== '' && preg_match('/^[a-z][a-z0-9_]*$/', $name) === 1) {
                $facts[$name] = $value;
            }
        }
        if (! isset($facts['first_name']) && isset($facts['name'])) {
            $facts['first_name'] = explode(' ', (string) $facts['name'])[0];
        }
        if (! isset($facts['name']) && isset($facts['first_name'])) {
            $facts['name'] = trim($facts['first_name'].' '.($facts['last_name'] ?? ''));
        }

        return $facts;
    }
}
