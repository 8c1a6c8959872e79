<?php

declare(strict_types=1);

namespace Ringo\Language;

/**
 * Which of several kinds a saying is of, as sayings written in bulk have taught it (training/sayings.py): what kind of thing answers a
 * question, what somebody who is rung has against it, whether somebody wants something done.
 */
final class SayingModel
{
    private readonly HashedModel $model;

    private readonly UtteranceFeatures $features;

    /** @param string $as what the training called the sayings */
    public function __construct(string $folder, string $name, private readonly string $as)
    {
        $this->model = new HashedModel($folder, $name);
        $this->features = new UtteranceFeatures;
    }

    public static function questions(): self
    {
        static $questions = null;

        return $questions ??= new self(__DIR__.'/en/questions', 'questions', 'question');
    }

    /** Kinds of objections by their key; `-` is none of them, `whence` asks where the number is from. */
    public static function objections(): self
    {
        static $objections = null;

        return $objections ??= new self(__DIR__.'/en/objections', 'objections', 'objection');
    }

    /** Whether a question `wants` something done, or `asks` to know. */
    public static function requests(): self
    {
        static $requests = null;

        return $requests ??= new self(__DIR__.'/en/requests', 'requests', 'request');
    }

    /** What callers say before they come to what they ring about, by what is answered to it; `-` is none of that. */
    public static function preambles(): self
    {
        static $preambles = null;

        return $preambles ??= new self(__DIR__.'/en/preambles', 'preambles', 'preamble');
    }

    /** @return array<string, float> likelihood by kind; they add up to one */
    public function of(string $said): array
    {
        $plain = mb_strtolower(trim($said, " \t\n?.!"));
        $scores = $this->model->scores($this->features->of($plain, '', $this->as), $this->model->takesMeaning() ? $this->features->meaning($plain) : []);
        $most = max([0.0, ...$scores]);
        $powers = array_map(static fn (float $score): float => exp($score - $most), $scores);
        $sum = array_sum($powers);
        /** @var list<string> $kinds */
        $kinds = $this->model->about()['kinds'];

        return array_combine($kinds, array_map(static fn (float $power): float => $power / $sum, $powers));
    }
}
