<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Actions\Deliveries\Kinds\DeliveryKinds;
use App\Gateways\Post\NotDelivered;
use App\Gateways\Post\PostGateway;
use App\Models\Delivery;
use Ringo\Delivery\Retries;

/**
 * Sends what is due. A delivery is claimed before it is sent, so that two workers never send the same; one whose worker died is
 * taken up again after two minutes under the same key, which the other side has seen if it arrived.
 */
final readonly class DeliverDue
{
    private const FORGOTTEN = 120;

    public function __construct(private PostGateway $gateway, private Retries $retries = new Retries)
    {
    }

    /** @return int how many were tried */
    public function run(int $most = 50): int
    {
        Delivery::query()->where('state', 'sending')->where('claimed_at', '<', now()->subSeconds(self::FORGOTTEN))->update(['state' => 'waiting']);
        $tried = 0;
        while ($tried < $most && ($delivery = $this->claim()) !== null) {
            $this->send($delivery);
            $tried++;
        }

        return $tried;
    }

    public function again(Delivery $delivery): void
    {
        $delivery->update(['state' => 'waiting', 'attempts' => 0, 'due_at' => now(), 'problem' => '', 'log' => [...$delivery->log, ['at' => now()->toIso8601String(), 'what' => 'sent again by hand']]]);
    }

    private function claim(): ?Delivery
    {
        $id = Delivery::query()->whereIn('state', ['waiting', 'failed'])->where('due_at', '<=', now())->orderBy('due_at')->value('id');
        if ($id === null) {
            return null;
        }
        // Whoever changes the row first has it.
        $mine = Delivery::query()->whereKey($id)->whereIn('state', ['waiting', 'failed'])->update(['state' => 'sending', 'claimed_at' => now()]);

        return $mine === 1 ? Delivery::query()->with('rule')->whereKey($id)->first() : $this->claim();
    }

    private function send(Delivery $delivery): void
    {
        $delivery->attempts++;
        $headers = DeliveryKinds::of($delivery->kind)->headers($delivery->key, $delivery->body, $delivery->rule?->secret);
        try {
            $answer = $this->gateway->deliver($delivery, $headers);
            $delivery->fill(['state' => 'sent', 'sent_at' => now(), 'problem' => '', 'log' => [...$delivery->log, ['at' => now()->toIso8601String(), 'what' => "try {$delivery->attempts}: {$answer}"]]])->save();
        } catch (NotDelivered $problem) {
            $pause = $problem->final ? null : $this->retries->pause($delivery->attempts);
            $delivery->fill([
                'state' => $pause === null ? 'dead' : 'failed',
                'due_at' => now()->addSeconds($pause ?? 0),
                'problem' => mb_substr($problem->getMessage(), 0, 250),
                'log' => [...$delivery->log, ['at' => now()->toIso8601String(), 'what' => "try {$delivery->attempts}: {$problem->getMessage()}".($pause === null ? '; given up' : "; again in {$pause} s")]],
            ])->save();
        }
    }
}
