<?php

declare(strict_types=1);

namespace Ringo\Understanding\Acts;

/**
 * How likely an utterance does each act, given what was asked; trained on labelled utterances (training/acts.py).
 *
 * One logistic regression an act over hashed features. Beside its weights each act keeps the probability from which it was right nine
 * times in ten on trades left out; an act that never was has none.
 */
final class ActModel
{
    /** What the vector of an utterance is long. */
    private const LENGTH = 4.0;

    /** @var array{acts: list<string>, unit: float, bias: list<float>, sure: array<string, float>, corpus_sha256: string}|null */
    private ?array $trained = null;

    private string $weights = '';

    private readonly Features $features;

    public function __construct(private readonly string $folder)
    {
        $this->features = new Features;
    }

    public static function english(): self
    {
        static $model = null;

        return $model ??= new self(dirname(__DIR__, 2).'/Language/en/acts');
    }

    /** @return array<string, float> probability by act */
    public function of(string $said, string $asked, string $type): array
    {
        $trained = $this->trained();
        $places = $this->features->of($said, $asked, $type);
        $count = count($trained['acts']);
        $sums = array_fill(0, $count, 0);
        foreach ($places as $place) {
            foreach (array_values((array) unpack('c'.$count, $this->weights, $place * $count)) as $n => $weight) {
                $sums[$n] += $weight;
            }
        }
        $scale = self::LENGTH / sqrt(max(1, count($places))) * $trained['unit'];
        $of = [];
        foreach ($trained['acts'] as $n => $act) {
            $of[$act] = 1 / (1 + exp(-($trained['bias'][$n] + $scale * $sums[$n])));
        }

        return $of;
    }

    /** The probability from which an act was right nine times in ten on trades left out; null where it never was. */
    public function sureFrom(string $act): ?float
    {
        return $this->trained()['sure'][$act] ?? null;
    }

    /** Whether a corpus of that hash (sha256) is the one it learned from. */
    public function trainedOn(string $hash): bool
    {
        return $this->trained()['corpus_sha256'] === $hash;
    }

    /** @return array{acts: list<string>, unit: float, bias: list<float>, sure: array<string, float>, corpus_sha256: string} */
    private function trained(): array
    {
        if ($this->trained === null) {
            /** @var array{acts: list<string>, unit: float, bias: list<float>, sure: array<string, float>, corpus_sha256: string} $trained */
            $trained = json_decode((string) file_get_contents($this->folder.'/acts.json'), true, 8, JSON_THROW_ON_ERROR);
            $this->weights = (string) file_get_contents($this->folder.'/weights.bin');
            $this->trained = $trained;
        }

        return $this->trained;
    }
}
