<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;

/** 'No idea', where one of the options stands for not knowing: 'gas, electric, or not sure?'. */
final readonly class UnknownOption
{
    private const SURE = 0.9;

    /** The part of the words that must say so. */
    private const MOST_OF_IT = 0.7;

    public function __construct(private Vocabulary $words)
    {
    }

    /** @param Reading $named which option the words name by themselves */
    public function reading(Field $field, Heard $heard, Reading $named): ?Reading
    {
        $hit = $this->words->phrases('acts', 'dont_know')->first($heard->tokens);
        if ($hit === null) {
            return null;
        }
        $called = $this->words->section('several', 'not_known');
        $names = static fn (array $option): array => [mb_strtolower(trim((string) $option['label'])), str_replace(['_', '-'], ' ', mb_strtolower((string) $option['key']))];
        $unknown = array_values(array_filter($field->options, static fn (array $option): bool => array_intersect($names($option), $called) !== []));
        $first = $heard->tokens[$hit[1]];
        $last = $heard->tokens[$hit[1] + $hit[2] - 1];

        // 'Not sure, gas I think'
        $other = $named->found() && ($named->end <= $first->start || $named->start >= $last->end);

        return count($unknown) === 1 && ! $other && $heard->explained($first->start, $last->end, $this->words) >= self::MOST_OF_IT
            ? Reading::of($unknown[0]['key'], self::SURE, $heard->between($first->start, $last->end), $first->start, $last->end)
            : null;
    }
}
