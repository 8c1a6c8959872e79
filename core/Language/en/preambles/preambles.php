<?php

declare(strict_types=1);

// preambles.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['-', 'cut_off', 'do_tell', 'rang_back', 'recorded', 'slower', 'waited', 'well_thanks', 'what_happened', 'wrong'], 'unit' => 0.006551393373744694, 'bias' => [0.10441385954618454, -0.08546561747789383, -0.06757421046495438, -0.11148392409086227, -0.11826232075691223, -0.10322469472885132, -0.09551360458135605, -0.1176246628165245, -0.10269331187009811, -0.11889632791280746], 'meaning' => 0.0048240132219209446, 'shared' => true, 'sayings' => 20435, 'right_left_out' => 0.916, 'corpus_sha256' => '7dca045328b2d9d3c29e611be3bc0734064257933e169072947355d371a6b65b', 'weights_sha256' => 'b7664cdbcd8a05c8838fd98468bb3d37ca8a8fb66a5effbd30abd24f7a50c807', 'command' => 'php training/saying_tokens.php preambles > sayings.jsonl; /usr/bin/python3 training/sayings.py preambles sayings.jsonl'];
