<?php

declare(strict_types=1);

namespace Ringo\Extraction;

use Ringo\Fit\Topics;
use Ringo\Language\Vocabulary;
use Ringo\Script\Script;
use Ringo\Script\Steps\Listen\ListenStep;
use Ringo\Transcript\Transcript;
use Ringo\Understanding\Heard;

/** Tells which of a script's topics a call was about from its words alone, for calls the agent did not hold itself. */
final readonly class CallTopic
{
    /** A topic is told where it fits at least this well; the same measure as in a live call. */
    private const FITS = 0.5;

    private Topics $topics;

    public function __construct(private Vocabulary $words)
    {
        $this->topics = new Topics($words);
    }

    /** @return array<string, string> labels of all topics of a script, by key */
    public static function all(Script $script): array
    {
        $labels = [];
        foreach ($script->steps as $step) {
            if ($step instanceof ListenStep) {
                $labels += array_column($step->topics, 'label', 'key');
            }
        }

        return $labels;
    }

    /** The topic that fits best any of the first things the caller said; null where none does. */
    public function of(Script $script, Transcript $transcript): ?string
    {
        $topics = [];
        foreach ($script->steps as $step) {
            $topics = $step instanceof ListenStep ? [...$topics, ...$step->topics] : $topics;
        }
        if ($topics === []) {
            return null;
        }
        $best = null;
        $fit = self::FITS;
        $heard = 0;
        foreach ($transcript->turns as $turn) {
            if ($turn->by !== 'caller' || $turn->keys || ++$heard > 4) {
                continue;
            }
            foreach ($this->topics->rank($topics, Heard::of($turn->text, $this->words)) as $key => $score) {
                if ($score > $fit) {
                    $best = (string) $key;
                    $fit = $score;
                }

                break;
            }
        }

        return $best;
    }
}
