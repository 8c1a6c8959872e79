<?php

declare(strict_types=1);

// wishes.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['a', 'b', 'f', 'i', 'l', 'r', 's', 'w', 'x'], 'unit' => 0.006760016670377236, 'bias' => [-0.17126403748989105, -0.15356838703155518, -0.16545610129833221, 0.14027398824691772, -0.1795644462108612, -0.21625928580760956, -0.2540176808834076, 0.1929423213005066, 0.1990952491760254], 'shared' => true, 'sayings' => 6968, 'right_left_out' => 0.813, 'corpus_sha256' => '7644bcea91ba3a0b3981bf90cc4562530ec04155620793674afaec7fd1b9a30a', 'weights_sha256' => '11699ed0f7b8c49db3546012b59198c84f5c1ebb6b752828fdc06cf50890a5d8', 'command' => 'php training/wish_tokens.php > sayings.jsonl; /usr/bin/python3 training/sayings.py wishes sayings.jsonl'];
