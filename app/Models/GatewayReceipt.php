<?php

declare(strict_types=1);

namespace App\Models;

/**
 * What a stand-in gateway has received; a repeated key is counted, not taken twice.
 *
 * @property int $id
 * @property string $kind
 * @property string $key
 * @property string $to
 * @property string $body
 * @property array<string, string> $headers
 * @property int $times
 */
final class GatewayReceipt extends Model
{
    protected $table = 'gateway_receipts';

    protected $fillable = ['business_id', 'kind', 'key', 'to', 'body', 'headers', 'times'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['headers' => 'array'];
    }
}
