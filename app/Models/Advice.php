<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Ringo\Advice\Opinion;
use Ringo\Advice\Purpose;

/**
 * What an adviser was asked, word for word, and what came of it.
 *
 * @property int $id
 * @property int $business_id
 * @property ?int $call_id null where it was only tried out
 * @property string $ident of the opinion in its call; empty for a field of the record
 * @property string $purpose
 * @property string $doubt key of what was asked
 * @property string $field of the record, where it is about one
 * @property ?array<string, mixed> $request the body that was sent; null where nothing was sent
 * @property string $answer the beginning of what came back
 * @property string $status taken, none, thrown_away, slow, failed
 * @property string $value the choice or the words that were taken
 * @property string $why nothing may be used
 * @property int $milliseconds
 * @property int $tokens_in
 * @property int $tokens_out
 * @property int $millionths of the money it cost
 * @property float $at seconds into the call
 * @property \Illuminate\Support\Carbon $created_at
 * @property-read ?Call $call
 */
final class Advice extends Model
{
    /** Words for what came of it. */
    public const WORDS = [Opinion::TAKEN => 'taken', Opinion::NONE => 'none of these', Opinion::THROWN_AWAY => 'thrown away', Opinion::SLOW => 'too slow', Opinion::FAILED => 'failed'];

    protected $table = 'advices';

    protected $fillable = ['business_id', 'call_id', 'ident', 'purpose', 'doubt', 'field', 'request', 'answer', 'status', 'value', 'why', 'milliseconds', 'tokens_in', 'tokens_out', 'millionths', 'at'];

    protected $attributes = ['ident' => '', 'field' => '', 'answer' => '', 'value' => '', 'why' => '', 'milliseconds' => 0, 'tokens_in' => 0, 'tokens_out' => 0, 'millionths' => 0, 'at' => 0];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['request' => 'array', 'at' => 'float'];
    }

    /** @return BelongsTo<Call, $this> */
    public function call(): BelongsTo
    {
        return $this->belongsTo(Call::class);
    }

    public function purpose(): Purpose
    {
        return Purpose::from($this->purpose);
    }

    public function opinion(): Opinion
    {
        return new Opinion($this->status, $this->value, $this->why, $this->tokens_in, $this->tokens_out);
    }

    /** Takes out all that was said and answered; that it was asked, and what it cost, stays for the figures. */
    public static function forget(Call $call): void
    {
        self::query()->where('call_id', $call->id)->update(['request' => null, 'answer' => '', 'value' => '', 'why' => 'erased']);
    }

    /** @return Builder<self> what was asked for the sake of a call, in order */
    public static function of(Call $call): Builder
    {
        return self::query()->where('call_id', $call->id)->orderBy('id');
    }
}
