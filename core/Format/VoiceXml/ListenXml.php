<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml;

use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Script\Steps\Step;

/** Topics as options; what they mean stands in comments. */
final readonly class ListenXml extends FieldXml
{
    protected function name(Step $step): string
    {
        return 'topic';
    }

    protected function answers(Step $step, Writer $to): void
    {
        if (! $step instanceof ListenStep) {
            return;
        }
        foreach ($step->topics as $topic) {
            $to->comment("{$topic['key']}: {$topic['description']}");
            $to->element('option', ['value' => $topic['key']], fn () => $to->xml->text($topic['label']));
        }
        $to->events($step->again, $step->reprompts, $step->tries, $step->wayOut, null);
    }

    protected function filled(Step $step, Writer $to): void
    {
        if ($step instanceof ListenStep) {
            $to->ways(array_map(static fn (array $topic): array => ['topic == '.$to->literal($topic['key']), $topic['next']], $step->topics), null);
        }
    }
}
