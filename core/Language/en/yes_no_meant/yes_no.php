<?php

declare(strict_types=1);

// yes_no.json as PHP; written by tools/trained-figures.php.

return ['unit' => 0.008060486297907793, 'bias' => [0.059587039053440094, 0.07002431899309158, -0.08897200226783752], 'figures' => ['right_of_three' => 0.645, 'agreeing' => [['from' => 0.3, 'right' => 0.73, 'commits' => 0.201], ['from' => 0.4, 'right' => 0.743, 'commits' => 0.189], ['from' => 0.5, 'right' => 0.756, 'commits' => 0.179], ['from' => 0.6, 'right' => 0.776, 'commits' => 0.165], ['from' => 0.7, 'right' => 0.793, 'commits' => 0.145], ['from' => 0.8, 'right' => 0.83, 'commits' => 0.125], ['from' => 0.9, 'right' => 0.86, 'commits' => 0.087]]], 'corpus_sha256' => '33a0b70527c3bd937b4e96d7c6501685c2c4652018019b3182b9b8d98af9da90', 'weights_sha256' => 'fedd8f929109208bdd5d4402e7e967f2bc62ff04b1737c7361e8b2c05f95be7b', 'trained_on' => 'data/corpora/yes_no.jsonl, one question in five left out (crc32 of the question, remainder 0 of 5); figures from five folds by question', 'command' => 'php training/yes_no_tokens.php > yes_no.jsonl; /usr/bin/python3 training/yes_no.py yes_no.jsonl'];
