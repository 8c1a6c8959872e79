<?php

declare(strict_types=1);

// yes_no.json as PHP; written by tools/trained-figures.php.

return ['unit' => 0.008595795143307664, 'bias' => [0.01923888549208641, 0.09158623963594437, -0.09661271423101425], 'figures' => ['right_of_three' => 0.647, 'agreeing' => [['from' => 0.3, 'right' => 0.728, 'commits' => 0.202], ['from' => 0.4, 'right' => 0.735, 'commits' => 0.192], ['from' => 0.5, 'right' => 0.752, 'commits' => 0.176], ['from' => 0.6, 'right' => 0.768, 'commits' => 0.164], ['from' => 0.7, 'right' => 0.8, 'commits' => 0.146], ['from' => 0.8, 'right' => 0.835, 'commits' => 0.121], ['from' => 0.9, 'right' => 0.851, 'commits' => 0.083]]], 'corpus_sha256' => 'aded082f800471bb656f12d3d8abe52224a4e0853335d66142f4dc147115080b', 'weights_sha256' => '38aa26b447b5d0fb17128fbc3e5b43aad90cd3acb55ac6e9c57cfaa638844782', 'trained_on' => 'data/corpora/yes_no.jsonl, one question in five left out (crc32 of the question, remainder 0 of 5); figures from five folds by question', 'command' => 'php training/yes_no_tokens.php > yes_no.jsonl; /usr/bin/python3 training/yes_no.py yes_no.jsonl'];
