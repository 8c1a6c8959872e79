<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A table of a source.
 *
 * @property int $id
 * @property int $knowledge_source_id
 * @property string $heading
 * @property list<string> $columns
 * @property list<list<string>> $rows
 * @property-read KnowledgeSource $source
 */
final class KnowledgeTable extends Model
{
    protected $table = 'knowledge_tables';

    protected $fillable = ['business_id', 'knowledge_source_id', 'heading', 'columns', 'rows'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['columns' => 'array', 'rows' => 'array'];
    }

    public $timestamps = false;

    /** @return BelongsTo<KnowledgeSource, $this> */
    public function source(): BelongsTo
    {
        return $this->belongsTo(KnowledgeSource::class, 'knowledge_source_id');
    }
}
