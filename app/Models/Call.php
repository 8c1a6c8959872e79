<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\ShownAsCopy;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Ringo\Transcript\Transcript;
use Ringo\Transcript\Turn as TranscriptTurn;

/**
 * One call, rehearsed or real, with the state it can be taken up from.
 *
 * @property int $id
 * @property string $ref
 * @property int $business_id
 * @property int $agent_id
 * @property int $script_text_id
 * @property ?int $release_id
 * @property ?int $contact_id
 * @property ?int $line_id
 * @property string $kind rehearsal or live
 * @property string $direction
 * @property ?string $from E.164
 * @property ?string $to E.164
 * @property string $caller_name
 * @property string $status in_progress or ended
 * @property string $outcome
 * @property float $seconds
 * @property Carbon $started_at in UTC
 * @property string $tz
 * @property int $step how many events have been handled
 * @property array<string, mixed> $state
 * @property Carbon $last_event_at
 * @property ?list<array{at: float, kind: string, name: string, status?: string, seconds?: float}> $marks what happened between the words: rung, taken, refused, errand
 * @property ?array{how: string, seconds: int|float} $errands how a rehearsal has errands answered
 * @property ?int $guest_pass_id
 * @property ?string $origin page a visitor rang from
 * @property ?list<string> $way how its line brought it to whoever answered, in words
 * @property ?string $staff_note
 * @property ?array{how: string, after: int} $colleague how the simulated colleague answers
 * @property ?string $brought what a call that was brought in is known by
 * @property ?Carbon $deleted_at
 * @property ?string $topic of its state, kept beside it so that lists need not read the state
 * @property ?string $taken_by key of the person it was put through to, likewise
 * @property int $slowest_microseconds of its turns
 * @property-read ?CallStep $newestStep
 * @property-read Agent $agent
 * @property-read Business $business
 * @property-read ScriptText $scriptText
 * @property-read ?Release $release
 * @property-read ?Contact $contact
 * @property-read ?Line $line
 * @property-read ?CallRecord $record
 * @property-read Business $business
 * @property-read \Illuminate\Database\Eloquent\Collection<int, CallTurn> $turns
 * @property-read \Illuminate\Database\Eloquent\Collection<int, CallStep> $steps
 */
final class Call extends Model
{
    use ShownAsCopy;
    use SoftDeletes;

    protected $table = 'calls';

    protected $fillable = ['ref', 'business_id', 'agent_id', 'script_text_id', 'release_id', 'contact_id', 'rung_by', 'kind', 'direction', 'from', 'to', 'caller_name', 'status', 'outcome', 'seconds', 'started_at', 'tz', 'step', 'state', 'last_event_at', 'marks', 'staff_note', 'colleague', 'errands', 'line_id', 'way', 'origin', 'guest_pass_id', 'brought', 'slowest_microseconds', 'created_at', 'updated_at'];

    protected static function booted(): void
    {
        self::saving(static function (self $call): void {
            if (! $call->exists || $call->isDirty('state')) {
                $state = $call->state;
                $topic = $state['topic'] ?? null;
                $person = $state['connected']['person'] ?? null;
                $call->topic = is_string($topic) ? $topic : null;
                $call->taken_by = is_string($person) ? $person : null;
            }
        });
    }

    public function getRouteKeyName(): string
    {
        return 'ref';
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['state' => 'array', 'started_at' => 'datetime', 'last_event_at' => 'datetime', 'marks' => 'array', 'colleague' => 'array', 'errands' => 'array', 'way' => 'array', 'seconds' => 'float', 'slowest_microseconds' => 'integer'];
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

    /** @return BelongsTo<ScriptText, $this> */
    public function scriptText(): BelongsTo
    {
        return $this->belongsTo(ScriptText::class);
    }

    /** @return BelongsTo<Release, $this> */
    public function release(): BelongsTo
    {
        return $this->belongsTo(Release::class);
    }

    /** @return BelongsTo<Contact, $this> */
    public function contact(): BelongsTo
    {
        return $this->belongsTo(Contact::class);
    }

    /** @return BelongsTo<Line, $this> */
    public function line(): BelongsTo
    {
        return $this->belongsTo(Line::class);
    }

    /** @return HasMany<CallTurn, $this> */
    public function turns(): HasMany
    {
        return $this->hasMany(CallTurn::class)->orderBy('n');
    }

    /** @return HasOne<CallStep, $this> the last thing that happened */
    public function newestStep(): HasOne
    {
        return $this->hasOne(CallStep::class)->orderByDesc('n');
    }

    /**
     * Takes the lock for writing and the row as it is then, in one statement: a second window waits here. What else was loaded stays.
     *
     * @throws ModelNotFoundException where the call is gone
     */
    public function lockAndReload(): void
    {
        $now = $this->freshTimestampString();
        $row = DB::select('update calls set updated_at = ? where id = ? and deleted_at is null returning *', [$now, $this->id])[0] ?? throw (new ModelNotFoundException)->setModel(self::class, [$this->id]);
        $this->setRawAttributes((array) $row, true);
    }

    /** @return HasMany<CallStep, $this> */
    public function steps(): HasMany
    {
        return $this->hasMany(CallStep::class)->orderBy('n');
    }

    /** @return HasMany<Offer, $this> */
    public function offers(): HasMany
    {
        return $this->hasMany(Offer::class)->orderBy('id');
    }

    /** @return HasOne<CallRecord, $this> */
    public function record(): HasOne
    {
        return $this->hasOne(CallRecord::class);
    }

    public function inProgress(): bool
    {
        return $this->status === 'in_progress';
    }

    /** When the call was placed, in its own time zone. */
    public function placedAt(): Carbon
    {
        return $this->started_at->setTimezone($this->tz);
    }

    public function transcript(): Transcript
    {
        return new Transcript(
            $this->ref,
            $this->placedAt()->format('c'),
            $this->tz,
            $this->business->country,
            $this->direction,
            $this->from,
            $this->to,
            array_values($this->turns->map(static fn (CallTurn $turn): TranscriptTurn => $turn->toTranscript())->all()),
        );
    }

    /** @return HasMany<Delivery, $this> */
    public function deliveries(): HasMany
    {
        return $this->hasMany(Delivery::class)->orderBy('id');
    }
}
