<?php

declare(strict_types=1);

// requests.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['asks', 'wants'], 'unit' => 0.006227333714642863, 'bias' => [0.10831283777952194, -0.10831283777952194], 'meaning' => 0.002216196670306949, 'shared' => true, 'sayings' => 5400, 'right_left_out' => 0.854, 'corpus_sha256' => '602bc6642b52af2c672f319bf26190f9fe7fb894f12079744829cad718991408', 'weights_sha256' => '28c6cd9ec76000b80be9c8d6d9fa968889c23a843d27a9258949df48844059a0', 'command' => 'php training/saying_tokens.php requests > sayings.jsonl; /usr/bin/python3 training/sayings.py requests sayings.jsonl'];
