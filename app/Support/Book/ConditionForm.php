<?php

declare(strict_types=1);

namespace App\Support\Book;

use Ringo\Script\Condition;
use Ringo\Script\Paths;
use Ringo\Script\Script;
use Ringo\Value\ValueType;

/** Conditions as they are built on a page: comparisons, joined once. */
final readonly class ConditionForm
{
    /** Comparisons by what they are called in the builder. */
    public const COMPARISONS = ['is' => 'is', 'is_not' => 'is not', 'one_of' => 'is one of', 'more_than' => 'is more than', 'less_than' => 'is less than', 'before' => 'is before', 'after' => 'is after', 'contains' => 'contains', 'known' => 'is known', 'unknown' => 'is not known'];

    /** How many times comparisons may be joined for the builder to show them. */
    private const DEEPEST = 2;

    public function __construct(private Script $script)
    {
    }

    /** @return list<array<string, mixed>> the ways of a branch */
    public function ways(Form $form): array
    {
        $ways = [];
        foreach ($form->rows('ways') as $row) {
            $when = $this->condition($row);
            if ($when !== null) {
                $ways[] = ['when' => $when, 'next' => $row->text('next')];
            }
        }

        return $ways;
    }

    /** @return array<string, mixed>|null join, parts of value, comparison and than; or `kept`, a condition too deep for the builder */
    public function condition(Form $row): ?array
    {
        if ($row->trimmed('kept') !== '') {
            $kept = json_decode($row->text('kept'), true);

            return is_array($kept) ? $kept : null;
        }
        $parts = [];
        foreach ($row->rows('parts') as $part) {
            $value = $part->trimmed('value');
            $kind = $part->text('comparison', 'is');
            if ($value === '' || ! isset(self::COMPARISONS[$kind])) {
                continue;
            }
            $than = $part->trimmed('than');
            $parts[] = ['value' => $value] + match ($kind) {
                'known' => ['known' => true],
                'unknown' => ['known' => false],
                'one_of' => ['one_of' => array_map(fn (string $one): mixed => $this->typed($value, $one), Form::split($than))],
                default => [$kind => $this->typed($value, $than)],
            };
        }

        return match (count($parts)) {
            0 => null,
            1 => $parts[0],
            default => [$row->text('join', 'all') === 'any' ? 'any' : 'all' => $parts],
        };
    }

    /** Whether the builder can show a condition: one comparison, or some joined once. */
    public static function simple(Condition $condition): bool
    {
        return $condition->depth() <= self::DEEPEST;
    }

    /** A value as it was typed, of the type of what it is compared with. */
    public function typed(string $value, string $than): mixed
    {
        $field = $this->script->sheet->field($value);
        if (Paths::isYesNo($value) || $field?->type === ValueType::YesNo) {
            return ! in_array(mb_strtolower($than), ['no', 'false', 'not', '0', ''], true);
        }
        if (is_numeric($than) && ($field === null ? ! Paths::isText($value) : in_array($field->type, [ValueType::Number, ValueType::Money], true))) {
            return $than + 0;
        }
        // An option may be named by its label.
        foreach ($field->options ?? [] as $option) {
            if (mb_strtolower($option['label']) === mb_strtolower($than)) {
                return $option['key'];
            }
        }

        return $than;
    }
}
