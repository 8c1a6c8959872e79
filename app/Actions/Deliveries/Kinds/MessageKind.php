<?php

declare(strict_types=1);

namespace App\Actions\Deliveries\Kinds;

use App\Actions\Deliveries\RecordValues;
use App\Models\Delivery;
use App\Models\DeliveryRule;

/** Words to somebody. */
abstract readonly class MessageKind extends DeliveryKind
{
    public function problems(string $to, string $words, array $columns): array
    {
        return ($to === '' ? ['to' => 'To whom? Write an address, a number, role:owner, person:key or a field.'] : [])
            + ($words === '' ? ['words' => 'Write what it says.'] : []);
    }

    public function body(DeliveryRule $rule, RecordValues $values): string
    {
        return $this->filled($rule->words, $values);
    }

    public function inShort(Delivery $delivery): string
    {
        return $delivery->subject !== '' ? $delivery->subject : $delivery->body;
    }
}
