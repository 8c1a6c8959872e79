<?php

declare(strict_types=1);

namespace App\Actions\Calls;

/** What rang here rings no more: a colleague was quicker, or it rang out. */
final class OfferTaken extends CallMoved
{
}
