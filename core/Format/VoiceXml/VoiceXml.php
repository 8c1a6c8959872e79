<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Script;
use Ringo\Script\Steps\Step;

/**
 * Writes a script as VoiceXML 2.1 (W3C Recommendation, 19 June 2007): a form or menu a step, with its prompts, keys and ways on.
 *
 * What VoiceXML has no element for (topics, confirmation, what is sent) is written as comments; a step that must not be passed by
 * undone (a verification) stops the call with an event that names it. Nothing is left out in silence.
 */
final readonly class VoiceXml
{
    /** @var array<string, StepXml> */
    private array $steps;

    public function __construct()
    {
        $this->steps = self::writers();
    }

    /** @return array<string, StepXml> by kind of step */
    public static function writers(): array
    {
        return [
            'say' => new SayXml, 'ask' => new AskXml, 'choose' => new ChooseXml, 'listen' => new ListenXml, 'summary' => new SummaryXml, 'repeat' => new RepeatXml, 'reach' => new ReachXml,
            'branch' => new BranchXml, 'note' => new NoteXml,
            'send' => new SendXml, 'verify' => new VerifyXml, 'look_up' => new LookUpXml, 'book' => new BookXml, 'transfer' => new TransferXml, 'finish' => new FinishXml,
        ];
    }

    public function write(Script $script): string
    {
        $to = new Writer($script);
        $to->xml->startDocument('1.0', 'UTF-8');
        $root = ['version' => '2.1', 'xmlns' => 'http://www.w3.org/2001/vxml', 'xml:lang' => $script->agent->language.'-'.$script->agent->country];
        $to->element('vxml', $root, function () use ($to, $script): void {
            foreach (['application-name' => $script->agent->business, 'author' => $script->agent->name] as $name => $content) {
                $to->element('meta', ['name' => $name, 'content' => $content]);
            }
            foreach ($script->sheet->fields as $field) {
                $to->element('var', ['name' => $field->key]);
            }
            foreach ($script->facts as $name => $value) {
                $to->element('var', ['name' => 'fact_'.$name, 'expr' => $to->literal($value)]);
            }
            // The first form is where a call begins.
            foreach ([$script->first => $script->step($script->first)] + $script->steps as $step) {
                $this->steps[$step->kind()]->write($step, $to);
            }
        });
        $to->xml->endDocument();

        return $to->xml->outputMemory();
    }

    /** @return array<string, string> steps that cannot be carried over, and why */
    public function refused(Script $script): array
    {
        return array_filter(array_map(fn (Step $step): ?string => $this->steps[$step->kind()]->refuses($step), $script->steps), is_string(...));
    }
}
