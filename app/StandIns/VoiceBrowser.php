<?php

declare(strict_types=1);

namespace App\StandIns;

/**
 * A small voice browser: fetches VoiceXML documents, speaks their prompts, hears what it is given, and answers as they say.
 *
 * It is strict: an element, attribute or namespace that VoiceXML 2.1 and SRGS 1.0 do not have in that place is refused, so that whole calls
 * through it also prove the documents.
 */
final class VoiceBrowser
{
    /** What may stand in what, and with which attributes; the parts of the recommendations that are used here. */
    private const GRAMMAR = [
        'vxml' => [['version', 'xml:lang'], ['property', 'catch', 'form']],
        'property' => [['name', 'value'], []],
        'catch' => [['event'], ['var', 'submit']],
        'form' => [['id'], ['block', 'field', 'transfer']],
        'block' => [['name'], ['var', 'prompt', 'submit', 'disconnect', 'exit']],
        'field' => [['name'], ['prompt', 'grammar', 'noinput', 'nomatch', 'filled']],
        'transfer' => [['name', 'dest', 'bridge', 'connecttimeout'], ['prompt', 'filled']],
        'prompt' => [['bargein'], ['s', 'break']],
        's' => [[], []],
        'break' => [['time'], []],
        'noinput' => [['count'], ['var', 'submit']],
        'nomatch' => [['count'], ['var', 'submit']],
        'filled' => [[], ['var', 'submit']],
        'var' => [['name', 'expr'], []],
        'submit' => [['next', 'method', 'namelist'], []],
        'disconnect' => [[], []],
        'exit' => [[], []],
        'grammar' => [['version', 'type', 'mode', 'root', 'xml:lang'], ['rule']],
        'rule' => [['id', 'scope'], ['one-of']],
        'one-of' => [[], ['item']],
        'item' => [['repeat'], ['ruleref', 'one-of']],
        'ruleref' => [['special'], []],
    ];

    private const MOST_TURNS = 200;

    /** @var list<string> what was spoken, in order */
    public array $spoken = [];

    public bool $over = false;

    /**
     * @param \Closure(string $method, string $url, array<string, string> $fields): string $fetch gives the document at an address
     * @param string $from number it rings from, as `session.connection.remote.uri`
     */
    public function __construct(private readonly \Closure $fetch, private readonly string $from)
    {
    }

    /**
     * Rings and says one thing after another; where nothing is left it hangs up.
     *
     * @param list<string> $said words; `#12` presses keys, an empty text is silence
     * @param string $transfers how a transfer comes out: busy, noanswer or far_end_disconnect
     */
    public function ring(string $url, array $said, string $transfers = 'noanswer'): void
    {
        $document = ($this->fetch)('GET', $url, []);
        for ($turn = 0; $turn < self::MOST_TURNS; $turn++) {
            $page = $this->read($document);
            $item = $page->getElementsByTagName('field')->item(0) ?? $page->getElementsByTagName('transfer')->item(0) ?? $page->getElementsByTagName('block')->item(0) ?? throw new \DomainException('The document has no item to visit.');
            foreach ($item->getElementsByTagName('prompt') as $prompt) {
                $text = implode(' ', array_map(static fn (\DOMElement $one): string => trim($one->textContent), iterator_to_array($prompt->getElementsByTagName('s'), false)));
                $text === '' || $this->spoken[] = $text;
            }
            if ($item->getElementsByTagName('disconnect')->length > 0) {
                $this->over = true;

                return;
            }
            [$place, $known] = $this->next($page, $item, $said, $transfers);
            $document = $this->submit($place, $known);
        }

        throw new \DomainException('The call does not end.');
    }

    /**
     * What happens at an item: where the answer stands, and what is known there.
     *
     * @param list<string> $said
     *
     * @return array{\DOMElement, array<string, string>}
     */
    private function next(\DOMDocument $page, \DOMElement $item, array &$said, string $transfers): array
    {
        $inside = static fn (string $name): ?\DOMElement => $item->getElementsByTagName($name)->item(0);
        if ($item->tagName === 'block') {
            return [$item, []];
        }
        if ($item->tagName === 'transfer') {
            return [$inside('filled') ?? throw new \DomainException('A transfer is answered nowhere.'), [$item->getAttribute('name') => $transfers]];
        }
        $words = array_shift($said);
        if ($words === null) {
            return [$page->getElementsByTagName('catch')->item(0) ?? throw new \DomainException('Hanging up is caught nowhere.'), []];
        }
        if ($words === '') {
            return [$inside('noinput') ?? throw new \DomainException('Silence is answered nowhere.'), []];
        }
        $keys = str_starts_with($words, '#');
        $words = $keys ? substr($words, 1) : $words;
        if (! $this->matches($item, $keys ? 'dtmf' : 'voice', $words)) {
            return [$inside('nomatch') ?? throw new \DomainException('What fits no grammar is answered nowhere.'), []];
        }

        return [$inside('filled') ?? throw new \DomainException('A field is answered nowhere.'), [$item->getAttribute('name') => $words, $item->getAttribute('name').'$.inputmode' => $keys ? 'dtmf' : 'voice']];
    }

