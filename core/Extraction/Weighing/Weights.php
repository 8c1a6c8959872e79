<?php

declare(strict_types=1);

namespace Ringo\Extraction\Weighing;

use Ringo\Language\TrainedFigures;

/** What the signs of a candidate count, as training on labelled calls has taught it (training/records.py): a line and one hidden layer. */
final class Weights
{
    private const BYTES = 4;

    /** @var array{least: float, hidden: int, signs: array<string, int>}|null */
    private ?array $trained = null;

    private string $bytes = '';

    /** @var array<int, list<float>> by sign: what it counts in the line, then in each hidden unit */
    private array $rows = [];

    /** @var array{list<float>, list<float>, float} biases of the hidden units, what each counts, and the last bias */
    private array $last = [[], [], 0.0];

    public function __construct(private readonly string $folder)
    {
    }

    public static function english(): self
    {
        static $weights = null;

        return $weights ??= new self(dirname(__DIR__, 2).'/Language/en/records');
    }

    /** From this likelihood on a value is taken. */
    public function least(): float
    {
        return $this->trained()['least'];
    }

    /** @param array<string, float> $signs */
    public function score(array $signs): float
    {
        $trained = $this->trained();
        [$inner, $outer, $sum] = $this->last;
        foreach ($signs as $name => $value) {
            $place = $trained['signs'][$name] ?? null;
            if ($place === null || $value === 0.0) {
                continue;
            }
            $row = $this->rows[$place] ??= array_values((array) unpack('g'.($trained['hidden'] + 1), $this->bytes, $place * ($trained['hidden'] + 1) * self::BYTES));
            $sum += $value * $row[0];
            foreach ($inner as $n => $so) {
                $inner[$n] = $so + $value * $row[$n + 1];
            }
        }
        foreach ($inner as $n => $value) {
            $sum += $value > 0.0 ? $value * $outer[$n] : 0.0;
        }

        return $sum;
    }

    /** @return array{least: float, hidden: int, signs: array<string, int>} */
    private function trained(): array
    {
        if ($this->trained === null) {
            /** @var array{least: float, hidden: int, signs: list<string>} $known */
            $known = TrainedFigures::of($this->folder, 'records');
            $this->bytes = (string) file_get_contents($this->folder.'/weights.bin');
            $hidden = $known['hidden'];
            $at = count($known['signs']) * ($hidden + 1) * self::BYTES;
            $inner = array_values((array) unpack('g'.$hidden, $this->bytes, $at));
            $outer = array_values((array) unpack('g'.$hidden, $this->bytes, $at + $hidden * self::BYTES));
            $this->last = [$inner, $outer, (float) ((array) unpack('g', $this->bytes, $at + 2 * $hidden * self::BYTES))[1]];
            $this->trained = ['least' => $known['least'], 'hidden' => $hidden, 'signs' => array_flip($known['signs'])];
        }

        return $this->trained;
    }
}
