<?php

declare(strict_types=1);

// preambles.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['-', 'cut_off', 'do_tell', 'rang_back', 'recorded', 'slower', 'waited', 'well_thanks', 'what_happened', 'wrong'], 'unit' => 0.006567812341404712, 'bias' => [0.1045515239238739, -0.08538845926523209, -0.06736180186271667, -0.11133728176355362, -0.1189005896449089, -0.10352585464715958, -0.09578648954629898, -0.11777845025062561, -0.10285725444555283, -0.11886679381132126], 'meaning' => 0.0049130151590963045, 'shared' => true, 'sayings' => 20495, 'right_left_out' => 0.917, 'corpus_sha256' => '6c583d0054873990a3cbfa57427191cb156ada8bb072dc3d56dc1cea158398f4', 'weights_sha256' => 'c19ff8e5c778860b0409cbd20d9bd16a9f570c22fe5654cd51abfc6ee6720c07', 'command' => 'php training/saying_tokens.php preambles > sayings.jsonl; /usr/bin/python3 training/sayings.py preambles sayings.jsonl'];
