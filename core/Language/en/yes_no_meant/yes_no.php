<?php

declare(strict_types=1);

// yes_no.json as PHP; written by tools/trained-figures.php.

return ['unit' => 0.0077291966423274966, 'bias' => [0.06709621846675873, 0.06020287424325943, -0.08297071605920792], 'figures' => ['right_of_three' => 0.642, 'agreeing' => [['from' => 0.3, 'right' => 0.729, 'commits' => 0.2], ['from' => 0.4, 'right' => 0.741, 'commits' => 0.19], ['from' => 0.5, 'right' => 0.753, 'commits' => 0.18], ['from' => 0.6, 'right' => 0.769, 'commits' => 0.163], ['from' => 0.7, 'right' => 0.8, 'commits' => 0.146], ['from' => 0.8, 'right' => 0.834, 'commits' => 0.122], ['from' => 0.9, 'right' => 0.852, 'commits' => 0.085]]], 'corpus_sha256' => '3d4ef1a93091e84f261e7ec7af8aad71dac0b853285903c5bcdc4879913649be', 'weights_sha256' => 'aef1dc70bbe84f7bc768556d1682fb7e858e29ba26df8cd4ae2d3f6e3dbffe48', 'trained_on' => 'data/corpora/yes_no.jsonl, one question in five left out (crc32 of the question, remainder 0 of 5); figures from five folds by question', 'command' => 'php training/yes_no_tokens.php > yes_no.jsonl; /usr/bin/python3 training/yes_no.py yes_no.jsonl'];
