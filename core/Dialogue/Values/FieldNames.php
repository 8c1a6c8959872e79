<?php

declare(strict_types=1);

namespace Ringo\Dialogue\Values;

use Ringo\Dialogue\Turn;
use Ringo\Language\Phrases;
use Ringo\Language\Tokenizer;
use Ringo\Understanding\Heard;

/** Finds fields that are named in words: 'change the depot', 'the date should be'. */
final class FieldNames
{
    /** Words of titles too common to name a field by themselves. */
    private const COMMON = ['number', 'address', 'first', 'whether', 'contact', 'start'];

    private const SHORTEST = 5;

    /** @var array<string, Phrases<string>> names of each field, by key and title */
    private array $names = [];

    /**
     * @param list<string> $fields
     *
     * @return list<string>
     */
    public function in(Turn $turn, Heard $heard, array $fields): array
    {
        $named = [];
        foreach ($fields as $key) {
            $field = $turn->script->sheet->field($key);
            if ($field === null) {
                continue;
            }
            $names = $this->names[$key.'|'.$field->title] ??= $this->of($key, $field->title);
            if ($names->in($heard->tokens)) {
                $named[] = $key;
            }
        }

        return $named;
    }

    /** @return Phrases<string> */
    private function of(string $key, string $title): Phrases
    {
        $words = array_filter((new Tokenizer)->words($title), static fn (string $word): bool => strlen($word) >= self::SHORTEST && ! in_array($word, self::COMMON, true));

        return Phrases::listed(array_values(array_filter([$title, str_replace('_', ' ', $key), ...$words])));
    }
}
