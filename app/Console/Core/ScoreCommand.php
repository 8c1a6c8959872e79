<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Extraction\Extractor;
use Ringo\Extraction\Score;
use Ringo\Fit\Caution;
use Ringo\Format\LabelledCalls;
use Ringo\Knowledge\CheckList;

/** `./ringo score read|fit|topics|acts|yes-no|objections|extract|answer [FOLDER]`: how often callers come to the right team, and acts are heard rightly, how well records agree with labelled transcripts, and answers with what they must hold, trade by trade. */
final class ScoreCommand
{
    public const USAGE = './ringo score read|fit|topics|acts|yes-no|objections|extract|answer [FOLDER] [--misses] [--caution=quick|even|careful]: FOLDER holds trades, or is a file of labelled utterances, or holds a folder a trade, with sheet.json and calls.txt, or with documents and checks.txt';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['misses', 'caution']);

        return match ($arguments->positional[0] ?? '') {
            'extract' => $this->extract($arguments->positional[1] ?? 'tests/Core/Extraction/cases', $arguments->has('misses')),
            'answer' => $this->answer($arguments->positional[1] ?? 'tests/Core/Knowledge/cases', $arguments->has('misses')),
            'fit' => $this->printed((new FitScore($this->caution($arguments)))->of($arguments->positional[1] ?? 'data/trades')),
            'topics' => $this->printed((new TopicScore)->of($arguments->positional[1] ?? 'data/trades')),
            'read' => $this->printed((new ReadScore)->of($arguments->positional[1] ?? 'data/corpora/spelling_remarks.jsonl')),
            'yes-no' => $this->printed((new YesNoScore)->of($arguments->positional[1] ?? 'data/corpora/yes_no.jsonl')),
            'acts' => $this->printed((new ActScore)->of($arguments->positional[1] ?? 'data/corpora/acts.jsonl')),
            'objections' => $this->printed((new ObjectionScore)->of($arguments->positional[1] ?? 'data/corpora/objections/blind.tsv')),
            default => throw new WrongUsage('Usage: '.self::USAGE),
        };
    }

    private function caution(Arguments $arguments): Caution
    {
        $wanted = $arguments->get('caution') ?? Caution::Even->value;

        return Caution::tryFrom($wanted) ?? throw new WrongUsage("“{$wanted}” is no caution; ".implode(', ', array_column(Caution::cases(), 'value')).' are.');
    }

    /** @param iterable<array<string, mixed>> $lines */
    private function printed(iterable $lines): int
    {
        foreach ($lines as $line) {
            Output::json($line);
        }

        return 0;
    }

    private function extract(string $folder, bool $misses): int
    {
        $files = glob("{$folder}/*/calls*.txt") ?: throw new BadInput("{$folder}: there is no folder with calls.txt in it.");
        $all = new Score;
        $calls = 0;
        foreach ($files as $file) {
            $sheet = ExtractCommand::sheet(dirname($file).'/sheet.json');
            $extractor = isset($extractor) ? $extractor->with($sheet) : Extractor::for($sheet);
            $score = new Score;
            try {
                $labelled = (new LabelledCalls)->read((string) file_get_contents($file));
            } catch (\UnexpectedValueException $problem) {
                throw new BadInput("{$file}: {$problem->getMessage()}");
            }
            foreach ($labelled as $call) {
                $record = $extractor->extract($call['transcript']);
                $score->add($call['transcript']->id, $sheet, $call['expected'], $record->values());
                $all->add($call['transcript']->id, $sheet, $call['expected'], $record->values());
                $calls++;
            }
            Output::json($this->line(basename(dirname($file)), count($labelled), $score));
            foreach ($misses ? $score->misses() : [] as $miss) {
                fwrite(STDERR, '  '.$miss['call'].' '.$miss['field'].': expected '.json_encode($miss['expected'], JSON_UNESCAPED_UNICODE).', given '.json_encode($miss['given'], JSON_UNESCAPED_UNICODE)."\n");
            }
        }
        Output::json($this->line('all', $calls, $all));

        return 0;
    }

    /** @return array<string, mixed> */
    private function line(string $name, int $calls, Score $score): array
    {
        return ['set' => $name, 'calls' => $calls, 'values' => $score->due(), 'precision' => round($score->precision(), 3), 'recall' => round($score->recall(), 3), 'f1' => round($score->f1(), 3), 'invented' => round($score->invented(), 3)];
    }

    private function answer(string $folder, bool $misses): int
    {
        $files = glob("{$folder}/*/checks.txt") ?: [];
        if ($files === []) {
            return $this->printed((new AnswerScore)->lines($folder, $misses));
        }
        $sums = [];
        $now = new \DateTimeImmutable('2026-03-10T09:14', new \DateTimeZone('Europe/London'));
        foreach ($files as $file) {
            $answerer = AnswerCommand::answerer(dirname($file).'/documents');
            $list = new CheckList;
            $counts = ['questions' => 0, 'covered' => 0, 'right' => 0, 'not_covered' => 0, 'refused' => 0];
            try {
                $checks = $list->read((string) file_get_contents($file));
            } catch (\UnexpectedValueException $problem) {
                throw new BadInput("{$file}: {$problem->getMessage()}");
            }
            foreach ($checks as $check) {
                $answer = $answerer->answer($check['question'], $now);
                $passed = $list->passes($check, $answer);
                $counts['questions']++;
                $counts[$check['refused'] ? 'not_covered' : 'covered']++;
                $counts[$check['refused'] ? 'refused' : 'right'] += $passed ? 1 : 0;
                if (! $passed && $misses) {
                    fwrite(STDERR, '  '.basename(dirname($file)).': '.$check['question'].' → '.($answer->answered ? '' : '['.$answer->refusal.'] ').$answer->text.' ('.($answer->source ?? $answer->candidates[0]->place ?? '').') wanted: '.implode('; ', $check['holds'])."\n");
                }
            }
            foreach ($counts as $name => $count) {
                $sums[$name] = ($sums[$name] ?? 0) + $count;
            }
            Output::json($this->answers(basename(dirname($file)), $counts));
        }
        Output::json($this->answers('all', $sums));

        return 0;
    }

    /**
     * @param array<string, int> $counts
     *
     * @return array<string, mixed>
     */
    private function answers(string $name, array $counts): array
    {
        return ['set' => $name] + $counts + ['right_share' => round($counts['right'] / max(1, $counts['covered']), 3), 'refused_share' => round($counts['refused'] / max(1, $counts['not_covered']), 3)];
    }
}
