<?php

declare(strict_types=1);

namespace Ringo\Brief;

/**
 * Finds the facts of a business on a page of its site: what the page says for machines (schema.org in JSON-LD or microdata), else its
 * headings and what is written of opening hours. Nothing is taken over by itself: each fact says where it stands.
 *
 * @phpstan-type Fact array{what: string, value: string|array<string, list<string>>, words: string, from: string}
 */
final readonly class PageReader
{
    private const MOST_BYTES = 2_000_000;

    /** Deeper than any page is laid out: what nests further is an attack or a mistake. */
    private const DEEPEST = 60;

    private const LONGEST = 600;

    private const WEEKDAYS = ['monday' => 'mon', 'tuesday' => 'tue', 'wednesday' => 'wed', 'thursday' => 'thu', 'friday' => 'fri', 'saturday' => 'sat', 'sunday' => 'sun'];

    /** @return list<Fact> what: spoken, profile, address, phone or hours; each once, the surest first */
    public function facts(string $html): array
    {
        $page = new \DOMDocument;
        $before = libxml_use_internal_errors(true);
        $page->loadHTML('<?xml encoding="utf-8"?>'.mb_scrub(substr($html, 0, self::MOST_BYTES)), LIBXML_NONET | LIBXML_NOERROR | LIBXML_NOWARNING);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $path = new \DOMXPath($page);
        $facts = [];
        foreach ([...$this->machine($path), ...$this->micro($path), ...$this->written($path)] as $fact) {
            $facts[$fact['what']] ??= $fact;
        }

        return array_values($facts);
    }

    /** @return list<Fact> */
    private function machine(\DOMXPath $path): array
    {
        $facts = [];
        foreach ($this->nodes($path, '//script[@type="application/ld+json"]') as $script) {
            $data = json_decode((string) $script->textContent, true, self::DEEPEST);
            foreach ($this->things(is_array($data) ? $data : []) as $thing) {
                array_push($facts, ...$this->thing($thing));
            }
        }

        return $facts;
    }

    /**
     * @param array<array-key, mixed> $data
     *
     * @return list<array<array-key, mixed>> the parts that speak of a business
     */
    private function things(array $data): array
    {
        if (isset($data['address']) || isset($data['telephone']) || isset($data['openingHours']) || isset($data['openingHoursSpecification'])) {
            return [$data];
        }
        $things = [];
        foreach ($data as $one) {
            if (is_array($one)) {
                array_push($things, ...$this->things($one));
            }
        }

        return $things;
    }

    /**
     * @param array<array-key, mixed> $thing
     *
     * @return list<Fact>
     */
    private function thing(array $thing): array
    {
        $facts = [];
        $from = 'told to machines (JSON-LD)';
        foreach (['name' => 'spoken', 'description' => 'profile', 'telephone' => 'phone'] as $key => $what) {
            $facts[] = $this->fact($what, $thing[$key] ?? null, $from);
        }
        $address = $thing['address'] ?? null;
        $facts[] = $this->fact('address', is_array($address) ? implode(', ', array_filter(array_map(static fn (string $key): string => is_string($address[$key] ?? null) ? trim($address[$key]) : '', ['streetAddress', 'addressLocality', 'addressRegion', 'postalCode']), static fn (string $one): bool => $one !== '')) : $address, $from);
        $written = $thing['openingHours'] ?? [];
        $facts[] = $this->hours((new WrittenHours)->week(implode('; ', array_filter(is_array($written) ? $written : [$written], is_string(...)))), $from);
        $facts[] = $this->hours($this->specified($thing['openingHoursSpecification'] ?? []), $from);

        return array_values(array_filter($facts));
    }

    /** @return array<string, list<string>> */
    private function specified(mixed $all): array
    {
        $text = [];
        foreach (is_array($all) ? (array_is_list($all) ? $all : [$all]) : [] as $one) {
            if (! is_array($one) || ! is_string($one['opens'] ?? null) || ! is_string($one['closes'] ?? null)) {
                continue;
            }
            foreach ((array) ($one['dayOfWeek'] ?? []) as $day) {
                $name = is_string($day) ? (self::WEEKDAYS[strtolower(basename($day))] ?? null) : null;
                if ($name !== null) {
                    $text[] = $name.' '.substr($one['opens'], 0, 5).'-'.substr($one['closes'], 0, 5);
                }
            }
        }

        return (new WrittenHours)->week(implode('; ', $text));
    }

    /** @return list<Fact> */
    private function micro(\DOMXPath $path): array
    {
        $facts = [];
        $from = 'marked on the page (microdata)';
        $read = function (string $name) use ($path): string {
            $parts = [];
            foreach ($this->nodes($path, "//*[@itemprop='{$name}']") as $node) {
                $content = $node instanceof \DOMElement ? ($node->getAttribute('content') ?: $node->getAttribute('datetime')) : '';
                $parts[] = trim($content !== '' ? $content : (string) $node->textContent);
            }

            return implode('; ', array_filter($parts, static fn (string $one): bool => $one !== ''));
        };
        foreach (['telephone' => 'phone', 'description' => 'profile'] as $name => $what) {
            $facts[] = $this->fact($what, explode('; ', $read($name))[0], $from);
        }
        $address = array_filter(array_map($read, ['streetAddress', 'addressLocality', 'postalCode']), static fn (string $one): bool => $one !== '');
        $facts[] = $this->fact('address', implode(', ', $address), $from);
        $facts[] = $this->hours((new WrittenHours)->week($read('openingHours')), $from);

        return array_values(array_filter($facts));
    }

    /** @return list<Fact> */
    private function written(\DOMXPath $path): array
    {
        foreach ($this->nodes($path, '//script|//style|//template') as $node) {
            $node->parentNode?->removeChild($node);
        }
        $text = fn (string $query): string => trim((string) preg_replace('/\s+/u', ' ', (string) (($this->nodes($path, $query)[0] ?? null)?->textContent)));
        // Cells and lines of their own are read as such.
        $body = [];
        foreach ($this->nodes($path, '//body//text()') as $node) {
            $body[] = trim((string) preg_replace('/\s+/u', ' ', (string) $node->textContent));
        }
        $all = implode(' ', array_filter($body, static fn (string $one): bool => $one !== ''));
        $facts = [
            $this->fact('spoken', $text('//h1'), 'the heading of the page'),
            $this->fact('profile', $text("//meta[@name='description']/@content"), 'the description of the page'),
            $this->hours((new WrittenHours)->week($all), 'written on the page'),
        ];
        if (preg_match('/(?:tel(?:ephone)?|phone|call(?: us)?(?: on)?|ring(?: us)?(?: on)?)\b[:.\s]*(\+?[\d][\d\s()-]{7,18}\d)/iu', $all, $m) === 1) {
            $facts[] = $this->fact('phone', $m[1], 'written on the page');
        }

        return array_values(array_filter($facts));
    }

    /** @return list<\DOMNode> */
    private function nodes(\DOMXPath $path, string $query): array
    {
        $found = $path->query($query);

        return $found === false ? [] : array_values(array_filter(iterator_to_array($found), static fn (object $one): bool => $one instanceof \DOMNode));
    }

    /** @return Fact|null */
    private function fact(string $what, mixed $value, string $from): ?array
    {
        $value = is_string($value) ? trim((string) preg_replace('/\s+/u', ' ', $value)) : '';
        $value = mb_substr($value, 0, self::LONGEST);

        return $value === '' ? null : ['what' => $what, 'value' => $value, 'words' => $value, 'from' => $from];
    }

    /**
     * @param array<string, list<string>> $week
     *
     * @return Fact|null
     */
    private function hours(array $week, string $from): ?array
    {
        return $week === [] ? null : ['what' => 'hours', 'value' => $week, 'words' => implode('; ', array_map(static fn (string $day, array $spans): string => ucfirst($day).' '.implode(', ', $spans), array_keys($week), $week)), 'from' => $from];
    }
}
