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
     * Whether an answer is what the check wants; the words may stand in any case. For 'yes' and 'no' the answer
     * must not begin with the other, and for 'no' its words must deny.
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
        if (! $this->holds($check, $answer->text)) {
            return false;
        }

        return $this->placed($check, $answer->source);
    }

    /**
     * Whether one of the readings that are asked about is what the check wants.
     *
     * @param Check $check
     */
    public function offered(array $check, Answer $answer): bool
    {
        return array_filter($answer->offers, fn (array $one): bool => $this->holds($check, $one['text']) && $this->placed($check, $one['source'])) !== [];
    }

    /** @param Check $check */
    private function holds(array $check, string $text): bool
    {
        $text = mb_strtolower($text);
        foreach ($check['holds'] as $words) {
            $words = mb_strtolower($words);
            $there = match ($words) {
                'yes' => preg_match('/^(?:no|unfortunately|sorry)\b/', $text) !== 1,
                'no' => preg_match('/^(?:no|unfortunately|sorry)\b|\b(?:not|no|cannot|never|unpaid|closed|only)\b/', $text) === 1 && ! str_starts_with($text, 'yes'),
                default => str_contains($text, $words),
            };
            if (! $there) {
                return false;
            }
        }

        return true;
    }

    /** @param Check $check */
    private function placed(array $check, ?string $source): bool
    {
        return $check['place'] === '' || $source !== null && str_starts_with($source, $check['place']);
    }
}
