<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Extraction\FieldProfile;
use Ringo\Extraction\Questions;
use Ringo\Fit\Meaning;
use Ringo\Language\Lexicon;
use Ringo\Language\Stemmer;
use Ringo\Language\Token;
use Ringo\Language\Tokenizer;
use Ringo\Language\WordVectors;

/** How strongly words point at a field: as a question that asks for it, as words of its name, and in what they mean. */
final class Links
{
    /** Texts that are remembered. */
    private const REMEMBERED = 400;

    /** @var array<string, array<string, array{asks: float, last: float, names: float, about: float, like: float, open: string}>> by text, then by field */
    private array $known = [];

    /** @var array<string, array<string, float>> by text, then by field */
    private array $fitting = [];

    /** @var array<string, array<int, float>|null> */
    private array $sums = [];

    /** @var array<string, list<Token>> */
    private array $cut = [];

    /** @var array<string, array{string, array<int, float>|null}> what a field means, by key */
    private array $meant = [];

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    public function __construct(
        private readonly Questions $questions,
        private readonly Lexicon $lexicon,
        private readonly WordVectors $vectors,
        private readonly Meaning $fit,
    ) {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
    }

    /**
     * @param list<FieldProfile> $fields
     *
     * @return array<string, array{asks: float, last: float, names: float, about: float, like: float, open: string}> by field: how plainly a question
     *                        asks for it, how plainly the last one does, how much of its name and of its description stands there, how alike both
     *                        are in meaning, and what kind of thing the last sentence wants
     */
    public function of(string $text, array $fields): array
    {
        $key = count($fields).($fields === [] ? '' : spl_object_id($fields[0])).'|'.$text;
        if (isset($this->known[$key])) {
            return $this->known[$key];
        }
        if (count($this->known) > self::REMEMBERED) {
            $this->known = [];
            $this->cut = [];
        }
        $sentences = $this->questions->sentences($text);
        $all = $this->tokenizer->tokens($text);
        $last = $this->lastOf($sentences);
        $sum = $last === null ? null : $this->sum($last['text']);
        $links = [];
        foreach ($fields as $field) {
            $asks = 0.0;
            $lasts = 0.0;
            foreach ($sentences as $sentence) {
                $score = max(0.0, min(1.5, $this->questions->wanting->score($field, $sentence['tokens'], count($fields))));
                $asks = max($asks, $score);
                $lasts = $sentence === $last ? $score : $lasts;
            }
            [$names, $about] = $all === [] ? [0.0, 0.0] : $this->questions->naming->overlap($field, $all);
            $links[$field->key()] = ['asks' => $asks, 'last' => $lasts, 'names' => $names, 'about' => $about, 'like' => self::cosine($sum, $this->meaning($field)), 'open' => $last === null ? '' : (string) $this->questions->wanting->opening($last['tokens'])];
        }

        return $this->known[$key] = $links;
    }

    /**
     * How likely each field is what a text is about, of all fields and none: the fit that sorts sayings among topics, asked about fields.
     *
     * @param list<FieldProfile> $fields
     *
     * @return array<string, float> by field
     */
    public function fits(string $text, array $fields): array
    {
        if (trim($text) === '' || $fields === []) {
            return [];
        }
        $key = count($fields).spl_object_id($fields[0]).'|'.$text;
        if (count($this->fitting) > self::REMEMBERED) {
            $this->fitting = [];
        }

        return $this->fitting[$key] ??= $this->fit->of($text, $this->described($fields));
    }

    /**
     * @param list<FieldProfile> $fields
     *
     * @return array<string, array{name: string, about: string}>
     */
    private function described(array $fields): array
    {
        $descriptions = [];
        foreach ($fields as $profile) {
            $field = $profile->field;
            $descriptions[$field->key] = [
                'name' => $field->title,
                'about' => trim(implode(', ', array_filter([str_replace('_', ' ', $field->key), $field->description, implode(', ', array_column($field->options, 'label'))], static fn (string $part): bool => $part !== ''))),
            ];
        }

        return $descriptions;
    }

    /** @return array{float, float} how much of a field's name, and of its description, stands in a text */
    public function named(string $text, FieldProfile $field): array
    {
        $this->cut[$text] ??= $this->tokenizer->tokens($text);

        return $this->cut[$text] === [] ? [0.0, 0.0] : $this->questions->naming->overlap($field, $this->cut[$text]);
    }

    /** The last sentence of a text that asks, else its last. */
    public function question(string $text): string
    {
        return $this->lastOf($this->questions->sentences($text))['text'] ?? '';
    }

    /**
     * @param list<array{text: string, tokens: list<Token>, question: bool}> $sentences
     *
     * @return array{text: string, tokens: list<Token>, question: bool}|null
     */
    private function lastOf(array $sentences): ?array
    {
        foreach (array_reverse($sentences) as $sentence) {
            if ($sentence['question']) {
                return $sentence;
            }
        }

        return $sentences === [] ? null : $sentences[count($sentences) - 1];
    }

    /** @return array<int, float>|null */
    private function meaning(FieldProfile $field): ?array
    {
        $text = $field->field->title.' '.str_replace('_', ' ', $field->key()).' '.$field->field->description.' '.implode(' ', array_column($field->field->options, 'label'));
        $known = $this->meant[$field->key()] ?? null;
        if ($known === null || $known[0] !== $text) {
            $known = $this->meant[$field->key()] = [$text, $this->sum($text)];
        }

        return $known[1];
    }

    /** @return array<int, float>|null the sum of what its telling words mean, of length one; null where none is known */
    private function sum(string $text): ?array
    {
        if (array_key_exists($text, $this->sums)) {
            return $this->sums[$text];
        }
        if (count($this->sums) > self::REMEMBERED) {
            $this->sums = [];
        }
        $sum = array_fill(0, 100, 0.0);
        $any = false;
        foreach ($this->tokenizer->words($text) as $word) {
            $weight = strlen($word) < 3 ? 0.0 : $this->lexicon->weight($this->stemmer->stem($word));
            $vector = $weight < 0.2 ? null : $this->vectors->vector($word);
            if ($vector === null) {
                continue;
            }
            $any = true;
            foreach ($vector as $i => $value) {
                $sum[$i] += $weight * $value;
            }
        }
        $length = sqrt(array_sum(array_map(static fn (float $one): float => $one * $one, $sum)));

        return $this->sums[$text] = $any && $length > 0.0 ? array_map(static fn (float $one): float => $one / $length, $sum) : null;
    }

    /**
     * @param array<int, float>|null $a
     * @param array<int, float>|null $b
     */
    private static function cosine(?array $a, ?array $b): float
    {
        if ($a === null || $b === null) {
            return 0.0;
        }
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $value * $b[$i];
        }

        return $sum;
    }
}
