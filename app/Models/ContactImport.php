<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A file of contacts that was brought in, or is about to be.
 *
 * @property int $id
 * @property int $business_id
 * @property ?int $user_id
 * @property string $name
 * @property string $path
 * @property string $status looked_at, running, stopped, done or undone
 * @property array{kind: string, encoding?: string, delimiter?: string, header: list<string>, sample: list<array<string, string>>} $shape
 * @property ?array<string, string> $mapping
 * @property int $total
 * @property int $done
 * @property ?array{made: int, added_to: int, same: int, refused: int} $counts
 * @property ?list<array{row: int, what: string, words: string}> $report
 * @property ?\Illuminate\Support\Carbon $created_at
 */
final class ContactImport extends Model
{
    protected $table = 'contact_imports';

    protected $fillable = ['business_id', 'user_id', 'name', 'path', 'status', 'shape', 'mapping', 'total', 'done', 'counts', 'report'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['shape' => 'array', 'mapping' => 'array', 'counts' => 'array', 'report' => 'array'];
    }
}
