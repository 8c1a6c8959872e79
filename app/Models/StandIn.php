<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A made-up system that errands may ask, and how it behaves.
 *
 * @property int $id
 * @property string $system
 * @property string $mode works, slow, fails, nonsense, loses
 * @property int $slow_ms
 * @property array<string, mixed> $data what it holds
 * @property array<string, mixed> $done what it did, by the key it was told to do it once under
 * @property int $asked
 */
final class StandIn extends Model
{
    /** How it can be told to behave. */
    public const MODES = ['works' => 'works', 'slow' => 'is slow', 'fails' => 'fails now and then', 'nonsense' => 'answers nonsense', 'loses' => 'does the work and loses the answer'];

    protected $table = 'stand_ins';

    protected $fillable = ['system', 'mode', 'slow_ms', 'data', 'done', 'asked'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['data' => 'array', 'done' => 'array'];
    }
}
