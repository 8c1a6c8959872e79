<?php

declare(strict_types=1);

// wishes.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['a', 'b', 'f', 'i', 'l', 'r', 's', 'w', 'x'], 'unit' => 0.006759046100256011, 'bias' => [-0.17219918966293335, -0.15451580286026, -0.1661076545715332, 0.14183099567890167, -0.17972424626350403, -0.21631091833114624, -0.25415685772895813, 0.19288000464439392, 0.19862020015716553], 'shared' => true, 'sayings' => 6947, 'right_left_out' => 0.813, 'corpus_sha256' => '8bc1b2be09a70ba0750c0852e912fab2a1d49300b14e1eb45fac02b8e6e7803d', 'weights_sha256' => '00b57d1f70cbae3eae6b23e11fbcd565c9cb09ae699edea8169fb0c3f617891d', 'command' => 'php training/wish_tokens.php > sayings.jsonl; /usr/bin/python3 training/sayings.py wishes sayings.jsonl'];
