<?php

/** Writes what the training of acts reads: data/corpora/acts.jsonl in the features Ringo itself counts, as JSON lines. */

declare(strict_types=1);

use Ringo\Fit\Fold;
use Ringo\Language\UtteranceFeatures;

require dirname(__DIR__).'/vendor/autoload.php';

$features = new UtteranceFeatures;
foreach (file(dirname(__DIR__).'/data/corpora/acts.jsonl') ?: [] as $line) {
    $row = json_decode($line, true, 16, JSON_THROW_ON_ERROR);
    echo json_encode(['acts' => $row['acts'], 'trade' => $row['trade'], 'held' => Fold::heldOut($row['trade']), 'features' => $features->of($row['said'], $row['asked'], $row['type'])], JSON_THROW_ON_ERROR), "\n";
}
