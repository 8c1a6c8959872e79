<?php

declare(strict_types=1);

namespace Ringo\Understanding\Readers;

use Ringo\Language\Vocabulary;
use Ringo\Understanding\Cadence;
use Ringo\Understanding\Context;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;

/** Options that tell how often: of 'weekly, fortnightly or monthly' 'every other week' is the second, and 'twice a week' none. */
final class CadenceOptions
{
    /** How much one may differ from the other: twice a month is fortnightly, every four weeks monthly. */
    private const ALIKE = 0.1;

    private const SURE = 0.93;

    /** Lists of options that are remembered. */
    private const REMEMBERED = 200;

    private readonly Cadence $cadence;

    /** @var array<string, array<string, float>> times a year of each option that tells it, by the list of them */
    private array $known = [];

    public function __construct(private readonly Vocabulary $words)
    {
        $this->cadence = new Cadence($words);
    }

    /** The option that is as often as the words; a doubt where none is; null where they do not tell how often. */
    public function reading(Heard $heard, Context $context): ?Reading
    {
        $options = $this->options($context);
        if (count($options) < 2) {
            return null;
        }
        $told = $this->cadence->in($heard->tokens);
        if (count(array_unique(array_column($told, 0))) !== 1) {
            return null;
        }
        [$often, $from, $to] = $told[0];
        $differs = array_map(static fn (float $times): float => abs($often / $times - 1), $options);
        asort($differs);
        if (reset($differs) > self::ALIKE) {
            return Reading::none('none of the options is as often as that');
        }
        [$start, $end] = [$heard->tokens[$from]->start, $heard->tokens[$to - 1]->end];

        return Reading::of((string) array_key_first($differs), self::SURE, $heard->between($start, $end), $start, $end);
    }

    /** @return array<string, float> */
    private function options(Context $context): array
    {
        $list = serialize(array_map(static fn (array $option): array => [$option['key'], $option['label']], $context->options));
        if (count($this->known) >= self::REMEMBERED) {
            $this->known = [];
        }

        return $this->known[$list] ??= $this->told($context);
    }

    /** @return array<string, float> */
    private function told(Context $context): array
    {
        $options = [];
        foreach ($context->options as $option) {
            $name = trim($option['label']) !== '' ? $option['label'] : str_replace(['_', '-'], ' ', $option['key']);
            $told = $this->cadence->in(Heard::of($name, $this->words)->tokens);
            if (count($told) === 1) {
                $options[$option['key']] = $told[0][0];
            }
        }

        return $options;
    }
}
