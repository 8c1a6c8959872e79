<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Ringo\Advice\Purpose;

/**
 * A language model server of a business's own that may be asked for a second opinion; off until somebody turns it on.
 *
 * @property int $id
 * @property int $business_id
 * @property bool $on
 * @property string $address of its chat completions
 * @property string $model
 * @property ?string $secret
 * @property list<string> $about what it may be asked about
 * @property float $price_in money for a million tokens it reads
 * @property float $price_out money for a million tokens it writes
 * @property-read Business $business
 */
final class Adviser extends Model
{
    protected $table = 'advisers';

    protected $fillable = ['business_id', 'on', 'address', 'model', 'secret', 'about', 'price_in', 'price_out'];

    protected $hidden = ['secret'];

    protected $attributes = ['on' => false, 'address' => '', 'model' => '', 'about' => '[]', 'price_in' => 0, 'price_out' => 0];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['on' => 'boolean', 'secret' => 'encrypted', 'about' => 'array', 'price_in' => 'float', 'price_out' => 'float'];
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    public function may(Purpose $purpose): bool
    {
        return $this->on && $this->address !== '' && in_array($purpose->value, $this->about, true);
    }

    /** @return list<Purpose> what it may be asked about in calls */
    public function inCalls(): array
    {
        return array_values(array_filter(Purpose::cases(), fn (Purpose $one): bool => $one !== Purpose::Field && $this->may($one)));
    }

    /** Millionths of the money that so many tokens cost. */
    public function cost(int $in, int $out): int
    {
        return (int) round($in * $this->price_in + $out * $this->price_out);
    }
}
