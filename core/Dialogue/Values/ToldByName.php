<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\Vocabulary;
use Ringo\Sheet\Field;
use Ringo\Understanding\Heard;
use Ringo\Value\ValueType;

/**
 * Stretches of what was said that name another field by its title and say its value: 'three, and the floor is six' answers how many
 * bedrooms with three, and tells the floor.
 */
final readonly class ToldByName
{
    /** Values in which an 'and' or a pause may stand. */
    private const LONG = [ValueType::PostalAddress, ValueType::Several, ValueType::Duration, ValueType::Phone, ValueType::Reference, ValueType::Email];

    public function __construct(private Vocabulary $words)
    {
    }

    /**
     * @param list<Field> $fields those that may be told
     *
     * @return array<string, array{int, int, Heard}> by field: first token of the stretch, the one behind it, and the words of the value
     */
    public function in(Turn $turn, Heard $heard, array $fields, ?Field $asked): array
    {
        $about = $asked === null ? [] : (new Tokenizer)->words($asked->title.' '.$asked->description.' '.($turn->asking($asked->key)->prompt->variants[0] ?? ''));
        $starts = [];
        foreach ($fields as $field) {
            $title = $this->title($field);
            if ($field->key === $asked?->key || $field->type === ValueType::Text || $title === [] || array_diff($title, $about) === []) {
                continue;
            }
            $place = $this->place($heard->tokens, $title);
            if ($place !== null) {
                $starts[$field->key] = $place;
            }
        }
        // Of two titles that begin at the same word the longer one is meant.
        uasort($starts, static fn (array $a, array $b): int => [$a[0], $b[1]] <=> [$b[0], $a[1]]);
        $found = [];
        $until = 0;
        foreach ($starts as $key => [$from, $value]) {
            if ($from < $until) {
                continue;
            }
            $type = $turn->script->sheet->field((string) $key)->type ?? ValueType::Text;
            $until = $this->end($heard->tokens, $value, $type, array_column($starts, 0));
            if ($until > $value) {
                $found[(string) $key] = [$from, $until, $heard->only(array_slice($heard->tokens, $value, $until - $value))];
            }
        }

        return $found;
    }

    /**
     * What is left where they are taken out.
     *
     * @param array<string, array{int, int, Heard}> $told
     */
    public function without(Heard $heard, array $told): Heard
    {
        $kept = $heard->tokens;
        foreach ($told as [$from, $until]) {
            for ($i = $from; $i < $until; $i++) {
                unset($kept[$i]);
            }
        }

        return $heard->only(array_values($kept));
    }

    /** @return list<string> */
    private function title(Field $field): array
    {
        $title = (new Tokenizer)->words($field->title);
        $little = $this->words->set('function_words');

        return array_filter($title, static fn (string $word): bool => ! isset($little[$word])) === [] ? [] : $title;
    }

    /**
     * @param list<Token> $t
     * @param list<string> $title
     *
     * @return ?array{int, int} where the naming begins, and where the value does
     */
    private function place(array $t, array $title): ?array
    {
        ['opens' => $opens, 'is' => $is, 'may' => $may] = $this->words->section('talk', 'told_by_name');
        $length = count($title);
        for ($i = 0, $n = count($t) - $length; $i < $n; $i++) {
            if (array_map(static fn (Token $token): string => $token->text, array_slice($t, $i, $length)) !== $title) {
                continue;
            }
            $j = $i + $length;
            $j += in_array($t[$j]->text, $may, true) ? 1 : 0;
            if (in_array($t[$j]->text ?? '', $is, true)) {
                $from = $i;
                while ($from > 0 && in_array($t[$from - 1]->text, $opens, true)) {
                    $from--;
                }

                return [$from, $j + 1];
            }
        }

        return null;
    }

    /**
     * @param list<Token> $t
     * @param list<int> $starts where other fields are named
     */
    private function end(array $t, int $from, ValueType $type, array $starts): int
    {
        $long = in_array($type, self::LONG, true);
        for ($i = $from, $n = count($t); $i < $n; $i++) {
            $over = $t[$i]->afterSentence() || ! $long && in_array($t[$i]->text, ['and', 'but'], true) && ! in_array($t[$i - 1]->text ?? '', $this->words->section('talk', 'told_by_name')['goes_on'], true);
            if ($i > $from && ($over || in_array($i, $starts, true))) {
                return $i;
            }
        }

        return count($t);
    }
}
