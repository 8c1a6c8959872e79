<?php

declare(strict_types=1);

namespace App\Console\Core;

use Ringo\Extraction\Extractor;
use Ringo\Extraction\Score;
use Ringo\Format\LabelledCalls;

/** `./ringo score extract [FOLDER]`: how well records agree with labelled transcripts, trade by trade. */
final class ScoreCommand
{
    public const USAGE = './ringo score extract [FOLDER] [--misses]: FOLDER holds a folder a trade with sheet.json and calls.txt';

    public function run(Arguments $arguments): int
    {
        $arguments->allow(['misses']);

        return match ($arguments->positional[0] ?? '') {
            'extract' => $this->extract($arguments->positional[1] ?? 'tests/Core/Extraction/cases', $arguments->has('misses')),
            default => throw new WrongUsage('Usage: '.self::USAGE),
        };
    }

    private function extract(string $folder, bool $misses): int
    {
        $files = glob("{$folder}/*/calls*.txt") ?: throw new BadInput("{$folder}: there is no folder with calls.txt in it.");
        $all = new Score;
        $calls = 0;
        foreach ($files as $file) {
            $sheet = ExtractCommand::sheet(dirname($file).'/sheet.json');
            $extractor = Extractor::for($sheet);
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
}
