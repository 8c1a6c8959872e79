<?php

/** Writes what the training of questions and what answers them reads: data/corpora/asking.tsv in the words and stems of Ringo's own tokenizer, as JSON lines. */

declare(strict_types=1);

use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;

require dirname(__DIR__).'/vendor/autoload.php';

$tokenizer = new Tokenizer;
$stemmer = new Stemmer;
$of = static fn (string $text): array => ['words' => $words = $tokenizer->words($text), 'stems' => array_map($stemmer->stem(...), $words)];
foreach (file(dirname(__DIR__).'/data/corpora/asking.tsv', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
    [$trade, $written] = $asked = explode("\t", $line);
    echo json_encode(['trade' => $trade, 'written' => $of($written), 'asked' => array_map($of, array_slice($asked, 2))], JSON_THROW_ON_ERROR), "\n";
}