    private function matches(\DOMElement $field, string $mode, string $said): bool
    {
        foreach ($field->getElementsByTagName('grammar') as $grammar) {
            if ($grammar->getAttribute('mode') !== $mode) {
                continue;
            }
            foreach ($grammar->getElementsByTagName('item') as $item) {
                $repeat = $item->getAttribute('repeat');
                if ($repeat !== '') {
                    $keys = implode('', array_map(static fn (\DOMElement $one): string => preg_quote($one->textContent, '/'), iterator_to_array($item->getElementsByTagName('item'), false)));
                    if (preg_match('/^['.$keys.']{1,'.(int) substr($repeat, 2).'}$/', $said) === 1) {
                        return true;
                    }
                }
                if ($item->getElementsByTagName('ruleref')->length > 0 || mb_strtolower(trim($item->textContent)) === mb_strtolower($said)) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @param array<string, string> $known */
    private function submit(\DOMElement $place, array $known): string
    {
        foreach ($place->getElementsByTagName('var') as $var) {
            $expression = $var->getAttribute('expr');
            $known[$var->getAttribute('name')] = match (true) {
                preg_match("/^'([^']*)'$/", $expression, $m) === 1 => $m[1],
                $expression === 'session.connection.remote.uri' => $this->from,
                isset($known[$expression]) => $known[$expression],
                default => throw new \DomainException("“{$expression}” is not known here."),
            };
        }
        $submit = $place->getElementsByTagName('submit')->item(0) ?? throw new \DomainException('Nothing is answered here.');
        $fields = [];
        foreach (array_filter(explode(' ', $submit->getAttribute('namelist'))) as $name) {
            $fields[$name] = $known[$name] ?? throw new \DomainException("“{$name}” is to be answered and is not known.");
        }

        return ($this->fetch)(strtoupper($submit->getAttribute('method') ?: 'get'), $submit->getAttribute('next'), $fields);
    }

    /** @throws \DomainException where the document is not what the recommendations allow */
    private function read(string $document): \DOMDocument
    {
        $page = new \DOMDocument;
        $before = libxml_use_internal_errors(true);
        $good = $document !== '' && $page->loadXML($document, LIBXML_NONET);
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if (! $good || $page->documentElement === null) {
            throw new \DomainException('This is no XML.');
        }
        if ($page->documentElement->tagName !== 'vxml' || $page->documentElement->getAttribute('version') !== '2.1') {
            throw new \DomainException('This is no VoiceXML 2.1 document.');
        }
        $this->allowed($page->documentElement);

        return $page;
    }

    private function allowed(\DOMElement $element): void
    {
        [$attributes, $children] = self::GRAMMAR[$element->tagName] ?? throw new \DomainException("There is no element “{$element->tagName}”.");
        $space = in_array($element->tagName, ['grammar', 'rule', 'one-of', 'item', 'ruleref'], true) ? 'http://www.w3.org/2001/06/grammar' : 'http://www.w3.org/2001/vxml';
        if ($element->namespaceURI !== $space) {
            throw new \DomainException("“{$element->tagName}” belongs to the namespace {$space}.");
        }
        foreach ($element->attributes as $attribute) {
            if ($attribute instanceof \DOMAttr && ! in_array($attribute->nodeName, $attributes, true)) {
                throw new \DomainException("“{$element->tagName}” has no attribute “{$attribute->nodeName}”.");
            }
        }
        foreach ($element->childNodes as $child) {
            if (! $child instanceof \DOMElement) {
                continue;
            }
            if (! in_array($child->tagName, $children, true)) {
                throw new \DomainException("“{$child->tagName}” may not stand in “{$element->tagName}”.");
            }
            $this->allowed($child);
        }
        if ($element->tagName === 'submit' && filter_var($element->getAttribute('next'), FILTER_VALIDATE_URL) === false) {
            throw new \DomainException('“submit” goes nowhere.');
        }
    }
}
