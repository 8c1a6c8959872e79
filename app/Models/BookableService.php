<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A service of a business's diary.
 *
 * @property int $id
 * @property int $business_id
 * @property string $key
 * @property array<string, mixed> $document as in docs/formats/diaries.md
 */
final class BookableService extends Model
{
    protected $table = 'bookable_services';

    protected $fillable = ['business_id', 'key', 'document'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }
}
