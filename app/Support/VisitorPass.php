<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Call;

/** What a visitor's page holds of its call: signed, short-lived, and good for that call alone. */
final readonly class VisitorPass
{
    /** Minutes a pass is good for; each answer brings a new one. */
    private const MINUTES = 20;

    public function for(Call $call): string
    {
        $body = $call->ref.'.'.now()->addMinutes(self::MINUTES)->getTimestamp();

        return $body.'.'.$this->sign($body, (string) $call->origin);
    }

    /** The call a pass is good for, from the page it was given to. */
    public function call(string $pass, string $origin): ?Call
    {
        $parts = explode('.', $pass);
        if (count($parts) !== 3 || ! ctype_digit($parts[1]) || (int) $parts[1] < now()->getTimestamp() || ! hash_equals($this->sign($parts[0].'.'.$parts[1], $origin), $parts[2])) {
            return null;
        }

        /** @var ?Call $call */
        $call = Call::query()->with('line', 'business', 'scriptText')->where('ref', $parts[0])->where('origin', $origin)->first();

        return $call;
    }

    private function sign(string $body, string $origin): string
    {
        return hash_hmac('sha256', 'visitor|'.$body.'|'.$origin, (string) config('app.key'));
    }
}
