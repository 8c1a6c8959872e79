<?php

declare(strict_types=1);

namespace Ringo\Errand;

/** A table kept with a business, looked up by its columns. */
final readonly class Table
{
    /** Letters that may differ in so many letters of a name: one in five, and none in the shortest. */
    private const LETTERS_A_SLIP = 5;

    /** @param list<array<string, string>> $rows by column */
    public function __construct(public array $rows)
    {
    }

    /** @param array<string, mixed> $values of the errand's parameters */
    public function find(Errand $errand, TableLookup $lookup, array $values, AnswerReader $reader): Reply
    {
        $wanted = [];
        foreach ($lookup->by as $by) {
            $value = $values[$by['parameter']] ?? null;
            if (is_scalar($value) && trim((string) $value) !== '') {
                $wanted[] = [$by['column'], $by['match'], is_bool($value) ? ($value ? 'yes' : 'no') : (string) $value];
            }
        }
        if ($wanted === []) {
            return Reply::of([]);
        }
        foreach ([true, false] as $strictly) {
            $rows = array_values(array_filter($this->rows, fn (array $row): bool => $this->fits($row, $wanted, $strictly)));
            if ($rows !== []) {
                return $reader->rows($errand, $rows);
            }
        }

        return Reply::of([]);
    }

    /**
     * @param array<string, string> $row
     * @param list<array{string, string, string}> $wanted column, way of matching, value
     * @param bool $strictly whether names, too, must be written alike
     */
    private function fits(array $row, array $wanted, bool $strictly): bool
    {
        foreach ($wanted as [$column, $match, $value]) {
            $cell = $row[$column] ?? '';
            $fits = match ($match) {
                'number' => self::digits($cell) !== '' && self::digits($cell) === self::digits($value),
                'name' => self::named($cell, $value, $strictly),
                default => self::plain($cell) === self::plain($value),
            };
            if (! $fits) {
                return false;
            }
        }

        return true;
    }

    private static function named(string $cell, string $value, bool $strictly): bool
    {
        [$one, $other] = [self::words($cell), self::words($value)];
        if ($one === $other || $strictly || $one === '' || $other === '') {
            return $one !== '' && $one === $other;
        }

        return levenshtein(substr($one, 0, 100), substr($other, 0, 100)) <= intdiv(min(strlen($one), strlen($other)), self::LETTERS_A_SLIP);
    }

    /** Digits of a number; its country code and leading noughts do not tell two apart. */
    private static function digits(string $text): string
    {
        return substr(ltrim((string) preg_replace('/\D/', '', $text), '0'), -10);
    }

    private static function plain(string $text): string
    {
        return mb_strtolower((string) preg_replace('/[\s.\/_-]+/u', '', $text));
    }

    private static function words(string $text): string
    {
        $plain = \Normalizer::normalize($text, \Normalizer::FORM_D);

        return trim((string) preg_replace('/[^a-z0-9]+/', ' ', strtolower((string) preg_replace('/\p{Mn}+/u', '', $plain === false ? $text : $plain))));
    }
}
