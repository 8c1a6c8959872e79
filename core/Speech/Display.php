<?php

declare(strict_types=1);

namespace Ringo\Speech;

use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Value\Typed;
use Ringo\Value\ValueType;

/** Writes values for people to read on a screen: 'Tuesday 17 March 2026', '£249.50', '01632 960 147'. */
final readonly class Display
{
    public function __construct(private Vocabulary $words, private NumberingPlan $plan)
    {
    }

    public function show(Typed $typed): string
    {
        $value = $typed->value;
        if ($typed->isEmpty()) {
            return '';
        }

        return match ($typed->type) {
            ValueType::Date => (new \DateTimeImmutable((string) $value))->format('l j F Y'),
            ValueType::DateTime => (new \DateTimeImmutable((string) $value))->format('l j F Y, H:i'),
            ValueType::Phone => $this->plan->describe((string) $value)?->inNationalFormat() ?? (string) $value,
            ValueType::Money => $this->money((float) $value['amount'], (string) $value['currency']),
            ValueType::Duration => $this->duration((string) $value),
            ValueType::YesNo => $value ? 'yes' : 'no',
            ValueType::Choice => $this->capitalised($typed->label ?? str_replace('_', ' ', (string) $value)),
            ValueType::Several => $this->capitalised($typed->label ?? implode(', ', is_array($value) ? array_filter($value, is_string(...)) : [])),
            ValueType::Number => is_float($value) ? rtrim(rtrim(number_format($value, 4), '0'), '.') : number_format((float) $value),
            ValueType::Items => implode('; ', array_map(fn (mixed $item): string => implode(', ', array_map($this->show(...), is_array($item) ? array_values(array_filter($item, static fn (mixed $part): bool => $part instanceof Typed)) : [])), is_array($value) ? $value : [])),
            default => is_scalar($value) ? (string) $value : json_encode($value, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
        };
    }

    private function capitalised(string $text): string
    {
        return mb_strtoupper(mb_substr($text, 0, 1)).mb_substr($text, 1);
    }

    private function money(float $amount, string $currency): string
    {
        $symbol = $this->words->section('units', 'symbols')[$currency] ?? null;
        $figures = number_format($amount, floor($amount) === $amount ? 0 : 2);

        return $symbol === null ? $figures.' '.$currency : $symbol.$figures;
    }

    private function duration(string $iso): string
    {
        $parts = array_map(static fn (array $part): string => $part[0].' '.$part[1], IsoDuration::parts($iso) ?? []);

        return $parts === [] ? $iso : implode(' ', $parts);
    }
}
