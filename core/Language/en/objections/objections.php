<?php

declare(strict_types=1);

// objections.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['-', 'bad_experience', 'distrust', 'has_supplier', 'no_need', 'no_time', 'not_mine', 'price', 'thinking', 'whence'], 'unit' => 0.006062403438598153, 'bias' => [0.14091837406158447, -0.10255321860313416, -0.14081399142742157, -0.04441230744123459, 0.07515057176351547, -0.08456530421972275, -0.060973431915044785, -0.06726662069559097, -0.11617310345172882, -0.2625751793384552], 'meaning' => 0.0032556934619513084, 'shared' => true, 'sayings' => 8966, 'right_left_out' => 0.622, 'corpus_sha256' => '9e9909a26dae1a1b84f07a1b7565b4cd398165c9fdd38dbd968b36d0a1d2447d', 'weights_sha256' => '9b26a7fe889d1f786fe647be3978443c702b415572575b0e45b9384b5b00335e', 'command' => 'php training/saying_tokens.php objections > sayings.jsonl; /usr/bin/python3 training/sayings.py objections sayings.jsonl'];
