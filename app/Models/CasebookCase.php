<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;
use Ringo\Rehearsal\Casebook\KeptCase;

/**
 * A case of an agent's casebook, with the call as it was when it was kept and how it came out last.
 *
 * @property int $id
 * @property int $agent_id
 * @property ?int $call_id
 * @property string $key
 * @property array<string, mixed> $kept
 * @property list<array<string, mixed>> $transcript
 * @property ?array{text: int, passed: bool, failures: list<array{expect: string, wanted: mixed, got: mixed}>, turns: list<array<string, mixed>>, outcome: ?string, unused: int, at: string, broke: ?array{words: string, by: ?string, version: int}} $result
 * @property-read Agent $agent
 * @property-read ?Call $call
 */
final class CasebookCase extends Model
{
    use SoftDeletes;

    protected $table = 'casebook_cases';

    protected $fillable = ['agent_id', 'call_id', 'key', 'kept', 'transcript', 'result'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['kept' => 'array', 'transcript' => 'array', 'result' => 'array'];
    }

    public function kept(): KeptCase
    {
        return KeptCase::fromArray($this->kept);
    }

    public function failing(): bool
    {
        return $this->result !== null && ! $this->result['passed'];
    }

    /** @return BelongsTo<Agent, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(Agent::class);
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }
}
