<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A time brought into a diary from elsewhere.
 *
 * @property int $id
 * @property int $diary_id
 * @property int $starts_at
 * @property int $ends_at
 * @property string $what
 * @property string $uid of the event it came from
 */
final class DiaryBusy extends Model
{
    public $timestamps = false;

    protected $table = 'diary_busy';

    protected $fillable = ['diary_id', 'starts_at', 'ends_at', 'what', 'uid'];
}
