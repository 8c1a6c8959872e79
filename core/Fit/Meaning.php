<?php

declare(strict_types=1);

namespace Ringo\Fit;

use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;

/**
 * How well a saying fits descriptions by what its words mean, as training on many trades has taught it (training/meaning.py).
 *
 * Three things count: the weighted sums of both sides, their words aligned one by one, and the stems they share; what the parts count
 * and what 'none of them' counts was trained with them. Words the table does not hold tell nothing.
 */
final class Meaning
{
    private const SAID_MOST = 40;

    private const ABOUT_MOST = 60;

    private const TINY = 1e-6;

    /** Few words of little weight align with less. */
    private const STEADY = 0.5;

    /** @var array{dimensions: int, weight_unit: int, name: float, sum: float, alignment: float, stems: float, none: float, rows_sha256: string}|null */
    private ?array $trained = null;

    private string $words = '';

    private string $rows = '';

    /** @var array<string, ?array{list<float>, float, string}> unit vector, weight and stem by word */
    private array $known = [];

    /** @var array<string, list<array{string, float}>> words of a description with what they count, by its text */
    private array $about = [];

    /** @var array<string, float> */
    private array $near = [];

    private readonly Tokenizer $tokenizer;

    private readonly Stemmer $stemmer;

    public function __construct(private readonly string $folder)
    {
        $this->tokenizer = new Tokenizer;
        $this->stemmer = new Stemmer;
    }

    public static function english(): self
    {
        static $meaning = null;

        return $meaning ??= new self(dirname(__DIR__).'/Language/en/meaning');
    }

    /**
     * @param array<string, array{name: string, about: string}> $descriptions by key
     *
     * @return array<string, float> probability of each, and under '' that it is none of them; they sum to 1
     */
    public function of(string $said, array $descriptions): array
    {
        $scores = $this->scores($said, $descriptions);
        $most = max([$scores[''], ...array_values($scores)]);
        $powers = array_map(static fn (float $score): float => exp($score - $most), $scores);
        $sum = array_sum($powers);

        return array_map(static fn (float $power): float => $power / $sum, $powers);
    }

    /**
     * @param array<string, array{name: string, about: string}> $descriptions by key
     *
     * @return array<string, float> as trained, before they are made probabilities; under '' what 'none of them' counts
     */
    public function scores(string $said, array $descriptions): array
    {
        $trained = $this->trained();
        $words = array_slice(array_values(array_filter($this->tokenizer->words($said), fn (string $word): bool => $this->row($word) !== null)), 0, self::SAID_MOST);
        $about = array_map($this->words(...), $descriptions);
        $holding = $this->holding($words, $about);
        $weight = array_sum(array_map(fn (string $word): float => $this->weight($word), $words)) + self::STEADY;
        $meant = $this->summed(array_map(static fn (string $word): array => [$word, 1.0], $words));
        $scores = [];
        foreach ($about as $key => $theirs) {
            $aligned = 0.0;
            $shared = 0.0;
            $stems = array_flip(array_map(fn (array $one): string => $this->stem($one[0]), $theirs));
            $heaviest = self::TINY + max([0.0, ...array_map(fn (array $one): float => $this->weight($one[0]) * $one[1], $theirs)]);
            foreach ($words as $word) {
                $aligned += $this->weight($word) * $this->nearest($word, $theirs, $heaviest);
                $shared += isset($stems[$this->stem($word)]) ? $this->weight($word) / max(1, $holding[$this->stem($word)]) : 0.0;
            }
            $scores[$key] = $trained['sum'] * self::dot($meant, $this->summed($theirs)) + $trained['alignment'] * $aligned / $weight + $trained['stems'] * $shared / $weight;
        }
        $scores[''] = $trained['none'];

        return $scores;
    }

    /** Which training the table came from: what was computed with another is to be computed again. */
    public function version(): string
    {
        return substr($this->trained()['rows_sha256'], 0, 12);
    }

    /** @return list<float> the weighted sum of what the words of a text mean, of length one; nothing but noughts where no word is known */
    public function vector(string $text): array
    {
        return array_values($this->summed(array_map(static fn (string $word): array => [$word, 1.0], $this->tokenizer->words($text))));
    }

    /** @param list<array{string, float}> $theirs */
    private function nearest(string $word, array $theirs, float $heaviest): float
    {
        $best = 0.0;
        foreach ($theirs as [$other, $counts]) {
            $name = $word."\0".$other;
            $cosine = $this->near[$name] ??= max(0.0, self::dot($this->row($word)[0] ?? [], $this->row($other)[0] ?? []));
            $best = max($best, $cosine ** 3 * (0.3 + 0.7 * $this->weight($other) * $counts / $heaviest));
        }
        if (count($this->near) > 200_000) {
            $this->near = [];
        }

        return $best;
    }

