<?php

declare(strict_types=1);

namespace App\Actions\Calls;

/** The call has gone on elsewhere since the page last saw it, or is over; nothing was changed. */
class CallMoved extends \RuntimeException
{
}
