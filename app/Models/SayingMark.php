<?php

declare(strict_types=1);

namespace App\Models;

use Ringo\Rehearsal\Does;
use Ringo\Rehearsal\Foreseen;

/**
 * What an agent should do with something callers say, as a specialist marked it.
 *
 * @property int $id
 * @property int $agent_id
 * @property string $said
 * @property string $said_hash
 * @property Does $does
 * @property string $target topic, `team:KEY` or source; empty where there is none
 */
final class SayingMark extends Model
{
    protected $table = 'saying_marks';

    protected $fillable = ['agent_id', 'said', 'said_hash', 'does', 'target', 'user_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['does' => Does::class];
    }

    public static function hash(string $said): string
    {
        return hash('sha256', mb_strtolower(trim($said)));
    }

    /** Whether the agent does as marked. 'Not for us' holds where it serves nobody with it. */
    public function holds(Foreseen $foreseen): bool
    {
        return $this->does->serves()
            ? $foreseen->target === $this->target && ($this->target !== '' || $foreseen->does === $this->does)
            : ! $foreseen->does->serves();
    }
}
