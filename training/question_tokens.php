<?php

/** Writes what the training of question types reads: data/corpora/questions.tsv in the features Ringo itself counts, as JSON lines. */

declare(strict_types=1);

use Ringo\Language\UtteranceFeatures;

require dirname(__DIR__).'/vendor/autoload.php';

$features = new UtteranceFeatures;
foreach (file(dirname(__DIR__).'/data/corpora/questions.tsv', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
    [$type, $said] = explode("\t", $line);
    echo json_encode(['type' => $type, 'said' => $said, 'features' => $features->of($said, '', 'question')], JSON_THROW_ON_ERROR), "\n";
}
