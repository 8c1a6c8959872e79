<?php

declare(strict_types=1);

namespace App\Gateways\Web;

use Illuminate\Http\Client\Factory as Http;

/**
 * Reads what lies at a web address, from hosts the business allows and never from private addresses.
 *
 * Hosts under `.example` are the stand-in site that ships with the demonstration.
 */
final readonly class AllowedHosts
{
    public function __construct(private Http $http)
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
        foreach (gethostbynamel($host) ?: [] as $address) {
            if (filter_var($address, FILTER_VALIDATE_IP, FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE) === false && ! config('ringo.web_private')) {
                throw new \DomainException("{$host} is a private address; nothing is fetched from there.");
            }
        }
        try {
            $answer = $this->http->timeout(10)->withoutRedirecting()->get($url);
        } catch (\Throwable) {
            throw new \DomainException("{$host} did not answer within ten seconds. Nothing was changed; try again later.");
        }
        if (! $answer->successful()) {
            throw new \DomainException("{$url}: the server answered {$answer->status()}. Nothing was changed.");
        }

        return $answer->body();
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
