<?php

declare(strict_types=1);

// Writes phrases of core/Language/en out as trees of their words, which processes share: the rings of words for the same thing (rings.php,
// trade_rings.php, `rings` of knowledge.php) as ring_tree.php, and the tables that turns of a call ask as trees/TABLE.php. Run it
// after a change of any of them.

use Ringo\Knowledge\Rings;
use Ringo\Language\Phrases;
use Ringo\Language\Vocabulary;
use Ringo\Understanding\Readers\YesNoReader;
use Ringo\Understanding\When\Wishes\ItemFinder;

require dirname(__DIR__).'/vendor/autoload.php';

/** @param array<array-key, mixed> $tree */
function written(array $tree): string
{
    $parts = [];
    foreach ($tree as $word => $below) {
        $parts[] = (array_is_list($tree) ? '' : var_export((string) $word, true).' => ').(is_array($below) ? written($below) : ($below === null ? 'null' : var_export($below, true)));
    }

    return '['.implode(', ', $parts).']';
}

$table = Rings::table(Rings::written(Vocabulary::of()));
$lines = ['tree' => (new Phrases($table))->tree(), 'singles' => array_filter($table, static fn (string|int $phrase): bool => ! str_contains((string) $phrase, ' '), ARRAY_FILTER_USE_KEY)];
$text = "    'count' => [".count(Rings::written(Vocabulary::of()))."],\n";
foreach ($lines as $section => $entries) {
    $text .= "    '{$section}' => [\n";
    foreach ($entries as $word => $below) {
        $text .= '        '.var_export((string) $word, true).' => '.written($below).",\n";
    }
    $text .= "    ],\n";
}
file_put_contents(dirname(__DIR__).'/core/Language/en/ring_tree.php', "<?php\n\ndeclare(strict_types=1);\n\n// The rings of rings.php and knowledge.php by their words; written by tools/phrase-trees.php.\n\nreturn [\n{$text}];\n");

$words = Vocabulary::of();
$trees = [];
foreach (Vocabulary::WRITTEN_OUT as $table) {
    $sections = array_map(strval(...), array_keys(array_filter(require dirname(__DIR__)."/core/Language/en/{$table}.php", Vocabulary::ofPhrases(...))));
    foreach ([...$sections, ...Vocabulary::TOGETHER[$table] ?? []] as $name) {
        $trees[$table][$name] = (new Phrases($words->entries($table, explode('+', $name))))->tree();
    }
}
$trees['composed'] = ['yes_no' => (new Phrases(YesNoReader::table($words)))->tree(), 'turns_of_days' => (new Phrases(ItemFinder::turns($words)))->tree()];
foreach ($trees as $table => $sections) {
    $text = '';
    foreach ($sections as $name => $tree) {
        $text .= '    '.var_export((string) $name, true).' => '.written($tree).",\n";
    }
    file_put_contents(dirname(__DIR__)."/core/Language/en/trees/{$table}.php", "<?php\n\ndeclare(strict_types=1);\n\n// The phrases of {$table}.php by their words; written by tools/phrase-trees.php.\n\nreturn [\n{$text}];\n");
}