    /**
     * How many descriptions hold each stem that was said.
     *
     * @param list<string> $words
     * @param array<string, list<array{string, float}>> $about
     *
     * @return array<string, int>
     */
    private function holding(array $words, array $about): array
    {
        $holding = array_fill_keys(array_map($this->stem(...), $words), 0);
        foreach ($about as $theirs) {
            foreach (array_unique(array_map(fn (array $one): string => $this->stem($one[0]), $theirs)) as $stem) {
                if (isset($holding[$stem])) {
                    $holding[$stem]++;
                }
            }
        }

        return $holding;
    }

    /**
     * @param array{name: string, about: string} $description
     *
     * @return list<array{string, float}>
     */
    private function words(array $description): array
    {
        $text = $description['name']."\0".$description['about'];
        if (! isset($this->about[$text])) {
            $words = [];
            foreach ([[$description['name'], $this->trained()['name']], [$description['about'], 1.0]] as [$part, $counts]) {
                foreach ($this->tokenizer->words($part) as $word) {
                    if ($this->row($word) !== null) {
                        $words[] = [$word, $counts];
                    }
                }
            }
            $this->about[$text] = array_slice($words, 0, self::ABOUT_MOST);
        }

        return $this->about[$text];
    }

    /**
     * @param list<array{string, float}> $words
     *
     * @return array<int, float> of length one, or nothing at all
     */
    private function summed(array $words): array
    {
        $sum = array_fill(0, $this->trained()['dimensions'], 0.0);
        foreach ($words as [$word, $counts]) {
            [$vector, $weight] = $this->row($word) ?? [[], 0.0];
            foreach ($vector as $i => $value) {
                $sum[$i] += $weight * $counts * $value;
            }
        }
        $length = sqrt(self::dot($sum, $sum)) + self::TINY;

        return array_map(static fn (float $value): float => $value / $length, $sum);
    }

    private function weight(string $word): float
    {
        return $this->row($word)[1] ?? 0.0;
    }

    private function stem(string $word): string
    {
        return $this->row($word)[2] ?? $word;
    }

    /** @return ?array{list<float>, float, string} */
    private function row(string $word): ?array
    {
        if (! array_key_exists($word, $this->known)) {
            $trained = $this->trained();
            $place = $this->place(crc32($word));
            if ($place === null) {
                return $this->known[$word] = null;
            }
            $size = $trained['dimensions'] + 1;
            $bytes = array_values((array) unpack('c'.$size, substr($this->rows, $place * $size, $size)));
            $weight = array_pop($bytes) / $trained['weight_unit'];
            $length = sqrt(array_sum(array_map(static fn (int $byte): int => $byte * $byte, $bytes))) ?: 1.0;
            $this->known[$word] = [array_map(static fn (int $byte): float => $byte / $length, $bytes), $weight, $this->stemmer->stem($word)];
        }

        return $this->known[$word];
    }

    /** Place of a word among the sorted hashes of all. */
    private function place(int $hash): ?int
    {
        $wanted = pack('N', $hash);
        $low = 0;
        $high = intdiv(strlen($this->words), 4) - 1;
        while ($low <= $high) {
            $middle = ($low + $high) >> 1;
            $order = strcmp(substr($this->words, $middle * 4, 4), $wanted);
            if ($order === 0) {
                return $middle;
            }
            $order < 0 ? $low = $middle + 1 : $high = $middle - 1;
        }

        return null;
    }

    /** @return array{dimensions: int, weight_unit: int, name: float, sum: float, alignment: float, stems: float, none: float, rows_sha256: string} */
    private function trained(): array
    {
        if ($this->trained === null) {
            /** @var array{dimensions: int, weight_unit: int, name: float, sum: float, alignment: float, stems: float, none: float, rows_sha256: string} $trained */
            $trained = json_decode((string) file_get_contents($this->folder.'/meaning.json'), true, 8, JSON_THROW_ON_ERROR);
            $this->words = (string) file_get_contents($this->folder.'/words.bin');
            $this->rows = (string) file_get_contents($this->folder.'/rows.bin');
            $this->trained = $trained;
        }

        return $this->trained;
    }

    /**
     * @param array<int, float> $a
     * @param array<int, float> $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        if ($b !== []) {
            foreach ($a as $i => $value) {
                $sum += $value * $b[$i];
            }
        }

        return $sum;
    }
}
