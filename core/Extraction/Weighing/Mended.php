<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Readings;
use Ringo\Language\Token;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Heard;
use Ringo\Understanding\Reading;
use Ringo\Value\ValueType;

/** Values that are put right in part: what was said before, with the caller's words put into it ('it ends in 124', 'with a K', letter by letter). */
final readonly class Mended
{
    private const TYPES = [
        ValueType::PersonName,
        ValueType::Email,
        ValueType::Phone,
        ValueType::Date,
        ValueType::DateTime,
        ValueType::Reference,
        ValueType::PostalAddress,
    ];

    /** How many utterances ago what is put right may have been said, and how many values of a field may be meant. */
    private const BACK = 8;

    private const BASES = 2;

    /** Letters of a word that is told by spelling one like it. */
    private const LETTERS = 3;

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
        if ($utterance->theirs || $utterance->heard->tokens === [] || $utterance->keyed) {
            return [];
        }
        $spelling = $this->words->phrases('extraction', 'spelling_ask');
        $asked = $utterance->before !== '' && $spelling->in($this->readings->hear($utterance->before)->all);
        $course = $this->signs->course($scene, $utterance);
        if (! $asked && $course['takes_back'] === 0.0 && $course['says_no'] === 0.0 && ! $spelling->in($utterance->heard->tokens)) {
            return [];
        }
        $found = [];
        foreach ($scene->fields as $field) {
            foreach (in_array($field->type, self::TYPES, true) ? $this->bases($before[$field->key()] ?? [], $utterance) : [] as $base) {
                $value = $this->value($scene, $utterance, $field, $base, $asked);
                if ($value !== null && $value !== $base) {
                    $whole = Reading::of($value, $asked ? 0.94 : 0.85, $utterance->heard->original, 0, strlen($utterance->heard->original));
                    $found[$field->key().$value] = new Candidate(
                        $field,
                        $value,
                        $utterance->place,
                        $utterance->turn,
                        $utterance->heard->original,
                        Candidate::MENDED,
                        ['mends' => 1.0, 'mends:spelled' => $asked ? 1.0 : 0.0] + $this->signs->of($scene, $utterance, $field, $utterance->heard->original, $whole, 'mended'),
                    );
                }
            }
        }

        return array_values($found);
    }

    /**
     * @param list<Candidate> $candidates
     *
     * @return list<string> the values said last
     */
    private function bases(array $candidates, Utterance $utterance): array
    {
        $bases = [];
        foreach (array_reverse($candidates) as $one) {
            if (is_string($one->value) && $one->place < $utterance->place && $one->place >= $utterance->place - self::BACK && count($bases) < self::BASES) {
                $bases[$one->value] = $one->value;
            }
        }

        return array_values($bases);
    }

    private function value(Scene $scene, Utterance $utterance, FieldProfile $field, string $base, bool $spelled): ?string
    {
        if ($spelled && $field->type === ValueType::PostalAddress) {
            return $this->spelledWord($base, $utterance->heard);
        }
        if ($spelled) {
            $value = $this->read($scene, $field, $base.", that's ".$utterance->heard->original) ?? $this->read($scene, $field, $utterance->heard->original);

            return $value === null ? null : $this->inName($field, $base, $value);
        }
        $rest = $this->stripped($this->readings->wanted($utterance->heard));
        if ($rest->tokens === []) {
            return null;
        }
        $joined = $this->read($scene, $field, $base.', no, '.$this->line($rest));
        $alone = $this->readings->read($field, $rest, $scene->hearing->now, $scene->country(), true)->value;

        return $joined === null || is_string($alone) && ! $this->fuller($field, $joined, $alone) ? null : $joined;
    }

    private function read(Scene $scene, FieldProfile $field, string $line): ?string
    {
        $value = $this->readings->read($field, $line, $scene->hearing->now, $scene->country(), true)->value;

        return is_string($value) ? $value : null;
    }

    /** Of a whole name only one part may have been spelled: the likelier of the two. */
    private function inName(FieldProfile $field, string $base, string $value): string
    {
        if ($field->type !== ValueType::PersonName || str_contains($value, ' ') || ! str_contains($base, ' ')) {
            return $value;
        }
        [$first, $last] = explode(' ', $base, 2);

        return levenshtein(strtolower($value), strtolower($first)) < levenshtein(strtolower($value), strtolower($last)) ? $value.' '.$last : $first.' '.$value;
    }

    /** One word of an address, letter by letter: it takes the place of the word most like it. */
    private function spelledWord(string $address, Heard $heard): ?string
    {
        $letters = implode('', array_map(static fn (Token $token): string => $token->isLetter() ? $token->text : '', $heard->tokens));
        $words = explode(' ', $address);
        $best = null;
        foreach ($words as $i => $word) {
            $bare = strtolower(trim($word, ','));
            $far = levenshtein($bare, strtolower($letters));
            if (strlen($bare) >= self::LETTERS && $far <= max(1, intdiv(strlen($bare), self::LETTERS)) && ($best === null || $far < $best[1])) {
                $best = [$i, $far];
            }
        }
        if ($best === null || strlen($letters) < self::LETTERS) {
            return null;
        }
        $words[$best[0]] = ucfirst(strtolower($letters)).(str_ends_with($words[$best[0]], ',') ? ',' : '');

        return implode(' ', $words);
    }

    /** Whether a mended value says more than the caller's words alone. */
    private function fuller(FieldProfile $field, string $joined, string $alone): bool
    {
        return match ($field->type) {
            ValueType::PersonName => ! str_contains($alone, ' ') && str_contains($joined, ' '),
            ValueType::Date, ValueType::DateTime => false,
            default => strlen($joined) > strlen($alone),
        };
    }

    /** Without 'no', 'sorry' and the like at the beginning. */
    private function stripped(Heard $heard): Heard
    {
        $tokens = $heard->tokens;
        $openers = $this->words->phrases('extraction', 'takes_back');
        while (($hit = $openers->at($tokens, 0)) !== null && isset($tokens[$hit[1]]) && ! in_array($hit[0], ['not', "it's not"], true)) {
            $tokens = array_slice($tokens, $hit[1]);
        }

        return $heard->only(array_values($tokens));
    }

    private function line(Heard $heard): string
    {
        return trim(
            implode('', array_map(static fn (Token $token): string => ($token->gap === '' ? '' : (trim($token->gap) === '' ? ' ' : $token->gap)).$token->original, $heard->tokens)),
            ' ,.;',
        );
    }
}
