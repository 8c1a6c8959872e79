<?php

/** Writes what the training of yes and no reads: data/corpora/yes_no.jsonl in the features Ringo itself counts, as JSON lines. */

declare(strict_types=1);

use Ringo\Language\Vocabulary;
use Ringo\Numbering\NumberingPlan;
use Ringo\Understanding\Context;
use Ringo\Understanding\Understanding;
use Ringo\Understanding\YesNo\Features;
use Ringo\Value\ValueType;

require dirname(__DIR__).'/vendor/autoload.php';

$understanding = new Understanding(Vocabulary::of(), new NumberingPlan);
$features = new Features(require dirname(__DIR__).'/core/Language/en/yes_no_meant/words.php');
foreach (file(dirname(__DIR__).'/data/corpora/yes_no.jsonl') ?: [] as $line) {
    $row = json_decode($line, true, 16, JSON_THROW_ON_ERROR);
    $read = $understanding->read(ValueType::YesNo, $understanding->hear($row['said']), new Context(new DateTimeImmutable('2026-03-10T10:00')))->value;
    $read = is_bool($read) ? $read : null;
    echo json_encode(['question' => $row['question'], 'side' => $row['value'] === true ? 0 : ($row['value'] === false ? 1 : 2), 'read' => $read, 'features' => $features->of($row['said'], $row['question'], $read)], JSON_THROW_ON_ERROR), "\n";
}
