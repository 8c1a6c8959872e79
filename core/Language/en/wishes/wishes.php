<?php

declare(strict_types=1);

// wishes.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['a', 'b', 'f', 'i', 'l', 'r', 's', 'w', 'x'], 'unit' => 0.006792593190050501, 'bias' => [-0.17099176347255707, -0.15300919115543365, -0.16552023589611053, 0.13907106220722198, -0.17983989417552948, -0.21644404530525208, -0.25395750999450684, 0.1927911341190338, 0.19889624416828156], 'shared' => true, 'sayings' => 6979, 'right_left_out' => 0.813, 'corpus_sha256' => 'f94c67ed288ad3fb60ead0512ae77fb0e08ac53d1ec018ff4fcf4aa812304562', 'weights_sha256' => '5742c20f8457610dd34227c28ea2fecadbaee1298c2d3b3ab3194e26a6d773d7', 'command' => 'php training/wish_tokens.php > sayings.jsonl; /usr/bin/python3 training/sayings.py wishes sayings.jsonl'];
