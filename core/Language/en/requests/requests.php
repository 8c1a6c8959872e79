<?php

declare(strict_types=1);

// requests.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['asks', 'wants'], 'unit' => 0.006295922703630342, 'bias' => [0.12098249047994614, -0.12098249047994614], 'meaning' => 0.0022050391032001166, 'shared' => true, 'sayings' => 3765, 'right_left_out' => 0.891, 'corpus_sha256' => '304b52072f949ffe51f53ce3b5ad8d901fe6eb64b8e43ef514e3ef048b47b414', 'weights_sha256' => '4496de981e325fa29fb114a0a1647fc95615522342853d5405dd60af4226ed75', 'command' => 'php training/saying_tokens.php requests > sayings.jsonl; /usr/bin/python3 training/sayings.py requests sayings.jsonl'];
