<?php

declare(strict_types=1);

namespace Ringo\Understanding\YesNo;

use Ringo\Language\TrainedFigures;

/** Whether a reply means yes, no or neither, given the question; trained on labelled pairs (training/yes_no.py). */
final class Model
{
    private const SIDES = 3;

    /** What the vector of a reply is long. */
    private const LENGTH = 4.0;

    /** @var array{unit: float, bias: list<float>}|null */
    private ?array $trained = null;

    private string $weights = '';

    private ?Features $features = null;

    public function __construct(private readonly string $folder)
    {
    }

    public static function english(): self
    {
        static $model = null;

        return $model ??= new self(dirname(__DIR__, 2).'/Language/en/yes_no_meant');
    }

    /** @param ?bool $read what the reader of direct words makes of the reply; null for nothing */
    public function of(string $said, string $question, ?bool $read): Meant
    {
        $trained = $this->trained();
        $this->features ??= new Features(require $this->folder.'/words.php');
        $places = $this->features->of($said, $question, $read);
        $sums = array_fill(0, self::SIDES, 0);
        foreach ($places as $place) {
            foreach (array_values((array) unpack('c'.self::SIDES, $this->weights, $place * self::SIDES)) as $n => $weight) {
                $sums[$n] += $weight;
            }
        }
        $scale = self::LENGTH / sqrt(max(1, count($places))) * $trained['unit'];
        $powers = array_map(static fn (int $sum, float $bias): float => exp($bias + $scale * $sum), $sums, $trained['bias']);
        $whole = array_sum($powers);

        return new Meant($powers[0] / $whole, $powers[1] / $whole, $powers[2] / $whole);
    }

    /** @return array{unit: float, bias: list<float>} */
    private function trained(): array
    {
        if ($this->trained === null) {
            /** @var array{unit: float, bias: list<float>} $trained */
            $trained = TrainedFigures::of($this->folder, 'yes_no');
            $this->weights = (string) file_get_contents($this->folder.'/weights.bin');
            $this->trained = $trained;
        }

        return $this->trained;
    }
}
