<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A number that is never rung for a business.
 *
 * @property int $id
 * @property string $e164
 * @property string $why
 */
final class SuppressedNumber extends Model
{
    protected $table = 'suppressed_numbers';

    protected $fillable = ['business_id', 'e164', 'why'];
}
