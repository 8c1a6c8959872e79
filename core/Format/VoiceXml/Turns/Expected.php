<?php

declare(strict_types=1);

namespace Ringo\Format\VoiceXml\Turns;

use Ringo\Script\Script;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Script\Steps\Choose\ChooseStep;
use Ringo\Script\Steps\Listen\ListenStep;

/** Whole sayings a step expects: options and topics, by their labels and phrases; yes and no where that is asked. */
final readonly class Expected
{
    public function __construct(private Script $script)
    {
    }

    /**
     * @param list<string> $yesNo words of yes and no in the language
     *
     * @return list<string>
     */
    public function words(string $for, ?string $at, array $yesNo): array
    {
        $step = $at === null ? null : ($this->script->steps[$at] ?? null);
        $words = $for === 'yes_no' ? $yesNo : [];
        if ($step instanceof ListenStep) {
            foreach ($step->topics as $topic) {
                array_push($words, $topic['label'], ...$topic['phrases']);
            }
        }
        if ($step instanceof ChooseStep) {
            foreach ($step->options as $option) {
                array_push($words, $option['label'], ...$option['phrases']);
            }
        }
        if ($step instanceof AskStep) {
            foreach ($this->script->sheet->field($step->field)->options ?? [] as $option) {
                array_push($words, $option['label'], ...$option['phrases']);
            }
        }

        return array_values(array_unique(array_filter(array_map(trim(...), $words), static fn (string $one): bool => $one !== '')));
    }
}
