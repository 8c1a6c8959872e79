<?php

declare(strict_types=1);

namespace Ringo\Fit;

use Ringo\Language\TrainedFigures;

/**
 * What callers of other businesses said, and which of their teams it was for: a new saying is likely for whichever of the candidates is
 * like the teams that the likest remembered sayings were for.
 *
 * The businesses looked at are those likest to the candidates, chosen once for a set of candidates (training/memory.php).
 */
final class Memory
{
    /** Businesses that are looked at. */
    private const NEAREST = 6;

    /** How sharply the likest sayings count before the others. */
    private const SHARPNESS = 20.0;

    /** What a byte of a vector is a part of. */
    private const UNIT = 127;

    /** @var ?list<array{trade: string, at: int, teams: int, sayings: int}> */
    private ?array $businesses = null;

    private string $bytes = '';

    private int $dimensions = 0;

    /** @var array<string, array{list<list<int>>, list<array<string, float>>}> sayings, and how like each candidate their teams are, by set of candidates */
    private array $looked = [];

    /** @param ?string $without a trade that is not to be remembered: where figures are taken on it */
    public function __construct(private readonly string $folder, private readonly ?string $without = null)
    {
    }

    public static function english(): self
    {
        static $memory = null;

        return $memory ??= new self(dirname(__DIR__).'/Language/en/memory');
    }

    /** The same memory that has never heard of one trade. */
    public function without(string $trade): self
    {
        return new self($this->folder, $trade);
    }

    /**
     * @param list<float> $said what a saying means
     * @param array<string, list<float>> $candidates what each candidate means
     *
     * @return array<string, float> by candidate, around 0: above where memory speaks for it
     */
    public function of(array $said, array $candidates): array
    {
        [$sayings, $likes] = $this->looked[implode('|', array_keys($candidates)).hash('xxh128', serialize($candidates))] ??= $this->look($candidates);
        $near = [];
        foreach ($sayings as $n => $saying) {
            $sum = 0.0;
            foreach ($saying as $i => $value) {
                $sum += $value * $said[$i];
            }
            $near[$n] = $sum / self::UNIT;
        }
        $most = max([0.0, ...$near]);
        $whole = 0.0;
        $found = array_fill_keys(array_keys($candidates), 0.0);
        foreach ($near as $n => $like) {
            $counts = exp(self::SHARPNESS * ($like - $most));
            $whole += $counts;
            foreach ($likes[$n] as $key => $team) {
                $found[$key] += $counts * $team;
            }
        }
        if ($whole <= 0.0 || $found === []) {
            return $found;
        }
        $middle = array_sum($found) / count($found);

        return array_map(static fn (float $one): float => ($one - $middle) / $whole, $found);
    }

    /**
     * Where several meanings stand together.
     *
     * @param list<list<float>> $vectors
     *
     * @return list<float> of length one
     */
    public static function middle(array $vectors): array
    {
        $sum = array_fill(0, count($vectors[0] ?? []), 0.0);
        foreach ($vectors as $vector) {
            foreach ($vector as $i => $value) {
                $sum[$i] += $value;
            }
        }
        $length = sqrt(array_sum(array_map(static fn (float $value): float => $value * $value, $sum))) ?: 1.0;

        return array_values(array_map(static fn (float $value): float => $value / $length, $sum));
    }

    /**
     * @param array<string, list<float>> $candidates
     *
     * @return array{list<list<int>>, list<array<string, float>>}
     */
    private function look(array $candidates): array
    {
        $sayings = [];
        $likes = [];
        $this->load($candidates);
        $size = $this->dimensions;
        foreach ($this->nearest(self::middle(array_values($candidates))) as $business) {
            $bytes = array_values((array) unpack('c'.($business['teams'] * $size + $business['sayings'] * ($size + 1)), $this->bytes, $business['at']));
            $teams = [];
            for ($n = 0; $n < $business['teams']; $n++) {
                $vector = array_slice($bytes, $n * $size, $size);
                $teams[] = array_map(static fn (array $candidate): float => self::dot($vector, $candidate) / self::UNIT, $candidates);
            }
            for ($n = 0, $at = $business['teams'] * $size; $n < $business['sayings']; $n++, $at += $size + 1) {
                $sayings[] = array_slice($bytes, $at, $size);
                $likes[] = $teams[$bytes[$at + $size]];
            }
        }

        return [$sayings, $likes];
    }

    /**
     * @param list<float> $middle
     *
     * @return list<array{trade: string, at: int, teams: int, sayings: int}>
     */
    private function nearest(array $middle): array
    {
        $like = [];
        foreach ($this->businesses ?? [] as $n => $business) {
            if ($business['trade'] !== $this->without) {
                $like[$n] = self::dot(array_values((array) unpack('c'.$this->dimensions, $this->bytes, $n * $this->dimensions)), $middle);
            }
        }
        arsort($like);

        return array_map(fn (int $n): array => ($this->businesses ?? [])[$n], array_slice(array_keys($like), 0, self::NEAREST));
    }

    /** @param array<string, list<float>> $candidates */
    private function load(array $candidates): void
    {
        if ($this->businesses === null) {
            /** @var array{businesses: list<array{trade: string, at: int, teams: int, sayings: int}>} $data */
            $data = TrainedFigures::of($this->folder, 'memory');
            $this->businesses = $data['businesses'];
            $this->bytes = (string) file_get_contents($this->folder.'/memory.bin');
            $this->dimensions = count(array_values($candidates)[0] ?? []);
        }
    }

    /**
     * @param list<float>|list<int> $a
     * @param list<float> $b
     */
    private static function dot(array $a, array $b): float
    {
        $sum = 0.0;
        foreach ($a as $i => $value) {
            $sum += $value * $b[$i];
        }

        return $sum;
    }
}
