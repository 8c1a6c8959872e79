<?php

declare(strict_types=1);

// yes_no.json as PHP; written by tools/trained-figures.php.

return ['unit' => 0.0080620378959836, 'bias' => [0.05962526425719261, 0.069764643907547, -0.08891360461711884], 'figures' => ['right_of_three' => 0.645, 'agreeing' => [['from' => 0.3, 'right' => 0.728, 'commits' => 0.201], ['from' => 0.4, 'right' => 0.744, 'commits' => 0.189], ['from' => 0.5, 'right' => 0.756, 'commits' => 0.18], ['from' => 0.6, 'right' => 0.773, 'commits' => 0.166], ['from' => 0.7, 'right' => 0.79, 'commits' => 0.146], ['from' => 0.8, 'right' => 0.828, 'commits' => 0.125], ['from' => 0.9, 'right' => 0.862, 'commits' => 0.088]]], 'corpus_sha256' => '1a98cfb066f73a46dc9193c39efaede798d2b3faf34f9beea57bc5fa9d3a5dae', 'weights_sha256' => '7c807a44f6aa09c64d4fadb4c0bd4c04a6a5aa2da83d6dbb03894a4d902be822', 'trained_on' => 'data/corpora/yes_no.jsonl, one question in five left out (crc32 of the question, remainder 0 of 5); figures from five folds by question', 'command' => 'php training/yes_no_tokens.php > yes_no.jsonl; /usr/bin/python3 training/yes_no.py yes_no.jsonl'];
