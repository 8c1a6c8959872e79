<?php

declare(strict_types=1);

// questions.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['age', 'clock', 'day', 'duration', 'money', 'name', 'number', 'often', 'phone', 'place', 'way', 'what', 'why', 'yesno'], 'unit' => 0.0041103104906757984, 'bias' => [-0.13874737918376923, 0.11977437138557434, 0.0877033919095993, 0.0822986364364624, 0.1435813456773758, -0.013777538202702999, -0.01829836145043373, -0.21507598459720612, -0.1886107623577118, -0.04443394020199776, 0.03613629192113876, 0.05107821524143219, -0.13204912841320038, 0.21959629654884338], 'sayings' => 839, 'right_left_out' => 0.725, 'corpus_sha256' => 'a1815a94297654419d2c6ecbf7783a8d92019a442539028231b684bf6cf0db85', 'weights_sha256' => '4c16f9c0c1dff9cc99bb91fda70238a238cf76e056b81326126220ad82a85c96', 'command' => 'php training/saying_tokens.php questions > sayings.jsonl; /usr/bin/python3 training/sayings.py questions sayings.jsonl'];
