<?php

declare(strict_types=1);

namespace App\Actions\Knowledge;

use App\Models\Business;
use App\Models\KnowledgeSource;
use Illuminate\Http\Client\Factory as Http;
use Ringo\Knowledge\Reading\UnreadableSource;

/**
 * Fetches a web page, or the pages of a site map, as a source; only from hosts the business allows.
 *
 * Hosts under `.example` are the stand-in site that ships with the demonstration.
 */
final readonly class FetchPage
{
    /** Most pages taken from one site map. */
    public const PAGES = 200;

    public function __construct(private KeepSource $keep, private Http $http)
    {
    }

    /**
     * @return list<KnowledgeSource>
     *
     * @throws UnreadableSource
     */
    public function fetch(Business $business, string $url): array
    {
        $body = $this->read($business, $url);
        if (preg_match('/<(?:urlset|sitemapindex)\b/i', $body) === 1) {
            preg_match_all('~<loc>\s*([^<\s]+)\s*</loc>~i', $body, $found);
            $made = [];
            foreach (array_slice(array_unique($found[1]), 0, self::PAGES) as $page) {
                $made[] = $this->one($business, html_entity_decode($page), $this->read($business, html_entity_decode($page)));
            }

            return $made === [] ? throw new UnreadableSource("{$url}: this site map names no pages.") : $made;
        }

        return [$this->one($business, $url, $body)];
    }

    private function one(Business $business, string $url, string $body): KnowledgeSource
    {
        $known = $business->knowledgeSources()->where('url', $url)->first();
        $path = trim((string) parse_url($url, PHP_URL_PATH), '/');
        $name = parse_url($url, PHP_URL_HOST).($path === '' ? '' : '-'.str_replace('/', '-', $path));
        $name = preg_match('/\.(?:html?|md|txt|pdf|csv)$/i', $name) === 1 ? $name : $name.'.html';

        return $this->keep->keep($business, $known->name ?? mb_substr($name, 0, 180), 'page', $body, $url, $known);
    }

    private function read(Business $business, string $url): string
    {
        $parts = parse_url($url);
        $host = strtolower($parts['host'] ?? '');
        if (! in_array($parts['scheme'] ?? '', ['http', 'https'], true) || $host === '') {
            throw new UnreadableSource("“{$url}” is no web address; write https://www.pellbrook.example/terms.");
        }
        if (! in_array($host, $business->knowledge_hosts ?? [], true)) {
            throw new UnreadableSource("Pages of {$host} may not be fetched. Add the host to those allowed first.");
        }
        if (str_ends_with($host, '.example')) {
            return $this->standIn($host, $parts['path'] ?? '/');
        }
        foreach (gethostbynamel($host) ?: [] as $address) {
            if (filter_var($address, FILTER_VALIDATE_IP, FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE) === false && ! config('ringo.web_private')) {
                throw new UnreadableSource("{$host} is a private address; pages are not fetched from there.");
            }
        }
        try {
            $answer = $this->http->timeout(10)->withoutRedirecting()->get($url);
        } catch (\Throwable) {
            throw new UnreadableSource("{$host} did not answer within ten seconds. Nothing was changed; try again later.");
        }
        if (! $answer->successful()) {
            throw new UnreadableSource("{$url}: the server answered {$answer->status()}. Nothing was changed.");
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

        throw new UnreadableSource("{$host} has no page {$path}.");
    }
}
