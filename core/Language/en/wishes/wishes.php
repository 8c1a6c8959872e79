<?php

declare(strict_types=1);

// wishes.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['a', 'b', 'f', 'i', 'l', 'r', 's', 'w', 'x'], 'unit' => 0.006616830825805664, 'bias' => [-0.16917696595191956, -0.15229180455207825, -0.1702442169189453, 0.15613360702991486, -0.17865456640720367, -0.2185654491186142, -0.255687952041626, 0.19301161170005798, 0.2019324004650116], 'shared' => true, 'sayings' => 6587, 'right_left_out' => 0.811, 'corpus_sha256' => '4da03fdd0dcd89bdfb9b86d550322275219b326742df2e179a81ee6401fe82f2', 'weights_sha256' => '6a4e8806ffa8fe6e5276649035b5f1d335b176ac368ba238fdc34c17bf780bfe', 'command' => 'php training/wish_tokens.php > sayings.jsonl; /usr/bin/python3 training/sayings.py wishes sayings.jsonl'];
