<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A day of an agent whose calls are counted, and whether something was changed since.
 *
 * @property int $id
 * @property int $business_id
 * @property int $agent_id
 * @property string $day local date
 * @property int $changes how often something was changed since it was counted; 0: its sums are true
 */
final class FigureDay extends Model
{
    public $timestamps = false;

    protected $table = 'figure_days';

    protected $fillable = ['business_id', 'agent_id', 'day', 'changes'];

}
