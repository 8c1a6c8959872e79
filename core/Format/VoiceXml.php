<?php

declare(strict_types=1);

namespace Ringo\Format;

use Ringo\Script\Script;
use Ringo\Script\Steps\AskStep;
use Ringo\Script\Steps\BranchStep;
use Ringo\Script\Steps\ChooseStep;
use Ringo\Script\Steps\FinishStep;
use Ringo\Script\Steps\ListenStep;
use Ringo\Script\Steps\NoteStep;
use Ringo\Script\Steps\SendStep;
use Ringo\Script\Steps\Step;
use Ringo\Script\Steps\TransferStep;
use Ringo\Script\WayOut;
use Ringo\Speech\Prompt;
use Ringo\Value\ValueType;

/**
 * Writes a script as VoiceXML 2.1 (W3C Recommendation, 19 June 2007): a form or menu a step, with its prompts, keys and ways on.
 *
 * What VoiceXML has no element for (topics, confirmation, what is sent) is written as metadata or comments, never left out in silence.
 */
final readonly class VoiceXml
{
    /** Built-in grammars by value type (VoiceXML 2.0, appendix P). */
    private const GRAMMARS = ['date' => 'builtin:grammar/date', 'time' => 'builtin:grammar/time', 'number' => 'builtin:grammar/number', 'money' => 'builtin:grammar/currency', 'phone' => 'builtin:grammar/phone', 'yes_no' => 'builtin:grammar/boolean'];

    public function write(Script $script): string
    {
        $xml = new \XMLWriter;
        $xml->openMemory();
        $xml->setIndent(true);
        $xml->startDocument('1.0', 'UTF-8');
        $xml->startElement('vxml');
        $xml->writeAttribute('version', '2.1');
        $xml->writeAttribute('xmlns', 'http://www.w3.org/2001/vxml');
        $xml->writeAttribute('xml:lang', $script->agent->language.'-'.$script->agent->country);
        foreach (['application-name' => $script->agent->business, 'author' => $script->agent->name] as $name => $content) {
            $xml->startElement('meta');
            $xml->writeAttribute('name', $name);
            $xml->writeAttribute('content', $content);
            $xml->endElement();
        }
        foreach ($script->sheet->fields as $field) {
            $xml->startElement('var');
            $xml->writeAttribute('name', $field->key);
            $xml->endElement();
        }
        foreach ($script->facts as $name => $value) {
            $xml->startElement('var');
            $xml->writeAttribute('name', 'fact_'.$name);
            $xml->writeAttribute('expr', $this->literal($value));
            $xml->endElement();
        }
        // The first form is where a call begins.
        $steps = [$script->first => $script->step($script->first)] + $script->steps;
        foreach ($steps as $step) {
            $this->step($xml, $script, $step);
        }
        $xml->endElement();
        $xml->endDocument();

        return $xml->outputMemory();
    }

    private function step(\XMLWriter $xml, Script $script, Step $step): void
    {
        if ($step instanceof ChooseStep) {
            $this->menu($xml, $script, $step);

            return;
        }
        $xml->startElement('form');
        $xml->writeAttribute('id', $step->key());
        match (true) {
            $step instanceof AskStep => $this->ask($xml, $script, $step),
            $step instanceof ListenStep => $this->listen($xml, $script, $step),
            default => $this->block($xml, $script, $step),
        };
        $xml->endElement();
    }

    private function block(\XMLWriter $xml, Script $script, Step $step): void
    {
        $xml->startElement('block');
        if ($step->prompt() !== null && ! $step->prompt()->isEmpty()) {
            $this->prompt($xml, $script, $step->prompt());
        }
        if ($step instanceof NoteStep) {
            foreach ($step->set as $name => $value) {
                $xml->startElement('assign');
                $xml->writeAttribute('name', (string) $name);
                $xml->writeAttribute('expr', $this->literal($value));
                $xml->endElement();
            }
            foreach ($step->forget as $name) {
                $xml->startElement('clear');
                $xml->writeAttribute('namelist', $name);
                $xml->endElement();
            }
        }
        if ($step instanceof SendStep) {
            $xml->writeComment(str_replace('--', '- -', " sends by {$step->by} to {$step->to}: {$step->words->variants[0]} "));
        }
        if ($step instanceof TransferStep) {
            $xml->writeComment(' hands the call over: '.($step->to ?? 'by the transfer rules').' ');
        }
        if ($step instanceof BranchStep) {
            foreach ($step->ways as $i => $way) {
                $xml->startElement($i === 0 ? 'if' : 'elseif');
                $xml->writeAttribute('cond', $this->condition($way['when']->comparisons()));
                if ($i > 0) {
                    $xml->endElement();
                }
                $this->goto($xml, $way['next']);
            }
            if ($step->ways !== []) {
                $xml->writeElement('else');
            }
            $this->goto($xml, $step->otherwise);
            if ($step->ways !== []) {
                $xml->endElement();
            }
        } elseif ($step instanceof FinishStep) {
            $xml->startElement('exit');
            $xml->writeAttribute('expr', $this->literal($step->outcome ?? 'finished'));
            $xml->endElement();
        } else {
            $this->goto($xml, $step->exits()[0]['to'] ?? $script->first);
        }
        $xml->endElement();
    }

    private function ask(\XMLWriter $xml, Script $script, AskStep $step): void
    {
        $field = $script->sheet->field($step->field);
        $xml->startElement('field');
        $xml->writeAttribute('name', $step->field);
        $this->prompt($xml, $script, $step->prompt);
        if ($field?->type === ValueType::Choice) {
            foreach ($field->options as $option) {
                $xml->startElement('option');
                $xml->writeAttribute('value', $option['key']);
                $xml->text($option['label']);
                $xml->endElement();
            }
        } else {
            $xml->startElement('grammar');
            $xml->writeAttribute('src', self::GRAMMARS[$field->type->value ?? 'text'] ?? 'builtin:dictation');
            $xml->endElement();
        }
        $this->events($xml, $script, $step->again, $step->reprompts, $step->tries, $step->wayOut, $step->next);
        $xml->startElement('filled');
        $this->goto($xml, $step->next);
        $xml->endElement();
        $xml->endElement();
    }

    private function listen(\XMLWriter $xml, Script $script, ListenStep $step): void
    {
        $xml->startElement('field');
        $xml->writeAttribute('name', 'topic');
        $this->prompt($xml, $script, $step->prompt);
        foreach ($step->topics as $topic) {
            $xml->writeComment(str_replace('--', '- -', " {$topic['key']}: {$topic['description']} "));
            $xml->startElement('option');
            $xml->writeAttribute('value', $topic['key']);
            $xml->text($topic['label']);
            $xml->endElement();
        }
        $this->events($xml, $script, $step->again, $step->reprompts, $step->tries, $step->wayOut, null);
        $xml->startElement('filled');
        foreach ($step->topics as $i => $topic) {
            $xml->startElement($i === 0 ? 'if' : 'elseif');
            $xml->writeAttribute('cond', 'topic == '.$this->literal($topic['key']));
            if ($i > 0) {
                $xml->endElement();
            }
            $this->goto($xml, $topic['next']);
        }
        if ($step->topics !== []) {
            $xml->endElement();
        }
        $xml->endElement();
        $xml->endElement();
    }

    private function menu(\XMLWriter $xml, Script $script, ChooseStep $step): void
    {
        $xml->startElement('menu');
        $xml->writeAttribute('id', $step->key());
        $xml->writeAttribute('accept', 'approximate');
        $this->prompt($xml, $script, $step->prompt);
        foreach ($step->options as $option) {
            $xml->startElement('choice');
            if ($option['digit'] !== null) {
                $xml->writeAttribute('dtmf', $option['digit']);
            }
            $xml->writeAttribute('next', '#'.$option['next']);
            $xml->text($option['label']);
            $xml->endElement();
        }
        $this->events($xml, $script, $step->again, $step->nonsense, $step->tries, $step->wayOut, null);
        $xml->endElement();
    }

    /** @param list<string> $reprompts */
    private function events(\XMLWriter $xml, Script $script, ?Prompt $again, array $reprompts, int $tries, WayOut $way, ?string $next): void
    {
        $xml->startElement('noinput');
        $again === null ? $xml->writeElement('reprompt') : $this->prompt($xml, $script, $again);
        $xml->endElement();
        foreach ($reprompts as $i => $reprompt) {
            $xml->startElement('nomatch');
            $xml->writeAttribute('count', (string) ($i + 1));
            $this->prompt($xml, $script, Prompt::of($reprompt));
            $xml->endElement();
        }
        $xml->startElement('nomatch');
        $xml->writeAttribute('count', (string) max($tries, count($reprompts) + 1));
        if ($way->step !== null) {
            $this->goto($xml, $way->step);
        } elseif ($way->then === 'leave' && $next !== null) {
            $this->goto($xml, $next);
        } else {
            $xml->startElement('exit');
            $xml->writeAttribute('expr', $this->literal($way->outcome ?? 'gave up'));
            $xml->endElement();
        }
        $xml->endElement();
    }

    private function prompt(\XMLWriter $xml, Script $script, Prompt $prompt): void
    {
        $xml->startElement('prompt');
        $xml->setIndent(false);
        foreach (preg_split('/(\[[a-z][a-z0-9_.]*(?:\|[^\[\]]*)?\])/i', $prompt->variants[0], -1, PREG_SPLIT_DELIM_CAPTURE) ?: [] as $part) {
            if (preg_match('/^\[([a-z][a-z0-9_.]*)(?:\|([^\[\]]*))?\]$/i', $part, $m) === 1) {
                $name = $script->sheet->field($m[1]) !== null || str_starts_with($m[1], 'fact.') ? str_replace('.', '_', $m[1]) : 'session.'.$m[1];
                $xml->startElement('value');
                $xml->writeAttribute('expr', isset($m[2]) ? "{$name} ? {$name} : ".$this->literal($m[2]) : $name);
                $xml->endElement();
            } else {
                $xml->text($part);
            }
        }
        $xml->endElement();
        $xml->setIndent(true);
    }

    private function goto(\XMLWriter $xml, string $to): void
    {
        $xml->startElement('goto');
        $xml->writeAttribute('next', '#'.$to);
        $xml->endElement();
    }

    /** @param list<array{string, string, mixed}> $comparisons */
    private function condition(array $comparisons): string
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

    private function literal(mixed $value): string
    {
        return is_string($value) ? "'".strtr($value, ['\\' => '\\\\', "'" => "\\'", "\n" => ' '])."'" : json_encode($value, JSON_THROW_ON_ERROR);
    }
}
