<?php

declare(strict_types=1);

namespace Ringo\Language;

/** General word vectors: how alike two words are in meaning (training/vectors.py; 100 signed bytes a word, read one by one). */
final class WordVectors
{
    public const SIZE = 100;

    private const BYTES_OF_A_HASH = 4;

    private const BYTES_OF_KINDS = 4;

    /** Words whose vectors are remembered. */
    private const REMEMBERED = 3000;

    private ?string $hashes = null;

    private ?string $kinds = null;

    /** @var resource|null */
    private $rows;

    /** @var array<string, list<float>|null> of length one; null where the word is not among them */
    private array $known = [];

    public function __construct(private readonly string $folder)
    {
    }

    public static function english(): self
    {
        static $vectors = null;

        return $vectors ??= new self(__DIR__.'/en/vectors');
    }

    /** Cosine of the angle between two words, -1 to 1; 0 where one of them is not known. */
    public function likeness(string $a, string $b): float
    {
        $x = $this->vector($a);
        $y = $x === null ? null : $this->vector($b);
        if ($x === null || $y === null) {
            return 0.0;
        }
        $sum = 0.0;
        foreach ($x as $i => $value) {
            $sum += $value * $y[$i];
        }

        return $sum;
    }

    /** @return list<float>|null of length one */
    public function vector(string $word): ?array
    {
        if (array_key_exists($word, $this->known)) {
            return $this->known[$word];
        }
        if (count($this->known) >= self::REMEMBERED) {
            $this->known = [];
        }

        return $this->known[$word] = $this->read($word);
    }

    /** @return array{int, int}|null the group of words it is in, of a hundred and of five hundred (training/kinds.py); null where it is not known */
    public function kinds(string $word): ?array
    {
        $place = $this->place($word);
        if ($place === null) {
            return null;
        }
        $this->kinds ??= (string) file_get_contents($this->folder.'/kinds.bin');
        /** @var array{1: int, 2: int} $of */
        $of = unpack('n2', $this->kinds, $place * self::BYTES_OF_KINDS);

        return [$of[1], $of[2]];
    }

    /** @return list<float>|null */
    private function read(string $word): ?array
    {
        $place = $this->place($word);
        if ($place === null) {
            return null;
        }
        $this->rows ??= fopen($this->folder.'/rows.bin', 'r') ?: throw new \RuntimeException("{$this->folder}/rows.bin cannot be read");
        fseek($this->rows, $place * self::SIZE);
        $bytes = array_values((array) unpack('c'.self::SIZE, (string) fread($this->rows, self::SIZE)));
        $length = sqrt(array_sum(array_map(static fn (int $byte): int => $byte * $byte, $bytes))) ?: 1.0;

        return array_map(static fn (int $byte): float => $byte / $length, $bytes);
    }

    /** The row of a word; null where it is not known. */
    private function place(string $word): ?int
    {
        $this->hashes ??= (string) file_get_contents($this->folder.'/words.bin');
        $wanted = pack('N', crc32($word));
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
