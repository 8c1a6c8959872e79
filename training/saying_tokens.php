<?php

/**
 * Writes what the training of sayings by kind reads, in the features Ringo itself counts, as JSON lines: `questions` (what kind of thing
 * answers a question) or `objections` (what somebody who is rung has against it).
 */

declare(strict_types=1);

use Ringo\Language\UtteranceFeatures;

require dirname(__DIR__).'/vendor/autoload.php';

/** Sayings of calls that are nothing held against one, whatever they are; complaints, refusals and the like may be. */
const HARMLESS = ['answer', 'partial_answer', 'uncertain_answer', 'side_question', 'agree', 'correction', 'disagree_with_value', 'hold', 'repeat', 'leaving', 'greeting', 'thanks', 'back', 'check_presence', 'change_topic'];

[$file, $as] = match ($argv[1] ?? '') {
    'questions' => ['questions.tsv', 'question'],
    'objections' => ['objections/training.tsv', 'objection'],
    default => exit("php training/saying_tokens.php questions|objections\n"),
};
$corpora = dirname(__DIR__).'/data/corpora';
$lines = array_map(static fn (string $line): array => explode("\t", $line), file("{$corpora}/{$file}", FILE_IGNORE_NEW_LINES) ?: []);
if ($as === 'objection') {
    foreach (file("{$corpora}/acts.jsonl") ?: [] as $line) {
        $one = json_decode($line, true, 8, JSON_THROW_ON_ERROR);
        if (array_diff($one['acts'], HARMLESS) === []) {
            $lines[] = ['-', $one['said']];
        }
    }
}
$features = new UtteranceFeatures;
foreach ($lines as [$type, $said]) {
    echo json_encode(['type' => $type, 'said' => $said, 'features' => $features->of($plain = mb_strtolower(trim($said, " \t\n?.!")), '', $as), 'meaning' => array_map(static fn (float $one): float => round($one, 5), $features->meaning($plain))], JSON_THROW_ON_ERROR), "\n";
}
