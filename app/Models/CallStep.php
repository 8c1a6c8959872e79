<?php

declare(strict_types=1);

namespace App\Models;

/**
 * One thing that happened in a call, and why the agent did what it did.
 *
 * @property int $call_id
 * @property int $n
 * @property array<string, mixed> $event
 * @property array<string, mixed> $trace
 * @property int $microseconds
 * @property int $knowledge_microseconds of those, spent on what the business has written
 */
final class CallStep extends Model
{
    public $timestamps = false;

    protected $table = 'call_steps';

    protected $fillable = ['call_id', 'n', 'event', 'trace', 'microseconds', 'knowledge_microseconds'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['event' => 'array', 'trace' => 'array'];
    }
}
