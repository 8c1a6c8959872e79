<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;
use Ringo\Errand\Errand as Design;

/**
 * An errand of a business: its design, its secret, and the answer that was kept to try things on.
 *
 * @property int $id
 * @property int $business_id
 * @property string $key
 * @property array<string, mixed> $design
 * @property ?string $secret
 * @property ?array{values: array<string, mixed>, status: int, body: string, milliseconds: int, at: string} $kept
 * @property ?\Illuminate\Support\Carbon $updated_at
 * @property-read Business $business
 */
final class Errand extends Model
{
    use SoftDeletes;

    protected $table = 'errands';

    protected $fillable = ['business_id', 'key', 'design', 'secret', 'kept'];

    protected $hidden = ['secret'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['design' => 'array', 'secret' => 'encrypted', 'kept' => 'array'];
    }

    public function design(): Design
    {
        return Design::fromArray($this->design);
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }
}
