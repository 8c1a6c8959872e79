<?php

declare(strict_types=1);

namespace Ringo\Knowledge;

/**
 * Questions with what their answers must hold, one a line as a person writes them:
 *
 *     how much is a locker a month | £22 | prices.csv
 *     do you do home visits | - |
 *
 * Several words are parted by semicolons; a dash means that the question must be refused. The place may be a file or 'file.md#Heading'.
 *
 * @phpstan-type Check array{question: string, holds: list<string>, refused: bool, place: string}
 */
final readonly class CheckList
{
    /**
     * @return list<Check>
     *
     * @throws \UnexpectedValueException naming the line
     */
    public function read(string $text): array
    {
        $checks = [];
        foreach (explode("\n", $text) as $n => $line) {
            $line = trim($line);
            if ($line === '' || $line[0] === '#') {
                continue;
            }
            $parts = array_map(trim(...), explode('|', $line));
            if (count($parts) < 2 || $parts[0] === '' || $parts[1] === '') {
                throw new \UnexpectedValueException('line '.($n + 1).': write “question | words the answer must hold | file”, or a dash where it must be refused');
            }
            $checks[] = ['question' => $parts[0], 'holds' => $parts[1] === '-' ? [] : array_map(trim(...), explode(';', $parts[1])), 'refused' => $parts[1] === '-', 'place' => $parts[2] ?? ''];
        }

        return $checks;
    }

    /**
     * Whether an answer is what the check wants; the words may stand in any case, and 'yes' or 'no' must stand first.
     *
     * @param Check $check
     */
    public function passes(array $check, Answer $answer): bool
    {
        if ($check['refused']) {
            return ! $answer->answered;
        }
        if (! $answer->answered) {
            return false;
        }
        $text = mb_strtolower($answer->text);
        foreach ($check['holds'] as $words) {
            $words = mb_strtolower($words);
            $there = in_array($words, ['yes', 'no'], true) ? preg_match('/^(?:'.$words.')\b/', $text) === 1 || $words === 'no' && preg_match('/^(?:unfortunately|sorry)\b/', $text) === 1 : str_contains($text, $words);
            if (! $there) {
                return false;
            }
        }

        return $check['place'] === '' || $answer->source !== null && ($answer->source === $check['place'] || str_starts_with($answer->source, $check['place'].'#') || str_starts_with($answer->source, $check['place']));
    }
}
