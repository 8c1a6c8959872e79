<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Reading;

use Masterminds\HTML5;
use Ringo\Knowledge\Document;

/** Reads a web page: headings, paragraphs, lists, definition lists, folded questions and tables; menus, scripts and footers are left out. */
final readonly class Html
{
    private const SKIP = ['script', 'style', 'nav', 'noscript', 'template', 'svg', 'form', 'iframe', 'head', 'footer', 'aside', 'button', 'select'];

    private const BLOCKS = ['div', 'section', 'article', 'main', 'body', 'html', 'header', 'ul', 'ol', 'dl', 'details', 'figure', 'center', 'address', 'blockquote'];

    /** Parts within parts of a page; machines nest more, to keep readers busy. */
    private const DEEPEST = 256;

    /** Elements that hold nothing, or that end where the next of them begins. */
    private const NO_DEPTH = ['br', 'img', 'hr', 'input', 'meta', 'link', 'area', 'base', 'col', 'embed', 'source', 'track', 'wbr', 'p', 'li', 'td', 'th', 'tr', 'dt', 'dd', 'option', 'tbody', 'thead'];

    /** @throws UnreadableSource */
    public function read(string $source, string $html): Document
    {
        $builder = new Builder($source);
        if (preg_match('/<meta[^>]+charset=["\']?([\w-]+)/i', substr($html, 0, 2000), $m) === 1 && strtolower($m[1]) !== 'utf-8' && in_array(strtoupper($m[1]), array_map(strtoupper(...), mb_list_encodings()), true)) {
            $html = mb_convert_encoding($html, 'UTF-8', $m[1]);
        }
        if ($this->nestedTooDeep((string) $html)) {
            throw new UnreadableSource("{$source}: its parts are nested more than ".self::DEEPEST.' deep, which no page is. Paste its text instead.');
        }
        $page = (new HTML5(['disable_html_ns' => true]))->loadHTML((string) $html);
        $title = $page->getElementsByTagName('title')->item(0)?->textContent;
        $first = $page->getElementsByTagName('h1')->item(0);
        if ($first === null && $title !== null && trim($title) !== '') {
            $builder->heading(1, trim((string) preg_replace('/\s*[|–—·-]\s.*$/u', '', $title)));
        }
        $body = $page->getElementsByTagName('main')->item(0) ?? $page->getElementsByTagName('body')->item(0) ?? $page->documentElement;
        if ($body !== null) {
            $this->walk($body, $builder);
        }

        return $builder->document();
    }

    private function walk(\DOMNode $node, Builder $builder): void
    {
        $loose = '';
        foreach ($node->childNodes as $child) {
            $name = strtolower($child->nodeName);
            if ($child instanceof \DOMText) {
                $loose .= $child->textContent;

                continue;
            }
            if (! $child instanceof \DOMElement || in_array($name, self::SKIP, true) || $child->getAttribute('hidden') !== '' || $child->getAttribute('aria-hidden') === 'true') {
                continue;
            }
            $block = in_array($name, [...self::BLOCKS, 'p', 'table', 'li', 'dt', 'dd', 'summary', 'pre', 'caption', 'hr', 'br'], true) || preg_match('/^h[1-6]$/', $name) === 1;
            if (! $block) {
                $loose .= $child->textContent;

                continue;
            }
            if (trim($loose) !== '' && $name !== 'br') {
                $builder->paragraph($loose);
                $loose = '';
            }
            match (true) {
                preg_match('/^h([1-6])$/', $name, $m) === 1 => $builder->heading((int) $m[1], $child->textContent),
                $name === 'table' => $this->table($child, $builder),
                in_array($name, ['dt', 'summary'], true) => str_ends_with(trim($child->textContent), '?') ? $builder->paragraph($child->textContent) : $builder->heading(6, $child->textContent),
                $name === 'li' => $this->nested($child) ? $this->walk($child, $builder) : $builder->item($child->textContent),
                in_array($name, ['p', 'pre', 'caption'], true) => $builder->paragraph($child->textContent),
                $name === 'br' => $loose .= ' ',
                $name === 'hr' => null,
                default => $this->walk($child, $builder),
            };
        }
        if (trim($loose) !== '') {
            $builder->paragraph($loose);
        }
    }

    private function nested(\DOMElement $item): bool
    {
        foreach ($item->childNodes as $child) {
            if (in_array(strtolower($child->nodeName), ['ul', 'ol', 'p', 'div', 'h2', 'h3', 'h4'], true)) {
                return true;
            }
        }

        return false;
    }

    private function table(\DOMElement $table, Builder $builder): void
    {
        $rows = [];
        foreach ($table->getElementsByTagName('tr') as $row) {
            $cells = [];
            foreach ($row->childNodes as $cell) {
                if (in_array(strtolower($cell->nodeName), ['td', 'th'], true)) {
                    $cells[] = trim($cell->textContent);
                }
            }
            if ($cells !== []) {
                $rows[] = $cells;
            }
        }
        if (count($rows) > 1) {
            $builder->table($rows[0], array_slice($rows, 1));
        }
    }

    private function nestedTooDeep(string $html): bool
    {
        $depth = $at = 0;
        while (preg_match('~<(/?)([a-z][a-z0-9]*)\b[^<>]*?(/?)>~i', $html, $tag, PREG_OFFSET_CAPTURE, $at) === 1) {
            $at = $tag[0][1] + strlen($tag[0][0]);
            if ($tag[3][0] === '/' || in_array(strtolower($tag[2][0]), self::NO_DEPTH, true)) {
                continue;
            }
            $depth = max(0, $depth + ($tag[1][0] === '/' ? -1 : 1));
            if ($depth > self::DEEPEST) {
                return true;
            }
        }

        return false;
    }
}
