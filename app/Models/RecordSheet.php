<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;

/**
 * A further record sheet of an agent, filled after calls of some outcomes or topics.
 *
 * @property int $id
 * @property int $business_id
 * @property int $agent_id
 * @property string $key
 * @property string $name
 * @property list<string> $outcomes none: every call
 * @property list<string> $topics
 * @property array<string, mixed> $schema JSON Schema of an object
 * @property int $version
 */
final class RecordSheet extends Model
{
    use SoftDeletes;

    protected $table = 'record_sheets';

    protected $fillable = ['business_id', 'agent_id', 'key', 'name', 'outcomes', 'topics', 'schema', 'version'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['outcomes' => 'array', 'topics' => 'array', 'schema' => 'array'];
    }

    /** @return BelongsTo<Agent, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(Agent::class);
    }

    /** @return HasMany<SheetVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(SheetVersion::class)->orderByDesc('version');
    }

    /** @return array<string, mixed> the schema as it was at a version */
    public function schemaAt(int $version): array
    {
        $then = $version === $this->version ? null : $this->versions()->where('version', $version)->first();

        return $then instanceof SheetVersion ? $then->schema : $this->schema;
    }
}
