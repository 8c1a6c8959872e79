<?php

declare(strict_types=1);

/*
 * The text of a PDF from the standard input, on the standard output: a program of its own, because what a PDF costs to read is known only
 * afterwards. Whoever runs it gives it a time and a memory.
 */
require __DIR__.'/../vendor/autoload.php';

use Smalot\PdfParser\Config;
use Smalot\PdfParser\Parser;

ini_set('display_errors', '0');
error_reporting(0);
$config = new Config;
$config->setRetainImageContent(false);
$config->setDecodeMemoryLimit(64 * 1024 * 1024);
try {
    fwrite(STDOUT, (new Parser([], $config))->parseContent((string) stream_get_contents(STDIN))->getText());
} catch (\Throwable $problem) {
    fwrite(STDERR, $problem->getMessage());
    exit(1);
}
