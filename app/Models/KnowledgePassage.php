<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A passage of a source, as it is looked up.
 *
 * @property int $id
 * @property int $business_id
 * @property int $knowledge_source_id
 * @property string $heading
 * @property list<string> $path
 * @property list<string> $sentences
 * @property string $kind
 * @property ?string $leads_to
 * @property int $length
 * @property int $answered
 * @property-read KnowledgeSource $source
 * @property bool $shown whether it is answered from: all of its document is indexed, and it is the newest
 */
final class KnowledgePassage extends Model
{
    protected $table = 'knowledge_passages';

    protected $fillable = ['business_id', 'knowledge_source_id', 'heading', 'path', 'sentences', 'kind', 'leads_to', 'length', 'answered', 'shown'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['path' => 'array', 'sentences' => 'array'];
    }

    public $timestamps = false;

    /** What tells this passage from others of its source, whenever it is indexed: its heading and its words. */
    public function mark(): string
    {
        return self::marked($this->heading, $this->sentences);
    }

    /** @param list<string> $sentences */
    public static function marked(string $heading, array $sentences): string
    {
        return substr(hash('sha256', mb_substr($heading, 0, 250)."\n".implode(' ', $sentences)), 0, 20);
    }

    /** @return BelongsTo<KnowledgeSource, $this> */
    public function source(): BelongsTo
    {
        return $this->belongsTo(KnowledgeSource::class, 'knowledge_source_id');
    }
}
