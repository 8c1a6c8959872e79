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

    /** Rows of the weights that are remembered: most words come again. */
    private const KEPT = 4_000;

    /** @var ?resource */
    private $weights;

    /** @var array<int, array<int, int>> rows that were looked at, each weight by its class from 1 */
    private array $rows = [];

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
        $count = count($about['bias']);
        $sums = array_fill(1, $count, 0);
        $counted = 0;
        $shared = $about['shared'] ?? false;
        foreach ($places as $place) {
            $row = $this->rows[$place] ?? $this->row($place, $count);
            if ($row === [] && $shared) {
                continue;
            }
            $counted++;
            foreach ($row as $n => $weight) {
                $sums[$n] += $weight;
            }
        }
        $scale = self::LENGTH / sqrt(max(1, $counted)) * $about['unit'];
        $scores = array_map(static fn (int $sum, float $bias): float => $bias + $scale * $sum, $sums, $about['bias']);
        foreach ($meaning as $n => $value) {
            $row = $this->rows[UtteranceFeatures::PLACES + $n] ?? $this->row(UtteranceFeatures::PLACES + $n, $count);
            foreach ($row as $class => $weight) {
                $scores[$class - 1] += self::LENGTH * $value * $weight * ($about['meaning'] ?? 0.0);
            }
        }

        return array_values($scores);
    }

    /** @return array<int, int> empty where every weight is nothing */
    private function row(int $place, int $count): array
    {
        if ($this->weights === null) {
            $this->weights = fopen($this->folder.'/weights.bin', 'r') ?: throw new \RuntimeException("{$this->folder}/weights.bin cannot be read");
            // A turn looks at a hundred rows of many thousands.
            stream_set_read_buffer($this->weights, 0);
        }
        if (count($this->rows) >= self::KEPT) {
            $this->rows = [];
        }
        fseek($this->weights, $place * $count);
        $bytes = (string) fread($this->weights, max(1, $count));

        return $this->rows[$place] = strlen($bytes) < $count || trim($bytes, "\0") === '' ? [] : (array) unpack('c'.$count, $bytes);
    }

    public function takesMeaning(): bool
    {
        return isset($this->about()['meaning']);
    }

    /** @return array<string, mixed> what the training wrote beside the weights */
    public function about(): array
    {
        if ($this->about === null) {
            $this->about = TrainedFigures::of($this->folder, $this->name);
        }

        return $this->about;
    }
}
