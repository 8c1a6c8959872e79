<?php

declare(strict_types=1);

namespace Ringo\Rehearsal\Crowd;

use Ringo\Language\Vocabulary;
use Ringo\Script\Script;
use Ringo\Script\Steps\Ask\AskStep;
use Ringo\Sheet\Field;
use Ringo\Value\ValueType;

/** What is true of a stand-in caller: a value for each field they may be asked for, of its type, options and pattern. */
final readonly class Facts
{
    private const DAYS_AHEAD = 40;

    public function __construct(private Phrases $phrases)
    {
    }

    /** @return array<string, mixed> by field; a field for which nothing can be made up is left out */
    public function of(Script $script, \DateTimeImmutable $now, Dice $dice): array
    {
        $name = ucfirst($dice->one($this->some('given_names'))).' '.ucfirst($dice->one($this->some('surnames')));
        $facts = [];
        foreach ($script->sheet->fields as $field) {
            $value = $this->value($field, $script, $now, $dice, $name);
            if ($value !== null) {
                $facts[$field->key] = $value;
            }
        }

        return $facts;
    }

    public function value(Field $field, Script $script, \DateTimeImmutable $now, Dice $dice, string $name): mixed
    {
        return match ($field->type) {
            ValueType::PersonName => $name,
            ValueType::Phone => $script->agent->country === 'US' ? sprintf('+1212555%04d', $dice->between(100, 199)) : sprintf('+447700900%03d', $dice->between(0, 999)),
            ValueType::Email => strtolower(str_replace(' ', '.', (string) preg_replace('/[^A-Za-z ]/', '', $name))).'@example.com',
            ValueType::Date => $now->modify(($this->hasBeen($field, $script) ? '-' : '+').$dice->between(1, self::DAYS_AHEAD).' days')->format('Y-m-d'),
            ValueType::Time => sprintf('%02d:%02d', $dice->between(9, 16), 15 * $dice->between(0, 3)),
            ValueType::Number => $dice->between(max(1, (int) ($field->bounds->smallest ?? 1)), min(40, (int) ($field->bounds->largest ?? 12))),
            ValueType::Money => ['amount' => $dice->between(5, 400), 'currency' => $script->agent->country === 'US' ? 'USD' : 'GBP'],
            ValueType::Duration => 'P'.$dice->between(1, 6).$dice->one(['D', 'W', 'W']),
            ValueType::Reference => $this->reference($field, $dice),
            ValueType::YesNo => $dice->falls(0.5),
            ValueType::Choice => $field->options === [] ? null : $dice->one($field->options)['key'],
            ValueType::Several => $field->options === [] ? null : $this->several($field->options, $dice),
            ValueType::PostalAddress => $dice->between(1, 90).' '.$dice->one($this->listed('streets')).', '.$dice->one($this->listed('towns')),
            ValueType::Text => count($field->examples) > 1 ? $dice->one($field->examples) : $this->text($field, $dice),
            ValueType::DateTime, ValueType::Items => null,
        };
    }

    /**
     * One or two of the options; none of them and one of them is not true of anybody.
     *
     * @param non-empty-list<array{key: string, label: string, phrases: list<string>}> $options
     *
     * @return list<string>
     */
    private function several(array $options, Dice $dice): array
    {
        $two = [$dice->one($options), $dice->one($options)];
        $called = Vocabulary::of()->section('several', 'none');
        $none = array_filter($two, static fn (array $option): bool => in_array(mb_strtolower($option['label']), $called, true));

        return array_values(array_unique(array_column($none === [] ? $two : [reset($none)], 'key')));
    }

    /** Whether a day is asked for that has been. */
    private function hasBeen(Field $field, Script $script): bool
    {
        $asks = $field->title;
        foreach ($script->steps as $step) {
            $asks .= $step instanceof AskStep && $step->field === $field->key ? ' '.($step->prompt->variants[0] ?? '') : '';
        }

        return $field->bounds?->when === 'past' || $field->bounds?->when !== 'future' && preg_match('/\b(?:born|birth|last|since|did (?!you have)|was|were|happened|noticed?|bought|ago|(?:should|could|would|must) (?:\w+ )?have (?:been|had|come|\w+ed))\b/i', $asks) === 1;
    }

    private function text(Field $field, Dice $dice): string
    {
        if ($field->pattern !== null) {
            $made = $this->reference($field, $dice);

            return $field->example === null || preg_match('~'.str_replace('~', '\~', $field->pattern).'~u', $made) === 1 ? $made : $field->example;
        }

        return $field->example !== null && $dice->falls(0.5) ? $field->example : $dice->one($this->listed('texts'));
    }

    /** A reference of the field's pattern: literal signs, \d and classes with counts; six signs where it has none. */
    private function reference(Field $field, Dice $dice): string
    {
        $pattern = trim((string) $field->pattern, '^$/');
        if ($pattern === '' || preg_match('/[|()?*+.]/', $pattern) === 1) {
            return chr(65 + $dice->between(0, 25)).chr(65 + $dice->between(0, 25)).$dice->between(1000, 9999);
        }
        $made = '';
        preg_match_all('/(\\\\d|\[[^\]]+\]|.)(?:\{(\d+)(?:,\d*)?\})?/', $pattern, $parts, PREG_SET_ORDER);
        foreach ($parts as $part) {
            for ($n = (int) ($part[2] ?? 1); $n > 0; $n--) {
                $made .= match (true) {
                    $part[1] === '\\d', str_contains($part[1], '0-9') => (string) $dice->between(0, 9),
                    $part[1][0] === '[' => chr(65 + $dice->between(0, 25)),
                    default => $part[1],
                };
            }
        }

        return $made;
    }

    /** @return non-empty-list<string> */
    private function some(string $list): array
    {
        $names = $this->phrases->names($list);

        return $names === [] ? ['Dara'] : $names;
    }

    /** @return non-empty-list<string> */
    private function listed(string $table): array
    {
        $all = array_values($this->phrases->table($table));

        return $all === [] ? ['nothing'] : $all;
    }
}
