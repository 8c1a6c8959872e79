<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A write that named itself, with what was answered.
 *
 * @property int $id
 * @property int $token_id
 * @property string $key as the caller named it
 * @property string $request hash of method, address and body
 * @property int $status 0 while it is being done
 * @property array<string, string> $headers
 * @property string $body
 */
final class ApiWrite extends Model
{
    protected $table = 'api_writes';

    protected $fillable = ['token_id', 'key', 'request', 'status', 'headers', 'body'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['headers' => 'array', 'status' => 'integer'];
    }
}
