<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Transfers;

use Ringo\Dialogue\Turn;
use Ringo\Script\TransferRules;

/**
 * Which rule of the script says where a call goes.
 *
 * @phpstan-import-type Rule from TransferRules
 */
final readonly class Rules
{
    /** @return ?Rule the first rule that holds; null where none does */
    public function first(Turn $turn): ?array
    {
        $scope = $turn->scope();
        foreach ($turn->script->transfers->rules as $rule) {
            if (($rule['when'] === null || $rule['when']->holds($scope->value(...))) && ($rule['words'] === [] || $this->worded($turn, $rule['words']))) {
                return $rule;
            }
        }

        return null;
    }

    /**
     * @param list<string> $words sayings of which one must have been said in the call
     */
    private function worded(Turn $turn, array $words): bool
    {
        $said = mb_strtolower(implode(' . ', $turn->state->said));
        foreach ($words as $one) {
            if ($one !== '' && preg_match('/(?<!\pL)'.preg_quote(mb_strtolower($one), '/').'(?!\pL)/u', $said) === 1) {
                return true;
            }
        }

        return false;
    }
}
