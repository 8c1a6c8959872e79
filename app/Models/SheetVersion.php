<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A record sheet as it was; old records are read with it.
 *
 * @property int $record_sheet_id
 * @property int $version
 * @property array<string, mixed> $schema
 * @property ?\Illuminate\Support\Carbon $created_at
 */
final class SheetVersion extends Model
{
    protected $table = 'sheet_versions';

    protected $fillable = ['record_sheet_id', 'version', 'schema', 'user_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['schema' => 'array'];
    }
}
