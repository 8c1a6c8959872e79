<?php

declare(strict_types=1);

// Writes core/Language/en/trades.php: the label of every trade of data/trades and where it stands among meanings, for matching a business to its trades. Run it after a change of the trades or of the meanings.

use Ringo\Fit\Meaning;
use Ringo\Trade\Trade;

require dirname(__DIR__).'/vendor/autoload.php';

$rows = '';
foreach (glob(dirname(__DIR__).'/data/trades/*.json') ?: [] as $file) {
    $trade = Trade::read((array) json_decode((string) file_get_contents($file), true, 32, JSON_THROW_ON_ERROR));
    $bytes = implode('', array_map(static fn (float $one): string => pack('c', (int) round(127 * $one)), Meaning::english()->vector($trade->described())));
    $rows .= '    '.var_export($trade->key, true).' => ['.var_export($trade->label, true).', '.var_export(base64_encode($bytes), true)."],\n";
}
file_put_contents(dirname(__DIR__).'/core/Language/en/trades.php', "<?php\n\ndeclare(strict_types=1);\n\n// Label and place among meanings of every trade; written by tools/trade-index.php.\n\nreturn [\n{$rows}];\n");
