<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A table kept with a business, in which errands look up.
 *
 * @property int $id
 * @property int $business_id
 * @property string $name
 * @property list<string> $columns
 * @property list<array<string, string>> $rows
 * @property ?\Illuminate\Support\Carbon $updated_at
 */
final class ErrandTable extends Model
{
    protected $table = 'errand_tables';

    protected $fillable = ['business_id', 'name', 'columns', 'rows'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['columns' => 'array', 'rows' => 'array'];
    }
}
