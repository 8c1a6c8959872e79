<?php

declare(strict_types=1);

namespace Ringo\Inspection\Rules;

use Ringo\Inspection\Design;
use Ringo\Inspection\Finding;
use Ringo\Inspection\Rule;
use Ringo\Inspection\Severity;
use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;
use Ringo\Script\Steps\Listen\ListenStep;

/** Finds topics of one open question whose descriptions cannot be told apart. */
final readonly class TopicsAlike implements Rule
{
    /** Share of telling words in common from which two descriptions are too alike. */
    private const ALIKE = 0.6;

    public function find(Design $design): iterable
    {
        $stemmer = new Stemmer;
        $tokenizer = new Tokenizer;
        $small = array_fill_keys($design->words->section('inspection', 'small'), true);
        foreach ($design->script->steps as $key => $step) {
            if (! $step instanceof ListenStep) {
                continue;
            }
            $bags = [];
            foreach ($step->topics as $topic) {
                $bag = [];
                foreach ($tokenizer->words($topic['label'].' '.$topic['description']) as $word) {
                    if (! isset($small[$word]) && strlen($word) > 2) {
                        $bag[$stemmer->stem($word)] = true;
                    }
                }
                $bags[] = $bag;
            }
            foreach ($step->topics as $i => $topic) {
                for ($j = 0; $j < $i; $j++) {
                    $less = min(count($bags[$i]), count($bags[$j]));
                    $common = count(array_intersect_key($bags[$i], $bags[$j]));
                    if ($less >= 2 && $common / $less >= self::ALIKE) {
                        yield new Finding('topics_alike', Severity::Warning, $key, "The topics “{$step->topics[$j]['label']}” and “{$topic['label']}” are described in much the same words, so callers are asked which they mean. Say what sets them apart.");
                    }
                    $both = array_intersect(array_map(mb_strtolower(...), $topic['phrases']), array_map(mb_strtolower(...), $step->topics[$j]['phrases']));
                    foreach ($both as $phrase) {
                        yield new Finding('topics_alike', Severity::Warning, $key, "“{$phrase}” stands for two topics: “{$step->topics[$j]['label']}” and “{$topic['label']}”.");
                    }
                }
            }
        }
    }
}
