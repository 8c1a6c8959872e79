<?php

declare(strict_types=1);

namespace App\Gateways\Web;

use Illuminate\Http\Client\Factory as Http;
use Psr\Http\Message\StreamInterface;

/**
 * Reads what lies at a web address, from hosts the business allows and never from private addresses.
 *
 * Hosts under `.example` are the stand-in site that ships with the demonstration.
 */
final readonly class AllowedHosts
{
    private const SECONDS = 10;

    private const MOST_BYTES = 8_388_608;

    public function __construct(private Http $http, private PublicAddress $addresses = new PublicAddress)
    {
    }

    /**
     * @param list<string> $hosts that are allowed
     *
     * @throws \DomainException saying what stands against it
     */
    public function read(array $hosts, string $url): string
    {
        $parts = parse_url($url);
        $host = strtolower($parts['host'] ?? '');
        if (! in_array($parts['scheme'] ?? '', ['http', 'https'], true) || $host === '') {
            throw new \DomainException("“{$url}” is no web address; write https://www.pellbrook.example/terms.");
        }
        if (! in_array($host, $hosts, true)) {
            throw new \DomainException("Pages of {$host} may not be fetched. Add the host to those allowed first.");
        }
        if (str_ends_with($host, '.example')) {
            return $this->standIn($host, $parts['path'] ?? '/');
        }
        try {
            $pin = $this->addresses->pin($url, (bool) config('ringo.web_private'));
        } catch (\DomainException $problem) {
            throw new \DomainException("{$problem->getMessage()}.");
        }
        try {
            $answer = $this->http->timeout(self::SECONDS)->withoutRedirecting()->withOptions(['stream' => true, 'curl' => [CURLOPT_RESOLVE => [$pin]]])->get($url);
            $body = $this->body($answer->toPsrResponse()->getBody(), $host);
        } catch (\DomainException $problem) {
            throw $problem;
        } catch (\Throwable) {
            throw new \DomainException("{$host} did not answer within ten seconds. Nothing was changed; try again later.");
        }
        if (! $answer->successful()) {
            throw new \DomainException("{$url}: the server answered {$answer->status()}. Nothing was changed.");
        }

        return $body;
    }

    /** @throws \DomainException where it is larger than a page is */
    private function body(StreamInterface $stream, string $host): string
    {
        $until = microtime(true) + self::SECONDS;
        $body = '';
        while (! $stream->eof()) {
            $body .= $stream->read(65_536);
            if (strlen($body) > self::MOST_BYTES) {
                throw new \DomainException("{$host} sent more than ".intdiv(self::MOST_BYTES, 1_048_576).' MB, which is no page. Nothing was changed.');
            }
            if (microtime(true) > $until) {
                throw new \DomainException("{$host} did not end its answer within ten seconds. Nothing was changed; try again later.");
            }
        }

        return $body;
    }

    /** The site of the demonstration: files that can be changed to see a page change. */
    private function standIn(string $host, string $path): string
    {
        $name = basename($path) === '' || $path === '/' ? 'index.html' : basename($path);
        $name = str_contains($name, '.') ? $name : $name.'.html';
        foreach ([storage_path('app/site/'.$host.'/'.$name), database_path('demo/site/'.$host.'/'.$name)] as $file) {
            if (preg_match('/^[\w.-]+$/', $name) === 1 && preg_match('/^[\w.-]+$/', $host) === 1 && is_file($file)) {
                return (string) file_get_contents($file);
            }
        }

        throw new \DomainException("{$host} has no page {$path}.");
    }
}
