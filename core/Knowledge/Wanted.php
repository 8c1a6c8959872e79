<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

use Ringo\Language\HashedModel;
use Ringo\Language\UtteranceFeatures;

/** What kind of thing answers a question: a sum, an hour, a day, a name, what to do …; trained on questions (training/questions.py). */
final class Wanted
{
    private readonly HashedModel $model;

    private readonly UtteranceFeatures $features;

    public function __construct(string $folder)
    {
        $this->model = new HashedModel($folder, 'questions');
        $this->features = new UtteranceFeatures;
    }

    public static function english(): self
    {
        static $wanted = null;

        return $wanted ??= new self(dirname(__DIR__).'/Language/en/questions');
    }

    /** @return array<string, float> likelihood by kind; they add up to one */
    public function of(string $question): array
    {
        $scores = $this->model->scores($this->features->of(mb_strtolower(trim($question, " \t\n?.!")), '', 'question'));
        $most = max([0.0, ...$scores]);
        $powers = array_map(static fn (float $score): float => exp($score - $most), $scores);
        $sum = array_sum($powers);
        /** @var list<string> $kinds */
        $kinds = $this->model->about()['kinds'];

        return array_combine($kinds, array_map(static fn (float $power): float => $power / $sum, $powers));
    }
}
