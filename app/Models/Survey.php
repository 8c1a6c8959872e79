<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;
use Ringo\Survey\Survey as Questionnaire;

/**
 * A questionnaire and the agent whose script it is.
 *
 * @property int $id
 * @property int $business_id
 * @property int $agent_id
 * @property ?int $script_text_id the script it wrote last
 * @property string $key
 * @property array<string, mixed> $document in the format of surveys
 * @property array<string, list<array{name: string, like: list<string>}>> $names given to groups of spoken answers, by question, with what was said by those named
 * @property-read Agent $agent
 * @property-read Business $business
 */
final class Survey extends Model
{
    use SoftDeletes;

    protected $table = 'surveys';

    protected $fillable = ['business_id', 'agent_id', 'script_text_id', 'key', 'document', 'names'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array', 'names' => 'array'];
    }

    public function getRouteKeyName(): string
    {
        return 'key';
    }

    /** @throws \Ringo\Document\InvalidDocument */
    public function questionnaire(): Questionnaire
    {
        return Questionnaire::fromArray($this->document);
    }

    /** @return BelongsTo<Business, $this> */
    public function business(): BelongsTo
    {
        return $this->belongsTo(Business::class);
    }

    /** @return BelongsTo<Agent, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(Agent::class);
    }
}
