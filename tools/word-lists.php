<?php

declare(strict_types=1);

// Derives the long word lists of core/Language/en from general-purpose sources:
//   given_names.php, surnames.php   from the name lists of the package fakerphp/faker, and given_names_more.txt, surnames_more.txt
//   everyday_words.php              from the WordNet 3.0 database (Debian package wordnet-base)
// Run: php tools/word-lists.php [folder of the WordNet files]

require __DIR__.'/../vendor/autoload.php';

$target = __DIR__.'/../core/Language/en';
$wordnet = $argv[1] ?? '/usr/share/wordnet';

$given = [];
$surnames = [];
foreach (['en_US', 'en_GB', 'en_IN', 'en_ZA', 'en_NG', 'fr_FR', 'de_DE', 'es_ES', 'it_IT', 'pl_PL', 'pt_PT', 'nl_NL', 'sv_SE', 'tr_TR', 'ro_RO'] as $locale) {
    $class = "Faker\\Provider\\$locale\\Person";
    $properties = (new ReflectionClass($class))->getDefaultProperties();
    foreach (['firstNameMale', 'firstNameFemale'] as $list) {
        foreach ($properties[$list] ?? [] as $name) {
            $given[mb_strtolower($name)] = true;
        }
    }
    foreach ($properties['lastName'] ?? [] as $name) {
        $surnames[mb_strtolower($name)] = true;
    }
}
// A machine before it is a name.
unset($given['mini']);
foreach (file("$target/given_names_more.txt", FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $name) {
    $given[$name] = true;
}
foreach (file("$target/surnames_more.txt", FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $name) {
    $surnames[$name] = true;
}
$single = static fn (string $word): bool => preg_match("/^\\p{L}[\\p{L}'’-]+$/u", $word) === 1;
$write = static function (string $file, array $words) use ($target, $single): void {
    $words = array_filter(array_map(strval(...), array_keys($words)), $single);
    sort($words);
    $entries = wordwrap(implode(' ', array_map(static fn (string $word): string => str_replace(' ', '_', var_export($word, true)).'=>true,', $words)), 130, "\n    ");
    file_put_contents("$target/$file", "<?php\n\ndeclare(strict_types=1);\n\n// Written by tools/word-lists.php: a set, which processes share.\nreturn [\n    ".str_replace('=>', ' => ', $entries)."\n];\n");
};
$write('given_names.php', $given);
$write('surnames.php', $surnames);

$counts = [];
foreach (file("$wordnet/cntlist.rev") ?: [] as $line) {
    [$sense, , $count] = explode(' ', trim($line));
    [$lemma, $rest] = explode('%', $sense);
    // A word that WordNet files under persons and places alone is a proper name, not an everyday word.
    $counts[$lemma] = ($counts[$lemma] ?? 0) + (int) $count;
}
$everyday = [];
foreach (['noun', 'verb', 'adj', 'adv'] as $part) {
    $lower = [];
    foreach (file("$wordnet/data.$part") ?: [] as $line) {
        if (preg_match('/^\d{8} \d\d . ([0-9a-f]{2}) (\S+)/', $line, $m) === 1) {
            $words = array_slice(explode(' ', $line), 4, 2 * (int) hexdec($m[1]));
            foreach ($words as $i => $word) {
                $word = (string) preg_replace('/\(\w+\)$/', '', $word);
                if ($i % 2 === 0 && $word === strtolower($word)) {
                    $lower[$word] = true;
                }
            }
        }
    }
    foreach (array_keys($lower) as $word) {
        if (($counts[$word] ?? 0) >= 2) {
            $everyday[(string) $word] = true;
        }
    }
}
$write('everyday_words.php', $everyday);
