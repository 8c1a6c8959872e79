<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\ShownAsCopy;
use App\Support\Search\RecordSearch;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletingScope;
use Ringo\Sheet\RecordSheet as Sheet;

/**
 * What one call left.
 *
 * @property int $id
 * @property int $call_id
 * @property int $business_id
 * @property int $agent_id
 * @property array<string, array{value: mixed, display: string, confidence: float, origin: string, turn: ?int, said: string, confirmed: bool, doubt: ?string}> $cells
 * @property list<string> $declined
 * @property list<string> $missing
 * @property string $outcome
 * @property string $summary
 * @property bool $doubtful
 * @property ?int $record_sheet_id
 * @property int $sheet_version
 * @property ?list<string> $next_actions
 * @property ?array<string, string> $doubts
 * @property-read Call $call
 * @property-read ?RecordSheet $furtherSheet
 * @property-read \Illuminate\Database\Eloquent\Collection<int, RecordCheck> $checks
 */
final class CallRecord extends Model
{
    use ShownAsCopy;

    protected $table = 'records';

    protected $fillable = ['call_id', 'business_id', 'agent_id', 'cells', 'declined', 'missing', 'outcome', 'summary', 'doubtful', 'record_sheet_id', 'sheet_version', 'next_actions', 'doubts', 'created_at', 'updated_at'];

    protected static function booted(): void
    {
        self::saved(static function (self $record): void {
            if ($record->wasRecentlyCreated || $record->wasChanged('cells')) {
                RecordSearch::put($record->call_id, $record->cells);
            }
        });
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['cells' => 'array', 'declined' => 'array', 'missing' => 'array', 'doubtful' => 'boolean', 'next_actions' => 'array', 'doubts' => 'array'];
    }

    /**
     * Whether somebody should look at a record: a value in doubt, or a required one missing; where a person took the call, what is missing was theirs to ask.
     *
     * @param array<array-key, mixed> $missing
     * @param array<array-key, mixed> $doubts
     * @param array<array-key, array{doubt: ?string}> $cells
     */
    public static function worthALook(Call $call, array $missing, array $doubts, array $cells): bool
    {
        $handed = ($call->state['connected']['person'] ?? null) !== null;

        return $missing !== [] && ! $handed || $doubts !== [] || array_filter($cells, static fn (array $cell): bool => $cell['doubt'] !== null) !== [];
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }

    /** @return \Illuminate\Database\Eloquent\Relations\HasMany<RecordCheck, $this> */
    public function checks(): \Illuminate\Database\Eloquent\Relations\HasMany
    {
        return $this->hasMany(RecordCheck::class, 'record_id');
    }

    /** @return BelongsTo<RecordSheet, $this> the further sheet it was made with */
    public function furtherSheet(): BelongsTo
    {
        return $this->belongsTo(RecordSheet::class, 'record_sheet_id')->withoutGlobalScope(SoftDeletingScope::class);
    }

    /**
     * The fields it was made with: those of the script the call ran, and of the further sheet as it was then.
     *
     * @return array<string, \Ringo\Sheet\Field>
     */
    public function fields(): array
    {
        $further = $this->furtherSheet;

        return $this->call->scriptText->script()->sheet->fields + ($further === null ? [] : Sheet::fromArray($further->schemaAt($this->sheet_version))->fields);
    }
}
