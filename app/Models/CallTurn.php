<?php

declare(strict_types=1);

namespace App\Models;

use App\Models\Concerns\ShownAsCopy;
use Ringo\Transcript\Turn;

/**
 * One turn of a call's transcript.
 *
 * @property int $call_id
 * @property int $n from 0
 * @property string $by
 * @property string $text
 * @property float $at
 * @property float $seconds
 * @property bool $keys
 * @property list<string> $steps
 * @property bool $cut whether the caller broke in
 * @property ?int $voice_milliseconds what rendering its words took, the first time
 * @property ?string $whole what would have been said, where it was cut short
 */
final class CallTurn extends Model
{
    use ShownAsCopy;

    public $timestamps = false;

    protected $table = 'call_turns';

    protected $fillable = ['call_id', 'n', 'by', 'text', 'at', 'seconds', 'keys', 'steps', 'cut', 'whole', 'sources'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['keys' => 'boolean', 'cut' => 'boolean', 'steps' => 'array', 'sources' => 'array', 'at' => 'float', 'seconds' => 'float'];
    }

    public function toTranscript(): Turn
    {
        return new Turn($this->by, $this->text, $this->at, $this->seconds, $this->keys, $this->steps, $this->cut, $this->whole);
    }
}
