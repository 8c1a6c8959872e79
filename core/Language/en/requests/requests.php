<?php

declare(strict_types=1);

// requests.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['asks', 'wants'], 'unit' => 0.006304272047178013, 'bias' => [0.09811490029096603, -0.09811489284038544], 'meaning' => 0.0021828375463410626, 'shared' => true, 'sayings' => 5505, 'right_left_out' => 0.833, 'corpus_sha256' => '4747f0b8f4530ba7a7835931d841d32318e1052faa8ec9f1332ff81609f9437d', 'weights_sha256' => 'a2fb85db0ce7e71ba5030deb9769076d4235588aed9e026d160490c508bb6076', 'command' => 'php training/saying_tokens.php requests > sayings.jsonl; /usr/bin/python3 training/sayings.py requests sayings.jsonl'];
