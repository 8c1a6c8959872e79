<?php

declare(strict_types=1);

namespace App\Gateways\Post;

use App\Gateways\Web\PublicAddress;
use App\Models\Delivery;
use Illuminate\Contracts\Mail\Factory as Mail;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory as Http;
use Illuminate\Mail\Message;

/**
 * Chooses the way out by configuration: the stand-ins by default, the real adapters where `ringo.post` names them.
 *
 * What a rehearsal causes always stays with the stand-ins. Web requests leave the machine only to hosts of `ringo.web_allow`, never to private addresses.
 */
final readonly class Gateways implements PostGateway
{
    public function __construct(private StandInGateway $standIn, private Mail $mail, private Http $http, private PublicAddress $addresses = new PublicAddress)
    {
    }

    public function deliver(Delivery $delivery, array $headers): string
    {
        return match (true) {
            // A rehearsal reaches nobody outside, however the ways out are configured; a rule's test button does, as it is meant to.
            $delivery->exists && $delivery->call?->kind === 'rehearsal' => $this->standIn->deliver($delivery, $headers),
            $delivery->kind === 'email' && config('ringo.post.email') === 'mail' => $this->email($delivery),
            $delivery->kind === 'web' && $this->allowed($delivery->to) => $this->web($delivery, $headers),
            default => $this->standIn->deliver($delivery, $headers),
        };
    }

    private function allowed(string $url): bool
    {
        $host = strtolower((string) parse_url($url, PHP_URL_HOST));

        return $host !== '' && in_array($host, (array) config('ringo.web_allow', []), true);
    }

    private function email(Delivery $delivery): string
    {
        $enclosure = $delivery->enclosure();
        try {
            $this->mail->mailer()->raw($delivery->body, static function (Message $message) use ($delivery, $enclosure): void {
                $message->to($delivery->to)->subject($delivery->subject);
                if ($enclosure !== null) {
                    $message->attachData((string) $enclosure->content(), $enclosure->name, ['mime' => $enclosure->mime]);
                }
                $message->getHeaders()->addTextHeader('X-Message-Key', $delivery->key);
            });
        } catch (\Throwable $problem) {
            throw new NotDelivered($problem->getMessage());
        }

        return 'taken';
    }

    /** @param array<string, string> $headers */
    private function web(Delivery $delivery, array $headers): string
    {
        try {
            $pin = $this->addresses->pin($delivery->to, (bool) config('ringo.web_private'));
        } catch (\DomainException $problem) {
            throw new NotDelivered($problem->getMessage(), str_contains($problem->getMessage(), 'private') || str_contains($problem->getMessage(), 'no name'));
        }
        try {
            $answer = $this->http->timeout(10)->withoutRedirecting()->withOptions(['curl' => [CURLOPT_RESOLVE => [$pin]]])->withHeaders($headers)->withBody($delivery->body, 'application/json')->post($delivery->to);
        } catch (ConnectionException $problem) {
            throw new NotDelivered('no answer came within ten seconds; it may have arrived ('.$problem->getMessage().')');
        }
        if (! $answer->successful()) {
            throw new NotDelivered("the server answered {$answer->status()}", $answer->status() === 410);
        }

        return $answer->status().' '.$answer->reason();
    }
}
