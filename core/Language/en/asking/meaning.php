<?php

declare(strict_types=1);

// meaning.json as PHP; written by tools/trained-figures.php.

return ['words' => 43274, 'dimensions' => 64, 'weight_unit' => 24, 'compared' => 0, 'compared_unit' => 0.0, 'corpus_sha256' => '5bf45a738fc33b7c78df1156022754976f6e9c054b7cb66e33df78916b6cfee2', 'meanings_sha256' => '9721d2bf8eb237402e40dd78b9b13b8cedeb3d902e016c959bd6d03a79b73a8d', 'rows_sha256' => 'ea428e261a99832bf14f4e1ef2c738fedefb73b24ea51770611211e7e87f757c', 'precedents' => 4423, 'precedents_sha256' => 'f4c7b7b762b1fbc8183ddd4c83f0adef0c16ca5a10b0da65270752bdc4b6fdd2', 'trained_on' => 'data/corpora/asking.tsv, 4423 questions of 236 trades', 'right_first_of_its_trade_left_out' => ['before' => ['all' => 0.26, 'sum' => 0.2453], 'after' => ['all' => 0.4318, 'sum' => 0.4201]], 'command' => 'php training/asking_tokens.php > asking.jsonl; /usr/bin/python3 training/asking.py asking.jsonl'];
