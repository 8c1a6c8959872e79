<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * Something a business has written, from which agents answer.
 *
 * @property int $id
 * @property int $business_id
 * @property string $name
 * @property string $kind document, questions, table, page
 * @property ?string $url
 * @property string $text
 * @property int $version
 * @property int $words
 * @property int $pieces
 * @property int $answered
 * @property ?array{added: list<string>, removed: list<string>} $last_change
 * @property ?list<array{mark: string, heading: string, text: string}> $left_out passages that are not answered from
 * @property ?\Illuminate\Support\Carbon $fetched_at
 * @property ?\Illuminate\Support\Carbon $updated_at
 * @property ?\Illuminate\Support\Carbon $deleted_at
 * @property-read Business $business
 */
final class KnowledgeSource extends Model
{
    use SoftDeletes;

    protected $table = 'knowledge_sources';

    protected $fillable = ['business_id', 'name', 'kind', 'url', 'text', 'version', 'words', 'pieces', 'answered', 'last_change', 'left_out', 'fetched_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['last_change' => 'array', 'left_out' => 'array', 'fetched_at' => 'datetime'];
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return HasMany<KnowledgePassage, $this> */
    public function passages(): HasMany
    {
        return $this->hasMany(KnowledgePassage::class)->where('shown', true)->orderBy('id');
    }
}
