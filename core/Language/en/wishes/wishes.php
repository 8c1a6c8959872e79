<?php

declare(strict_types=1);

// wishes.json as PHP; written by tools/trained-figures.php.

return ['kinds' => ['a', 'b', 'f', 'i', 'l', 'r', 's', 'w', 'x'], 'unit' => 0.006512549918467604, 'bias' => [-0.17375719547271729, -0.15002474188804626, -0.16491368412971497, 0.15002907812595367, -0.1774548590183258, -0.2182011604309082, -0.25613248348236084, 0.19278854131698608, 0.20131979882717133], 'shared' => true, 'sayings' => 6437, 'right_left_out' => 0.812, 'corpus_sha256' => '92f4c883f892b892f7bb160068c7be904e0e7b5b97209dfd2a80495758075b48', 'weights_sha256' => '878182b249521452a338ff22177863192bd2772490f1cf7173214d604f8e6e96', 'command' => 'php training/wish_tokens.php > sayings.jsonl; /usr/bin/python3 training/sayings.py wishes sayings.jsonl'];
