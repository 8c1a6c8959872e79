<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Knowledge\Answer;
use Ringo\Knowledge\LabelledQuestions;

/**
 * How well questions of labelled businesses are answered: a folder a business, with documents and questions.jsonl.
 *
 * @phpstan-import-type Labelled from LabelledQuestions
 */
final class AnswerScore
{
    private const COUNTED = ['answerable', 'right', 'offered', 'offered_right', 'wrong', 'refused', 'not_answerable', 'invented', 'offered_vain', 'rightly_refused'];

    /** @return iterable<array<string, mixed>> a line a business, then all */
    public function lines(string $folder, bool $misses): iterable
    {
        $files = glob("{$folder}/*/questions.jsonl") ?: throw new BadInput("{$folder}: there is no folder with questions.jsonl or checks.txt in it.");
        $all = array_fill_keys(self::COUNTED, 0);
        $now = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));
        $labelled = new LabelledQuestions;
        foreach ($files as $file) {
            $answerer = AnswerCommand::answerer(dirname($file));
            $counts = array_fill_keys(self::COUNTED, 0);
            try {
                $questions = $labelled->read((string) file_get_contents($file));
            } catch (\UnexpectedValueException $problem) {
                throw new BadInput("{$file}: {$problem->getMessage()}");
            }
            foreach ($questions as $question) {
                $answer = $answerer->answer($question['q'], $now);
                $became = $this->became($labelled, $question, $answer);
                $counts[$question['answerable'] ? 'answerable' : 'not_answerable']++;
                $counts[$became]++;
                if ($misses && ! in_array($became, ['right', 'rightly_refused', 'offered_right'], true)) {
                    fwrite(STDERR, "  {$question['id']} {$became}: {$question['q']} → {$answer->text} (".($answer->source ?? $answer->candidates[0]->place ?? '').') '.($question['answerable'] ? 'wanted '.implode('; ', $question['must']).($question['mustnot'] === [] ? '' : ' not '.implode('; ', $question['mustnot'])).' ('.$question['doc'].'#'.$question['heading'].')' : 'not covered')."\n");
                }
            }
            foreach ($counts as $name => $count) {
                $all[$name] += $count;
            }
            yield $this->line(basename(dirname($file)), $counts);
        }
        yield $this->line('all', $all);
    }

    /** @param Labelled $question */
    private function became(LabelledQuestions $labelled, array $question, Answer $answer): string
    {
        $right = static fn (string $text): bool => $labelled->right($question, $text);
        $offered = array_column($answer->offers, 'text');

        return match (true) {
            ! $question['answerable'] => $answer->answered ? 'invented' : ($offered !== [] ? 'offered_vain' : 'rightly_refused'),
            $answer->answered => $right($answer->text) ? 'right' : 'wrong',
            $offered !== [] => array_filter($offered, $right) !== [] ? 'offered_right' : 'offered',
            default => 'refused',
        };
    }

    /**
     * @param array<string, int> $counts
     *
     * @return array<string, mixed>
     */
    private function line(string $name, array $counts): array
    {
        $of = max(1, $counts['answerable']);

        return ['set' => $name] + $counts + ['right_first' => round($counts['right'] / $of, 3), 'right_in_the_end' => round(($counts['right'] + $counts['offered_right']) / $of, 3), 'wrong_share' => round($counts['wrong'] / $of, 3), 'invented_share' => round($counts['invented'] / max(1, $counts['not_answerable']), 3), 'offered_in_vain' => round(($counts['offered'] + $counts['offered_vain']) / max(1, $of + $counts['not_answerable']), 3)];
    }
}
