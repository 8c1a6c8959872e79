<?php

declare(strict_types=1);

namespace Ringo\Fit\Meaning;

/**
 * Compares the words of a saying with those of a description: each looks at the words of the other side that are like it, and is weighed
 * against what it finds (A. Parikh, O. Täckström, D. Das, J. Uszkoreit, 2016: 'A decomposable attention model for natural language inference').
 *
 * @phpstan-import-type Trained from Table
 */
final readonly class Comparison
{
    /** Few words of little weight tell less. */
    private const STEADY = 0.5;

    /** What is looked at less than this adds nothing that counts: of 9,958 sayings as many come right in the end, in some three fifths of the time. */
    public const LOOKED_AT = 0.05;

    /** All that is looked at counts, as in training. */
    public const ALL = 0.0003;

    /**
     * @param Trained $trained
     * @param float $least share from which a word that is looked at counts
     */
    public function __construct(private array $trained, private float $least = self::LOOKED_AT)
    {
    }

    /** @param list<list<float>> $cosines of each word said with each word of the description */
    public function of(Side $said, Side $about, array $cosines): float
    {
        $sharpness = $this->trained['sharpness'];
        $looks = [];
        $down = array_fill(0, count($about->words), 1e-9);
        foreach ($cosines as $w => $row) {
            foreach ($row as $z => $cosine) {
                $look = exp($sharpness * ($cosine - 1)) * $said->weights[$w] * $about->weights[$z];
                $looks[$w][$z] = $look;
                $down[$z] += $look;
            }
        }
        $across = array_map(static fn (array $row): float => array_sum($row) + 1e-9, $looks);
        $mine = $this->side($said, $about, $looks, $across, false);
        $theirs = $this->side($about, $said, $looks, $down, true);

        return $this->judged([...$mine, ...$theirs]);
    }

    /**
     * @param array<int, array<int, float>> $looks by word said and word of the description
     * @param array<int, float> $all what each word of this side looks at in all
     *
     * @return list<float>
     */
    private function side(Side $own, Side $other, array $looks, array $all, bool $turned): array
    {
        $sum = array_fill(0, $this->trained['compared'], 0.0);
        foreach ($own->words as $n => $word) {
            $found = $this->trained['bias'];
            foreach ($word->own as $i => $value) {
                $found[$i] += $value;
            }
            foreach ($other->words as $m => $one) {
                $share = ($turned ? $looks[$m][$n] : $looks[$n][$m]) / $all[$n];
                if ($share > $this->least) {
                    foreach ($one->other as $i => $value) {
                        $found[$i] += $share * $value;
                    }
                }
            }
            $weight = $own->weights[$n];
            foreach ($found as $i => $value) {
                if ($value > 0.0) {
                    $sum[$i] += $weight * $value;
                }
            }
        }
        $whole = $own->weight + self::STEADY;

        return array_values(array_map(static fn (float $value): float => $value / $whole, $sum));
    }

    /** @param list<float> $compared of both sides */
    private function judged(array $compared): float
    {
        $score = 0.0;
        foreach ($this->trained['judge'] as $n => $weights) {
            $sum = $this->trained['judge_bias'][$n];
            foreach ($weights as $i => $weight) {
                $sum += $weight * $compared[$i];
            }
            $score += $sum > 0.0 ? $sum * $this->trained['judge_weights'][$n] : 0.0;
        }

        return $score;
    }
}
