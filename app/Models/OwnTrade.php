<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\SoftDeletes;
use Ringo\Trade\Trade;

/**
 * A trade a business wrote itself, or brought in from a file.
 *
 * @property int $id
 * @property int $business_id
 * @property string $key
 * @property string $label
 * @property string $document JSON, docs/formats/trade.md
 */
final class OwnTrade extends Model
{
    use SoftDeletes;

    protected $table = 'own_trades';

    protected $fillable = ['business_id', 'key', 'label', 'document'];

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    public function trade(): Trade
    {
        return Trade::read((array) json_decode($this->document, true, 32, JSON_THROW_ON_ERROR));
    }
}
