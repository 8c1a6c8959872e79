<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * The sound of what a caller answered to a question of a survey.
 *
 * @property int $id
 * @property int $call_id
 * @property string $field
 * @property string $text as it was recognised
 * @property string $path on the private disk
 * @property-read Call $call
 */
final class SpokenAnswer extends Model
{
    public const FOLDER = 'spoken-answers';

    protected $table = 'spoken_answers';

    protected $fillable = ['call_id', 'field', 'text', 'path'];

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }
}
