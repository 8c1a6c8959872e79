<?php

declare(strict_types=1);

namespace App\Actions\Knowledge;

use App\Models\Business;
use App\Models\KnowledgeCheck;
use Ringo\Knowledge\Answer;
use Ringo\Knowledge\CheckList;

/** Runs the questions that were kept as checks; what got better or worse is seen against the run before. */
final readonly class CheckAnswers
{
    public function __construct(private KnowledgeOf $knowledge)
    {
    }

    /** @return array{passed: int, failed: int, better: list<string>, worse: list<string>} */
    public function run(Business $business): array
    {
        $list = new CheckList;
        $result = ['passed' => 0, 'failed' => 0, 'better' => [], 'worse' => []];
        foreach ($business->knowledgeChecks()->get() as $check) {
            $answer = $this->ask($business, $check->question);
            $passed = $list->passes(self::asRow($check), $answer);
            $result[$passed ? 'passed' : 'failed']++;
            if ($check->passed !== null && $check->passed !== $passed) {
                $result[$passed ? 'better' : 'worse'][] = $check->question;
            }
            $check->update(['passed_before' => $check->passed, 'passed' => $passed, 'answer' => ($answer->answered ? '' : '[refused] ').$answer->text]);
        }

        return $result;
    }

    public function ask(Business $business, string $question, string $known = ''): Answer
    {
        return $this->knowledge->answerer($business)->answer($question, now($business->tz)->toDateTimeImmutable(), $business->country, $known);
    }

    /** @return array{question: string, holds: list<string>, refused: bool, place: string} */
    private static function asRow(KnowledgeCheck $check): array
    {
        return ['question' => $check->question, 'holds' => array_values(array_filter(array_map(trim(...), explode(';', $check->holds)), static fn (string $one): bool => $one !== '')), 'refused' => $check->refused, 'place' => ''];
    }
}
