<?php

declare(strict_types=1);

namespace App\Actions\Errands;

use App\Models\Business;
use App\Models\Errand;
use Ringo\Document\InvalidDocument;
use Ringo\Errand\Errand as Design;

/** Keeps an errand as it is designed; its secret apart, and only where a new one is given. */
final readonly class KeepErrand
{
    /**
     * @param array<string, mixed> $design
     *
     * @throws InvalidDocument naming every place that is wrong
     */
    public function of(Business $business, ?Errand $errand, array $design, ?string $secret): Errand
    {
        $read = Design::fromArray($design);
        if (Errand::query()->where('business_id', $business->id)->where('key', $read->key)->when($errand !== null, static fn ($query) => $query->whereKeyNot($errand?->id))->exists()) {
            throw new InvalidDocument([['path' => 'key', 'message' => "there is another errand “{$read->key}”"]]);
        }
        $errand ??= new Errand(['business_id' => $business->id]);
        $errand->fill(['key' => $read->key, 'design' => $read->toArray()] + ($secret === null ? [] : ['secret' => $secret]));
        if ($read->secret === null) {
            $errand->secret = null;
        }
        $errand->save();

        return $errand;
    }
}
