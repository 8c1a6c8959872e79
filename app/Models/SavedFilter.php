<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A filter of the call list that somebody kept.
 *
 * @property int $id
 * @property string $name
 * @property array<string, string> $filter
 */
final class SavedFilter extends Model
{
    protected $table = 'saved_filters';

    protected $fillable = ['business_id', 'user_id', 'name', 'filter'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['filter' => 'array'];
    }
}
