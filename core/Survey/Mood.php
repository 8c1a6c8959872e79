<?php

declare(strict_types=1);

namespace Ringo\Survey;

/** How content a made-up person is, so that their answers hang together as a real one's do: more are content than not. */
final readonly class Mood
{
    /** How far one answer strays from how content somebody is on the whole. */
    private const STRAYS = 0.18;

    /** Of the least and the most content, how many say yes. */
    private const YES = [0.2, 0.92];

    /** How many let themselves be asked. */
    private const AGREES = 0.78;

    private const STEPS = 10_000;

    /**
     * @param array<string, mixed> $truth what else is true of them, by field
     *
     * @return array<string, mixed>
     */
    public function of(Survey $survey, array $truth, string $seed): array
    {
        $dice = new \Random\Randomizer(new \Random\Engine\Xoshiro256StarStar(hash('sha256', "mood|{$seed}", true)));
        $draw = static fn (): float => $dice->getInt(0, self::STEPS) / self::STEPS;
        $content = max($draw(), $draw());
        $truth[ScriptOfSurvey::AGREED] = $draw() < self::AGREES ? 'yes' : 'no';
        foreach ($survey->questions as $key => $question) {
            $here = max(0.0, min(1.0, $content + self::STRAYS * (2 * $draw() - 1)));
            if ($question->kind === QuestionKind::Scale) {
                $truth[$key] = (int) round($question->low + ($question->high - $question->low) * $here);
            } elseif ($question->kind === QuestionKind::YesNo) {
                $truth[$key] = $draw() < self::YES[0] + (self::YES[1] - self::YES[0]) * $here;
            }
        }

        return $truth;
    }
}
