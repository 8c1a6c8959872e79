<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Steps;

use Ringo\Dialogue\Turn;
use Ringo\Sheet\Field;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** A word that an answer was taken, as often as the manner says: no delight at a no, at free words, or at bad news. */
final readonly class Acknowledgement
{
    public function of(Turn $turn, Field $field, Reading $reading): void
    {
        $wanted = match ($turn->script->agent->acknowledges) {
            'much' => true,
            'little' => false,
            default => $turn->state->heard % 2 === 1,
        };
        if (! $wanted || $field->type === ValueType::YesNo && $reading->value !== true) {
            return;
        }
        $turn->standing($field->type === ValueType::Text || $turn->state->tone === 'sorry' ? 'acknowledge_words' : 'acknowledge');
    }
}
