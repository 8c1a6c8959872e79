<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A day of an agent whose calls are counted, and whether something was changed since.
 *
 * @property int $id
 * @property int $business_id
 * @property int $agent_id
 * @property string $day local date
 * @property bool $stale
 */
final class FigureDay extends Model
{
    public $timestamps = false;

    protected $fillable = ['business_id', 'agent_id', 'day', 'stale'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['stale' => 'boolean'];
    }
}
