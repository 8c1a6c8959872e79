<?php

declare(strict_types=1);

// Writes what the lexicon finds its words by, from words.txt and concepts.php of core/Language/en: lexicon/index.bin, one record of
// eight bytes a word (crc32, place, count, sorted), and ideas.php, the ideas by the stems of their sayings. Run it after a change of either.

use Ringo\Language\Stemmer;

require dirname(__DIR__).'/vendor/autoload.php';

$folder = dirname(__DIR__).'/core/Language/en';
$records = [];
foreach (file($folder.'/lexicon/words.txt', FILE_IGNORE_NEW_LINES) ?: [] as $place => $line) {
    [$word, $count] = explode(' ', $line);
    $hash = pack('N', crc32($word));
    isset($records[$hash]) && exit("Two words of the lexicon have the same hash: {$word} is one.\n");
    $records[$hash] = $hash.pack('nn', $place, min(65_535, (int) $count));
}
ksort($records, SORT_STRING);
file_put_contents($folder.'/lexicon/index.bin', implode('', $records));

$stemmer = new Stemmer;
$ideas = [];
foreach ((require $folder.'/concepts.php')['ideas'] as $idea => $sayings) {
    foreach (explode(',', (string) $sayings) as $saying) {
        $stems = implode(' ', $stemmer->stems(trim($saying)));
        if ($stems !== '' && ! in_array($idea, $ideas[$stems] ?? [], true)) {
            $ideas[$stems][] = (string) $idea;
        }
    }
}
ksort($ideas, SORT_STRING);
$lines = '';
foreach ($ideas as $stems => $of) {
    $lines .= '    '.var_export((string) $stems, true).' => ['.implode(', ', array_map(static fn (string $one): string => var_export($one, true), $of))."],\n";
}
file_put_contents($folder.'/ideas.php', "<?php\n\ndeclare(strict_types=1);\n\n// The ideas of concepts.php by the stems of their sayings; written by tools/lexicon-index.php.\n\nreturn [\n{$lines}];\n");
