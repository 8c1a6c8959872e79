<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Script;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\Way;
use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;

/** Writes the elements VoiceXML 2.1 documents are made of. */
final readonly class Writer
{
    public \XMLWriter $xml;

    public function __construct(public Script $script)
    {
        $this->xml = new \XMLWriter;
        $this->xml->openMemory();
        $this->xml->setIndent(true);
    }

    /**
     * @param array<string, string> $attributes
     * @param ?callable(): mixed $inside
     */
    public function element(string $name, array $attributes = [], ?callable $inside = null): void
    {
        $this->xml->startElement($name);
        foreach ($attributes as $attribute => $value) {
            $this->xml->writeAttribute($attribute, $value);
        }
        if ($inside !== null) {
            $inside();
        }
        $this->xml->endElement();
    }

    public function comment(string $text): void
    {
        $this->xml->writeComment(' '.str_replace('--', '- -', $text).' ');
    }

    public function goto(string $to): void
    {
        $this->element('goto', ['next' => '#'.($to === Way::BACK ? $this->open() : $to)]);
    }

    /** A browser remembers no detours: the way back leads to the open question. */
    private function open(): string
    {
        $listens = array_filter($this->script->steps, static fn (Step $step): bool => $step instanceof ListenStep);

        return (string) (array_key_first($listens) ?? $this->script->first);
    }

    public function exit(string $outcome): void
    {
        $this->element('exit', ['expr' => $this->literal($outcome)]);
    }

    /** What this format cannot do is never passed by as if it were done: the call stops with an event that says so. */
    public function unsupported(string $what, string $message): void
    {
        $this->element('throw', ['event' => 'error.unsupported.'.$what, 'message' => $message]);
    }

    public function prompt(?Prompt $prompt): void
    {
        if ($prompt === null || $prompt->isEmpty()) {
            return;
        }
        $this->xml->startElement('prompt');
        $this->xml->setIndent(false);
        foreach (preg_split('/(\[[a-z][a-z0-9_.:]*(?:\|[^\[\]]*)*\])/i', $prompt->variants[0], -1, PREG_SPLIT_DELIM_CAPTURE) ?: [] as $part) {
            $this->part($part);
        }
        $this->xml->endElement();
        $this->xml->setIndent(true);
    }

    /**
     * What follows silence and words that are not understood.
     *
     * @param list<string> $reprompts
     */
    public function events(?Prompt $again, array $reprompts, int $tries, WayOut $way, ?string $next): void
    {
        $this->element('noinput', [], fn () => $again === null ? $this->xml->writeElement('reprompt') : $this->prompt($again));
        foreach ($reprompts as $i => $reprompt) {
            $this->element('nomatch', ['count' => (string) ($i + 1)], fn () => $this->prompt(Prompt::of($reprompt)));
        }
        $this->element('nomatch', ['count' => (string) max($tries, count($reprompts) + 1)], function () use ($way, $next): void {
            match (true) {
                $way->step !== null => $this->goto($way->step),
                $way->then === WayOut::LEAVE && $next !== null => $this->goto($next),
                default => $this->exit($way->outcome ?? 'gave up'),
            };
        });
    }

    /**
     * An if with as many branches as there are ways, and what follows where none holds.
     *
     * @param list<array{string, string}> $ways condition and step
     */
    public function ways(array $ways, ?string $otherwise): void
    {
        foreach ($ways as $i => [$condition, $to]) {
            $this->xml->startElement($i === 0 ? 'if' : 'elseif');
            $this->xml->writeAttribute('cond', $condition);
            if ($i > 0) {
                $this->xml->endElement();
            }
            $this->goto($to);
        }
        if ($otherwise !== null) {
            if ($ways !== []) {
                $this->xml->writeElement('else');
            }
            $this->goto($otherwise);
        }
        if ($ways !== []) {
            $this->xml->endElement();
        }
    }

    /** @param list<array{string, string, mixed}> $comparisons */
    public function condition(array $comparisons): string
    {
        return implode(' && ', array_map(function (array $one): string {
            [$value, $kind, $than] = $one;
            $name = str_contains($value, '.') ? 'session.'.$value : $value;

            return match ($kind) {
                'known' => $than ? $name : '!'.$name,
                'is_not' => "{$name} != ".$this->literal($than),
                'more_than', 'after' => "{$name} > ".$this->literal($than),
                'less_than', 'before' => "{$name} < ".$this->literal($than),
                'one_of' => '('.implode(' || ', array_map(fn (mixed $option): string => "{$name} == ".$this->literal($option), is_array($than) ? $than : [$than])).')',
                'contains' => "{$name}.indexOf(".$this->literal($than).') >= 0',
                default => "{$name} == ".$this->literal($than),
            };
        }, $comparisons));
    }

    public function literal(mixed $value): string
    {
        return is_string($value) ? "'".strtr($value, ['\\' => '\\\\', "'" => "\\'", "\n" => ' '])."'" : json_encode($value, JSON_THROW_ON_ERROR);
    }

    private function part(string $part): void
    {
        if (preg_match('/^\[(?:a:|count:)?([a-z][a-z0-9_.]*)(?:\|([^\[\]]*))?\]$/i', $part, $m) !== 1) {
            $this->xml->text($part);

            return;
        }
        $name = $this->script->sheet->field($m[1]) !== null || str_starts_with($m[1], 'fact.') ? str_replace('.', '_', $m[1]) : 'session.'.$m[1];
        $this->element('value', ['expr' => isset($m[2]) ? "{$name} ? {$name} : ".$this->literal($m[2]) : $name]);
    }
}
