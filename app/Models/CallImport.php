<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A file of transcripts that is brought in, and how far it has come.
 *
 * @property int $id
 * @property int $business_id
 * @property int $agent_id
 * @property string $path on the private disk
 * @property string $status queued, running or done
 * @property int $total transcripts in the file
 * @property int $done of them looked at
 * @property int $made
 * @property int $there that were brought in before
 * @property list<string> $problems what was left out, and why
 * @property-read Agent $agent
 */
final class CallImport extends Model
{
    public const FOLDER = 'call-imports';

    protected $table = 'call_imports';

    protected $fillable = ['business_id', 'agent_id', 'path', 'status', 'total', 'done', 'made', 'there', 'problems'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['problems' => 'array', 'total' => 'integer', 'done' => 'integer', 'made' => 'integer', 'there' => 'integer'];
    }

    /** @return BelongsTo<Agent, $this> */
    public function agent(): BelongsTo
    {
        return $this->belongsTo(Agent::class);
    }

    public function over(): bool
    {
        return $this->status === 'done';
    }

    public function inWords(): string
    {
        return $this->made.' transcripts were brought in and read.'.($this->there > 0 ? ($this->made === 0 ? " All {$this->there} of it were there before; nothing was doubled." : " {$this->there} were there already.") : '').($this->problems === [] ? '' : ' Left out: '.implode('; ', array_slice($this->problems, 0, 4)));
    }
}
