<?php

declare(strict_types=1);

namespace Ringo\Understanding\Acts;

use Ringo\Language\HashedModel;
use Ringo\Language\UtteranceFeatures;

/**
 * How likely an utterance does each act, given what was asked; trained on labelled utterances (training/acts.py).
 *
 * One logistic regression an act over hashed features. Beside its weights each act keeps the probability from which it was right nine
 * times in ten on trades left out; an act that never was has none.
 */
final class ActModel
{
    private readonly HashedModel $model;

    private readonly UtteranceFeatures $features;

    public function __construct(string $folder)
    {
        $this->model = new HashedModel($folder, 'acts');
        $this->features = new UtteranceFeatures;
    }

    public static function english(): self
    {
        static $model = null;

        return $model ??= new self(dirname(__DIR__, 2).'/Language/en/acts');
    }

    /** @return array<string, float> probability by act */
    public function of(string $said, string $asked, string $type): array
    {
        $scores = $this->model->scores($this->features->of($said, $asked, $type));

        return array_combine($this->about()['acts'], array_map(static fn (float $score): float => 1 / (1 + exp(-$score)), $scores));
    }

    /** The probability from which an act was right nine times in ten on trades left out; null where it never was. */
    public function sureFrom(string $act): ?float
    {
        return $this->about()['sure'][$act] ?? null;
    }

    /** Whether a corpus of that hash (sha256) is the one it learned from. */
    public function trainedOn(string $hash): bool
    {
        return $this->about()['corpus_sha256'] === $hash;
    }

    /** @return array{acts: list<string>, sure: array<string, float>, corpus_sha256: string} */
    private function about(): array
    {
        /** @var array{acts: list<string>, sure: array<string, float>, corpus_sha256: string} $about */
        $about = $this->model->about();

        return $about;
    }
}
