<?php

declare(strict_types=1);

namespace Ringo\Language;

/**
 * A linear model over hashed features, as the trainings write it: `weights.bin` has a signed byte for each class in each place, and the
 * JSON beside it `unit`, what a byte is worth, and `bias`. Some take what the utterance means as well: `meaning` is then what a byte is worth
 * of the rows, one for each number of the vector, that stand behind the places. Where the training left out what hardly ever comes
 * (`shared`), it does not count for the length either.
 */
final class HashedModel
{
    /** What the vector of an utterance is long. */
    private const LENGTH = 4.0;

    private ?string $weights = null;

    /** @var array<string, mixed>|null */
    private ?array $about = null;

    public function __construct(private readonly string $folder, private readonly string $name)
    {
    }

    /**
     * @param list<int> $places
     * @param list<float> $meaning a vector of length one; empty where the model takes none
     *
     * @return list<float> a score for each class, in their order; 0 is even odds
     */
    public function scores(array $places, array $meaning = []): array
    {
        /** @var array{unit: float, bias: list<float>, meaning?: float, shared?: bool} $about */
        $about = $this->about();
        $this->weights ??= (string) file_get_contents($this->folder.'/weights.bin');
        $count = count($about['bias']);
        $sums = array_fill(0, $count, 0);
        $nothing = str_repeat("\0", $count);
        $counted = 0;
        foreach ($places as $place) {
            $row = substr($this->weights, $place * $count, $count);
            if ($row === $nothing && ($about['shared'] ?? false)) {
                continue;
            }
            $counted++;
            foreach (array_values((array) unpack('c'.$count, $row)) as $n => $weight) {
                $sums[$n] += $weight;
            }
        }
        $scale = self::LENGTH / sqrt(max(1, $counted)) * $about['unit'];
        $scores = array_map(static fn (int $sum, float $bias): float => $bias + $scale * $sum, $sums, $about['bias']);
        foreach ($meaning as $n => $value) {
            foreach (array_values((array) unpack('c'.$count, $this->weights, (UtteranceFeatures::PLACES + $n) * $count)) as $class => $weight) {
                $scores[$class] += self::LENGTH * $value * $weight * ($about['meaning'] ?? 0.0);
            }
        }

        return array_values($scores);
    }

    public function takesMeaning(): bool
    {
        return isset($this->about()['meaning']);
    }

    /** @return array<string, mixed> what the training wrote beside the weights */
    public function about(): array
    {
        if ($this->about === null) {
            /** @var array<string, mixed> $about */
            $about = json_decode((string) file_get_contents("{$this->folder}/{$this->name}.json"), true, 8, JSON_THROW_ON_ERROR);
            $this->about = $about;
        }

        return $this->about;
    }
}
