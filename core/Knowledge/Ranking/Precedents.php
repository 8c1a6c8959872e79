<?php

declare(strict_types=1);

namespace Ringo\Knowledge\Ranking;

use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;
use Ringo\Language\TrainedFigures;

/**
 * What questions like this one were answered with elsewhere: of some thousand questions of all trades, each with the sentence that answers it
 * (data/corpora/asking.tsv), the nearest by meaning and by the stems they share. 'Have you got a bog' is near 'where's the loo', which 'The
 * lavatories are past the till' answered; a sentence like that one is likelier the answer here.
 */
final class Precedents
{
    /** Bytes of a sum, of the place of its answer (unsigned, little end first) and of the length of its stems (a float). */
    private const REST = 6;

    /** A stem that more questions hold does not make one near, it only counts where it is. */
    private const COMMON = 200;

    /** Of those that are near so many count. */
    private const NEAREST = 8;

    /** How fast what is less near than the nearest counts less. */
    private const SHARPNESS = 4;

    /** Questions more alike than this say no more. */
    private const ENOUGH = 6.0;

    private ?string $asked = null;

    private string $answered = '';

    private string $stems = '';

    private int $count = 0;

    private int $dimensions = 0;

    /** @var array<string, list<int>> places by stem */
    private array $places = [];

    /** @var array<int, list<float>> what answers, by place */
    private array $sums = [];

    private readonly Stemmer $stemmer;

    private readonly Tokenizer $tokenizer;

    public function __construct(private readonly string $folder)
    {
        $this->stemmer = new Stemmer;
        $this->tokenizer = new Tokenizer;
    }

    /**
     * @param list<float> $sum what the question means (Pairing)
     *
     * @return list<array{float, list<float>}> how much each counts, and what answered it, of length one; the nearest first
     */
    public function of(string $question, array $sum): array
    {
        $near = [];
        $asked = $this->asked ?? $this->load();
        foreach ($this->sharing($question) as $place => $shared) {
            $near[$place] = $shared + self::likeness($sum, substr($asked, $place * ($this->dimensions + self::REST), $this->dimensions));
        }
        arsort($near);
        $found = [];
        foreach (array_slice($near, 0, self::NEAREST, true) as $place => $alike) {
            if ($alike > 0) {
                /** @var array{1: int} $of */
                $of = unpack('v', $asked, $place * ($this->dimensions + self::REST) + $this->dimensions);
                $found[] = [
                    $alike ** self::SHARPNESS,
                    $this->sums[$of[1]] ??= self::sum(substr($this->answered, $of[1] * $this->dimensions, $this->dimensions)),
                ];
            }
        }

        return $found;
    }

    /**
     * How much a text is like what answered such questions.
     *
     * @param list<array{float, list<float>}> $precedents
     * @param list<float> $text what it means (Pairing)
     *
     * @return array{float, float} by how near they are, 0 to 1, and whatever that is, 0 to 1
     */
    public static function supported(array $precedents, array $text): array
    {
        $sum = 0.0;
        $whole = 1e-6;
        foreach ($precedents as [$counts, $answer]) {
            $alike = self::dot($answer, $text);
            $sum += $alike > 0 ? $counts * $alike * $alike : 0.0;
            $whole += $counts;
        }

        return [min(1.0, $sum / self::ENOUGH), $sum / $whole];
    }

    /** @return array<int, float> questions that share a stem that is not common, with the cosine of their stems by rarity */
    private function sharing(string $question): array
    {
        $stems = array_unique(array_map($this->stemmer->stem(...), $this->tokenizer->words($question)));
        $shared = [];
        $rare = [];
        $length = 0.0;
        foreach ($stems as $stem) {
            $places = $this->places[$stem] ?? $this->read($stem);
            $weight = $places === [] ? log($this->count) : log($this->count / count($places));
            $length += $weight * $weight;
            foreach ($places as $place) {
                $shared[$place] = ($shared[$place] ?? 0.0) + $weight * $weight;
            }
            $rare += count($places) <= self::COMMON ? array_fill_keys($places, true) : [];
        }
        $found = [];
        foreach (array_keys($rare) as $place) {
            /** @var array{1: float} $its */
            $its = unpack('g', (string) $this->asked, $place * ($this->dimensions + self::REST) + $this->dimensions + 2);
            $found[$place] = $shared[$place] / (sqrt($length) * $its[1] + 1e-6);
        }

        return $found;
    }

    /** @return list<int> */
    private function read(string $stem): array
    {
        $this->asked ?? $this->load();
        $at = strpos($this->stems, "\n{$stem}\t");
        if ($at === false) {
            return [];
        }
        $from = $at + strlen($stem) + 2;

        // Words no question holds are not remembered: there is no end of them.
        return $this->places[$stem] = array_map(intval(...), explode(' ', substr($this->stems, $from, (int) strpos($this->stems, "\n", $from) - $from)));
    }

    private function load(): string
    {
        /** @var array{dimensions: int, precedents: int} $trained */
        $trained = TrainedFigures::of($this->folder, 'meaning');
        [$this->dimensions, $this->count] = [$trained['dimensions'], $trained['precedents']];
        $this->answered = (string) file_get_contents($this->folder.'/answered.bin');
        $this->stems = (string) file_get_contents($this->folder.'/stems.txt');

        return $this->asked = (string) file_get_contents($this->folder.'/precedents.bin');
    }

    /**
     * Cosine of a sum and one that is kept in bytes.
     *
     * @param list<float> $sum
     */
    private static function likeness(array $sum, string $bytes): float
    {
        /** @var array<int, int> $kept from 1 */
        $kept = unpack('c*', $bytes);
        $alike = 0.0;
        foreach ($sum as $i => $value) {
            $alike += $value * $kept[$i + 1];
        }

        return $alike / 127;
    }

    /** @return list<float> of about length one */
    private static function sum(string $bytes): array
    {
        return array_map(static fn (int $byte): float => $byte / 127, array_values((array) unpack('c*', $bytes)));
    }

    /**
     * @param list<float> $a
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
