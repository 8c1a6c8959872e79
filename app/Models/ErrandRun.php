<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * An errand that a call sent on its way, and what came back.
 *
 * @property int $id
 * @property int $business_id
 * @property int $call_id
 * @property string $errand
 * @property string $ident of the errand in its call
 * @property string $idempotency_key goes along with what changes something, so that it is done once however often it is sent
 * @property array<string, mixed> $values
 * @property string $state asked, sent, back
 * @property string $how really, or how a rehearsal had it answered
 * @property ?array<string, mixed> $reply
 * @property int $milliseconds
 * @property float $at seconds into the call
 * @property ?\Illuminate\Support\Carbon $sent_at
 * @property bool $aside nobody waits for it: the call goes on
 * @property-read Call $call
 */
final class ErrandRun extends Model
{
    public const ASKED = 'asked';

    public const SENT = 'sent';

    public const BACK = 'back';

    protected $table = 'errand_runs';

    protected $fillable = ['business_id', 'call_id', 'errand', 'ident', 'idempotency_key', 'values', 'state', 'how', 'reply', 'milliseconds', 'at', 'sent_at', 'aside'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['values' => 'array', 'reply' => 'array', 'at' => 'float', 'sent_at' => 'datetime', 'aside' => 'boolean'];
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }
}
