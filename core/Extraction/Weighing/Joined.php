<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Readings;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Values that are told in two answers: a surname to a first name, a town or a postcode to a street. */
final readonly class Joined
{
    /** By type, the words of a question that asks for the rest. */
    private const ASKS = [ValueType::PersonName->value => 'name_last', ValueType::PostalAddress->value => 'address_rest'];

    /** How many utterances ago the first part may have been said. */
    private const BACK = 12;

    /** Words of a town's name. */
    private const PLACE_WORDS = 3;

    public function __construct(private Readings $readings, private Signs $signs, private Vocabulary $words)
    {
    }

    /**
     * @param array<string, list<Candidate>> $before by field
     *
     * @return list<Candidate>
     */
    public function of(Scene $scene, Utterance $utterance, array $before): array
    {
        $asked = $utterance->theirs || $utterance->before === '' || $utterance->heard->tokens === [] ? [] : $this->readings->hear($utterance->before)->all;
        $found = [];
        foreach ($asked === [] ? [] : $scene->fields as $field) {
            $section = self::ASKS[$field->type->value] ?? null;
            if ($section === null || $field->namePart !== null || ! $this->words->phrases('extraction', $section)->in($asked)) {
                continue;
            }
            $first = $this->first($field, $before[$field->key()] ?? [], $utterance);
            $rest = $first === null
                ? null
                : $this->readings->read($field, $utterance->heard, $scene->hearing->now, $scene->country(), true)->value ?? $this->place($field, $utterance);
            if (is_string($rest) && ! str_contains(mb_strtolower($rest), mb_strtolower((string) $first))) {
                $value = $first.($field->type === ValueType::PersonName ? ' ' : ', ').$rest;
                $whole = Reading::of($value, 0.85, $utterance->heard->original, 0, strlen($utterance->heard->original));
                $found[] = new Candidate(
                    $field,
                    $value,
                    $utterance->place,
                    $utterance->turn,
                    $utterance->heard->original,
                    Candidate::MENDED,
                    ['mends:joined' => 1.0] + $this->signs->of($scene, $utterance, $field, $utterance->heard->original, $whole, 'mended'),
                );
            }
        }

        return $found;
    }

    /** A town alone is no address, but it is the rest of one. */
    private function place(FieldProfile $field, Utterance $utterance): ?string
    {
        $tokens = $utterance->heard->tokens;

        return $field->type === ValueType::PostalAddress && count($tokens) <= self::PLACE_WORDS
            ? mb_convert_case(implode(' ', array_map(static fn (Token $token): string => $token->original, $tokens)), MB_CASE_TITLE)
            : null;
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return ?string the caller's word or words that want the rest: a name of one word, an address without a second part
     */
    private function first(FieldProfile $field, array $candidates, Utterance $utterance): ?string
    {
        $mark = $field->type === ValueType::PersonName ? ' ' : ', ';
        foreach (array_reverse($candidates) as $one) {
            if (
                is_string($one->value)
                && $one->told === Candidate::ANSWER
                && $one->place < $utterance->place
                && $one->place >= $utterance->place - self::BACK
                && ! str_contains($one->value, $mark)
            ) {
                return $one->value;
            }
        }

        return null;
    }
}
