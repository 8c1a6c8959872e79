<?php

declare(strict_types=1);

namespace App\Actions\Deliveries\Kinds;

use Illuminate\Database\Eloquent\Builder;
use Ringo\Delivery\Means;

final readonly class TextKind extends MessageKind
{
    public function means(): Means
    {
        return Means::Text;
    }

    public function parts(): array
    {
        return ['to', 'words'];
    }

    /** On their telephones, never at an address. */
    public function reached(Builder $members): array
    {
        $members->join('people', static fn ($join) => $join->on('people.user_id', '=', 'memberships.user_id')->on('people.business_id', '=', 'memberships.business_id'));

        return array_values(array_map(strval(...), $members->whereNull('people.deleted_at')->whereNotNull('people.number')->pluck('people.number')->all()));
    }
}
