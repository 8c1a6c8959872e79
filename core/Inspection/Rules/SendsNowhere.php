<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Script\Steps\Send\SendStep;
use Ringo\Value\ValueType;

/** Finds messages to an address that may not be there, with no other way on. */
final readonly class SendsNowhere implements Rule
{
    public function find(Design $design): iterable
    {
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof SendStep || ! $design->flow->reached($key)) {
                continue;
            }
            $field = $design->script->sheet->field($step->to);
            $wanted = ['text' => ValueType::Phone, 'email' => ValueType::Email][$step->by] ?? null;
            if ($field !== null && $wanted !== null && $field->type !== $wanted) {
                yield new Finding('send_address', Severity::Error, $key, "This goes by {$step->by}, and {$step->to} holds a ".str_replace('_', ' ', $field->type->value).', which is no address for it.');
            } elseif (($field !== null || str_starts_with($step->to, 'caller.')) && $step->otherwise === null && ! $design->flow->certain($key, $step->to)) {
                yield new Finding('send_address', Severity::Note, $key, "{$step->to} may be empty here; then nothing is sent and the call goes on as if it were. Say where it goes in that case.");
            }
        }
    }
}
