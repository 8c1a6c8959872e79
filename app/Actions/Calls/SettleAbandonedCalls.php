<?php

declare(strict_types=1);

namespace App\Actions\Calls;

use App\Models\Business;
use App\Models\Call;
use Ringo\Dialogue\Event;

/** Hangs up calls that were left half way, so that each leaves its transcript and record. */
final readonly class SettleAbandonedCalls
{
    /** Minutes without an event after which nobody is there any more. */
    public const AFTER = 30;

    public function __construct(private CallHost $host)
    {
    }

    public function in(Business $business): int
    {
        $calls = Call::query()->where('business_id', $business->id)->where('status', 'in_progress')
            ->where('last_event_at', '<', now()->subMinutes(self::AFTER))->limit(50)->get();
        $settled = 0;
        /** @var Call $call */
        foreach ($calls as $call) {
            try {
                $this->host->happen($call, $call->step, Event::hungUp($this->host->at($call, 'hung_up', '')));
                $settled++;
            } catch (CallMoved) {
                continue;
            }
        }

        return $settled;
    }
}
