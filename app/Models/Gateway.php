<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A stand-in for the outside world, and how it behaves.
 *
 * @property int $business_id
 * @property string $kind
 * @property string $mode works, fails, slow or loses answers
 */
final class Gateway extends Model
{
    protected $table = 'gateways';

    protected $fillable = ['business_id', 'kind', 'mode'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [];
    }
}
