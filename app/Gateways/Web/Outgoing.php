<?php

declare(strict_types=1);

namespace App\Gateways\Web;

use GuzzleHttp\Exception\ConnectException;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Factory as Http;
use Ringo\Errand\Request;

/**
 * Sends web requests out: only to hosts that are allowed, never to private addresses unless the configuration says so,
 * to the very address that was looked at, for a limited time, without following redirects, reading a limited answer.
 *
 * Hosts under `.example` are the stand-in systems that ship with Ringo; they are asked over HTTP like any other.
 */
final readonly class Outgoing
{
    /** An answer longer than this is cut off and counts as failed. */
    public const MOST_BYTES = 262_144;

    public function __construct(private Http $http, private PublicAddress $addresses = new PublicAddress)
    {
    }

    /**
     * @param list<string> $allowed hosts
     * @param array<string, string> $headers beside those of the request
     *
     * @throws NoAnswer
     */
    public function send(Request $request, array $allowed, float $seconds, array $headers = []): Answered
    {
        $host = $request->host();
        if (! in_array($host, $allowed, true)) {
            throw NoAnswer::because("{$host} may not be asked. Add the host to those allowed first");
        }
        [$url, $pin] = $this->address($request->url, $host);
        $pending = $this->http->withHeaders($request->headers + $headers + ['Accept' => 'application/json', 'User-Agent' => 'Ringo'])
            ->timeout($seconds)->connectTimeout($seconds)->withoutRedirecting()->withOptions(['stream' => true] + ($pin === null ? [] : ['curl' => [CURLOPT_RESOLVE => [$pin]]]));
        if ($request->query !== []) {
            $pending = $pending->withQueryParameters($request->query);
        }
        $start = hrtime(true);
        try {
            $answer = $pending->send($request->method, $url, $request->body === null ? [] : [$request->form ? 'form_params' : 'json' => $request->body]);
            $body = $this->read($answer->toPsrResponse()->getBody(), $start, $seconds, $host);
        } catch (ConnectionException|ConnectException $problem) {
            throw $this->took($start) >= $seconds - 0.05 ? NoAnswer::slow($host, $seconds) : NoAnswer::because("{$host} cannot be reached");
        } catch (\RuntimeException $problem) {
            throw $problem instanceof NoAnswer ? $problem : ($this->took($start) >= $seconds - 0.05 ? NoAnswer::slow($host, $seconds) : NoAnswer::because("{$host} broke off its answer"));
        }

        return new Answered($answer->status(), $body, (int) round(1000 * $this->took($start)));
    }

    private function read(\Psr\Http\Message\StreamInterface $stream, int $start, float $seconds, string $host): string
    {
        $body = '';
        while (! $stream->eof()) {
            $body .= $stream->read(16_384);
            if (strlen($body) > self::MOST_BYTES) {
                throw NoAnswer::because("{$host} answered with more than ".intdiv(self::MOST_BYTES, 1024).' KB');
            }
            if ($this->took($start) > $seconds) {
                throw NoAnswer::slow($host, $seconds);
            }
        }

        return $body;
    }

    /** @return array{string, ?string} the address to ask, and the network address its host is held to */
    private function address(string $url, string $host): array
    {
        $system = config('ringo.stand_ins')[$host] ?? null;
        if ($system !== null) {
            $rest = (string) preg_replace('~^https?://[^/?]+~', '', $url);

            return [rtrim((string) config('ringo.stand_in_url'), '/').'/stand-in/'.$system.($rest === '' || $rest[0] !== '/' ? '/'.$rest : $rest), null];
        }
        if (str_ends_with($host, '.example')) {
            throw NoAnswer::because("{$host} is no system there is");
        }
        try {
            return [$url, $this->addresses->pin($url, (bool) config('ringo.web_private'))];
        } catch (\DomainException $problem) {
            throw NoAnswer::because($problem->getMessage());
        }
    }

    private function took(int $start): float
    {
        return (hrtime(true) - $start) / 1e9;
    }
}
