<?php

declare(strict_types=1);

namespace App\Actions\Knowledge;

use App\Gateways\Web\AllowedHosts;
use App\Models\Business;
use App\Models\KnowledgeSource;
use Ringo\Knowledge\Reading\UnreadableSource;

/**
 * Fetches a web page, or the pages of a site map, as a source; only from hosts the business allows.
 */
final readonly class FetchPage
{
    /** Most pages taken from one site map. */
    public const PAGES = 200;

    public function __construct(private KeepSource $keep, private AllowedHosts $web)
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
        try {
            return $this->web->read($business->knowledge_hosts ?? [], $url);
        } catch (\DomainException $problem) {
            throw new UnreadableSource($problem->getMessage());
        }
    }
}
