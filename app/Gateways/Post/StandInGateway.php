<?php

declare(strict_types=1);

namespace App\Gateways\Post;

use App\Models\Delivery;
use App\Models\Gateway;
use App\Models\GatewayReceipt;

/**
 * Stands in for e-mail, text and other people's servers: keeps what it receives for the post room to show.
 *
 * It can be told to fail, to be slow or to lose its answers: then the message has arrived and the sender does not know.
 */
final readonly class StandInGateway implements PostGateway
{
    public const MODES = ['works' => 'works', 'fails' => 'fails', 'slow' => 'is slow', 'loses' => 'loses answers'];

    public function deliver(Delivery $delivery, array $headers): string
    {
        $mode = Gateway::query()->where('business_id', $delivery->business_id)->where('kind', $delivery->kind)->value('mode') ?? 'works';
        if ($mode === 'fails') {
            throw new NotDelivered($delivery->kind === 'web' ? 'the server answered 503 Service Unavailable' : 'the gateway refused it for now');
        }
        if ($mode === 'slow') {
            usleep((int) config('ringo.slow_gateway_ms', 1500) * 1000);
        }
        $enclosure = $delivery->enclosure();
        if ($enclosure !== null) {
            $headers += ['Enclosed' => "{$enclosure->name}; {$enclosure->mime}; {$enclosure->size()}; sha256 ".substr($enclosure->sha256, 0, 16)];
        }
        $known = GatewayReceipt::query()->where('key', $delivery->key)->first();
        if ($known !== null) {
            // The key was seen: nothing is taken twice.
            GatewayReceipt::query()->whereKey($known->id)->increment('times');
        } else {
            GatewayReceipt::query()->create(['business_id' => $delivery->business_id, 'kind' => $delivery->kind, 'key' => $delivery->key, 'to' => $delivery->to, 'body' => ($delivery->subject === '' ? '' : $delivery->subject."\n\n").$delivery->body, 'headers' => $headers, 'times' => 1]);
        }
        if ($mode === 'loses') {
            throw new NotDelivered('no answer came within ten seconds; it may have arrived');
        }

        return $known === null ? ($delivery->kind === 'web' ? '200 OK' : 'taken') : 'had it already';
    }
}
