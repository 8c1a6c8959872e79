<?php

/** Writes what the training of meanings reads: the trades of data/ in the words and stems of Ringo's own tokenizer, as JSON. */

declare(strict_types=1);

use Ringo\Fit\Fold;
use Ringo\Language\Stemmer;
use Ringo\Language\Tokenizer;

require dirname(__DIR__).'/vendor/autoload.php';

$tokenizer = new Tokenizer;
$stemmer = new Stemmer;
$stems = [];
$words = static function (string $text) use ($tokenizer, $stemmer, &$stems): array {
    $words = $tokenizer->words($text);
    foreach ($words as $word) {
        $stems[$word] ??= $stemmer->stem($word);
    }

    return $words;
};
$businesses = [];
foreach (glob(dirname(__DIR__).'/data/trades/*.json') ?: [] as $file) {
    $trade = json_decode((string) file_get_contents($file), true, 512, JSON_THROW_ON_ERROR);
    foreach ($trade['splits'] as $n => $teams) {
        $sayings = [];
        foreach ($trade['sayings'] as $saying) {
            $fit = $saying['fit'][$n] ?? null;
            $sayings[] = ['said' => $words($saying['said']), 'fit' => $fit === null ? [] : (array) $fit];
        }
        $businesses[] = ['trade' => $trade['trade'], 'held' => Fold::heldOut($trade['trade']), 'teams' => array_map(static fn (array $team): array => ['key' => $team['key'], 'name' => $words($team['name']), 'about' => $words($team['description'])], $teams), 'sayings' => $sayings];
    }
}
// What is said on the telephone and is no matter of any business.
$chat = [];
foreach (file(dirname(__DIR__).'/data/corpora/acts.jsonl') ?: [] as $line) {
    $row = json_decode($line, true, 16, JSON_THROW_ON_ERROR);
    if (! Fold::heldOut($row['trade']) && array_intersect($row['acts'], ['answer', 'side_question', 'urgent', 'complaint', 'partial_answer', 'uncertain_answer', 'correction', 'change_topic']) === []) {
        $chat[] = $words($row['said']);
    }
}
echo json_encode(['chat' => $chat, 'businesses' => $businesses, 'stems' => $stems], JSON_THROW_ON_ERROR);
