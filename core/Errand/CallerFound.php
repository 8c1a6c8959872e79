<?php

declare(strict_types=1);

namespace Ringo\Errand;

/** What another system tells of whoever rings, put to what is known of them already; what is known here stands. */
final readonly class CallerFound
{
    /** What an errand may be told before the first word. */
    private const KNOWN = ['caller.number', 'caller.account_number', 'caller.email', 'caller.name'];

    /**
     * The values an errand needs, where all it cannot do without is known before the first word; null otherwise.
     *
     * @param array<string, scalar|null> $caller
     *
     * @return array<string, mixed>|null
     */
    public static function needs(Errand $errand, array $caller, ?string $number): ?array
    {
        $values = [];
        foreach ($errand->parameters as $parameter) {
            $known = $parameter->from === 'caller.number' ? $number : (in_array($parameter->from, self::KNOWN, true) ? ($caller[substr((string) $parameter->from, 7)] ?? null) : null);
            $value = $parameter->value ?? $known;
            if ($value !== null && $value !== '') {
                $values[$parameter->key] = $value;
            } elseif ($parameter->required) {
                return null;
            }
        }

        return $values;
    }

    /**
     * @param array<string, scalar|null> $caller
     *
     * @return array<string, scalar|null> with facts of the answer under the names of its values; as they were where it is no single one
     */
    public static function with(array $caller, Reply $reply): array
    {
        if ($reply->status !== Reply::FOUND) {
            return $caller;
        }
        foreach ($reply->rows[0] as $name => $value) {
            $value = is_array($value) && is_scalar($value['amount'] ?? null) ? $value['amount'] : $value;
            if (is_scalar($value) && ! isset($caller[$name])) {
                $caller[$name] = is_bool($value) ? ($value ? 'yes' : 'no') : (string) $value;
            }
        }
        // A stranger whose firm another system knows rings for that firm; who speaks is still asked.
        if (($caller['kind'] ?? 'unknown') === 'unknown' && isset($caller['organisation'])) {
            $caller['kind'] = 'organisation';
        }

        return $caller;
    }
}
