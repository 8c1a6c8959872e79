<?php

declare(strict_types=1);

// wishes.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['a', 'b', 'f', 'i', 'l', 'r', 's', 'w', 'x'], 'unit' => 0.006629608278199444, 'bias' => [-0.16915366053581238, -0.15191537141799927, -0.1682118922472, 0.1547272503376007, -0.17861303687095642, -0.21872533857822418, -0.2557874917984009, 0.1923982948064804, 0.20204928517341614], 'shared' => true, 'sayings' => 6618, 'right_left_out' => 0.81, 'corpus_sha256' => '24ed5ebc0724ccb35767ae5ae411155337a43975f860ff714e398f8b56d0823b', 'weights_sha256' => '7d7d323623e884df712d300793ef5cdb7f4f3ff35ed72824f5058d99410a79f0', 'command' => 'php training/wish_tokens.php > sayings.jsonl; /usr/bin/python3 training/sayings.py wishes sayings.jsonl'];
