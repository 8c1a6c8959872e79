<?php

declare(strict_types=1);

namespace App\Actions\Errands;

use Ringo\Errand\Reply;

/** What an errand that was really run came to: how it is read, and the answer as it stood. */
final readonly class Came
{
    public function __construct(public Reply $reply, public int $milliseconds, public int $status = 0, public string $body = '')
    {
    }
}
