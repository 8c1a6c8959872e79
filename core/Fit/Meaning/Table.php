<?php

declare(strict_types=1);

namespace Ringo\Fit\Meaning;

use Ringo\Language\Stemmer;
use Ringo\Language\TrainedFigures;

/**
 * The table of what words mean to callers (training/meaning.py). Rows are read one by one as words turn up, so that a process holds
 * the words of its calls and not the whole table.
 *
 * @phpstan-type Trained array{dimensions: int, weight_unit: int, name: float, sum: float, alignment: float, stems: float, none: float, compared: int, judged: int, compared_unit: float, sharpness: float, bias: list<float>, judge: list<list<float>>, judge_bias: list<float>, judge_weights: list<float>, rows_sha256: string}
 */
final class Table
{
    private const BYTES_OF_A_HASH = 4;

    /** @var ?Trained */
    private ?array $trained = null;

    private string $hashes = '';

    /** @var ?resource */
    private $rows;

    /** @var array<string, ?Word> */
    private array $known = [];

    private int $next = 0;

    private readonly Stemmer $stemmer;

    public function __construct(private readonly string $folder)
    {
        $this->stemmer = new Stemmer;
    }

    /** @return Trained figures that go with the table */
    public function trained(): array
    {
        if ($this->trained === null) {
            /** @var Trained $trained */
            $trained = TrainedFigures::of($this->folder, 'meaning');
            $this->hashes = (string) file_get_contents($this->folder.'/words.bin');
            $this->rows = fopen($this->folder.'/rows.bin', 'r') ?: throw new \RuntimeException("{$this->folder}/rows.bin cannot be read");
            $this->trained = $trained;
        }

        return $this->trained;
    }

    public function word(string $word): ?Word
    {
        return array_key_exists($word, $this->known) ? $this->known[$word] : $this->known[$word] = $this->read($word);
    }

    private function read(string $word): ?Word
    {
        $trained = $this->trained();
        $place = $this->place(crc32($word));
        if ($place === null || $this->rows === null) {
            return null;
        }
        [$dimensions, $compared] = [$trained['dimensions'], $trained['compared']];
        $size = $dimensions + 1 + 2 * $compared;
        fseek($this->rows, $place * $size);
        $bytes = array_values((array) unpack('c'.$size, (string) fread($this->rows, max(1, $size))));
        $vector = array_slice($bytes, 0, $dimensions);
        $length = sqrt(array_sum(array_map(static fn (int $byte): int => $byte * $byte, $vector))) ?: 1.0;
        $part = static fn (int $from): array => array_map(static fn (int $byte): float => $byte * $trained['compared_unit'], array_slice($bytes, $from, $compared));

        return new Word($this->next++, array_map(static fn (int $byte): float => $byte / $length, $vector), $bytes[$dimensions] / $trained['weight_unit'], $this->stemmer->stem($word), $part($dimensions + 1), $part($dimensions + 1 + $compared));
    }

    /** Place of a word among the sorted hashes of all. */
    private function place(int $hash): ?int
    {
        $wanted = pack('N', $hash);
        $low = 0;
        $high = intdiv(strlen($this->hashes), self::BYTES_OF_A_HASH) - 1;
        while ($low <= $high) {
            $middle = ($low + $high) >> 1;
            $order = strcmp(substr($this->hashes, $middle * self::BYTES_OF_A_HASH, self::BYTES_OF_A_HASH), $wanted);
            if ($order === 0) {
                return $middle;
            }
            $order < 0 ? $low = $middle + 1 : $high = $middle - 1;
        }

        return null;
    }
}
