<?php

declare(strict_types=1);

// wishes.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['a', 'b', 'f', 'i', 'l', 'r', 's', 'w', 'x'], 'unit' => 0.006614664408165639, 'bias' => [-0.16889023780822754, -0.15202461183071136, -0.17012318968772888, 0.1572791039943695, -0.17841015756130219, -0.21850299835205078, -0.2557425796985626, 0.19303542375564575, 0.20094139873981476], 'shared' => true, 'sayings' => 6569, 'right_left_out' => 0.81, 'corpus_sha256' => 'aebc029babdb4e5c83ec07ab9f93f9cc7248b2b0d76ae14a6e49b2da996b4cd2', 'weights_sha256' => '9bada74398cc28bcd63b5d71f312b445d0e0f99a2f36b7e76c0af8eac0d419a1', 'command' => 'php training/wish_tokens.php > sayings.jsonl; /usr/bin/python3 training/sayings.py wishes sayings.jsonl'];
