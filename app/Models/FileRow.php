<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A row of a file that a client fetches; one a call, whatever is retried.
 *
 * @property int $id
 * @property int $delivery_rule_id
 * @property string $key
 * @property array<string, string> $cells
 * @property ?\Illuminate\Support\Carbon $created_at
 */
final class FileRow extends Model
{
    protected $table = 'file_rows';

    protected $fillable = ['delivery_rule_id', 'key', 'cells'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['cells' => 'array'];
    }
}
