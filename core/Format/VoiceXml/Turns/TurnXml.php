<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml\Turns;

/**
 * Writes one turn of a call as a VoiceXML 2.1 document: what is said (SSML), what may be heard (SRGS), and where the answer goes. The call
 * itself stays with us; the browser holds nothing but the address it answers to.
 *
 * Sources: VoiceXML 2.1 (W3C Recommendation, 19 June 2007), SRGS 1.0 (16 March 2004).
 */
final readonly class TurnXml
{
    public const MIME = 'application/voicexml+xml';

    private const VXML = 'http://www.w3.org/2001/vxml';

    private const SRGS = 'http://www.w3.org/2001/06/grammar';

    /** Most sayings of a grammar: what comes after is heard as anything. */
    private const MOST_WORDS = 200;

    /** Most keys pressed in a row. */
    private const MOST_KEYS = 30;

    /** @param string $language of prompts and grammars, `en-GB` */
    public function __construct(private string $language)
    {
    }

    /** The document a call begins with: the browser tells who rings. */
    public function begins(string $to): string
    {
        return $this->document(function (\XMLWriter $xml) use ($to): void {
            $xml->startElement('form');
            $xml->startElement('block');
            $this->empty($xml, 'var', ['name' => 'from', 'expr' => 'session.connection.remote.uri']);
            $this->empty($xml, 'submit', ['next' => $to, 'method' => 'post', 'namelist' => 'from']);
            $xml->endElement();
            $xml->endElement();
        });
    }

    /**
     * A turn after which the caller is heard.
     *
     * @param list<string> $says
     */
    public function hears(array $says, Heard $heard, string $to): string
    {
        return $this->document(function (\XMLWriter $xml) use ($says, $heard, $to): void {
            $this->empty($xml, 'property', ['name' => 'timeout', 'value' => round($heard->timeout, 1).'s']);
            $this->empty($xml, 'property', ['name' => 'interdigittimeout', 'value' => '2s']);
            // Hung up: nobody is there to hear an answer, and the call still leaves its record.
            $this->event($xml, 'catch', ['event' => 'connection.disconnect.hangup'], 'disconnect', $to);
            $xml->startElement('form');
            $xml->startElement('field');
            $xml->writeAttribute('name', 'heard');
            $this->prompts($xml, $says, true);
            $this->voice($xml, $heard);
            $this->keys($xml, $heard);
            $this->event($xml, 'noinput', [], 'noinput', $to);
            $this->event($xml, 'nomatch', [], 'nomatch', $to);
            $xml->startElement('filled');
            $this->empty($xml, 'var', ['name' => 'mode', 'expr' => 'heard$.inputmode']);
            $this->empty($xml, 'submit', ['next' => $to, 'method' => 'post', 'namelist' => 'heard mode']);
            $xml->endElement();
            $xml->endElement();
            $xml->endElement();
        });
    }

    /**
     * A turn that rings somebody; how it went is answered.
     *
     * @param list<string> $says
     * @param string $number E.164
     */
    public function transfers(array $says, string $number, int $seconds, string $to): string
    {
        return $this->document(function (\XMLWriter $xml) use ($says, $number, $seconds, $to): void {
            $xml->startElement('form');
            $xml->startElement('transfer');
            foreach (['name' => 'rung', 'dest' => 'tel:'.$number, 'bridge' => 'true', 'connecttimeout' => $seconds.'s'] as $name => $value) {
                $xml->writeAttribute($name, $value);
            }
            $this->prompts($xml, $says, false);
            $xml->startElement('filled');
            $this->empty($xml, 'var', ['name' => 'event', 'expr' => "'transfer'"]);
            $this->empty($xml, 'submit', ['next' => $to, 'method' => 'post', 'namelist' => 'event rung']);
            $xml->endElement();
            $xml->endElement();
            $xml->endElement();
        });
    }

    /**
     * A turn after which the browser asks again: somebody's telephone rings who is reached by us alone.
     *
     * @param list<string> $says
     */
    public function waits(array $says, float $seconds, string $to): string
    {
        return $this->document(function (\XMLWriter $xml) use ($says, $seconds, $to): void {
            $this->event($xml, 'catch', ['event' => 'connection.disconnect.hangup'], 'disconnect', $to);
            $xml->startElement('form');
            $xml->startElement('block');
            $this->prompts($xml, $says, false);
            $xml->startElement('prompt');
            $this->empty($xml, 'break', ['time' => (int) (1000 * $seconds).'ms']);
            $xml->endElement();
            $this->answered($xml, 'look', $to);
            $xml->endElement();
            $xml->endElement();
        });
    }

    /**
     * The last turn.
     *
     * @param list<string> $says
     */
    public function ends(array $says): string
    {
        return $this->document(function (\XMLWriter $xml) use ($says): void {
            $xml->startElement('form');
            $xml->startElement('block');
            $this->prompts($xml, $says, false);
            $this->empty($xml, 'disconnect');
            $xml->endElement();
            $xml->endElement();
        });
    }

    /** @param callable(\XMLWriter): void $inside */
    private function document(callable $inside): string
    {
        $xml = new \XMLWriter;
        $xml->openMemory();
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement('vxml');
        foreach (['version' => '2.1', 'xmlns' => self::VXML, 'xml:lang' => $this->language] as $name => $value) {
            $xml->writeAttribute($name, $value);
        }
        $inside($xml);
        $xml->endElement();
        $xml->endDocument();

        return $xml->outputMemory();
    }

    /** @param list<string> $says */
    private function prompts(\XMLWriter $xml, array $says, bool $bargeIn): void
    {
        foreach ($says as $text) {
            $xml->startElement('prompt');
            $xml->writeAttribute('bargein', $bargeIn ? 'true' : 'false');
            foreach (preg_split('/(?<=[.!?…])\s+/u', trim($text), -1, PREG_SPLIT_NO_EMPTY) ?: [] as $sentence) {
                $xml->writeElement('s', $sentence);
            }
            $xml->endElement();
        }
    }

    /** Whole sayings that are expected, beside anything at all: what was said is understood by us, not by the grammar. */
    private function voice(\XMLWriter $xml, Heard $heard): void
    {
        $this->grammar($xml, 'voice', function () use ($xml, $heard): void {
            foreach (array_slice($heard->words, 0, self::MOST_WORDS) as $words) {
                $xml->writeElement('item', $words);
            }
            $xml->startElement('item');
            $this->empty($xml, 'ruleref', ['special' => 'GARBAGE']);
            $xml->endElement();
        });
    }

    private function keys(\XMLWriter $xml, Heard $heard): void
    {
        $keys = array_values(array_unique(str_split($heard->keys)));
        if ($keys === [''] || $keys === []) {
            return;
        }
        $long = count(array_filter($keys, ctype_digit(...))) === 10;
        $this->grammar($xml, 'dtmf', function () use ($xml, $keys, $long): void {
            foreach ($long ? [null] : $keys as $key) {
                $xml->startElement('item');
                if ($key !== null) {
                    $xml->text($key);
                } else {
                    $xml->writeAttribute('repeat', '1-'.self::MOST_KEYS);
                    $xml->startElement('one-of');
                    foreach ($keys as $one) {
                        $xml->writeElement('item', $one);
                    }
                    $xml->endElement();
                }
                $xml->endElement();
            }
        });
    }

    /** @param callable(): void $items */
    private function grammar(\XMLWriter $xml, string $mode, callable $items): void
    {
        $root = $mode === 'dtmf' ? 'keys' : 'said';
        $xml->startElement('grammar');
        foreach (['xmlns' => self::SRGS, 'version' => '1.0', 'type' => 'application/srgs+xml', 'mode' => $mode, 'root' => $root] + ($mode === 'voice' ? ['xml:lang' => $this->language] : []) as $name => $value) {
            $xml->writeAttribute($name, $value);
        }
        $xml->startElement('rule');
        $xml->writeAttribute('id', $root);
        $xml->writeAttribute('scope', 'public');
        $xml->startElement('one-of');
        $items();
        $xml->endElement();
        $xml->endElement();
        $xml->endElement();
    }

    /** @param array<string, string> $attributes */
    private function event(\XMLWriter $xml, string $element, array $attributes, string $event, string $to): void
    {
        $xml->startElement($element);
        foreach ($attributes as $name => $value) {
            $xml->writeAttribute($name, $value);
        }
        $this->answered($xml, $event, $to);
        $xml->endElement();
    }

    private function answered(\XMLWriter $xml, string $event, string $to): void
    {
        $this->empty($xml, 'var', ['name' => 'event', 'expr' => "'{$event}'"]);
        $this->empty($xml, 'submit', ['next' => $to, 'method' => 'post', 'namelist' => 'event']);
    }

    /** @param array<string, string> $attributes */
    private function empty(\XMLWriter $xml, string $name, array $attributes = []): void
    {
        $xml->startElement($name);
        foreach ($attributes as $attribute => $value) {
            $xml->writeAttribute($attribute, $value);
        }
        $xml->endElement();
    }
}
