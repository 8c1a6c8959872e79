<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Errands;

use Ringo\Dialogue\Turn;
use Ringo\Errand\Errand;
use Ringo\Errand\Parameter;
use Ringo\Value\ValueType;

/** What a call can tell an errand: its parameters, from fields, the caller, the moment, or always the same. */
final readonly class Known
{
    /** @return array{array<string, mixed>, ?Parameter} values by parameter, and the first that is needed and not known */
    public function values(Turn $turn, Errand $errand): array
    {
        $values = [];
        $missing = null;
        foreach ($errand->parameters as $parameter) {
            $value = $parameter->value ?? ($parameter->from === null ? null : $turn->scope()->value($parameter->from));
            if ($value === null || $value === '' || $value === []) {
                $missing ??= $parameter->required ? $parameter : null;

                continue;
            }
            $values[$parameter->key] = $parameter->type === ValueType::Reference && is_string($value) ? strtoupper((string) preg_replace('/[\s.\/-]+/', '', $value)) : $value;
        }

        return [$values, $missing];
    }
}
