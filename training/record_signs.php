<?php

/** Writes what the training of records reads: every candidate of every labelled call under FOLDER…, with its signs and whether it is right, as JSON lines. */

declare(strict_types=1);

use Ringo\Extraction\Extractor;
use Ringo\Extraction\Score;
use Ringo\Extraction\Weighing\Candidates;
use Ringo\Format\LabelledCalls;
use Ringo\Sheet\RecordSheet;

require dirname(__DIR__).'/vendor/autoload.php';

ini_set('memory_limit', '1G');
foreach (array_slice($argv, 1) as $folder) {
    foreach (glob("{$folder}/*/calls*.txt") ?: [] as $file) {
        $sheet = RecordSheet::fromArray(json_decode((string) file_get_contents(dirname($file).'/sheet.json'), true, 32, JSON_THROW_ON_ERROR));
        $extractor = isset($extractor) ? $extractor->with($sheet) : Extractor::for($sheet);
        foreach ((new LabelledCalls)->read((string) file_get_contents($file)) as $call) {
            foreach ($extractor->candidates($call['transcript']) as $key => $candidates) {
                $due = $call['expected'][$key] ?? null;
                foreach ($candidates as $candidate) {
                    echo json_encode(['set' => basename($folder), 'trade' => basename(dirname($file)), 'call' => $call['transcript']->id, 'field' => $key, 'group' => Candidates::group($candidate->field), 'due' => $due !== null, 'right' => $due !== null && Score::same($due, $candidate->value), 'told' => $candidate->told, 'place' => $candidate->place, 'said' => $candidate->said, 'kin' => $candidate->field->kin(), 'value' => $candidate->value, 'signs' => array_filter(array_map(static fn (float $one): float => round($one, 4), $candidate->signs))], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), "\n";
                }
                if ($candidates === [] && $due !== null) {
                    echo json_encode(['set' => basename($folder), 'trade' => basename(dirname($file)), 'call' => $call['transcript']->id, 'field' => $key, 'missed' => $due], JSON_THROW_ON_ERROR), "\n";
                }
            }
        }
    }
}
